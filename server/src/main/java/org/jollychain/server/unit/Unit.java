package org.jollychain.server.unit;

import java.util.UUID;

/**
 * A machine of the shop, as its plate and its place tell.
 *
 * @param tag by which the shop calls it
 * @param version counts its changes, from 1
 */
public record Unit(
    UUID id, String tag, String title, String model, String serial, String place, int version) {}
