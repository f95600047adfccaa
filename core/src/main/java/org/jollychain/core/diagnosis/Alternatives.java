package org.jollychain.core.diagnosis;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jollychain.core.diagnosis.Assessment.Alternative;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.fault.Culprit;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.inference.MeasurementModel;
import org.jollychain.core.inference.Posterior;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;

/**
 * What else would read the same as a suspect: a sound unit with a wire still on, another prefix, a
 * probe on the next point, by the solver; and the other faults that the readings leave.
 */
final class Alternatives {

  private static final int MOST = 4;

  /** Rarer ones are not named. */
  private static final double NAMED = 0.01;

  /** What lies within twice the error of what was read (a share, and ohms of leads). */
  private static final double ERROR = 0.04;

  private static final double LEADS_OHMS = 0.3;

  private final UnitModel unit;
  private final Sheet sheet;
  private final Posterior posterior;
  private final OwnReadings readings;

  Alternatives(MeasurementModel measurements, Posterior posterior) {
    this.unit = measurements.unit();
    this.sheet = unit.sheet();
    this.posterior = posterior;
    this.readings = new OwnReadings(posterior);
  }

  List<Alternative> to(Culprit culprit) {
    List<Alternative> all = new ArrayList<>();
    culprit.part().map(sheet::part).ifPresent(part -> doneOtherwise(part, all));
    Map<String, Double> others = new LinkedHashMap<>();
    for (Posterior.Entry e : posterior.all()) {
      boolean other =
          e.hypothesis().kind() == Hypothesis.Kind.FAULTY && !e.hypothesis().blames(culprit);
      if (other) {
        others.merge(e.hypothesis().title(sheet), e.probability(), Double::sum);
      }
    }
    others.entrySet().stream()
        .filter(o -> o.getValue() >= NAMED)
        .sorted(Map.Entry.<String, Double>comparingByValue().reversed())
        .limit(Math.max(0, MOST - all.size()))
        .forEach(o -> all.add(new Alternative(o.getKey(), Optional.of(o.getValue()))));
    return all;
  }

  /** What may have been done otherwise at the readings that accuse a part. */
  private void doneOtherwise(Part part, List<Alternative> all) {
    for (Reading r : readings.of(part)) {
      if (!(r.shown() instanceof Shown.Figure f)
          || r.probe().function() != MeterFunction.OHMS
          || near(sound(r, r.probe()), f.value())) {
        continue;
      }
      if (near(sound(r, r.probe().wiredOtherwise(part)), f.value())) {
        add(
            all,
            r.probe().liftedAt().isEmpty()
                ? "its own plug or wire was off: a sound one reads %s by itself"
                : "its wire was still on: the rest of the circuit reads %s there",
            f);
      }
      for (double prefix : new double[] {1e3, 1e-3}) {
        if (near(sound(r, r.probe()), f.value() * prefix)) {
          add(all, "another prefix than %s: a thousand times more or less", f);
        }
      }
      r.probe()
          .displaced(sheet)
          .filter(there -> near(sound(r, there.probe()), f.value()))
          .findFirst()
          .ifPresent(there -> add(all, "a probe that stood at " + there.point() + " reads %s", f));
    }
  }

  private static void add(List<Alternative> all, String text, Shown.Figure f) {
    Alternative other =
        new Alternative(text.formatted(Dimension.OHMS.round(f.value())), Optional.empty());
    if (all.size() < MOST && !all.contains(other)) {
      all.add(other);
    }
  }

  private double sound(Reading r, Probe probe) {
    return r.meter().read(unit.in(r.situation(), probe.conditions(sheet, List.of())), probe);
  }

  private static boolean near(double due, double shown) {
    return Math.abs(due - shown) < ERROR * Math.max(due, shown) + LEADS_OHMS && shown > LEADS_OHMS;
  }
}
