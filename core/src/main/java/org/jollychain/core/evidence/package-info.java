/** What was read and seen, and the reading of what people type. */
@NullMarked
package org.jollychain.core.evidence;

import org.jspecify.annotations.NullMarked;
