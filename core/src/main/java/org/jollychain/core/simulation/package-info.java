/** A machine and a meter that obey the same physics, for practice, for tests and for the study. */
@NullMarked
package org.jollychain.core.simulation;

import org.jspecify.annotations.NullMarked;
