package org.jollychain.core.inference;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.network.Change;

/** The evidence in time: what was read again, and what had been touched before. */
final class History {

  /** So many times less at another time is no noise. */
  private static final double MANIFOLD = 4;

  private final List<Evidence> evidence;
  private final Set<String> unsteady;

  History(List<Evidence> evidence) {
    this.evidence = evidence;
    this.unsteady =
        evidence.stream()
            .filter(Reading.class::isInstance)
            .map(Reading.class::cast)
            .filter(r -> r.probe().part().isPresent() && (r.reseated() || changed(r)))
            .map(r -> r.probe().part().orElseThrow())
            .collect(Collectors.toSet());
  }

  /**
   * A drop that comes and goes is thought of only where its terminals were put on again, or the
   * same was read and was quite another: else it would excuse every drop whose size is met badly by
   * the grid.
   */
  boolean mayComeAndGo(Hypothesis h) {
    Fault.OfPart fault = h.intermittent().orElseThrow();
    return fault.changes().equals(List.of(Change.open(fault.part())))
        || unsteady.contains(fault.part());
  }

  /** Whether the same probe has shown something quite different at another time. */
  private boolean changed(Reading reading) {
    return evidence.stream()
        .anyMatch(
            e ->
                e instanceof Reading other
                    && other.probe().equals(reading.probe())
                    && other.shown() instanceof Shown.Figure a
                    && reading.shown() instanceof Shown.Figure b
                    && Math.abs(a.value()) > MANIFOLD * Math.abs(b.value()));
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
