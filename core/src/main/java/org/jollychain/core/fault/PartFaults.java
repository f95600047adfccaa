package org.jollychain.core.fault;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jollychain.core.fault.Fault.Presence;
import org.jollychain.core.network.Change;
import org.jollychain.core.sheet.LoadRating;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.ThermalRating;

/**
 * Every way in which one part may be at fault, weighed by its kind ({@link BaseRates}). What comes
 * in any degree is a grid, each step with its width over the square root of twelve; how wide the
 * grids are: common practice, no source.
 */
final class PartFaults {

  /** Extra resistance of a tired link, as a share of what it is in series with. */
  private static final double[] DROPPING = {
    0.003, 0.0044, 0.0064, 0.0093, 0.0137, 0.02, 0.029, 0.043, 0.063, 0.093, 0.136, 0.2, 0.29, 0.43,
    0.63, 0.93, 1.36, 2, 2.9, 4.3, 6.3, 9.3, 13.6, 20
  };

  /** One that takes less of what it is in series with is worn, and so many times more frequent. */
  private static final double WORN = 0.02;

  private static final double WORN_MORE = 3;

  /** What a worn contact turns into heat at least (W). */
  private static final double WARM_WATTS = 1;

  /** Each step of a grid stands for its neighbourhood: width over the square root of twelve. */
  private static final double DROPPING_LOG_SD = 0.115;

  /** A contact that has welded by a corner, and still drops (ohm). */
  private static final double BADLY_WELDED_OHMS = 0.12;

  private static final double BADLY_WELDED_LOG_SD = 0.8;
  private static final double BADLY_WELDED_SHARE = 0.25;

  /** With so many times less in series with it, it could not be told from a worn one. */
  private static final double MUCH_MORE = 50;

  private static final double OFF_VALUE_LOG_SD = 0.13;
  private static final double[] OFF_VALUE = {0.35, 0.5, 0.68, 1.3, 1.6, 2.3, 4};

  /** Turns shorted, or burnt nearly through: rarer, and of any size. */
  private static final double[] FAR_OFF_VALUE = {0.003, 0.018, 0.11, 9, 32};

  private static final double FAR_OFF_VALUE_LOG_SD = 0.5;
  private static final double FAR_OFF_VALUE_SHARE = 0.5;
  private static final double SHORTED_SENSORS = 0.6;

  /** Rare: one that stays at what it has at such temperatures (C). */
  private static final double STUCK_SENSORS = 0.06;

  private static final double[] STUCK_AT = {0, 18, 40};
  private static final double STUCK_LOG_SD = 0.35;

  /** Rare: a load that is short all through trips its breaker. */
  private static final double SHORTED_LOADS = 0.08;

  /** What an open part may still pass through carbon and damp (ohm). */
  private static final double[] LEAKY_OPEN_OHMS = {1.5e3, 2e4, 2.5e5, 3e6, 4e7};

  private static final double LEAKY_OPEN_LOG_SD = 0.73;
  private static final double LEAKY_OPEN_SHARE = 0.15;

  /** One that passes less than this beside what it is in series with is open (a share). */
  private static final double AS_GOOD_AS_OPEN = 20;

  /** Failing insulation (ohm), down to a ground fault. */
  private static final double[] LEAK_OHMS = {0.15, 1.2, 10, 80, 640, 5e3, 40e3, 320e3, 2.6e6};

  private static final double GROUNDED_OHMS = 10;

  /** Where along a part it leaks tells, if the leak is not so many times what the part has. */
  private static final double WHERE_TELLS = 50;

  private static final double LEAK_LOG_SD = 0.6;
  private static final double[] LEAK_ALONG = {0.05, 0.22, 0.5, 0.78, 0.95};
  private static final double[] LEAK_IN_THE_MIDDLE = {0.5};
  private static final double[] LEAK_AT_ENDS = {0, 1};

  private final Sheet sheet;
  private final Hypotheses circuit;
  private final Part part;
  private final List<Hypothesis> all = new ArrayList<>();

  PartFaults(Sheet sheet, Hypotheses circuit, Part part) {
    this.sheet = sheet;
    this.circuit = circuit;
    this.part = part;
  }

  List<Hypothesis> all() {
    opens();
    trips();
    sticks();
    drops();
    share(FaultMode.CASE_LEAK, 1, leaking());
    offValue(FaultMode.OFF_VALUE_LOW, false);
    offValue(FaultMode.OFF_VALUE_HIGH, true);
    doesNotFollow();
    share(FaultMode.INTERMITTENT, 1, List.of(Change.open(part.id())));
    if (part.actsAsLink()) {
      share(FaultMode.INTERMITTENT, 1, dropping());
    }
    return all;
  }

  /** Of the odds of a mode, a share divided evenly among its grades. */
  private void share(FaultMode mode, double share, List<Change> grades) {
    for (Change grade : grades) {
      add(mode, share / grades.size(), grade);
    }
  }

  private void add(FaultMode mode, double share, Change change) {
    double weight = BaseRates.weight(part) * BaseRates.share(part, mode) * share;
    if (weight > 0) {
      all.add(
          new Hypothesis(
              Hypothesis.Kind.FAULTY,
              List.of(new Fault.OfPart(part.id(), mode, List.of(change), Presence.ALWAYS)),
              weight));
    }
  }

