/** How the shop works unless a job says otherwise. */
@NullMarked
package org.jollychain.server.policy;

import org.jspecify.annotations.NullMarked;
