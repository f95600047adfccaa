/**
 * How often the diagnosis is right in a world of its own: units, faults, meters and technicians
 * that share no constant, grid or noise with what is judged, but for the solver of the network and
 * the scale of a sound contact. Every figure here is common practice or drawn wide on purpose; none
 * has a source.
 */
@NullMarked
package org.jollychain.study.field;

import org.jspecify.annotations.NullMarked;
