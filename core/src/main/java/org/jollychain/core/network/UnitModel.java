package org.jollychain.core.network;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jollychain.core.quantity.Complex;
import org.jollychain.core.sheet.Chain;
import org.jollychain.core.sheet.Command;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.LoadRating;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.Path;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;
import org.jollychain.core.sheet.Supply;

/**
 * A unit of a sheet in every situation, sound or with something changed. Where a command is driven
 * by a load (a relay's coil, a sequencer's heater, a motor's centrifugal switch), its contacts
 * follow that load: they fall out when it stands still, and pull in when a fault lets it run. What
 * a control gives by itself it gives while its own supply is there, and while the loops it watches
 * - a sensor, a float, a pressure switch - show about what is due.
 */
public final class UnitModel {

  /** What a sound closed contact has, in the middle (ohm). */
  public static final double CONTACT_OHMS = Circuit.CONTACT_OHMS;

  private static final double FED_SHARE = 0.5;
  private static final double RUNS_ABOVE = 0.7;

  /**
   * What strays and insulation let through; a load that gets no more in any situation never runs.
   */
  private static final double LEAKAGE_AMPERES = 1e-4;

  /** Share of its power above which a load keeps its contacts: common practice, no source. */
  private static final double DRIVES_ABOVE = 0.35;

  /** What a control's input still takes for a closed contact: common practice, no source. */
  private static final double CONTACT_TOLERATED_OHMS = 50;

  /** A breaker lets go at so many times the most a sound unit draws, and not below so much (A). */
  private static final double TRIPS_ABOVE = 1.5;

  /** At so many times as much it does so at once. */
  private static final double BLOWN_ABOVE = 3;

  private static final double LEAST_TRIPPING_AMPERES = 5;

  /** One relay may hang on another's contact; longer than this no chain of them is. */
  private static final int LONGEST_CHAIN = 4;

  private final Sheet sheet;
  private final Map<String, Network> networks = new LinkedHashMap<>();
  private final Map<String, Solution> sound = new LinkedHashMap<>();
  private final Map<String, Double> ratedWatts = new LinkedHashMap<>();

  /**
   * The contacts that wait for the control, open, by the situations in which it is fed with them
   * so.
   */
  private final Map<String, List<Change>> beforeStart = new LinkedHashMap<>();

  private final Map<String, List<Watched>> watched = new LinkedHashMap<>();
  private final Map<Chain, Situation> chains = new LinkedHashMap<>();

  /** The nominal unit. */
  public UnitModel(Sheet sheet) {
    this(sheet, ParameterSample.NOMINAL);
  }

  /** One unit of all the sheet describes. */
  public UnitModel(Sheet sheet, ParameterSample draw) {
    this.sheet = sheet;
    for (Situation s : sheet.situations().values()) {
      networks.put(s.id(), Network.of(sheet, s, draw));
      sound.put(s.id(), networks.get(s.id()).solve(List.of()));
    }
    for (Part part : sheet.parts().values()) {
      double most = 0;
      for (Solution s : sound.values()) {
        boolean fed = s.amperes(part.id()).abs() > LEAKAGE_AMPERES;
        most = fed ? Math.max(most, watts(part, s)) : most;
      }
      ratedWatts.put(part.id(), most);
    }
    // what a situation takes over from the one before comes to rest where nothing drives it
    sound.replaceAll((s, first) -> settled(s, List.of(), first, Set.of()));
    for (Situation s : sheet.situations().values()) {
      List<Change> atRest = atRest(s);
      if (s.supplyOn() && controlRuns(networks.get(s.id()).solve(atRest))) {
        beforeStart.put(s.id(), atRest);
      }
      watched.put(s.id(), watched(s));
    }
    for (Path path : sheet.paths().values()) {
      sheet.situations().values().stream()
          .filter(s -> s.supplyOn() && fed(path, s))
          .findFirst()
          .flatMap(s -> Chain.trace(sheet, path, s).map(chain -> Map.entry(chain, s)))
          .ifPresent(e -> chains.put(e.getKey(), e.getValue()));
    }
  }

  public Sheet sheet() {
    return sheet;
  }

  /** The situation with the supply on in which the fewest loads run. */
  public Situation quietest() {
    return sheet.situations().values().stream()
        .filter(Situation::supplyOn)
        .min(Comparator.comparingLong(this::running))
        .orElseThrow();
  }

  private long running(Situation situation) {
    Solution now = in(situation.id());
    return sheet.parts().keySet().stream().filter(p -> runs(p, now)).count();
  }

  /** The unit with nothing wrong. */
  public Solution in(String situation) {
    return sound.get(situation);
  }

  /** The unit with something changed. */
  public Solution in(String situation, List<Change> changes) {
    if (changes.isEmpty()) {
      return sound.get(situation);
    }
    Solution now = frozen(situation, changes);
    return settled(situation, changes, now, withheld(situation, changes, now));
  }

