/**
 * Test sequencing by itself: states of which one is true, tests with imperfect outcomes and a price
 * that depends on where the work stands, and the question which test comes next. Nothing here knows
 * what a circuit is.
 */
@NullMarked
package org.jollychain.core.sequencing;

import org.jspecify.annotations.NullMarked;
