package org.jollychain.core.plan;

import java.util.List;
import java.util.Optional;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.partcheck.Card;

/**
 * What to do next, as it is put to a technician.
 *
 * @param id names it, so that it can be skipped
 * @param function what the meter is set to; empty where nothing is measured
 * @param red the point of the red probe
 * @param black the point of the black probe
 * @param across the part it is measured across or through, or that is looked at
 * @param liftedAt where a wire comes off first
 * @param celsius what the part is brought to first (C)
 * @param reseated whether the terminals of the part are put on again first
 * @param title in words: {@code AC volts across the high limit}
 * @param steps what to do before, in order
 * @param expect what answers to use, the likeliest first
 * @param why this one
 * @param minutes all of it (min)
 * @param opening the part of them that goes into opening the unit (min)
 * @param bits how much of the open question it is expected to settle (bit)
 * @param confirms whether it tests the suspect itself
 * @param hazards what to mind
 * @param check the check of the guide it is, by its id
 * @param bench what of the part bench decides that check, where figures do
 */
public record Proposal(
    String id,
    Question.Kind kind,
    Optional<String> function,
    Optional<String> red,
    Optional<String> black,
    Optional<String> across,
    String situation,
    List<String> liftedAt,
    Optional<Double> celsius,
    boolean reseated,
    String title,
    List<String> steps,
    List<Expect> expect,
    String why,
    double minutes,
    double opening,
    double bits,
    boolean confirms,
    List<String> hazards,
    Optional<String> check,
    Optional<Card> bench) {

  /**
   * An answer and what it would mean.
   *
   * @param probability of that answer
   * @param outcome of the check of the guide, by its id; empty where it is no check
   */
  public record Expect(String shown, String meaning, double probability, String outcome) {

    /** An answer that is read or seen in the circuit. */
    Expect(String shown, String meaning, double probability) {
      this(shown, meaning, probability, "");
    }
  }
}
