/**
 * What a meter reads: nodal analysis of the sheet in one situation, the meter being part of the
 * circuit.
 */
@NullMarked
package org.jollychain.core.network;

import org.jspecify.annotations.NullMarked;
