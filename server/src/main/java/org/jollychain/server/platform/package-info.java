/** What every feature shares: errors, clock, security, pages and the shape of the API. */
@NullMarked
package org.jollychain.server.platform;

import org.jspecify.annotations.NullMarked;
