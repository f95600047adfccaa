package org.jollychain.core.plan;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.evidence.CodeShown;
import org.jollychain.core.evidence.ComplaintTold;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Inspection;
import org.jollychain.core.evidence.Observation;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.Solution;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Chain;
import org.jollychain.core.sheet.ContactState;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;

/**
 * Everything sensible that can be asked of a unit of a sheet. What must never be asked is never
 * made: ohms on a live circuit, live work beyond the terminals of a unit that stores charge.
 */
public final class CandidateTests {

  private static final double CARRIES_AMPERES = 1e-3;
  private static final double CLAMP_AMPERES = 0.05;
  private static final double HELD_SHARE = 0.2;
  private static final int MOST_DIVISIONS = 50;

  private final Sheet sheet;
  private final UnitModel unit;
  private final MeterFunction volts;
  private final OhmsTests ohms;
  private final Map<String, Tests> tests = new HashMap<>();
  private final List<Question> supply;
  private final Map<String, Question> all = new LinkedHashMap<>();

  /** The tests of a part by itself, as far as there are any. */
  private record Tests(
      Optional<Question> closed,
      Optional<Question> open,
      Optional<Question> drop,
      Optional<Question> reseated,
      Optional<Question> toCase) {}

  public CandidateTests(UnitModel unit) {
    this.unit = unit;
    this.sheet = unit.sheet();
    this.volts = MeterFunction.voltsOf(sheet.supply());
    this.ohms = new OhmsTests(unit);
    for (Part part : sheet.parts().values()) {
      Optional<Question> drop = dropOver(part);
      tests.put(
          part.id(),
          new Tests(
              ohms.ifClosed(part),
              ohms.ifOpen(part).or(() -> ohms.ifHeated(part)),
              drop,
              drop.or(() -> ohms.ifClosed(part))
                  .filter(q -> part.actsAsLink())
                  .map(CandidateTests::reseated),
              ohms.fromEndToCase(part)));
    }
    this.supply = betweenTerminals();
    Set<Question> asked = new LinkedHashSet<>();
    supply(asked);
    if (!sheet.supply().storedCharge()) {
      drops(asked);
      toReference(asked);
      clamps(asked);
    }
    if (!isolated().isEmpty()) {
      ohms(asked);
      looks(asked);
    }
    runs(asked);
    asked.stream().filter(this::inReach).forEach(q -> all.putIfAbsent(q.id(), q));
  }

  UnitModel unit() {
    return unit;
  }

  /** What lies parallel to a part in the unit as it is isolated. */
  Optional<Part> bypass(Part part) {
    return closedOhms(part).flatMap(q -> unit.bypass(part, q.situation()));
  }

  public Collection<Question> all() {
    return all.values();
  }

  /** The question of a name. */
  public Optional<Question> byId(String id) {
    return Optional.ofNullable(all.get(id));
  }

  /** Ohms across a part where it should pass, one end free where something bridges it. */
  Optional<Question> closedOhms(Part part) {
    return tests.get(part.id()).closed;
  }

  /** Ohms across a contact where it must be open, by its command or by its own heat. */
  Optional<Question> openOhms(Part part) {
    return tests.get(part.id()).open;
  }

  /** The live drop across a part where it carries most. */
  Optional<Question> drop(Part part) {
    return tests.get(part.id()).drop;
  }

  /** The same in this situation, if it carries there. */
  Optional<Question> drop(Part part, String situation) {
    return byId(measure(Probe.across(volts, part, situation)).id()).or(() -> drop(part));
  }

  /** The drop across a link, or its ohms, once its terminals were put on again. */
  Optional<Question> reseated(Part part) {
    return tests.get(part.id()).reseated;
  }

  private static Question reseated(Question question) {
    return new Question.Measure(((Question.Measure) question).at(), true);
  }

  /** Ohms from an end of a part to the case. */
  Optional<Question> caseOhms(Part part) {
    return tests.get(part.id()).toCase;
  }

