/** The meters a shop owns. */
@NullMarked
package org.jollychain.server.meter;

import org.jspecify.annotations.NullMarked;
