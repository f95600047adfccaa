/** The invented station that a demo starts with. */
@NullMarked
package org.jollychain.server.demo;

import org.jspecify.annotations.NullMarked;
