package org.jollychain.core.fault;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jollychain.core.fault.Fault.Presence;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Solution;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.quantity.Complex;
import org.jollychain.core.sheet.Command;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.ContactState;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;
import org.jollychain.core.sheet.ThermalRating;

/**
 * Everything that may be true of a unit, with how likely it is before anything was read: sound,
 * each part at fault in each way, the supply at fault, the plausible pairs of opens, and something
 * that is not on the sheet. A complaint favours what would cause it, by the solver's word; it was
 * seen at some time, so it excludes nothing.
 */
public final class Hypotheses {

  /** Extra resistance of a tired link, as a share of what it is in series with. */
  private static final double[] DROPPING = {
    0.003, 0.0044, 0.0064, 0.0093, 0.0137, 0.02, 0.029, 0.043, 0.063, 0.093, 0.136, 0.2, 0.29, 0.43,
    0.63, 0.93, 1.36, 2, 2.9, 4.3, 6.3, 9.3, 13.6, 20
  };

  /** One that takes less of what it is in series with is worn, and so many times more frequent. */
  private static final double WORN = 0.02;

  private static final double WORN_MORE = 8;

  /** What a worn contact turns into heat at least (W). */
  private static final double WARM_WATTS = 1;

  /** Each step of a grid stands for its neighbourhood: width over the square root of twelve. */
  private static final double DROPPING_LOG_SD = 0.115;

  private static final double OFF_VALUE_LOG_SD = 0.13;
  private static final double[] OFF_VALUE = {0.35, 0.5, 0.68, 1.3, 1.6, 2.3, 4};

  /** Turns shorted, or burnt nearly through: rarer, and of any size. */
  private static final double[] FAR_OFF_VALUE = {0.002, 0.007, 0.025, 0.08, 0.2, 8, 20, 60};

  private static final double FAR_OFF_VALUE_LOG_SD = 0.36;
  private static final double FAR_OFF_VALUE_SHARE = 0.3;
  private static final double SHORTED_SENSORS = 0.6;

  /** What an open part may still pass through carbon and damp (ohm). */
  private static final double[] LEAKY_OPEN_OHMS = {1e3, 1e4, 1e5, 1e6, 1e7};

  private static final double LEAKY_OPEN_LOG_SD = 0.66;
  private static final double LEAKY_OPEN_SHARE = 0.15;

  /** One that passes less than this beside what it is in series with is open (a share). */
  private static final double AS_GOOD_AS_OPEN = 20;

  /** A ground fault (ohm); where along the part it is tells. */
  private static final double[] GROUND_OHMS = {0.1, 0.6, 3.5, 20};

  /** Failing insulation (ohm), so much that it does not matter where. */
  private static final double[] LEAK_OHMS = {120, 700, 4e3, 25e3, 150e3, 900e3, 5e6};

  private static final double LEAK_LOG_SD = 0.55;
  private static final double[] LEAK_ALONG = {0.05, 0.2, 0.4, 0.6, 0.8, 0.95};
  private static final double[] LEAK_IN_THE_MIDDLE = {0.5};
  private static final double[] LEAK_AT_ENDS = {0, 1};
  private static final double SMALLEST_AMPERES = 1e-4;

  /** Up to so many contacts between their temperatures are taken in every combination. */
  private static final int MOST_COMBINED = 3;

  /** How often what a customer tells is wrong, or not all that is wrong. */
  private static final double COMPLAINT_ASTRAY = 0.1;

  private final Sheet sheet;
  private final UnitModel unit;
  private final Map<String, Double> loopOhms = new LinkedHashMap<>();
  private final Map<String, Double> largestAmperes = new LinkedHashMap<>();
  private final Map<String, List<String>> loads = new LinkedHashMap<>();

  public Hypotheses(UnitModel unit) {
    this.unit = unit;
    this.sheet = unit.sheet();
    for (Part part : sheet.parts().values()) {
      if (part.actsAsLink()) {
        loopOhms.put(part.id(), seenBy(part));
        loads.put(part.id(), feeds(part));
      }
    }
  }

