package org.jollychain.core.visit;

import org.jollychain.core.quantity.Kebab;

/** The steps of a visit, in their usual order; a technician may jump. */
public enum Step {
  ARRIVE("Arrive"),
  SUPPLY("Supply"),
  GET_IN("Get in"),
  WALK("Walk the chain"),
  CONFIRM("Confirm"),
  CAUSE("Cause"),
  PUT_RIGHT("Put right"),
  PROVE("Prove"),
  SIGN_OFF("Sign off");

  private final String title;

  Step(String title) {
    this.title = title;
  }

  public String title() {
    return title;
  }

  @Override
  public String toString() {
    return Kebab.of(this);
  }
}
