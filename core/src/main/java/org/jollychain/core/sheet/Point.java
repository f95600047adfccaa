package org.jollychain.core.sheet;

import java.util.Optional;

/**
 * A place a probe can touch.
 *
 * @param id as the wiring diagram prints it, e.g. {@code P4-3}
 * @param title where it is, in words
 * @param pin the pin or wire, e.g. {@code brown tab}
 * @param access what must be open to reach it
 */
public record Point(String id, String title, Optional<String> pin, Optional<String> access) {}