  /**
   * The resistance a link is in series with (ohm): the voltage it would hold when open over the
   * current it carries when closed, in the situation where that current is largest; 0 for a link
   * that never carries any.
   */
  public double loopOhms(String link) {
    return loopOhms.getOrDefault(link, 0.0);
  }

  /** The loads whose current a link carries in some situation. */
  public List<String> loadsOf(String link) {
    return loads.getOrDefault(link, List.of());
  }

  /**
   * @param complaint what the customer sees, if known
   * @return all hypotheses, priors adding up to one; the sound unit first
   */
  public List<Hypothesis> all(Optional<Complaint> complaint) {
    List<Hypothesis> singles = ofParts();
    List<Hypothesis> pairs = new OpenPairs(unit).of(singles);
    List<Hypothesis> parts = orResting(singles);
    parts.addAll(pairs);
    List<Hypothesis> supply = SupplyHypotheses.of(sheet);
    double sound =
        complaint.isPresent() ? BaseRates.SOUND_WITH_COMPLAINT : BaseRates.SOUND_WITHOUT_COMPLAINT;
    List<Hypothesis> all = new ArrayList<>();
    all.addAll(orResting(List.of(new Hypothesis(Hypothesis.Kind.SOUND, List.of(), sound))));
    all.add(new Hypothesis(Hypothesis.Kind.NOT_ON_SHEET, List.of(), BaseRates.NOT_ON_SHEET));
    double rest = 1 - sound - BaseRates.NOT_ON_SHEET;
    List<Hypothesis> faults = new ArrayList<>();
    faults.addAll(sharing(supply, BaseRates.SUPPLY * rest));
    faults.addAll(sharing(parts, (1 - BaseRates.SUPPLY) * rest));
    all.addAll(complaint.map(c -> causing(c, faults, rest)).orElse(faults));
    double sum = all.stream().mapToDouble(Hypothesis::prior).sum();
    return all.stream().map(h -> h.weighing(h.prior() / sum)).toList();
  }

  private List<Hypothesis> ofParts() {
    List<Hypothesis> all = new ArrayList<>();
    for (Part part : sheet.parts().values()) {
      Presence trips =
          part.thermal().filter(t -> t.reset() == ThermalRating.Reset.AUTO).isPresent()
              ? Presence.WHEN_LIVE
              : Presence.ALWAYS;
      opens(all, part);
      trips(all, part, trips);
      add(all, part, FaultMode.STUCK, Presence.ALWAYS, List.of(Change.closed(part.id())));
      drops(all, part);
      add(all, part, FaultMode.CASE_LEAK, Presence.ALWAYS, leaking(part));
      offValue(all, part, false);
      offValue(all, part, true);
      add(all, part, FaultMode.INTERMITTENT, Presence.ALWAYS, Change.open(part.id()));
      if (part.actsAsLink()) {
        add(all, part, FaultMode.INTERMITTENT, Presence.ALWAYS, dropping(part));
      }
    }
    for (String command : commandsGiven()) {
      List<Part> hanging =
          sheet.parts().values().stream()
              .filter(p -> p.actsAsLink() && p.madeWhen().commands().contains(command))
              .toList();
      if (!hanging.isEmpty()) {
        double weight =
            hanging.stream()
                .mapToDouble(p -> BaseRates.weight(p) * BaseRates.share(p, FaultMode.NOT_MADE))
                .max()
                .orElseThrow();
        List<Change> open = hanging.stream().map(p -> Change.open(p.id())).toList();
        all.add(
            new Hypothesis(
                Hypothesis.Kind.FAULTY,
                List.of(
                    hanging.size() == 1
                        ? new Fault.OfPart(
                            hanging.get(0).id(), FaultMode.NOT_MADE, open, Presence.ALWAYS)
                        : new Fault.OfCommand(command, open)),
                weight));
      }
    }
    return all;
  }

