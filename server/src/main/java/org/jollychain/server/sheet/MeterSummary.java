package org.jollychain.server.sheet;

/** A meter one can choose. */
public record MeterSummary(String id, String name) {}
