package org.jollychain.core.sheet;

/**
 * Stray capacitance: what lets a floating wire show a ghost voltage.
 *
 * @param toNeighboursFarads between the two points of every part (F)
 * @param toCaseFarads from every point to earth (F)
 */
public record Strays(double toNeighboursFarads, double toCaseFarads) {

  /** Common practice, no source: tens of pF a wire. */
  public static final Strays DEFAULT = new Strays(60e-12, 30e-12);
}
