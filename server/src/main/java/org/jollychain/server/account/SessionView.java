package org.jollychain.server.account;

import java.util.List;
import org.jollychain.core.quantity.Kebab;
import org.jspecify.annotations.Nullable;

/**
 * Who is signed in, and who may be by a click.
 *
 * @param me empty where nobody is
 * @param byClick the demo station's people, where a click is enough
 * @param needsLead whether this library has no lead yet
 * @param secondFactor whether whoever is signed in has one
 * @param deviceKey what their unsent entries are encrypted by on a device, in hex
 */
record SessionView(
    @Nullable Person me,
    List<Person> byClick,
    boolean needsLead,
    SecondFactor secondFactor,
    @Nullable String deviceKey) {

  /** How it stands with the second factor of whoever is signed in. */
  enum SecondFactor {
    NONE,
    ON,
    /** The shop asks for one: nothing else is answered before it is set up. */
    DUE;

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }
}
