package org.jollychain.core.sheet;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jollychain.core.quantity.PlainText;

/**
 * The states in which one measures a unit that says none: isolated, idle, and a call for each load.
 * A call gives the commands under which all links on the load's chain are made, those that run what
 * drives them, and what follows by itself from what then runs.
 */
final class ShorthandCalls {

  /** How far past its temperature a disc is held that is not made in a room (K). */
  private static final double PAST = 10;

  private static final int MOST_CALLS = 20;
  private static final String ALL = "all";

  private final Sheet sheet;
  private final Situation everything;
  private final Map<String, Chain> chains = new LinkedHashMap<>();
  private final Map<String, Given> needs = new HashMap<>();
  private final Map<String, Given> calls = new LinkedHashMap<>();
  private final Map<String, String> callOf = new HashMap<>();

  /** What is given in a call: commands, and the places held warm or cold enough. */
  private record Given(Set<String> commands, Set<String> places) {

    Given() {
      this(new LinkedHashSet<>(), new LinkedHashSet<>());
    }

    boolean add(Given other) {
      return commands.addAll(other.commands) | places.addAll(other.places);
    }
  }

  ShorthandCalls(Sheet sheet) {
    this.sheet = sheet;
    Map<String, Double> celsius = new LinkedHashMap<>();
    for (Part part : sheet.parts().values()) {
      part.thermal()
          .filter(t -> t.stateAt(Situation.ROOM_CELSIUS) != ContactState.CLOSED)
          .ifPresent(t -> celsius.put(part.feels(), made(t)));
    }
    this.everything =
        new Situation(ALL, "", true, sheet.commands().keySet(), celsius, Optional.empty());
    for (Part part : sheet.parts().values()) {
      if (part.actsAsLoad()) {
        Path path = new Path(part.id(), PlainText.sentence(part.title()), part.id());
        trace(path).ifPresent(c -> chains.put(part.id(), c));
      }
    }
    Given union = new Given();
    for (String load : chains.keySet()) {
      Given call = closed(needs(load, new HashSet<>()));
      union.add(call);
      callOf.put(load, named(load, call));
    }
    Given all = closed(union);
    if (chains.keySet().stream().allMatch(l -> runs(l, all))) {
      named(ALL, all);
    }
  }

  /** Its chain in a room, else with everything as warm or cold as it has to be. */
  private Optional<Chain> trace(Path path) {
    Situation room =
        new Situation(ALL, "", true, everything.commands(), Map.of(), Optional.empty());
    return Chain.trace(sheet, path, room).or(() -> Chain.trace(sheet, path, everything));
  }

  /** A temperature at which a contact is made (C). */
  private static double made(ThermalRating t) {
    return t.acts() == ThermalRating.Acts.CLOSES
        ? t.actsAtCelsius() + PAST
        : t.returnsAtCelsius().orElse(t.actsAtCelsius()) - PAST;
  }

  private String named(String name, Given call) {
    Optional<String> same =
        calls.entrySet().stream()
            .filter(c -> c.getValue().equals(call))
            .map(Map.Entry::getKey)
            .findFirst();
    String id = same.orElse(name + "-call");
    if (calls.size() < MOST_CALLS) {
      calls.putIfAbsent(id, call);
    }
    return calls.containsKey(id) ? id : calls.keySet().iterator().next();
  }

  /** The loads that the supply reaches. */
  Set<String> reached() {
    return chains.keySet();
  }

  private Given needs(String load, Set<String> asked) {
    if (needs.containsKey(load)) {
      return needs.get(load);
    }
    Given needed = new Given();
    Chain chain = chains.get(load);
    if (chain == null || !asked.add(load)) {
      return needed;
    }
    for (Part part : chain.parts()) {
      needed.commands().addAll(needed(part.madeWhen()));
      part.thermal()
          .filter(t -> t.stateAt(Situation.ROOM_CELSIUS) != ContactState.CLOSED)
          .ifPresent(t -> needed.places().add(part.feels()));
    }
    for (String command : List.copyOf(needed.commands())) {
      sheet.commands().get(command).drivenBy().ifPresent(d -> needed.add(needs(d, asked)));
    }
    source(chain).ifPresent(s -> needed.add(needs(s.winding().primary(), asked)));
    needs.put(load, needed);
    return needed;
  }