  /** Volts between the terminals of the supply, its outer ones first. */
  List<Question> supply() {
    return supply;
  }

  /** The question that a piece of evidence answers, if it is one that might be asked. */
  Optional<Question> answeredBy(Evidence evidence) {
    return evidence.as(
        new Evidence.Kinds<>() {
          @Override
          public Optional<Question> reading(Reading r) {
            return measured(r);
          }

          @Override
          public Optional<Question> observation(Observation o) {
            return byId(new Question.Runs(o.part(), o.situation()).id());
          }

          @Override
          public Optional<Question> inspection(Inspection i) {
            return byId(new Question.Look(i.part(), i.situation()).id());
          }

          @Override
          public Optional<Question> code(CodeShown c) {
            return byId(new Question.Code(c.situation()).id());
          }

          @Override
          public Optional<Question> complaint(ComplaintTold c) {
            return Optional.empty();
          }
        });
  }

  /** Whatever it was heated to: the same if the part stands the same there. */
  private Optional<Question> measured(Reading reading) {
    Probe probe = reading.probe();
    if (probe.celsius().isEmpty()) {
      return byId(new Question.Measure(probe, reading.reseated()).id());
    }
    return all.values().stream()
        .filter(
            q ->
                q instanceof Question.Measure m
                    && m.reseated() == reading.reseated()
                    && m.at().function() == probe.function()
                    && m.at().part().equals(probe.part())
                    && m.at().situation().equals(probe.situation())
                    && m.at()
                        .conditions(sheet, List.of())
                        .equals(probe.conditions(sheet, List.of())))
        .findFirst();
  }

  /** A lead is laid between two places only for a part that goes from one to the other. */
  private boolean inReach(Question question) {
    Optional<Probe> probe = question.probe();
    if (probe.filter(p -> sheet.offLimits(p.red()) || sheet.offLimits(p.black())).isPresent()) {
      return false;
    }
    return probe
        .filter(p -> !p.function().clamps() && !together(p))
        .filter(p -> p.part().isEmpty() || !p.function().needsDeadCircuit())
        .isEmpty();
  }

  private boolean together(Probe probe) {
    boolean live = sheet.situation(probe.situation()).supplyOn();
    return sheet.together(probe.red(), probe.black(), live);
  }

  private List<Situation> live() {
    return sheet.situations().values().stream().filter(Situation::supplyOn).toList();
  }

  private List<Situation> isolated() {
    return sheet.situations().values().stream().filter(s -> !s.supplyOn()).toList();
  }

  private void supply(Set<Question> asked) {
    for (Situation s : sheet.outletIsApart() ? List.of(unit.quietest()) : live()) {
      asked.add(measure(Probe.of(sheet.supply(), s.id())));
    }
    if (!sheet.supply().storedCharge()) {
      live().forEach(s -> asked.add(measure(Probe.arriving(sheet, s.id()))));
    }
    asked.addAll(supply);
  }

  /** At the outlet with the plug out; then where it arrives, under load. */
  private List<Question> betweenTerminals() {
    List<String> outer = List.copyOf(sheet.supply().terminals().values());
    List<String> inner = outer.stream().map(sheet::arrival).toList();
    if (!sheet.outletIsApart()) {
      return pairs(outer, live().get(0));
    }
    List<Question> all = new ArrayList<>(pairs(outer, unit.quietest()));
    if (!sheet.supply().storedCharge()) {
      all.addAll(pairs(inner, live().get(0)));
    }
    return all;
  }

  /** Volts between every two terminals of the supply, the outer two first. */
  private List<Question> pairs(List<String> terminals, Situation in) {
    List<Question> pairs = new ArrayList<>();
    for (int i = 0; i < terminals.size(); i++) {
      for (int j = i + 1; j < terminals.size(); j++) {
        pairs.add(measure(Probe.between(volts, terminals.get(i), terminals.get(j), in.id())));
      }
    }
    return pairs;
  }

