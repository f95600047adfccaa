package org.jollychain.server.unit;

import java.util.UUID;

/** A machine of the shop. */
public record Unit(UUID id, String tag, String title, String model, String place) {}
