/** A unit's circuit for other programs. */
@NullMarked
package org.jollychain.core.export;

import org.jspecify.annotations.NullMarked;
