/** Assessing a case: sheet and evidence in, assessment out; nothing is stored. */
@NullMarked
package org.jollychain.server.assess;

import org.jspecify.annotations.NullMarked;
