package org.jollychain.core.sheet;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jollychain.core.quantity.PlainText;
import org.jollychain.core.text.TextSpan;

/**
 * Makes a sheet of format 1 from a shorthand taken apart. What was not said is settled here by what
 * the kinds of its parts usually are, and noted; situations, paths and complaints follow from the
 * circuit ({@link ShorthandCalls}).
 */
final class ShorthandSheet {

  private static final String MINUTES = "5 min";
  private static final String OPENED = "opened";

  /** Said of what is reached without opening anything. */
  static final String FREE = "free";

  private final ShorthandReader said;
  private final ShorthandNotes notes;
  private final Map<String, ShorthandLink> parts = new LinkedHashMap<>();
  private final Map<String, String[]> ends = new LinkedHashMap<>();
  private final Map<String, Object> commands = new LinkedHashMap<>();
  private final Map<String, Object> access = new LinkedHashMap<>();
  private final Map<String, String> pointTitles = new LinkedHashMap<>();
  private final Map<String, String> pins = new HashMap<>();
  private final Map<String, TextSpan> places = new HashMap<>();
  private final Set<String> points = new LinkedHashSet<>();

  ShorthandSheet(ShorthandReader said, ShorthandNotes notes) {
    this.said = said;
    this.notes = notes;
  }

  /** Where in the shorthand a place in the sheet comes from, by the beginning of its pointer. */
  Map<String, TextSpan> places() {
    return places;
  }

  /** The sheet without situations, paths and complaints. */
  Map<String, Object> tree() {
    boolean legs =
        said.chains().stream()
            .flatMap(c -> c.points().stream())
            .flatMap(Optional::stream)
            .anyMatch(p -> ShorthandSupply.secondLine(p.text()));
    said.supply().settle(legs);
    walk();
    define();
    Map<String, Object> tree = new LinkedHashMap<>();
    String title = said.line("title").map(TextSpan::text).orElse("Untitled unit");
    tree.put("format", "jolly-chain/sheet/1");
    tree.put(
        "key", said.line("key").map(TextSpan::text).orElseGet(() -> ShorthandNotes.slug(title)));
    tree.put("title", title);
    tree.put("family", family(title));
    said.line("notes").ifPresent(n -> tree.put("notes", n.text()));
    if (!said.supplySaid()) {
      notes.add(
          1,
          1,
          Shorthand.Level.QUESTION,
          "what feeds it? Say it in a line, like \"supply 240 V split 60 Hz\"");
    }
    tree.put("supply", said.supply().sheet());
    Map<String, Object> written = new LinkedHashMap<>();
    parts.forEach((id, link) -> written.put(id, part(id, link)));
    tree.put("commands", commands);
    tree.put("access", access);
    tree.put("points", points());
    tree.put("parts", written);
    said.line("strays").ifPresent(s -> tree.put("strays", ShorthandLines.strays(s)));
    said.line("identify").ifPresent(s -> tree.put("identify", ShorthandLines.identify(s)));
    return tree;
  }

  private String family(String title) {
    Optional<TextSpan> family = said.line("family");
    if (family.isPresent()) {
      places.put("/family", family.get());
      return family.get().text();
    }
    String guessed = ShorthandFamily.guess(title, said.links(), said.supply()).toString();
    notes.assume("family", guessed, "family: " + guessed);
    return guessed;
  }

  /** Gives every link its name and its two points. */
  private void walk() {
    Set<String> taken = new LinkedHashSet<>(said.supply().terminals().values());
    said.chains().forEach(c -> c.points().forEach(p -> p.ifPresent(n -> taken.add(n.text()))));
    int chain = 0;
    for (ShorthandReader.Chained chained : said.chains()) {
      String letter = letters(chain++);
      int count = 0;
      List<String> along = new ArrayList<>();
      for (int i = 0; i < chained.points().size(); i++) {
        Optional<TextSpan> name = chained.points().get(i);
        String point;
        if (name.isPresent()) {
          point = named(name.get());
        } else if (i == chained.points().size() - 1) {
          point = said.supply().terminals().get(homeward());
        } else {
          do {
            point = letter + ++count;
          } while (taken.contains(point));
        }
        taken.add(point);
        along.add(point);
        points.add(point);
      }
      for (int i = 0; i < chained.links().size(); i++) {
        ShorthandLink link = chained.links().get(i);
        String id = unique(link.id().map(TextSpan::text).orElse(link.title()));
        link.id().ifPresent(given -> same(given, id));
        parts.put(id, link);
        ends.put(id, new String[] {along.get(i), along.get(i + 1)});
        places.put("/parts/" + id, link.span());
        if (along.get(i).equals(along.get(i + 1))) {
          notes.error(
              link.span(),
              "both ends of it are \"%s\"; name two different points".formatted(along.get(i)));
        }
      }
    }
    if (parts.values().stream().noneMatch(l -> l.kind().role() == PartKind.Role.LOAD)) {
      notes.add(
          1,
          1,
          Shorthand.Level.ERROR,
          "no load is on it yet: what heats or turns, like \"element 2000W\"");
    }
  }

