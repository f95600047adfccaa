package org.jollychain.core.fault;

import org.jollychain.core.quantity.Kebab;

/** The ways in which a part can be at fault. */
public enum FaultMode {
  /** Passes nothing where it should. */
  OPEN("open"),
  /** Has opened for a reason that lies elsewhere, and would pass again if reset or cooled. */
  TRIPPED("tripped"),
  /** Passes, with a resistance that takes part of the voltage. */
  DROPPING("dropping"),
  /** Passes where it should not. */
  STUCK("stuck closed"),
  /** Insulation gone: a way to the case. */
  CASE_LEAK("leaking to the case"),
  /** A load or sensor with more resistance than its band. */
  OFF_VALUE_HIGH("too high"),
  /** A load or sensor with less. */
  OFF_VALUE_LOW("too low"),
  /** Sound, but not commanded: a setting, a lever, a coil. */
  NOT_MADE("not made"),
  /** There at times: a joint, a contact that lets go when it is warm. */
  INTERMITTENT("comes and goes");

  private final String word;

  FaultMode(String word) {
    this.word = word;
  }

  public String word() {
    return word;
  }

  @Override
  public String toString() {
    return Kebab.of(this);
  }
}