  /**
   * Beside each hypothesis the same with a thermal contact standing open between its two
   * temperatures, where a situation leaves it there: its state is a coin's toss, and no fault.
   */
  private List<Hypothesis> orResting(List<Hypothesis> hypotheses) {
    Map<String, Set<String>> between = new LinkedHashMap<>();
    for (Part part : sheet.parts().values()) {
      Set<String> situations =
          sheet.situations().values().stream()
              .filter(s -> part.stateIn(s) == ContactState.EITHER)
              .map(Situation::id)
              .collect(Collectors.toUnmodifiableSet());
      if (!situations.isEmpty()) {
        between.put(part.id(), situations);
      }
    }
    return between.size() <= MOST_COMBINED
        ? inEveryCombination(hypotheses, between)
        : oneByOne(hypotheses, between);
  }

  private static List<Hypothesis> inEveryCombination(
      List<Hypothesis> hypotheses, Map<String, Set<String>> between) {
    List<Hypothesis> all = new ArrayList<>(hypotheses);
    for (Map.Entry<String, Set<String>> e : between.entrySet()) {
      all =
          all.stream()
              .flatMap(
                  h ->
                      h.modeOf(e.getKey()).isPresent()
                          ? Stream.of(h)
                          : Stream.of(h.weighing(h.prior() / 2), h.with(e.getKey(), e.getValue())))
              .collect(Collectors.toCollection(ArrayList::new));
    }
    return all;
  }

  /** Combinations would double with every contact: of many, one at most, and in the sound unit. */
  private static List<Hypothesis> oneByOne(
      List<Hypothesis> hypotheses, Map<String, Set<String>> between) {
    List<Hypothesis> all = new ArrayList<>();
    for (Hypothesis h : hypotheses) {
      if (h.kind() == Hypothesis.Kind.SOUND) {
        double share = h.prior() / (between.size() + 1);
        all.add(h.weighing(share));
        between.forEach((part, in) -> all.add(h.with(part, in).weighing(share)));
      } else {
        all.add(h);
      }
    }
    return all;
  }

  /** What a load drives is missing when that load stands still, which is a fault of its own. */
  private List<String> commandsGiven() {
    return sheet.commands().values().stream()
        .filter(c -> c.drivenBy().isEmpty())
        .map(Command::id)
        .toList();
  }

  /** Worn terminals are many, and never one of them the whole complaint. */
  private void drops(List<Hypothesis> all, Part part) {
    double share = BaseRates.share(part, FaultMode.DROPPING) / DROPPING.length;
    for (Change grade : dropping(part)) {
      double weight = BaseRates.weight(part) * share * (worn(part, grade) ? WORN_MORE : 1);
      if (share > 0) {
        all.add(one(part, FaultMode.DROPPING, Presence.ALWAYS, grade, weight));
      }
    }
  }

  private boolean worn(Part part, Change grade) {
    return ((Change.InBranch) grade).addedOhms() < WORN * loopOhms(part.id());
  }

  /** The grades that matter: a small drop does where it turns into heat. */
  private Change[] dropping(Part part) {
    double loop = loopOhms(part.id());
    double amperes = largestAmperes.getOrDefault(part.id(), 0.0);
    return Arrays.stream(DROPPING)
        .filter(share -> share * loop > 0)
        .filter(share -> share >= WORN || share * loop * amperes * amperes > WARM_WATTS)
        .mapToObj(share -> Change.dropping(part.id(), share * loop).spread(DROPPING_LOG_SD))
        .toArray(Change[]::new);
  }

  private static Change[] leaking(Part part) {
    double[] places = part.actsAsLink() ? LEAK_AT_ENDS : LEAK_ALONG;
    List<Change> leaks = new ArrayList<>();
    for (double along : places) {
      for (double ohms : GROUND_OHMS) {
        leaks.add(Change.leak(part.id(), along, ohms).spread(LEAK_LOG_SD));
      }
    }
    // a winding of its own ohms tells where it leaks also through more than a ground fault
    for (double along : part.actsAsLink() ? LEAK_AT_ENDS : LEAK_IN_THE_MIDDLE) {
      for (double ohms : LEAK_OHMS) {
        leaks.add(Change.leak(part.id(), along, ohms).spread(LEAK_LOG_SD));
      }
    }
    return leaks.toArray(Change[]::new);
  }

