package org.jollychain.core.partcheck;

/**
 * A check of one kind of part: from what is printed on it and what is read to a verdict, with the
 * arithmetic, the band it is held against and where that comes from. Nothing is remembered between
 * two of them.
 *
 * <pre>{@code
 * PartCheck check = PartChecks.withKey("element");
 * CheckResult answer = check.answer(Inputs.of(check.card(), Map.of("watts", "4500", "volts", "240 V")));
 * }</pre>
 */
public interface PartCheck {

  /** What it is called, for what kinds of parts it is, and what it needs. */
  Card card();

  /**
   * @throws InvalidInputsException when figures contradict each other
   */
  CheckResult answer(Inputs in);
}
