package org.jollychain.server.platform;

import java.time.OffsetDateTime;
import org.jspecify.annotations.Nullable;

/**
 * When something is written, by whom, and what they may.
 *
 * @param by their login; empty where it is the application itself, or nobody signed in
 * @param role empty where nobody signed in
 */
public record Stamp(OffsetDateTime at, String by, @Nullable Role role) {

  /** By the application itself. */
  public static Stamp at(OffsetDateTime at) {
    return new Stamp(at, "", Role.LEAD);
  }

  public boolean may(Role needed) {
    return role != null && role.atLeast(needed);
  }

  /**
   * @param what is to be done, to begin a sentence with
   * @throws RefusedException when they may not
   */
  public void require(Role needed, String what) {
    if (role == null) {
      throw RefusedException.unauthorized("Sign in first.");
    }
    if (!may(needed)) {
      throw RefusedException.forbidden(
          "%s is for a %s%s; you are signed in as a %s."
              .formatted(what, needed, needed == Role.LEAD ? "" : " or more", role)
              .replace("a apprentice", "an apprentice"));
    }
  }
}
