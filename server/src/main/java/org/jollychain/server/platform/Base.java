package org.jollychain.server.platform;

import org.jspecify.annotations.Nullable;

/** The revision a text was written from: saved over another's, it is held up once. */
public final class Base {

  private Base() {}

  /**
   * @param base empty where nobody says
   * @param newest the revision that holds now
   * @param by who wrote it
   * @throws RefusedException when it is another
   */
  public static void refuseOlder(@Nullable Integer base, int newest, String by) {
    if (base != null && base != newest) {
      throw RefusedException.conflict(
          "%s saved revision %d meanwhile; your text is from revision %d and is kept here. Look at what changed under Revisions; saving again puts yours over it."
              .formatted(by.isEmpty() ? "Somebody" : by, newest, base));
    }
  }
}
