/** The part bench: the arithmetic of every kind of part, one class a check. */
@NullMarked
package org.jollychain.core.partcheck;

import org.jspecify.annotations.NullMarked;
