/** What is printed. */
@NullMarked
package org.jollychain.server.report;

import org.jspecify.annotations.NullMarked;
