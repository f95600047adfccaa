/** Who may sign in, as what, and what they changed. */
@NullMarked
package org.jollychain.server.account;

import org.jspecify.annotations.NullMarked;
