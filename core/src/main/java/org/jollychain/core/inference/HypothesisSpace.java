package org.jollychain.core.inference;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.network.Change;

/**
 * All that may be true before anything was read, in a fixed order.
 *
 * <p>A fault that comes and goes is at each reading either there or not: then the unit is as with
 * the lasting fault of the same kind, else as a sound one. So it is weighed by what those two make
 * of the readings.
 */
public final class HypothesisSpace {

  /** The place of the sound unit. */
  public static final int SOUND = 0;

  private static final int LASTING = -1;

  private final List<Hypothesis> all;
  private final int[] standIn;
  private final int[] whilePresent;
  private final int[] whileGone;

  /** What is done to the circuit, by whatever fault, and which contacts stand open at rest. */
  private record What(List<Change> changes, List<Fault> resting) {}

  public HypothesisSpace(List<Hypothesis> all) {
    this.all = all;
    this.standIn = IntStream.range(0, all.size()).toArray();
    this.whilePresent = new int[all.size()];
    this.whileGone = new int[all.size()];
    Map<What, Integer> lasting = new HashMap<>();
    for (int i = 0; i < all.size(); i++) {
      Hypothesis h = all.get(i);
      boolean ofParts = h.kind() != Hypothesis.Kind.NOT_ON_SHEET && h.supplyFault().isEmpty();
      if (ofParts && h.intermittent().isEmpty()) {
        lasting.putIfAbsent(new What(changes(h), resting(h)), i);
      }
    }
    for (int i = 0; i < all.size(); i++) {
      Hypothesis h = all.get(i);
      boolean passing = h.intermittent().isPresent();
      whilePresent[i] =
          passing ? lasting.getOrDefault(new What(changes(h), resting(h)), LASTING) : LASTING;
      whileGone[i] =
          passing ? lasting.getOrDefault(new What(List.of(), resting(h)), LASTING) : LASTING;
    }
  }

  /**
   * @param standIn the place of each among those of the sheet, or of the likest of these
   */
  private HypothesisSpace(
      List<Hypothesis> all, int[] standIn, int[] whilePresent, int[] whileGone) {
    this.all = all;
    this.standIn = standIn;
    this.whilePresent = whilePresent;
    this.whileGone = whileGone;
  }

  private static List<Change> changes(Hypothesis h) {
    return h.faults().stream()
        .filter(f -> f.culprit().isPresent())
        .flatMap(f -> f.changes().stream())
        .toList();
  }

  private static List<Fault> resting(Hypothesis h) {
    return h.faults().stream().filter(Fault.Resting.class::isInstance).toList();
  }

  List<Hypothesis> all() {
    return all;
  }

  /**
   * The same and more, that no sheet lists: several faults at once, as the evidence calls for them.
   *
   * @param more what is added
   * @param like for each the place of one of these that is like it
   */
  HypothesisSpace and(List<Hypothesis> more, List<Integer> like) {
    List<Hypothesis> every = new ArrayList<>(all);
    every.addAll(more);
    int[] places = Arrays.copyOf(standIn, every.size());
    int[] present = Arrays.copyOf(whilePresent, every.size());
    int[] gone = Arrays.copyOf(whileGone, every.size());
    for (int i = 0; i < more.size(); i++) {
      places[all.size() + i] = standIn[like.get(i)];
      present[all.size() + i] = LASTING;
      gone[all.size() + i] = LASTING;
    }
    return new HypothesisSpace(every, places, present, gone);
  }

  /** The same hypotheses, each with another prior; they need not add up to one. */
  public HypothesisSpace weighed(UnaryOperator<Hypothesis> prior) {
    return new HypothesisSpace(all.stream().map(prior).toList(), standIn, whilePresent, whileGone);
  }

  /** The place among those of the sheet of a hypothesis, or of one that is like it. */
  int standIn(int index) {
    return standIn[index];
  }

  boolean comesAndGoes(int index) {
    return whilePresent[index] != LASTING;
  }

  /** The place of the sound unit that it is like while it is gone. */
  int whileGone(int index) {
    return whileGone[index];
  }

  /** The place of the lasting fault that one which comes and goes is like while it is there. */
  int whilePresent(int index) {
    return whilePresent[index];
  }
}
