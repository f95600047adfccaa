/** The part bench over HTTP; nothing is stored. */
@NullMarked
package org.jollychain.server.bench;

import org.jspecify.annotations.NullMarked;