  private static void offValue(List<Hypothesis> all, Part part, boolean high) {
    FaultMode mode = high ? FaultMode.OFF_VALUE_HIGH : FaultMode.OFF_VALUE_LOW;
    if (part.kind().role() == PartKind.Role.SENSOR && part.curve().isEmpty()) {
      add(all, part, mode, Presence.ALWAYS, Change.closed(part.id()));
      return;
    }
    List<Hypothesis> near = new ArrayList<>();
    add(near, part, mode, Presence.ALWAYS, scaled(part, OFF_VALUE, OFF_VALUE_LOG_SD, high));
    Change[] far = scaled(part, FAR_OFF_VALUE, FAR_OFF_VALUE_LOG_SD, high);
    List<Hypothesis> rest = new ArrayList<>();
    add(rest, part, mode, Presence.ALWAYS, far);
    List<Hypothesis> shorted = new ArrayList<>();
    if (!high) {
      add(shorted, part, mode, Presence.ALWAYS, Change.closed(part.id()));
    }
    near.forEach(h -> all.add(h.weighing((1 - FAR_OFF_VALUE_SHARE) * h.prior())));
    rest.forEach(h -> all.add(h.weighing(FAR_OFF_VALUE_SHARE / 2 * h.prior())));
    boolean sensor = part.kind().role() == PartKind.Role.SENSOR;
    double shorts = sensor ? SHORTED_SENSORS : FAR_OFF_VALUE_SHARE / 2;
    shorted.forEach(h -> all.add(h.weighing(shorts * h.prior())));
  }

  private static Change[] scaled(Part part, double[] factors, double logSd, boolean high) {
    return Arrays.stream(factors)
        .filter(factor -> factor > 1 == high)
        .filter(factor -> Math.abs(factor - 1) > 2 * part.tolerance())
        .mapToObj(factor -> Change.scaled(part.id(), factor).spread(logSd))
        .toArray(Change[]::new);
  }

  /** Open for good, or in all but name. */
  private void opens(List<Hypothesis> all, Part part) {
    double share = BaseRates.share(part, FaultMode.OPEN);
    if (share == 0) {
      return;
    }
    double series = Math.max(loopOhms(part.id()), part.load().map(l -> l.ohms()).orElse(0.0));
    List<Change> leaky =
        Arrays.stream(LEAKY_OPEN_OHMS)
            .filter(ohms -> ohms > AS_GOOD_AS_OPEN * series)
            .mapToObj(ohms -> Change.dropping(part.id(), ohms).spread(LEAKY_OPEN_LOG_SD))
            .toList();
    double ofLeaky = leaky.isEmpty() || part.actsAsSource() ? 0 : LEAKY_OPEN_SHARE;
    double weight = BaseRates.weight(part) * share;
    all.add(
        one(part, FaultMode.OPEN, Presence.ALWAYS, Change.open(part.id()), weight * (1 - ofLeaky)));
    if (ofLeaky > 0) {
      for (Change change : leaky) {
        all.add(
            one(part, FaultMode.OPEN, Presence.ALWAYS, change, weight * ofLeaky / leaky.size()));
      }
    }
  }

  private static Hypothesis one(
      Part part, FaultMode mode, Presence presence, Change change, double weight) {
    return new Hypothesis(
        Hypothesis.Kind.FAULTY,
        List.of(new Fault.OfPart(part.id(), mode, List.of(change), presence)),
        weight);
  }

  /** What heat trips in a body, it trips at once. */
  private void trips(List<Hypothesis> all, Part part, Presence presence) {
    double share = BaseRates.share(part, FaultMode.TRIPPED);
    List<Part> poles =
        sheet.parts().values().stream().filter(p -> p == part || together(p, part)).toList();
    if (share > 0 && poles.get(0) == part) {
      List<Fault> faults = new ArrayList<>();
      for (Part pole : poles) {
        List<Change> open = List.of(Change.open(pole.id()));
        faults.add(new Fault.OfPart(pole.id(), FaultMode.TRIPPED, open, presence));
      }
      all.add(
          new Hypothesis(
              Hypothesis.Kind.FAULTY, List.copyOf(faults), BaseRates.weight(part) * share));
    }
  }

