package org.jollychain.core.sheet;

/** The way from the source through a load and back that a staircase draws. */
public record Path(String id, String title, String load) {}
