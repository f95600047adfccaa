package org.jollychain.server.platform;

import java.time.OffsetDateTime;

/**
 * When something was written, and by whom.
 *
 * @param by empty where nobody signed in
 */
public record Stamp(OffsetDateTime at, String by) {

  /** By nobody who signed in. */
  public static Stamp at(OffsetDateTime at) {
    return new Stamp(at, "");
  }
}
