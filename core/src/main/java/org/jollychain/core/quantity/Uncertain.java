package org.jollychain.core.quantity;

/**
 * A value known as a normal distribution.
 *
 * @param mean the expected value, in the unit the context names
 * @param sd its standard uncertainty (GUM, JCGM 100:2008), in the same unit
 */
public record Uncertain(double mean, double sd) {}
