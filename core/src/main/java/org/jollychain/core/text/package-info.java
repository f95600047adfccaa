/** Written documents: YAML that knows the line and column of everything in it, and its grammar. */
@NullMarked
package org.jollychain.core.text;

import org.jspecify.annotations.NullMarked;
