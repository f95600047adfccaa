package org.jollychain.study;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.Solution;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.plan.CandidateTests;
import org.jollychain.core.sheet.ContactState;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;

/**
 * What a study reads of every unit of a sheet: of all that can be asked, what tells most of each
 * part by itself, whatever the planner would choose.
 */
public final class StudyProbes {

  private final Sheet sheet;
  private final UnitModel unit;
  private final List<Probe> all;

  public StudyProbes(UnitModel unit) {
    this.unit = unit;
    this.sheet = unit.sheet();
    this.all =
        new CandidateTests(unit)
            .all().stream()
                .filter(Question.Measure.class::isInstance)
                .map(Question.Measure.class::cast)
                .filter(m -> !m.reseated() && m.at().celsius().isEmpty())
                .map(Question.Measure::at)
                .toList();
  }

  /** Supply, every part where it carries most and where it holds most, and what the loads draw. */
  public List<Probe> live() {
    MeterFunction volts = MeterFunction.voltsOf(sheet.supply());
    MeterFunction amperes = MeterFunction.amperesOf(sheet.supply());
    List<Probe> probes = new ArrayList<>();
    all.stream().filter(this::ofSupply).forEach(probes::add);
    for (Part part : sheet.parts().values()) {
      most(p -> across(p, part, volts) && !opens(part, p), p -> carried(part, p))
          .ifPresent(probes::add);
      most(p -> across(p, part, volts) && opens(part, p), p -> held(part, p))
          .ifPresent(probes::add);
      most(p -> across(p, part, amperes), p -> carried(part, p)).ifPresent(probes::add);
    }
    return probes;
  }

  /** Ohms across every part where it passes and where it must be open, and to the case. */
  public List<Probe> isolated() {
    List<Probe> probes = new ArrayList<>();
    for (Part part : sheet.parts().values()) {
      first(p -> across(p, part, MeterFunction.OHMS) && !opens(part, p)).ifPresent(probes::add);
      first(p -> across(p, part, MeterFunction.OHMS) && opens(part, p)).ifPresent(probes::add);
    }
    Optional<String> earth = Optional.ofNullable(sheet.supply().terminals().get("earth"));
    all.stream()
        .filter(p -> p.function() == MeterFunction.OHMS && p.part().isEmpty())
        .filter(p -> earth.equals(Optional.of(p.black())))
        .forEach(probes::add);
    return probes;
  }

  private boolean ofSupply(Probe probe) {
    return probe.part().isEmpty()
        && !probe.function().needsDeadCircuit()
        && probe.atTerminals(sheet);
  }

  private static boolean across(Probe probe, Part part, MeterFunction function) {
    return probe.function() == function && probe.part().equals(Optional.of(part.id()));
  }

  private boolean opens(Part part, Probe probe) {
    return part.actsAsLink() && part.stateIn(situation(probe)) == ContactState.OPEN;
  }

  private Situation situation(Probe probe) {
    return sheet.situations().get(probe.situation());
  }

  private double carried(Part part, Probe probe) {
    return unit.in(probe.situation()).amperes(part.id()).abs();
  }

  private double held(Part part, Probe probe) {
    Solution sound = unit.in(probe.situation());
    return sound.volts(part.from()).minus(sound.volts(part.to())).abs();
  }

  private Optional<Probe> first(Predicate<Probe> which) {
    return all.stream().filter(which).findFirst();
  }

  private Optional<Probe> most(Predicate<Probe> which, ToDoubleFunction<Probe> of) {
    return all.stream().filter(which).max(Comparator.comparingDouble(of));
  }
}
