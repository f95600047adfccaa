/** Circuit sheets as immutable revisions. */
@NullMarked
package org.jollychain.server.sheet;

import org.jspecify.annotations.NullMarked;
