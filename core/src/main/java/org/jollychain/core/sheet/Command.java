package org.jollychain.core.sheet;

import org.jollychain.core.quantity.Kebab;

/** What a person or the control does, e.g. shutting the door; true where a situation lists it. */
public record Command(String id, String title, By by) {

  /** Who gives a command: one given by hand can stand without a supply. */
  public enum By {
    HAND,
    CONTROL;

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }
}
