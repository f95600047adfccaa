/** Units at the edge, complex numbers and uncertain values. */
@NullMarked
package org.jollychain.core.quantity;

import org.jspecify.annotations.NullMarked;
