/** The part bench over HTTP, and what of it is kept. */
@NullMarked
package org.jollychain.server.bench;

import org.jspecify.annotations.NullMarked;
