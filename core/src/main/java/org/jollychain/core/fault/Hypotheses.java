package org.jollychain.core.fault;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;

/**
 * Everything that may be true of a unit, with how likely it is before anything was read: sound,
 * each part at fault in each way, the supply at fault, the plausible pairs of opens, and something
 * that is not on the sheet. A complaint favours what would cause it, by the solver's word; it was
 * seen at some time, so it excludes nothing.
 */
public final class Hypotheses {

  private static final double SMALLEST_AMPERES = 1e-4;

  /** Up to so many contacts between their temperatures are taken in every combination. */
  private static final int MOST_COMBINED = 3;

  /** How often a control keeps to itself what it measures amiss; common practice, no source. */
  private static final double UNREPORTED = 0.25;

  private final Sheet sheet;
  private final UnitModel unit;
  private final Map<String, Loop> loops = new LinkedHashMap<>();
  private final Map<String, List<String>> loads = new LinkedHashMap<>();

  /** What a link is in series with (ohm), and the most it carries (A). */
  private record Loop(double ohms, double amperes) {

    private static final Loop NONE = new Loop(0, 0);
  }

  public Hypotheses(UnitModel unit) {
    this.unit = unit;
    this.sheet = unit.sheet();
    for (Part part : sheet.parts().values()) {
      if (part.actsAsLink()) {
        loops.put(part.id(), seenBy(part));
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
    return loops.getOrDefault(link, Loop.NONE).ohms;
  }

  /** The most it carries in any situation (A). */
  double largestAmperes(String link) {
    return loops.getOrDefault(link, Loop.NONE).amperes;
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
    return all(complaint, false);
  }

  /**
   * @param complaint what the customer sees, if known
   * @param outside whether something outside of the circuit is known to bring it about while every
   *     part is sound, as a kinked hose does where "does not drain" was told
   * @return all hypotheses, priors adding up to one; the sound unit first
   */
  public List<Hypothesis> all(Optional<Complaint> complaint, boolean outside) {
    List<Hypothesis> singles = ofParts();
    List<Hypothesis> pairs = new OpenPairs(unit).of(singles);
    List<Hypothesis> parts = orResting(singles);
    parts.addAll(pairs);
    List<Hypothesis> supply = SupplyHypotheses.of(sheet);
    double sound =
        complaint.map(c -> causedOutside(c, outside)).orElse(BaseRates.SOUND_WITHOUT_COMPLAINT);
    List<Hypothesis> all = new ArrayList<>();
    all.addAll(orResting(List.of(new Hypothesis(Hypothesis.Kind.SOUND, List.of(), sound))));
    all.add(new Hypothesis(Hypothesis.Kind.NOT_ON_SHEET, List.of(), BaseRates.NOT_ON_SHEET));
    double rest = 1 - sound - BaseRates.NOT_ON_SHEET;
    List<Hypothesis> faults = new ArrayList<>();
    faults.addAll(sharing(supply, BaseRates.SUPPLY * rest));
    faults.addAll(sharing(parts, (1 - BaseRates.SUPPLY) * rest));
    all.addAll(complaint.map(c -> causing(c, unreported(c, faults), rest)).orElse(faults));
    double sum = all.stream().mapToDouble(Hypothesis::prior).sum();
    return all.stream().map(h -> h.weighing(h.prior() / sum)).toList();
  }

  /**
   * How often nothing is wrong in the circuit: where a sound one does what is complained of, or
   * seems to, as often as the trade finds the cause outside of it.
   */
  private double causedOutside(Complaint complaint, boolean known) {
    return known || unit.shows(complaint.ofAnyPart(), List.of())
        ? Math.max(complaint.outside(), BaseRates.SOUND_WITH_COMPLAINT)
        : BaseRates.SOUND_WITH_COMPLAINT;
  }

  private List<Hypothesis> ofParts() {
    List<Hypothesis> all = new ArrayList<>();
    for (Part part : sheet.parts().values()) {
      all.addAll(new PartFaults(sheet, this, part).all());
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

  private static List<Hypothesis> sharing(List<Hypothesis> group, double share) {
    double sum = group.stream().mapToDouble(Hypothesis::prior).sum();
    return group.stream().map(h -> h.weighing(share * h.prior() / sum)).toList();
  }

  /** What a control measures for itself it reports, so a complaint that tells of none is rarer. */
  private List<Hypothesis> unreported(Complaint complaint, List<Hypothesis> faults) {
    Situation situation = sheet.situation(complaint.situation());
    return faults.stream()
        .map(
            h ->
                unit.measures(situation.id(), h.changesIn(situation))
                    ? h.weighing(h.prior() * UNREPORTED)
                    : h)
        .toList();
  }

  /** A complaint is a witness: what would cause it is favoured, and nothing excluded. */
  private List<Hypothesis> causing(Complaint complaint, List<Hypothesis> faults, double share) {
    List<Boolean> causing = faults.stream().map(h -> h.bringsAbout(complaint, unit)).toList();
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
              ? (1 - BaseRates.COMPLAINT_ASTRAY) * share / sum
              : BaseRates.COMPLAINT_ASTRAY * share / (all - sum);
      weighed.add(faults.get(i).weighing(faults.get(i).prior() * by));
    }
    return weighed;
  }

  private Loop seenBy(Part link) {
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
    return new Loop(largest > SMALLEST_AMPERES ? ohms : 0, largest);
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
