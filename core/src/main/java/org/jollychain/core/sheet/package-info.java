/** The circuit as wired: reading, checking and naming what is on a circuit sheet. */
@NullMarked
package org.jollychain.core.sheet;

import org.jspecify.annotations.NullMarked;
