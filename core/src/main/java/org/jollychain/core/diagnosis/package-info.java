/** Weighs every fault by the evidence and says what it knows in words and numbers. */
@NullMarked
package org.jollychain.core.diagnosis;

import org.jspecify.annotations.NullMarked;
