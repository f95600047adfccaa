package org.jollychain.core.inference;

import java.time.Instant;
import java.util.Comparator;
import java.util.DoubleSummaryStatistics;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.network.Probe;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jspecify.annotations.Nullable;

/** The evidence in time: what was read again, and what had been touched before. */
final class History {

  /** So many times less at another time is no noise. */
  private static final double MANIFOLD = 4;

  /** More than any meter shows. */
  private static final double OVER_LIMIT = 1e12;

  private final List<Evidence> evidence;
  private final Map<Probe, DoubleSummaryStatistics> shown = new HashMap<>();
  private final Map<Reading, Shown.Figure> before = new IdentityHashMap<>();
  private final Set<String> unsteady;

  History(List<Evidence> evidence) {
    this.evidence = evidence;
    Map<Probe, Shown.Figure> last = new HashMap<>();
    for (Evidence e : evidence) {
      if (e instanceof Reading r) {
        Optional.ofNullable(last.get(r.probe())).ifPresent(f -> before.put(r, f));
        if (r.shown() instanceof Shown.Figure f) {
          last.put(r.probe(), f);
        }
        if (!r.reseated()) {
          shown.computeIfAbsent(r.probe(), p -> new DoubleSummaryStatistics()).accept(size(r));
        }
      }
    }
    this.unsteady =
        evidence.stream()
            .filter(Reading.class::isInstance)
            .map(Reading.class::cast)
            .filter(
                r ->
                    r.probe().part().isPresent() && (r.reseated() || changed(shown.get(r.probe()))))
            .map(r -> r.probe().part().orElseThrow())
            .collect(Collectors.toSet());
  }

  private static double size(Reading reading) {
    return reading.shown() instanceof Shown.Figure f ? Math.abs(f.value()) : OVER_LIMIT;
  }

  /**
   * Whether ohms of a contact were read after the volts across it under power: touching it may have
   * made it pass again for a while.
   */
  boolean droppedBefore(Sheet sheet, Reading ohms) {
    return ohms.probe().function().needsDeadCircuit()
        && ohms.probe().part().map(sheet::part).filter(Part::actsAsLink).isPresent()
        && evidence.stream()
            .anyMatch(
                e ->
                    e instanceof Reading live
                        && live.probe().part().equals(ohms.probe().part())
                        && live.probe().function().dimension() == Dimension.VOLTS
                        && !(ohms.at().isPresent()
                            && live.at().filter(ohms.at().get()::isBefore).isPresent()));
  }

  /** Whether another touch of the same points showed something quite different. */
  boolean belied(Reading reading) {
    return !reading.reseated() && changed(shown.get(reading.probe()));
  }

  /** What the same points showed when they were last read before. */
  OptionalDouble before(Reading reading) {
    return Optional.ofNullable(before.get(reading))
        .map(f -> OptionalDouble.of(f.value()))
        .orElse(OptionalDouble.empty());
  }

  /**
   * A drop that comes and goes is thought of only where its terminals were put on again, or the
   * same was read and was quite another: else it would excuse every drop whose size is met badly by
   * the grid.
   */
  boolean mayComeAndGo(Hypothesis h) {
    Fault.OfPart fault = h.intermittent().orElseThrow();
    return fault.opens() || unsteady.contains(fault.part());
  }

  /** Whether the same probe has shown something quite different at another time. */
  private static boolean changed(@Nullable DoubleSummaryStatistics shown) {
    return shown != null && shown.getMax() > MANIFOLD * shown.getMin();
  }

  /** Places of the evidence as it was taken, a part's readings after re-seating behind the rest. */
  List<Integer> inTime() {
    return IntStream.range(0, evidence.size())
        .boxed()
        .sorted(
            Comparator.comparing((Integer i) -> evidence.get(i).at().orElse(Instant.MIN))
                .thenComparing(i -> evidence.get(i) instanceof Reading r && r.reseated()))
        .toList();
  }

  /** At the first reading of a part after its terminals were put on again. */
  boolean[] reseatedBefore(Hypothesis h) {
    boolean[] before = new boolean[evidence.size()];
    for (int at : inTime()) {
      if (evidence.get(at) instanceof Reading r
          && r.reseated()
          && r.probe().part().flatMap(h::modeOf).isPresent()) {
        before[at] = true;
        break;
      }
    }
    return before;
  }
}