  /** The commands without which a condition does not hold; one of them where any would do. */
  private static Set<String> needed(MadeWhen condition) {
    Set<String> all = condition.commands();
    Set<String> needed = new LinkedHashSet<>();
    for (String command : all) {
      Set<String> others = new HashSet<>(all);
      others.remove(command);
      if (condition.holds(all) && !condition.holds(others)) {
        needed.add(command);
      }
    }
    return needed.isEmpty() && !condition.holds(Set.of())
        ? all.stream().sorted().limit(1).collect(Collectors.toSet())
        : needed;
  }

  private Optional<Behaviour.Source> source(Chain chain) {
    String first = chain.points().get(0);
    return sheet.partsAt(first).stream()
        .filter(p -> p.otherEnd(first).equals(chain.returnPoint()))
        .map(Part::behaviour)
        .filter(Behaviour.Source.class::isInstance)
        .map(Behaviour.Source.class::cast)
        .findFirst();
  }

  /** With what rests made, and what the loads that run then give by themselves. */
  private Given closed(Given called) {
    Given given = resting();
    given.add(called);
    boolean more = true;
    while (more) {
      more = false;
      for (Command command : sheet.commands().values()) {
        boolean driven = command.drivenBy().filter(d -> runs(d, given)).isPresent();
        more |= driven && given.commands().add(command.id());
      }
    }
    return given;
  }

  private Given resting() {
    Given resting = new Given();
    sheet.commands().values().stream()
        .filter(c -> c.by() == Command.By.HAND && ShorthandDefaults.rests(c.id()))
        .forEach(c -> resting.commands().add(c.id()));
    return resting;
  }

  private boolean runs(String load, Given given) {
    Chain chain = chains.get(load);
    Situation situation =
        new Situation("", "", true, given.commands(), celsius(given), Optional.empty());
    return chain != null
        && chain.parts().stream().allMatch(p -> p.stateIn(situation) != ContactState.OPEN)
        && source(chain).map(s -> runs(s.winding().primary(), given)).orElse(true);
  }

  private Map<String, Double> celsius(Given given) {
    Map<String, Double> celsius = new LinkedHashMap<>();
    given.places().forEach(p -> celsius.put(p, everything.celsius().get(p)));
    return celsius;
  }

  Map<String, Object> situations() {
    Map<String, Object> situations = new LinkedHashMap<>();
    Given byHand = new Given();
    calls.forEach(
        (id, given) -> {
          String load = id.substring(0, id.length() - "-call".length());
          boolean one = chains.containsKey(load) && calls.size() > 1;
          String title =
              one ? PlainText.sentence(sheet.part(load).title()) + " called" : "Everything called";
          situations.put(id, situation(title, "on", given));
          byHand.add(given);
        });
    byHand.commands().removeIf(c -> sheet.commands().get(c).by() == Command.By.CONTROL);
    byHand.places().clear();
    situations.put("idle", situation("Supply on, nothing called", "on", resting()));
    situations.put("isolated", situation("Isolated, set as for a call", "off", byHand));
    situations.put("isolated-off", situation("Isolated, nothing set", "off", new Given()));
    return situations;
  }

  private Map<String, Object> situation(String title, String supply, Given given) {
    Map<String, Object> situation = new LinkedHashMap<>();
    situation.put("title", title);
    situation.put("supply", supply);
    situation.put("commands", List.copyOf(given.commands()));
    Map<String, Object> celsius = new LinkedHashMap<>();
    celsius.put("ambient", "20 C");
    celsius(given).forEach((place, t) -> celsius.put(place, ShorthandWriter.figure(t) + " C"));
    situation.put("celsius", celsius);
    return situation;
  }

  Map<String, Object> paths() {
    Map<String, Object> paths = new LinkedHashMap<>();
    chains.forEach(
        (load, chain) -> paths.put(load, Map.of("title", chain.path().title(), "load", load)));
    return paths;
  }

