/** Jobs and their evidence. */
@NullMarked
package org.jollychain.server.job;

import org.jspecify.annotations.NullMarked;
