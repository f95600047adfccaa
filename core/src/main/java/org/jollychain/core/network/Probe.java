package org.jollychain.core.network;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.jollychain.core.sheet.ContactState;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.SensorCurve;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;
import org.jollychain.core.sheet.Supply;
import org.jollychain.core.sheet.SupplySystem;

/**
 * One measurement to be made.
 *
 * @param function what the meter is set to
 * @param red the point of the red probe
 * @param black the point of the black probe
 * @param part what is measured across or through, where it is one part
 * @param situation the state the unit is in
 * @param liftedAt points at which everything but that part is taken off
 * @param celsius what the part itself was brought to, where it is other than the situation says (C)
 */
public record Probe(
    MeterFunction function,
    String red,
    String black,
    Optional<String> part,
    String situation,
    Set<String> liftedAt,
    Optional<Double> celsius) {

  /** Points that are lifted stand in one order, so that the same measurement reads the same. */
  public Probe {
    liftedAt = Collections.unmodifiableSortedSet(new TreeSet<>(liftedAt));
  }

  public static Probe across(MeterFunction function, Part part, String situation) {
    return new Probe(
        function,
        part.from(),
        part.to(),
        Optional.of(part.id()),
        situation,
        Set.of(),
        Optional.empty());
  }

  public static Probe between(MeterFunction function, String red, String black, String situation) {
    return new Probe(function, red, black, Optional.empty(), situation, Set.of(), Optional.empty());
  }

  /** Volts between the outer terminals of the supply. */
  public static Probe of(Supply supply, String situation) {
    return between(
        MeterFunction.voltsOf(supply), supply.outwardPoint(), supply.homewardPoint(), situation);
  }

  /**
   * Volts between the outer terminals where they arrive in the unit, behind a cord if it has one.
   */
  public static Probe arriving(Sheet sheet, String situation) {
    Supply supply = sheet.supply();
    return between(
        MeterFunction.voltsOf(supply),
        sheet.arrival(supply.outwardPoint()),
        sheet.arrival(supply.homewardPoint()),
        situation);
  }

  /** Whether it is at an outlet, where nothing of the unit is plugged in. */
  public boolean atOutlet(Sheet sheet) {
    return sheet.outletIsApart()
        && sheet.situation(situation).supplyOn()
        && sheet.supply().terminals().values().containsAll(List.of(red, black));
  }

  /** Whether both probes are at terminals of the supply. */
  public boolean atTerminals(Sheet sheet) {
    return sheet.terminalAt(red).isPresent() && sheet.terminalAt(black).isPresent();
  }

  /** Whether they are at its outer ones. */
  public boolean atOuterTerminals(Sheet sheet) {
    List<String> ends =
        Stream.of(red, black).flatMap(p -> sheet.terminalAt(p).stream()).sorted().toList();
    SupplySystem system = sheet.supply().system();
    return ends.equals(Stream.of(system.outward(), system.homeward()).sorted().toList());
  }

  /** The same measurement with these points freed of all but the part. */
  public Probe lifted(Set<String> points) {
    return new Probe(function, red, black, part, situation, points, celsius);
  }

  /** Whether a part hangs free at one end at least: everything else is off there. */
  public boolean frees(Part freed) {
    return part.filter(freed.id()::equals).isPresent()
        && liftedAt.stream().anyMatch(freed::touches);
  }

  /** The same measurement of a part with its wires off where they were on, and on where off. */
  public Probe wiredOtherwise(Part measured) {
    return lifted(liftedAt.isEmpty() ? Set.of(measured.from(), measured.to()) : Set.of());
  }

  /** A probe that stood one point further than it was to. */
  public record Displaced(String point, Probe probe) {}

  /** The same measurement with one lead on a point next to its own, for each of these. */
  public Stream<Displaced> displaced(Sheet sheet) {
    return Stream.concat(
        nextTo(sheet, red, black).map(p -> new Displaced(p, with(p, black))),
        nextTo(sheet, black, red).map(p -> new Displaced(p, with(red, p))));
  }

  private static Stream<String> nextTo(Sheet sheet, String point, String other) {
    return sheet.partsAt(point).stream().map(p -> p.otherEnd(point)).filter(p -> !p.equals(other));
  }

  private Probe with(String redPoint, String blackPoint) {
    return between(function, redPoint, blackPoint, situation).lifted(liftedAt);
  }

  /** The same measurement of the part at a temperature of its own (C). */
  public Probe at(double partCelsius) {
    return new Probe(function, red, black, part, situation, liftedAt, Optional.of(partCelsius));
  }

  /**
   * The circuit as this probe meets it: what the part's own temperature makes of it, then the
   * faults, which outdo it, then what hangs free.
   */
  public List<Change> conditions(Sheet sheet, List<Change> faults) {
    List<Change> all = new ArrayList<>(warmed(sheet));
    all.addAll(faults);
    all.addAll(lifts(sheet));
    return all;
  }

  /** A thermal contact that stands otherwise at its own temperature, a sensor that reads so. */
  private List<Change> warmed(Sheet sheet) {
    if (celsius.isEmpty() || part.isEmpty()) {
      return List.of();
    }
    Part tested = sheet.part(part.get());
    Situation stated = sheet.situation(situation);
    double warm = celsius.get();
    if (tested.curve().isPresent()) {
      SensorCurve curve = tested.curve().get();
      double usual = curve.ohmsAt(stated.celsiusAt(tested.feels()));
      return List.of(Change.scaled(tested.id(), curve.ohmsAt(warm) / usual));
    }
    ContactState there = tested.stateIn(stated);
    ContactState here = stateAt(tested, stated, warm);
    return here == there
        ? List.of()
        : List.of(
            here == ContactState.OPEN ? Change.open(tested.id()) : Change.closed(tested.id()));
  }

  private static ContactState stateAt(Part tested, Situation stated, double warm) {
    boolean made = tested.madeWhen().holds(stated.commands());
    return made && tested.thermal().isPresent()
        ? tested.thermal().get().stateAt(warm)
        : tested.stateIn(stated);
  }

  /** Whether the part was brought between its two temperatures, where neither state is a fault. */
  public boolean eitherWay(Sheet sheet) {
    return celsius.isPresent()
        && part.map(sheet::part)
            .filter(
                p -> stateAt(p, sheet.situation(situation), celsius.get()) == ContactState.EITHER)
            .isPresent();
  }

  /** What lifting does to the circuit: all else at those points hangs free. */
  private List<Change> lifts(Sheet sheet) {
    Optional<String> own = liftedAt.isEmpty() ? Optional.empty() : own(sheet);
    List<Change> lifts = new ArrayList<>();
    for (String point : liftedAt) {
      for (Part other : sheet.partsAt(point)) {
        if (own.filter(other.id()::equals).isEmpty()) {
          lifts.add(Change.open(other.id()));
        }
      }
    }
    return lifts;
  }

  /**
   * The part whose tab the probe stays on when the wires are taken off: the one that is measured,
   * or the one between two freed points, or what is no mere conductor.
   */
  private Optional<String> own(Sheet sheet) {
    if (part.isPresent()) {
      return part;
    }
    List<Part> here =
        sheet.parts().values().stream().filter(p -> touches(p, red) || touches(p, black)).toList();
    return here.stream()
        .filter(p -> liftedAt.contains(p.from()) && liftedAt.contains(p.to()))
        .findFirst()
        .or(() -> here.stream().filter(p -> !p.actsAsLink()).findFirst())
        .map(Part::id);
  }

  private boolean touches(Part candidate, String point) {
    return liftedAt.contains(point) && candidate.touches(point);
  }
}