  Map<String, Object> complaints() {
    Map<String, Object> complaints = new LinkedHashMap<>();
    List<String> missed =
        chains.keySet().stream().filter(l -> ShorthandDefaults.missed(sheet.part(l))).toList();
    for (String load : missed) {
      String call = callOf.get(load);
      List<String> others = new ArrayList<>(missed);
      others.removeIf(o -> o.equals(load) || !runs(o, calls.get(call)));
      Part part = sheet.part(load);
      List<String> without = others.stream().filter(o -> dependsOn(o, load)).toList();
      others.removeAll(without);
      List<String> off = new ArrayList<>(List.of(load));
      off.addAll(without);
      complaints.put(
          load + "-off", complaint(ShorthandDefaults.complaint(part), call, others, off));
    }
    String all =
        calls.containsKey(ALL + "-call")
            ? ALL + "-call"
            : callOf.get(chains.keySet().iterator().next());
    List<String> running = missed.stream().filter(l -> runs(l, calls.get(all))).toList();
    if (running.size() > 1
        && common(running).stream()
            .anyMatch(p -> sheet.parts().containsKey(p) && stops(p, running, all))) {
      complaints.put("nothing", complaint("Nothing works", all, List.of(), running));
    }
    return complaints;
  }

  /** Whether a load cannot run while another does not. */
  private boolean dependsOn(String load, String other) {
    return behind(load, new HashSet<>()).contains(other);
  }

  /** All that has to be sound for a load to run: parts and terminals. */
  private Set<String> behind(String load, Set<String> asked) {
    Chain chain = chains.get(load);
    if (chain == null || !asked.add(load)) {
      return Set.of();
    }
    Set<String> behind = new HashSet<>(List.of(chain.points().get(0), chain.returnPoint()));
    for (Part part : chain.parts()) {
      behind.add(part.id());
      for (String command : needed(part.madeWhen())) {
        sheet.commands().get(command).drivenBy().ifPresent(d -> behind.addAll(behind(d, asked)));
      }
    }
    source(chain).ifPresent(s -> behind.addAll(behind(s.winding().primary(), asked)));
    return behind;
  }

  private Set<String> common(List<String> loads) {
    Set<String> common = new HashSet<>(behind(loads.get(0), new HashSet<>()));
    loads.forEach(l -> common.retainAll(behind(l, new HashSet<>())));
    return Collections.unmodifiableSet(common);
  }

  /** Whether none of these loads lies between two terminals any more once a part is open. */
  private boolean stops(String open, List<String> loads, String call) {
    Given given = calls.get(call);
    Set<String> commands = new LinkedHashSet<>(given.commands());
    while (true) {
      Situation now = new Situation(call, "", true, commands, celsius(given), Optional.empty());
      List<Part> made =
          sheet.parts().values().stream()
              .filter(p -> !p.id().equals(open) && p.stateIn(now) != ContactState.OPEN)
              .toList();
      boolean fewer =
          commands.removeIf(
              c -> sheet.commands().get(c).drivenBy().filter(d -> !carries(d, made)).isPresent());
      if (!fewer) {
        return loads.stream().noneMatch(l -> carries(l, made));
      }
    }
  }

  /** Whether a load lies between two terminals, or is fed by a transformer. */
  private boolean carries(String id, List<Part> made) {
    Part load = sheet.part(id);
    Set<String> ends = terminals(load.from(), load, made);
    ends.addAll(terminals(load.to(), load, made));
    return made.contains(load) && ends.size() != 1;
  }

  /** The supply's terminals that hang on a point, by whatever passes but one load. */
  private Set<String> terminals(String from, Part without, List<Part> made) {
    Set<String> met = new LinkedHashSet<>(List.of(from));
    List<String> open = new ArrayList<>(met);
    while (!open.isEmpty()) {
      String at = open.remove(open.size() - 1);
      if (!sheet.supply().terminals().containsValue(at)) {
        made.stream()
            .filter(p -> p != without && p.touches(at))
            .map(p -> p.otherEnd(at))
            .filter(met::add)
            .forEach(open::add);
      }
    }
    met.retainAll(sheet.supply().terminals().values());
    return met;
  }

  private static Map<String, Object> complaint(
      String title, String situation, List<String> runs, List<String> off) {
    Map<String, Object> complaint = new LinkedHashMap<>();
    complaint.put("title", title);
    complaint.put("situation", situation);
    if (!runs.isEmpty()) {
      complaint.put("runs", runs);
    }
    complaint.put("not-running", off);
    return complaint;
  }
}
