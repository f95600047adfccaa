package org.jollychain.core.plan;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Chain;
import org.jollychain.core.sheet.ContactState;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;
import org.jollychain.core.sheet.ThermalRating;

/**
 * What an ohmmeter can be asked of an isolated unit: a part by itself, a run of links, a circuit.
 */
final class OhmsTests {

  /** How far beyond its rating a disc is heated to see it open (K); common practice, no source. */
  private static final double BEYOND_RATING = 10;

  private final Sheet sheet;
  private final UnitModel unit;
  private final List<Situation> isolated;

  OhmsTests(UnitModel unit) {
    this.unit = unit;
    this.sheet = unit.sheet();
    this.isolated = sheet.situations().values().stream().filter(s -> !s.supplyOn()).toList();
  }

  /**
   * What one reading tells of many parts of a chain.
   *
   * @param stride a long chain is divided at every so many of its points
   */
  void along(Chain chain, int stride, Set<Question> asked) {
    runsOfLinks(chain, stride, asked);
    wholeCircuits(chain, asked);
  }

  Optional<Question> ifClosed(Part part) {
    return isolated.stream()
        .filter(s -> part.stateIn(s) != ContactState.OPEN)
        .findFirst()
        .map(s -> CandidateTests.measure(freed(part, s)));
  }

  Optional<Question> ifOpen(Part part) {
    return isolated.stream()
        .filter(s -> part.actsAsLink() && part.stateIn(s) == ContactState.OPEN)
        .min(Comparator.comparing(s -> unit.bridged(part, s.id())))
        .map(s -> CandidateTests.measure(freed(part, s)));
  }

  /** Across a part, one end free where something bridges it. */
  private Probe freed(Part part, Situation situation) {
    Probe across = Probe.across(MeterFunction.OHMS, part, situation.id());
    return unit.bridged(part, situation.id()) ? across.lifted(Set.of(part.from())) : across;
  }

  /**
   * A disc that is taken out and heated slowly. One-shot links would be spent, roll-out and spill
   * switches harmed.
   */
  Optional<Question> ifHeated(Part part) {
    boolean disc = part.kind().is(PartKind.Trait.HEATED_TO_TEST);
    return part.thermal()
        .filter(t -> disc && part.body().isEmpty())
        .filter(t -> t.acts() == ThermalRating.Acts.OPENS && t.reset() == ThermalRating.Reset.AUTO)
        .filter(t -> !isolated.isEmpty())
        .map(
            t ->
                CandidateTests.measure(
                    Probe.across(MeterFunction.OHMS, part, isolated.get(0).id())
                        .lifted(Set.of(part.from(), part.to()))
                        .at(Math.ceil(t.actsAtCelsius() + BEYOND_RATING))));
  }

  /** From an end of a part to the case, its wires off so that it is read alone. */
  Optional<Question> fromEndToCase(Part part) {
    return Optional.ofNullable(sheet.supply().terminals().get("earth"))
        .filter(earth -> !part.touches(earth) && !isolated.isEmpty())
        .map(
            earth ->
                CandidateTests.measure(
                    Probe.between(MeterFunction.OHMS, part.from(), earth, isolated.get(0).id())
                        .lifted(Set.of(part.from(), part.to()))));
  }

  /** Ohms from the head of a run of links to each of its points: one reading for many links. */
  private void runsOfLinks(Chain chain, int stride, Set<Question> asked) {
    for (Situation s : isolated) {
      int head = 0;
      for (int i = 0; i < chain.parts().size(); i++) {
        Part part = chain.parts().get(i);
        if (!part.actsAsLink() || part.stateIn(s) == ContactState.OPEN) {
          head = i + 1;
        } else if (i > head && i % stride == 0) {
          asked.add(
              CandidateTests.measure(
                  Probe.between(
                      MeterFunction.OHMS,
                      chain.points().get(head),
                      chain.points().get(i + 1),
                      s.id())));
        }
      }
    }
  }

  /** Ohms through a load and all that is closed on both its sides: the circuit, not the command. */
  private void wholeCircuits(Chain chain, Set<Question> asked) {
    for (Situation s : isolated) {
      int head = 0;
      for (int i = 0; i <= chain.parts().size(); i++) {
        boolean ends =
            i == chain.parts().size() || chain.parts().get(i).stateIn(s) == ContactState.OPEN;
        if (ends
            && i > head + 1
            && !chain.parts().subList(head, i).stream().allMatch(Part::actsAsLink)) {
          asked.add(
              CandidateTests.measure(
                  Probe.between(
                      MeterFunction.OHMS,
                      chain.points().get(head),
                      chain.points().get(i),
                      s.id())));
        }
        head = ends ? i + 1 : head;
      }
    }
  }
}
