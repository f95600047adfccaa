package org.jollychain.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.fault.BaseRates;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Chain;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;

/** The fixed orders in which technicians are taught to test a unit, part by part. */
final class FixedSequences {

  private final Sheet sheet;
  private final UnitModel unit;
  private final CandidateTests questions;

  FixedSequences(UnitModel unit, CandidateTests questions) {
    this.unit = unit;
    this.sheet = unit.sheet();
    this.questions = questions;
  }

  /** What comes next in an order; nothing once all of it was asked. */
  Optional<Question> next(Order order, PlanningState state) {
    return sequence(order, state).stream().filter(state.at().open()::contains).findFirst();
  }

  private List<Question> sequence(Order order, PlanningState state) {
    Optional<Complaint> complaint = state.problem().complaint();
    List<Part> parts = new ArrayList<>(along(complaint));
    if (order == Order.MOST_FREQUENT_FIRST) {
      parts.sort(Comparator.comparingDouble((Part p) -> BaseRates.weight(p)).reversed());
    }
    boolean live =
        state.problem().policy().method().live()
            && state.problem().policy().livePermit()
            && !sheet.supply().storedCharge();
    List<Question> all = new ArrayList<>();
    if (order == Order.ALONG_THE_WIRE && live && !Manners.supplyMeasured(state)) {
      all.add(supply(complaint));
    }
    for (Part part : parts) {
      if (live) {
        (part.actsAsLoad() ? clamp(part, complaint) : drop(part, complaint)).ifPresent(all::add);
      }
    }
    for (Part part : parts) {
      questions.closedOhms(part).ifPresent(all::add);
    }
    return all;
  }

  /** The parts on the way of the current through the loads that stand still, then the rest. */
  private Set<Part> along(Optional<Complaint> complaint) {
    Set<Part> along = new LinkedHashSet<>();
    List<String> still = complaint.map(Complaint::notRunning).orElse(List.of());
    for (Chain chain : unit.chains().keySet()) {
      if (still.contains(chain.path().load())) {
        along.addAll(chain.parts());
      }
    }
    unit.chains().keySet().forEach(c -> along.addAll(c.parts()));
    along.addAll(sheet.parts().values());
    along.removeIf(Part::actsAsSource);
    return along;
  }

  private String situation(Optional<Complaint> complaint) {
    return complaint
        .map(Complaint::situation)
        .filter(s -> sheet.situation(s).supplyOn())
        .orElseGet(
            () ->
                sheet.situations().values().stream()
                    .filter(Situation::supplyOn)
                    .findFirst()
                    .orElseThrow()
                    .id());
  }

  private Question supply(Optional<Complaint> complaint) {
    return new Question.Measure(
        sheet.supply().storedCharge()
            ? Probe.of(sheet.supply(), unit.quietest().id())
            : Probe.arriving(sheet, situation(complaint)));
  }

  /** In the complaint's own situation where the part carries there, else where it carries most. */
  private Optional<Question> drop(Part part, Optional<Complaint> complaint) {
    return questions.drop(part, situation(complaint));
  }

  private Optional<Question> clamp(Part part, Optional<Complaint> complaint) {
    MeterFunction amperes = MeterFunction.amperesOf(sheet.supply());
    Question here = new Question.Measure(Probe.across(amperes, part, situation(complaint)));
    return questions.byId(here.id()).isPresent() ? Optional.of(here) : drop(part, complaint);
  }
}
