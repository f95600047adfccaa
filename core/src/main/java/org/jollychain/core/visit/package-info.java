/** The visit that surrounds the search: its steps, and how far each of them is. */
@NullMarked
package org.jollychain.core.visit;

import org.jspecify.annotations.NullMarked;
