/** What can be wrong, how it changes the circuit, and how often it happens. */
@NullMarked
package org.jollychain.core.fault;

import org.jspecify.annotations.NullMarked;