  private void same(TextSpan given, String id) {
    if (!given.text().equals(id)) {
      notes.error(
          given,
          "\"%s\" is taken or no name here; use small letters, digits and dashes, once"
              .formatted(given.text()));
    }
  }

  private String homeward() {
    return said.supply().terminals().containsKey("line2")
            && !said.supply().terminals().containsKey("neutral")
        ? "line2"
        : said.supply().dc() ? "minus" : "neutral";
  }

  private String named(TextSpan name) {
    boolean missing = said.supply().point(name.text()).isEmpty() && !said.supply().names();
    if (missing && ShorthandSupply.secondLine(name.text())) {
      notes.error(
          name,
          "this supply has no %s; it has %s"
              .formatted(name.text(), String.join(", ", said.supply().terminals().values())));
    }
    String point = said.supply().point(name.text()).orElse(name.text());
    places.putIfAbsent("/points/" + point, name);
    return point;
  }

  private static String letters(int chain) {
    String last = String.valueOf((char) ('A' + chain % 26));
    return chain < 26 ? last : letters(chain / 26 - 1) + last;
  }

  private String unique(String title) {
    String slug = ShorthandNotes.slug(title);
    String id = slug;
    for (int i = 2; parts.containsKey(id); i++) {
      id = slug + "-" + i;
    }
    return id;
  }

  /** Accesses, points and commands said outright. */
  private void define() {
    for (ShorthandReader.Definition d : said.definitions("")) {
      boolean terminal = said.supply().terminals().containsValue(d.name().text());
      if (terminal || points.contains(d.name().text())) {
        if (!d.pieces().isEmpty()) {
          point(d);
        }
      } else {
        String id = ShorthandNotes.slug(d.name().text());
        access.put(id, ShorthandLines.access(d, notes));
        places.put("/access/" + id, d.name());
      }
    }
    for (ShorthandReader.Definition d : said.definitions("command")) {
      commands.put(
          ShorthandNotes.slug(d.name().text()),
          ShorthandLines.command(d, load -> driver(load).orElse(load)));
      places.put("/commands/" + d.name().text(), d.name());
    }
  }

  /** {@code C1 = Cut-off out, brown tab, @rear}. */
  private void point(ShorthandReader.Definition d) {
    String id = d.name().text();
    pointTitles.put(id, ShorthandLines.unquoted(d.pieces().get(0)));
    for (TextSpan piece : d.pieces().subList(1, d.pieces().size())) {
      if (piece.text().startsWith("@")) {
        said.pointAccess().put(id, piece.text().substring(1));
      } else {
        pins.put(id, ShorthandLines.unquoted(piece));
      }
    }
  }

  private Map<String, Object> part(String id, ShorthandLink link) {
    Map<String, Object> part = new LinkedHashMap<>();
    part.put("kind", link.kind().toString());
    part.put("title", title(id, link));
    part.put("between", List.of(ends.get(id)));
    madeWhen(id, link);
    if (link.kind().role() == PartKind.Role.LOAD) {
      rating(id, link);
    }
    if (link.kind().role() == PartKind.Role.SOURCE) {
      link.said()
          .put("primary", link.by().flatMap(b -> driver(b.text())).orElseGet(() -> primary(link)));
    }
    if (link.rated() && !link.madeInTheRoom()) {
      link.said().putIfAbsent("feels", id);
    }
    unrated(link);
    part.putAll(link.said());
    List<String> partners =
        link.partners().stream()
            .map(p -> ShorthandNotes.slug(p.text()))
            .filter(parts::containsKey)
            .toList();
    if (!partners.isEmpty()) {
      part.put("partners", partners);
    }
    String opening = opening(link);
    if (!opening.equals(FREE)) {
      part.put("access", opening);
    }
    return part;
  }

  private String title(String id, ShorthandLink link) {
    String number = id.substring(Math.min(id.length(), ShorthandNotes.slug(link.title()).length()));
    return link.id().isPresent() ? link.title() : link.title() + number.replace('-', ' ');
  }

  private String primary(ShorthandLink link) {
    return parts.entrySet().stream()
        .filter(e -> e.getValue().kind() == PartKind.TRANSFORMER_PRIMARY)
        .map(Map.Entry::getKey)
        .findFirst()
        .orElseGet(
            () -> {
              notes.error(
                  link.span(),
                  "a secondary needs its primary on another chain, like \"L1 > transformer 5W > N\"");
              return "transformer";
            });
  }