  static Question measure(Probe probe) {
    return new Question.Measure(probe);
  }

  private void drops(Set<Question> asked) {
    for (Part part : sheet.parts().values()) {
      for (Situation s : live()) {
        Solution sound = unit.in(s.id());
        boolean carries = sound.amperes(part.id()).abs() > CARRIES_AMPERES;
        boolean holds =
            part.actsAsLink()
                && part.stateIn(s) == ContactState.OPEN
                && sound.volts(part.from()).minus(sound.volts(part.to())).abs()
                    > HELD_SHARE * sheet.supply().volts();
        if (carries || holds) {
          asked.add(measure(Probe.across(volts, part, s.id())));
        }
      }
    }
  }

  private void toReference(Set<Question> asked) {
    for (Map.Entry<Chain, Situation> e : unit.chains().entrySet()) {
      Chain chain = e.getKey();
      for (int i = 0; i < chain.points().size(); i += stride(chain)) {
        String point = sheet.arrival(chain.points().get(i));
        String reference = chain.reference(sheet, point);
        if (!point.equals(reference) && !point.equals(sheet.arrival(chain.returnPoint()))) {
          asked.add(measure(Probe.between(volts, point, reference, e.getValue().id())));
        }
      }
    }
  }

  private void clamps(Set<Question> asked) {
    MeterFunction amperes = MeterFunction.amperesOf(sheet.supply());
    for (Part part : sheet.parts().values()) {
      for (Situation s : live()) {
        if (part.actsAsLoad() && unit.in(s.id()).amperes(part.id()).abs() > CLAMP_AMPERES) {
          asked.add(measure(Probe.across(amperes, part, s.id())));
        }
      }
    }
  }

  private void ohms(Set<Question> asked) {
    Optional<String> earth = Optional.ofNullable(sheet.supply().terminals().get("earth"));
    for (Part part : sheet.parts().values()) {
      closedOhms(part).ifPresent(asked::add);
      openOhms(part).ifPresent(asked::add);
      reseated(part).ifPresent(asked::add);
      if (part.caseLeak() && earth.isPresent()) {
        caseOhms(part).ifPresent(asked::add);
        for (String end : List.of(part.from(), part.to())) {
          if (!end.equals(earth.get())) {
            asked.add(
                measure(
                    Probe.between(MeterFunction.OHMS, end, earth.get(), isolated().get(0).id())));
          }
        }
      }
    }
    for (Chain chain : unit.chains().keySet()) {
      ohms.along(chain, stride(chain), asked);
    }
  }

  private Optional<Question> dropOver(Part part) {
    if (sheet.supply().storedCharge()) {
      return Optional.empty();
    }
    Optional<Situation> busiest =
        live().stream()
            .max(Comparator.comparingDouble(s -> unit.in(s.id()).amperes(part.id()).abs()));
    return busiest
        .filter(s -> unit.in(s.id()).amperes(part.id()).abs() > CARRIES_AMPERES)
        .map(s -> measure(Probe.across(volts, part, s.id())));
  }

  /**
   * A long chain is divided at so many of its points; the links between are asked by themselves.
   */
  private static int stride(Chain chain) {
    return Math.max(1, (chain.points().size() + MOST_DIVISIONS - 1) / MOST_DIVISIONS);
  }

  private void runs(Set<Question> asked) {
    for (Part load : sheet.parts().values()) {
      for (Situation s : live()) {
        if (load.kind().is(PartKind.Trait.NOTICED) && unit.runs(load.id(), unit.in(s.id()))) {
          asked.add(new Question.Runs(load.id(), s.id()));
        }
      }
    }
    if (!sheet.codes().isEmpty()) {
      asked.add(new Question.Code(live().get(0).id()));
    }
  }

  private void looks(Set<Question> asked) {
    for (Part part : sheet.parts().values()) {
      if (!part.actsAsSource()) {
        asked.add(new Question.Look(part.id(), isolated().get(0).id()));
      }
    }
  }
}
