/** The unit in front of the technician: what its paper says, and how far a sheet is an example. */
@NullMarked
package org.jollychain.core.unit;

import org.jspecify.annotations.NullMarked;
