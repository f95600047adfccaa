package org.jollychain.core.network;

import org.jollychain.core.quantity.Complex;

/**
 * Two terminals with an impedance and a source in series: V(from) - V(to) = Z I - E, the current I
 * counted from {@code from} to {@code to} and the source E driving it that way.
 *
 * @param id the part, or {@code supply:} and a terminal
 * @param from node index
 * @param to node index
 * @param ohms Z (ohm)
 * @param emf E (V RMS, or V for dc)
 */
public record Branch(String id, int from, int to, Complex ohms, Complex emf) {}