  private void unrated(ShorthandLink link) {
    boolean acts =
        link.kind().is(PartKind.Trait.HEATED_TO_TEST)
            || link.kind().is(PartKind.Trait.RESET_BY_HAND)
            || link.kind() == PartKind.THERMAL_FUSE
            || link.kind() == PartKind.THERMAL_CUTOFF;
    if (acts && !link.rated() && link.known()) {
      notes.note(
          link.span(), "%s: no temperature yet; it is taken as unknown".formatted(link.title()));
    }
  }

  /** By the command its kind usually waits for, where nothing else is said. */
  private void madeWhen(String id, ShorthandLink link) {
    if (link.madeWhen().isPresent()) {
      String condition = link.madeWhen().get().text();
      if (condition.isEmpty()) {
        return;
      }
      link.said().put("made-when", condition);
      try {
        MadeWhen.parse(condition)
            .commands()
            .forEach(
                c -> commands.computeIfAbsent(c, k -> PlainText.sentence(k.replace('-', ' '))));
      } catch (IllegalArgumentException e) {
        notes.error(link.madeWhen().get(), e.getMessage());
        link.said().remove("made-when");
      }
      return;
    }
    Optional<ShorthandDefaults.Waits> usual =
        ShorthandDefaults.command(link.kind(), id, title(id, link));
    if (usual.isEmpty()) {
      return;
    }
    ShorthandDefaults.Waits command = usual.get();
    link.said().put("made-when", command.condition());
    boolean byControl = command.byControl() || link.by().isPresent();
    Optional<String> driver = byControl ? driver(id, link) : Optional.empty();
    commands.computeIfAbsent(command.id(), k -> command.sheet(byControl, driver));
    notes.assume(
        link, "made when: " + PlainText.sentence(command.title()), "when " + command.condition());
  }

  /** The load that drives a relay, a sequencer's stage or a motor's switch. */
  private Optional<String> driver(String id, ShorthandLink link) {
    if (link.by().isPresent()) {
      Optional<String> load = driver(link.by().get().text());
      if (load.isEmpty()) {
        notes.error(
            link.by().get(),
            "no load is called \"%s\"; say the coil, heater or motor that drives it"
                .formatted(link.by().get().text()));
      }
      return load;
    }
    Optional<PartKind> drives = ShorthandDefaults.driver(link.kind());
    List<String> loads =
        parts.entrySet().stream()
            .filter(e -> drives.filter(e.getValue().kind()::equals).isPresent())
            .map(Map.Entry::getKey)
            .toList();
    String name = id.replaceAll("^.*?-", "");
    Optional<String> same =
        loads.stream().filter(l -> l.replaceAll("^.*?-", "").equals(name)).findFirst();
    Optional<String> load =
        same.isPresent() ? same : loads.size() == 1 ? Optional.of(loads.get(0)) : Optional.empty();
    if (load.isPresent()) {
      notes.assume(link, "driven by the " + parts.get(load.get()).title(), "by " + load.get());
    } else if (drives.isPresent()) {
      notes.question(
          link.span(),
          "%s has no %s that drives it; say which, like \"by %s\", or that the control just switches it, by a condition"
              .formatted(
                  link.title(), drives.get().word(), drives.get().word().replaceAll("^.* ", "")));
    }
    return load;
  }

  /** The part that is called so: by its whole name, or by its last word. */
  private Optional<String> driver(String called) {
    String slug = ShorthandNotes.slug(called);
    if (parts.containsKey(slug) && parts.get(slug).kind().role() == PartKind.Role.LOAD) {
      return Optional.of(slug);
    }
    return parts.entrySet().stream()
        .filter(e -> e.getValue().kind().role() == PartKind.Role.LOAD)
        .map(Map.Entry::getKey)
        .filter(p -> p.endsWith("-" + slug) || p.startsWith(slug + "-"))
        .findFirst();
  }

