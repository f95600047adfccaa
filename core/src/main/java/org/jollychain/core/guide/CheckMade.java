package org.jollychain.core.guide;

/**
 * A check of the guide that was made.
 *
 * @param check its id
 * @param outcome the id of what came of it
 */
public record CheckMade(String check, String outcome) {}
