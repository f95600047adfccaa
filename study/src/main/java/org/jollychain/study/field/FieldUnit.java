package org.jollychain.study.field;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.random.RandomGenerator;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.Solution;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.quantity.Complex;
import org.jollychain.core.sheet.Behaviour;
import org.jollychain.core.sheet.LoadRating;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;
import org.jollychain.core.sheet.Strays;
import org.jollychain.core.sheet.Supply;
import org.jollychain.core.sheet.SupplySystem;

/**
 * A unit as it stands in a house: what its sheet leaves open is drawn into a sheet of its own, and
 * its source moves from one reading to the next.
 */
final class FieldUnit {

  private final UnitModel circuit;
  private final RandomGenerator random;
  private final double bleedOhms;
  private final double restless;
  private List<FieldFault> faults = List.of();
  private double drift;

  private FieldUnit(UnitModel circuit, RandomGenerator random) {
    this.circuit = circuit;
    this.random = random;
    this.bleedOhms = Drawn.byDecade(random, 30e3, 300e6);
    Supply supply = circuit.sheet().supply();
    this.restless =
        supply.dc() ? 0.008 : supply.system() == SupplySystem.TRANSFORMER ? 0.006 : 0.004;
  }

  /**
   * One of all that answer to a sheet.
   *
   * @param made how its parts are made
   */
  static FieldUnit of(Sheet told, Function<Part, Behaviour> made, RandomGenerator random) {
    Map<String, Double> contacts = new LinkedHashMap<>();
    told.parts().keySet().forEach(p -> contacts.put("contact:" + p, Drawn.between(random, -4, 1)));
    return new FieldUnit(
        new UnitModel(built(told, made, random), name -> contacts.getOrDefault(name, 0.0)), random);
  }

  private static Sheet built(Sheet s, Function<Part, Behaviour> made, RandomGenerator random) {
    Supply on = s.supply();
    double strays = Drawn.chance(random, 0.1) ? 0.01 : Drawn.byDecade(random, 1.0 / 3, 3);
    double volts =
        on.system() == SupplySystem.TRANSFORMER
            ? Drawn.between(random, 0.94, 1.13)
            : 1 + 1.2 * on.tolerance() * Drawn.between(random, -1, 1);
    double soft = on.dc() ? Drawn.byDecade(random, 0.75, 1.35) : Drawn.byDecade(random, 0.4, 2.5);
    Supply supply =
        new Supply(
            on.system(),
            on.volts() * volts,
            on.hertz(),
            on.tolerance(),
            on.sourceOhms() * soft,
            on.terminals(),
            on.bonded(),
            on.storedCharge());
    Map<String, Part> parts = new LinkedHashMap<>();
    s.parts().forEach((id, p) -> parts.put(id, p.behaving(made.apply(p))));
    return new Sheet(
        s.key(),
        s.title(),
        s.family(),
        s.notes(),
        supply,
        s.commands(),
        s.access(),
        s.points(),
        parts,
        new Strays(s.strays().toNeighboursFarads() * strays, s.strays().toCaseFarads() * strays),
        s.situations(),
        s.paths(),
        s.complaints(),
        s.codes(),
        s.identify());
  }

  /** A load anywhere within the sheet's band, its winding with it. */
  static Behaviour asTold(Behaviour as, RandomGenerator random) {
    if (!(as instanceof Behaviour.Load load)) {
      return as;
    }
    double own = 1 + 0.8 * load.tolerance() * Drawn.between(random, -1, 1);
    LoadRating r = load.rating();
    return new Behaviour.Load(
        new LoadRating(
            r.ohms() * own, r.powerFactor(), r.windingOhms().map(w -> w * own), r.runsAbove()),
        load.tolerance());
  }

  UnitModel circuit() {
    return circuit;
  }

  void suffer(List<FieldFault> wrong) {
    faults = wrong;
  }

  /** The circuit as a probe meets it now. */
  Solution at(Probe probe) {
    Sheet sheet = circuit.sheet();
    return circuit.in(
        probe.situation(), probe.conditions(sheet, now(sheet.situation(probe.situation()))));
  }

  /** What dust and damp let through between two wires of which nothing else holds one (ohm). */
  double bleedOhms() {
    return bleedOhms;
  }

  /** Power of a load as a share of what the sound unit gives it. */
  double share(String load, String situation) {
    List<Change> now = lasting(circuit.sheet().situation(situation));
    return circuit.powerShare(load, circuit.in(situation, now));
  }

  private List<Change> now(Situation situation) {
    List<Change> now = new ArrayList<>();
    for (FieldFault f : faults) {
      if (!f.comesAndGoes() || Drawn.chance(random, 0.5)) {
        now.addAll(f.changes().apply(situation));
      }
    }
    if (situation.supplyOn()) {
      drift = Math.max(-0.02, Math.min(0.02, drift + restless / 2 * Drawn.between(random, -1, 1)));
      Complex moved = Complex.of(1 + drift + restless * Drawn.between(random, -1, 1));
      circuit.sheet().supply().currentTerminals().stream()
          .map(t -> Change.source(Supply.conductor(t), moved))
          .forEach(now::add);
    }
    return now;
  }

  private List<Change> lasting(Situation situation) {
    return faults.stream().flatMap(f -> f.changes().apply(situation).stream()).toList();
  }
}
