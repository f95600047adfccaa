/** What is believed: every hypothesis of a sheet weighed by all the evidence, by Bayes' rule. */
@NullMarked
package org.jollychain.core.inference;

import org.jspecify.annotations.NullMarked;
