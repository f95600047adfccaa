/** Guides of the shop: what its families of units need beside their circuits. */
@NullMarked
package org.jollychain.server.guide;

import org.jspecify.annotations.NullMarked;
