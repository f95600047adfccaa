/** Guides: what a family of units needs beside its circuit. */
@NullMarked
package org.jollychain.core.guide;

import org.jspecify.annotations.NullMarked;