  private void rating(String id, ShorthandLink link) {
    Map<String, Object> rated = link.said();
    ShorthandVolts wire = new ShorthandVolts(said.supply(), parts, ends);
    double volts = wire.across(id);
    String atVolts = ShorthandSupply.plain(volts) + " V";
    ShorthandDefaults.Load usual = ShorthandDefaults.load(link.kind());
    if (link.amperes().isPresent()) {
      double factor =
          Double.parseDouble(rated.getOrDefault("power-factor", usual.powerFactor()).toString());
      rated.put(
          "watts",
          ShorthandSupply.plain(Math.round(link.amperes().get() * volts * factor * 1e3) / 1e3)
              + " W");
    }
    if (!rated.containsKey("watts") && !rated.containsKey("ohms")) {
      rated.put("watts", usual.watts() + " W");
      notes.assume(link, "%s W at %s".formatted(usual.watts(), atVolts), usual.watts() + "W");
      if (link.known()) {
        notes.question(
            link.span(),
            "%s: how many watts? %s W is assumed".formatted(link.title(), usual.watts()));
      }
    }
    if (rated.containsKey("watts")) {
      rated.remove("ohms");
      if (!rated.containsKey("at-volts")) {
        rated.put("at-volts", atVolts);
        notes.assume(link, "its rating holds at " + atVolts, atVolts.replace(" ", ""));
        wire.inSeries(id)
            .ifPresent(
                other ->
                    notes.question(
                        link.span(),
                        "%s lies in series with %s: at what volts is it rated? %s is assumed"
                            .formatted(link.title(), parts.get(other).title(), atVolts)));
      }
    } else {
      rated.remove("at-volts");
    }
    if (usual.powerFactor() < 1 && !said.supply().dc()) {
      rated.putIfAbsent("power-factor", usual.powerFactor());
    }
  }

  private String opening(ShorthandLink link) {
    String id = link.access().map(a -> ShorthandNotes.slug(a.text())).orElse(OPENED);
    ensure(id);
    return id;
  }

  private void ensure(String id) {
    if (!access.containsKey(id) && !id.equals(FREE)) {
      boolean usual = id.equals(OPENED);
      String title = usual ? "Unit opened" : PlainText.sentence(id.replace('-', ' ')) + " open";
      Map<String, Object> made = new LinkedHashMap<>(Map.of("title", title));
      made.put("minutes", MINUTES);
      access.put(id, made);
      String about = usual ? "where nothing is said" : id;
      notes.assume(
          about, "%s, %s".formatted(title, MINUTES), "%s = %s, %s".formatted(id, title, MINUTES));
    }
  }

  private Map<String, Object> points() {
    Map<String, Object> all = new LinkedHashMap<>();
    Map<String, String> terminals = said.supply().terminals();
    terminals.forEach(
        (t, p) ->
            all.put(
                p,
                point(
                    p,
                    t.equals("earth") ? "Case" : "Supply, " + t.replaceAll("(\\d)", " $1"),
                    !t.equals("earth"))));
    points.forEach(p -> all.computeIfAbsent(p, k -> point(k, title(k), true)));
    return all;
  }

  private Map<String, Object> point(String id, String title, boolean behind) {
    Map<String, Object> point = new LinkedHashMap<>();
    point.put("title", pointTitles.getOrDefault(id, title));
    Optional.ofNullable(pins.get(id)).ifPresent(pin -> point.put("pin", pin));
    String open = said.pointAccess().get(id);
    if (open != null) {
      String slug = ShorthandNotes.slug(open);
      ensure(slug);
      reached(point, slug);
    } else if (behind) {
      reached(point, nearest(id));
    }
    return point;
  }

  private static void reached(Map<String, Object> point, String access) {
    if (!access.equals(FREE)) {
      point.put("access", access);
    }
  }

  /** The quickest way to it: that of one of the parts that end there. */
  private String nearest(String point) {
    return ends.entrySet().stream()
        .filter(e -> List.of(e.getValue()).contains(point))
        .map(e -> opening(parts.get(e.getKey())))
        .min(Comparator.comparingDouble(this::minutes))
        .orElseGet(() -> besideFirst(point));
  }

  /** What no chain ends at is beside the supply's first terminal. */
  private String besideFirst(String point) {
    String first = said.supply().terminals().values().iterator().next();
    return first.equals(point) ? FREE : nearest(first);
  }

  private double minutes(String id) {
    if (id.equals(FREE)) {
      return 0;
    }
    Object minutes = access.get(id) instanceof Map<?, ?> map ? map.get("minutes") : MINUTES;
    return Double.parseDouble(String.valueOf(minutes).replaceAll("[^0-9.]", ""));
  }

  private String title(String point) {
    List<String> before = at(point, 1);
    List<String> after = at(point, 0);
    String in = before.isEmpty() ? "" : PlainText.sentence(String.join(" and ", before)) + " out";
    String out =
        after.isEmpty() ? "" : after.stream().limit(2).collect(Collectors.joining(" and "));
    return in.isEmpty() ? PlainText.sentence(out) + " in" : out.isEmpty() ? in : in + " to " + out;
  }

  private List<String> at(String point, int end) {
    return ends.entrySet().stream()
        .filter(e -> e.getValue()[end].equals(point))
        .map(e -> title(e.getKey(), parts.get(e.getKey())))
        .toList();
  }
}
