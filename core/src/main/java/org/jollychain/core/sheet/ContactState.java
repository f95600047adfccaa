package org.jollychain.core.sheet;

import org.jollychain.core.quantity.Kebab;

/**
 * What a sound link does in a situation; EITHER between the two temperatures of a thermal contact.
 */
public enum ContactState {
  CLOSED,
  OPEN,
  EITHER;

  @Override
  public String toString() {
    return Kebab.of(this);
  }
}