  /** Once driven contacts have followed what drives them, from how it is before they do. */
  private Solution settled(
      String situation, List<Change> changes, Solution first, Set<String> withheld) {
    Network network = networks.get(situation);
    Solution now = first;
    List<Change> followed = List.of();
    for (int i = 0; i < LONGEST_CHAIN; i++) {
      List<Change> following = following(sheet.situation(situation), now, withheld);
      if (following.equals(followed)) {
        break;
      }
      followed = following;
      // the faults come last: a welded contact stays closed whatever its coil does
      now = network.solve(Stream.concat(following.stream(), changes.stream()).toList());
    }
    return now;
  }

  /** True where an ohmmeter still finds a way around an open part. */
  public boolean bridged(Part part, String situation) {
    double around =
        in(situation, List.of(Change.open(part.id()))).ohmsBetween(part.from(), part.to()).re();
    return around < Meter.GENERAL.overLimitOhms();
  }

  /** The part by way of which an open part is bridged: a load before what only leads to it. */
  public Optional<Part> bypass(Part part, String situation) {
    return sheet.parts().values().stream()
        .filter(p -> p != part)
        .sorted(Comparator.comparing(Part::actsAsLink))
        .filter(
            p ->
                in(situation, List.of(Change.open(part.id()), Change.open(p.id())))
                        .ohmsBetween(part.from(), part.to())
                        .re()
                    > Meter.GENERAL.overLimitOhms())
        .findFirst();
  }

  /** The unit with something changed, driven contacts left as they are. */
  public Solution frozen(String situation, List<Change> changes) {
    return networks.get(situation).solve(changes);
  }

  Network network(String situation) {
    return networks.get(situation);
  }

  /**
   * Whether the control is fed before its relays close: what would feed it back through them never
   * comes to be.
   */
  private boolean starts(String situation, List<Change> changes) {
    return controlRuns(
        networks
            .get(situation)
            .solve(Stream.concat(beforeStart.get(situation).stream(), changes.stream()).toList()));
  }

  /** Whether the first control of the sheet, which gives the commands, gets enough to do so. */
  private boolean controlRuns(Solution now) {
    return sheet.parts().values().stream()
        .filter(p -> p.kind() == PartKind.BOARD_SUPPLY)
        .findFirst()
        .filter(p -> powerShare(p.id(), now) >= DRIVES_ABOVE)
        .isPresent();
  }

  /** The contacts that wait for the control, open. */
  private List<Change> atRest(Situation situation) {
    Set<String> given = new HashSet<>(situation.commands());
    given.removeIf(this::byControlAlone);
    return sheet.parts().values().stream()
        .filter(p -> p.actsAsLink() && p.madeWhen().holds(situation.commands()))
        .filter(p -> !p.madeWhen().holds(given))
        .map(p -> Change.open(p.id()))
        .toList();
  }

  private boolean byControlAlone(String command) {
    Command known = sheet.commands().get(command);
    return known.by() == Command.By.CONTROL && known.drivenBy().isEmpty();
  }

  /** What the control does not give, for want of its own supply or because of what it measures. */
  private Set<String> withheld(String situation, List<Change> changes, Solution now) {
    Set<String> withheld = new HashSet<>();
    if (beforeStart.containsKey(situation)
        && changes.stream().anyMatch(Change::opens)
        && !starts(situation, changes)) {
      sheet.commands().keySet().stream().filter(this::byControlAlone).forEach(withheld::add);
    }
    watched.get(situation).stream()
        .filter(loop -> loop.amiss(changes, now))
        .map(Watched::command)
        .forEach(withheld::add);
    return withheld;
  }

  /** Whether the control measures for itself that something is wrong with these changes. */
  public boolean measures(String situation, List<Change> changes) {
    Solution now = frozen(situation, changes);
    return watched.get(situation).stream().anyMatch(loop -> loop.amiss(changes, now));
  }

  /** The loops the control watches for what it gives in a situation. */
  private List<Watched> watched(Situation situation) {
    List<Watched> all = new ArrayList<>();
    for (Command command : sheet.commands().values()) {
      if (!situation.supplyOn() || !situation.commands().contains(command.id())) {
        continue;
      }
      for (Command.Loop ends : command.needs()) {
        double due = in(situation.id()).ohmsBetween(ends.from(), ends.to()).abs();
        Watched loop = new Watched(command.id(), ends, due, new HashSet<>());
        for (String part : sheet.parts().keySet()) {
          if (!loop.shows(frozen(situation.id(), List.of(Change.open(part))))) {
            loop.parts().add(part);
          }
        }
        all.add(loop);
      }
    }
    return all;
  }

