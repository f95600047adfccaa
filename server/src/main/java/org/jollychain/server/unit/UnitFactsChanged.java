package org.jollychain.server.unit;

import java.util.UUID;

/** Something else is known of a unit; what was concluded of it is to be looked at again. */
public record UnitFactsChanged(UUID unitId) {}
