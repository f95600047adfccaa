/** Where everything stands on a drawing of a sheet. */
@NullMarked
package org.jollychain.core.drawing;

import org.jspecify.annotations.NullMarked;
