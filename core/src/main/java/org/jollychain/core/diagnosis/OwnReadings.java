package org.jollychain.core.diagnosis;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Inspection;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.inference.Posterior;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.sheet.Part;

/** The readings taken on a part itself, and whether they agree. */
record OwnReadings(Posterior posterior) {

  /** Ohms so many times apart are no one value. */
  private static final double UNLIKE = 5;

  private static final double BEYOND_OHMS = 1e9;

  /** The readings taken on a part itself, in the order they were taken. */
  List<Reading> of(Part part) {
    List<Reading> own = new ArrayList<>();
    for (Evidence e : posterior.evidence()) {
      if (e instanceof Reading r && r.probe().part().filter(part.id()::equals).isPresent()) {
        own.add(r);
      }
    }
    own.sort(Comparator.comparing(r -> r.at().orElse(Instant.MIN)));
    return own;
  }

  /**
   * Readings of a part by its own ohms that contradict each other, with nothing done between them:
   * open or far off, and good.
   */
  List<Reading> contradicting(Part part) {
    List<Reading> own =
        of(part).stream()
            .filter(
                r -> r.probe().function() == MeterFunction.OHMS && r.probe().celsius().isEmpty())
            .filter(r -> !r.reseated())
            .toList();
    double least = own.stream().mapToDouble(OwnReadings::size).min().orElse(0);
    double most = own.stream().mapToDouble(OwnReadings::size).max().orElse(0);
    boolean same =
        own.stream().map(r -> List.of(r.situation(), r.probe().liftedAt())).distinct().count() < 2;
    boolean touched =
        posterior.evidence().stream()
            .anyMatch(e -> e instanceof Inspection i && i.part().equals(part.id()));
    return same && !touched && part.curve().isEmpty() && most > UNLIKE * (least + 1)
        ? own
        : List.of();
  }

  private static double size(Reading r) {
    return r.shown() instanceof Shown.Figure f ? f.value() : BEYOND_OHMS;
  }
}
