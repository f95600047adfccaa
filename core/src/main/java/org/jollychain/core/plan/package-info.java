/** What to ask of the unit next, for the fewest minutes and the least exposure. */
@NullMarked
package org.jollychain.core.plan;

import org.jspecify.annotations.NullMarked;