  /** Welded; where the rest of its circuit leaves it some current, also by a corner. */
  private void sticks() {
    boolean drops = circuit.loopOhms(part.id()) > MUCH_MORE * BADLY_WELDED_OHMS;
    add(FaultMode.STUCK, drops ? 1 - BADLY_WELDED_SHARE : 1, Change.closed(part.id()));
    if (drops) {
      add(
          FaultMode.STUCK,
          BADLY_WELDED_SHARE,
          Change.closed(part.id(), BADLY_WELDED_OHMS).spread(BADLY_WELDED_LOG_SD));
    }
  }

  /** Open for good, or in all but name. */
  private void opens() {
    double series =
        Math.max(circuit.loopOhms(part.id()), part.load().map(LoadRating::ohms).orElse(0.0));
    List<Change> leaky =
        Arrays.stream(LEAKY_OPEN_OHMS)
            .filter(ohms -> ohms > AS_GOOD_AS_OPEN * series && !part.actsAsSource())
            .mapToObj(ohms -> Change.dropping(part.id(), ohms).spread(LEAKY_OPEN_LOG_SD))
            .toList();
    add(FaultMode.OPEN, leaky.isEmpty() ? 1 : 1 - LEAKY_OPEN_SHARE, Change.open(part.id()));
    share(FaultMode.OPEN, LEAKY_OPEN_SHARE, leaky);
  }

  /**
   * What heat trips in a body, it trips at once. A limit that has tripped hot and resets by itself
   * has closed again by the time the unit is isolated.
   */
  private void trips() {
    double weight = BaseRates.weight(part) * BaseRates.share(part, FaultMode.TRIPPED);
    Presence presence =
        part.comesBack(ThermalRating.Reset.AUTO) ? Presence.WHEN_LIVE : Presence.ALWAYS;
    List<Part> poles =
        sheet.parts().values().stream().filter(p -> p == part || together(p)).toList();
    if (weight > 0 && poles.get(0) == part) {
      List<Fault> faults = new ArrayList<>();
      for (Part pole : poles) {
        List<Change> open = List.of(Change.open(pole.id()));
        faults.add(new Fault.OfPart(pole.id(), FaultMode.TRIPPED, open, presence));
      }
      all.add(new Hypothesis(Hypothesis.Kind.FAULTY, List.copyOf(faults), weight));
    }
  }

  private boolean together(Part other) {
    return part.body().isPresent()
        && part.body().equals(other.body())
        && part.kind() == other.kind()
        && part.thermal().isPresent()
        && part.thermal().equals(other.thermal());
  }

  /** Worn terminals are many, and seldom the whole complaint. */
  private void drops() {
    for (Change grade : dropping()) {
      boolean worn = ((Change.InBranch) grade).addedOhms() < WORN * circuit.loopOhms(part.id());
      add(FaultMode.DROPPING, (worn ? WORN_MORE : 1) / DROPPING.length, grade);
    }
  }

  /** The grades that matter: a small drop does where it turns into heat. */
  private List<Change> dropping() {
    double loop = circuit.loopOhms(part.id());
    double amperes = circuit.largestAmperes(part.id());
    return Arrays.stream(DROPPING)
        .filter(share -> share * loop > 0)
        .filter(share -> share >= WORN || share * loop * amperes * amperes > WARM_WATTS)
        .mapToObj(share -> Change.dropping(part.id(), share * loop).spread(DROPPING_LOG_SD))
        .toList();
  }

  private List<Change> leaking() {
    List<Change> leaks = new ArrayList<>();
    double own = part.load().map(l -> l.windingOhms().orElse(l.ohms())).orElse(0.0);
    for (double ohms : LEAK_OHMS) {
      double[] places =
          part.actsAsLink()
              ? LEAK_AT_ENDS
              : ohms < WHERE_TELLS * own || ohms <= GROUNDED_OHMS ? LEAK_ALONG : LEAK_IN_THE_MIDDLE;
      for (double along : places) {
        leaks.add(Change.leak(part.id(), along, ohms).spread(LEAK_LOG_SD));
      }
    }
    return leaks;
  }

  /** A sensor that has the same ohms however warm it is. */
  private void doesNotFollow() {
    part.curve()
        .ifPresent(
            curve -> {
              for (double celsius : STUCK_AT) {
                add(
                    FaultMode.OFF_VALUE_HIGH,
                    STUCK_SENSORS / STUCK_AT.length,
                    Change.closed(part.id(), curve.ohmsAt(celsius)).spread(STUCK_LOG_SD));
              }
            });
  }

  private void offValue(FaultMode mode, boolean high) {
    boolean sensor = part.kind().role() == PartKind.Role.SENSOR;
    if (sensor && part.curve().isEmpty()) {
      add(mode, 1, Change.closed(part.id()));
      return;
    }
    share(mode, 1 - FAR_OFF_VALUE_SHARE, scaled(OFF_VALUE, OFF_VALUE_LOG_SD, high));
    share(mode, FAR_OFF_VALUE_SHARE / 2, scaled(FAR_OFF_VALUE, FAR_OFF_VALUE_LOG_SD, high));
    if (!high) {
      add(mode, sensor ? SHORTED_SENSORS : SHORTED_LOADS, Change.closed(part.id()));
    }
  }

  private List<Change> scaled(double[] factors, double logSd, boolean high) {
    return Arrays.stream(factors)
        .filter(factor -> factor > 1 == high)
        .filter(factor -> Math.abs(factor - 1) > 2 * part.behaviour().tolerance())
        .mapToObj(factor -> Change.scaled(part.id(), factor).spread(logSd))
        .toList();
  }
}
