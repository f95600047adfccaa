/** The machines of the shop. */
@NullMarked
package org.jollychain.server.unit;

import org.jspecify.annotations.NullMarked;