  /**
   * What a control measures before it gives a command.
   *
   * @param due what the sound unit shows there (ohm)
   * @param parts without which it shows something else
   */
  private record Watched(String command, Command.Loop ends, double due, Set<String> parts) {

    boolean amiss(List<Change> changes, Solution now) {
      return changes.stream().anyMatch(c -> parts.contains(c.branch())) && !shows(now);
    }

    /** A control tells open and short from a value that drifts; common practice, no source. */
    boolean shows(Solution now) {
      double ohms = now.ohmsBetween(ends.from(), ends.to()).abs();
      return ohms < 2 * due + CONTACT_TOLERATED_OHMS
          && (due < CONTACT_TOLERATED_OHMS || ohms > due / 2);
    }
  }

  /**
   * What driven contacts do otherwise than in the sound unit.
   *
   * @param withheld the commands that the control does not give
   */
  private List<Change> following(Situation situation, Solution now, Set<String> withheld) {
    Set<String> given = new HashSet<>(situation.commands());
    given.removeAll(withheld);
    for (Command command : sheet.commands().values()) {
      command
          .drivenBy()
          .ifPresent(
              load -> {
                boolean runs = powerShare(load, now) > DRIVES_ABOVE;
                boolean ran = powerShare(load, sound.get(situation.id())) > DRIVES_ABOVE;
                if (!runs) {
                  given.remove(command.id());
                } else if (!ran) {
                  given.add(command.id());
                }
              });
    }
    if (given.equals(situation.commands())) {
      return List.of();
    }
    List<Change> changes = new ArrayList<>();
    for (Part part : sheet.parts().values()) {
      boolean made = part.madeWhen().holds(given);
      if (part.actsAsLink() && made != part.madeWhen().holds(situation.commands())) {
        changes.add(made ? Change.closed(part.id()) : Change.open(part.id()));
      }
    }
    return changes;
  }

  /** The chain of every path whose load is fed, with the first situation in which it is. */
  public Map<Chain, Situation> chains() {
    return chains;
  }

  /**
   * @return power a load gets, as a share of the most it gets in any situation of the sound unit
   */
  public double powerShare(String load, Solution now) {
    double rated = ratedWatts.get(load);
    return rated > 0 ? watts(sheet.part(load), now) / rated : 0;
  }

  /** A transformer's primary is fed or not, whatever its secondary has to carry. */
  private static double watts(Part part, Solution now) {
    if (!part.kind().is(PartKind.Trait.WOUND)) {
      return now.watts(part.id());
    }
    double volts = now.volts(part.from()).minus(now.volts(part.to())).abs();
    Complex ohms = now.ohms(part.id());
    return volts * volts * ohms.re() / (ohms.abs() * ohms.abs());
  }

  public boolean runs(String load, Solution now) {
    double above = sheet.part(load).load().map(LoadRating::runsAbove).orElse(RUNS_ABOVE);
    return powerShare(load, now) > above;
  }

  /** Whether a fuse or breaker lets go at once at what is drawn with these changes. */
  public boolean blows(String situation, List<Change> changes) {
    return draws(in(situation, changes)) > BLOWN_ABOVE;
  }

  /**
   * What is drawn, as a multiple of the most that a sound unit draws, and of not less than a small
   * fuse holds.
   */
  private double draws(Solution now) {
    double most = 0;
    for (String terminal : sheet.supply().currentTerminals()) {
      String conductor = Supply.conductor(terminal);
      double usual =
          sound.values().stream().mapToDouble(s -> s.amperes(conductor).abs()).max().orElse(0);
      most =
          Math.max(
              most,
              now.amperes(conductor).abs() / Math.max(usual, LEAST_TRIPPING_AMPERES / TRIPS_ABOVE));
    }
    return most;
  }

  /** Whether a unit with these changes does what a customer complains of. */
  public boolean shows(Complaint complaint, List<Change> changes) {
    Solution now = in(complaint.situation(), changes);
    return (complaint.how() != Complaint.How.TRIPS || draws(now) > TRIPS_ABOVE)
        && (complaint.suspects().isEmpty()
            || changes.stream().anyMatch(c -> complaint.suspects().contains(c.branch())))
        && complaint.runs().stream().allMatch(p -> runs(p, now))
        && complaint.notRunning().stream().noneMatch(p -> runs(p, now));
  }

  private boolean fed(Path path, Situation situation) {
    Optional<Chain> chain = Chain.trace(sheet, path, situation);
    if (chain.isEmpty()) {
      return false;
    }
    Solution now = sound.get(situation.id());
    double source =
        now.volts(chain.get().points().get(0)).minus(now.volts(chain.get().returnPoint())).abs();
    double load = now.amperes(path.load()).times(now.ohms(path.load())).abs();
    long inSeries = chain.get().parts().stream().filter(Part::actsAsLoad).count();
    return source > 0 && load > FED_SHARE * source / inSeries;
  }
}
