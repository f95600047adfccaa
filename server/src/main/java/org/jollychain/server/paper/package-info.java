/** What is printed. */
@NullMarked
package org.jollychain.server.paper;

import org.jspecify.annotations.NullMarked;