  private static boolean together(Part one, Part other) {
    return one.body().isPresent()
        && one.body().equals(other.body())
        && one.kind() == other.kind()
        && one.thermal().isPresent()
        && one.thermal().equals(other.thermal());
  }

  /** One way to fail. */
  private static void add(
      List<Hypothesis> all, Part part, FaultMode mode, Presence presence, List<Change> changes) {
    double share = BaseRates.share(part, mode);
    if (share > 0) {
      all.add(
          new Hypothesis(
              Hypothesis.Kind.FAULTY,
              List.of(new Fault.OfPart(part.id(), mode, changes, presence)),
              BaseRates.weight(part) * share));
    }
  }

  /** One way to fail in several grades, which share its weight. */
  private static void add(
      List<Hypothesis> all, Part part, FaultMode mode, Presence presence, Change... grades) {
    double share = BaseRates.share(part, mode) / grades.length;
    for (Change grade : grades) {
      if (share > 0) {
        all.add(
            new Hypothesis(
                Hypothesis.Kind.FAULTY,
                List.of(new Fault.OfPart(part.id(), mode, List.of(grade), presence)),
                BaseRates.weight(part) * share));
      }
    }
  }

  private static List<Hypothesis> sharing(List<Hypothesis> group, double share) {
    double sum = group.stream().mapToDouble(Hypothesis::prior).sum();
    return group.stream().map(h -> h.weighing(share * h.prior() / sum)).toList();
  }

  /** A complaint is a witness: what would cause it is favoured, and nothing excluded. */
  private List<Hypothesis> causing(Complaint complaint, List<Hypothesis> faults, double share) {
    Predicate<Hypothesis> causes = causes(complaint);
    List<Boolean> causing = faults.stream().map(causes::test).toList();
    double sum = 0;
    double all = 0;
    for (int i = 0; i < faults.size(); i++) {
      sum += causing.get(i) ? faults.get(i).prior() : 0;
      all += faults.get(i).prior();
    }
    if (sum == 0 || sum == all) {
      return faults;
    }
    List<Hypothesis> weighed = new ArrayList<>();
    for (int i = 0; i < faults.size(); i++) {
      double by =
          causing.get(i)
              ? (1 - COMPLAINT_ASTRAY) * share / sum
              : COMPLAINT_ASTRAY * share / (all - sum);
      weighed.add(faults.get(i).weighing(faults.get(i).prior() * by));
    }
    return weighed;
  }

  private Predicate<Hypothesis> causes(Complaint complaint) {
    Situation situation = sheet.situation(complaint.situation());
    return h -> unit.shows(complaint, h.changesIn(situation));
  }

  private double seenBy(Part link) {
    double ohms = 0;
    double largest = 0;
    for (Situation live : sheet.situations().values()) {
      double amperes = unit.in(live.id()).amperes(link.id()).abs();
      if (live.supplyOn() && amperes > largest) {
        Solution open = unit.frozen(live.id(), List.of(Change.open(link.id())));
        largest = amperes;
        ohms = open.volts(link.from()).minus(open.volts(link.to())).abs() / amperes;
      }
    }
    largestAmperes.put(link.id(), largest);
    return largest > SMALLEST_AMPERES ? ohms : 0;
  }

  private List<String> feeds(Part link) {
    List<String> fed = new ArrayList<>();
    for (Part load : sheet.parts().values()) {
      if (load.actsAsLoad()
          && sheet.situations().values().stream().anyMatch(s -> carries(s, link, load))) {
        fed.add(load.id());
      }
    }
    return List.copyOf(fed);
  }

  /** True where opening the load takes away a good part of its own current from the link. */
  private boolean carries(Situation situation, Part link, Part load) {
    Solution sound = unit.in(situation.id());
    double own = sound.amperes(load.id()).abs();
    if (own <= SMALLEST_AMPERES) {
      return false;
    }
    Solution without = unit.frozen(situation.id(), List.of(Change.open(load.id())));
    Complex lost = sound.amperes(link.id()).minus(without.amperes(link.id()));
    return lost.abs() > 0.5 * own;
  }
}
