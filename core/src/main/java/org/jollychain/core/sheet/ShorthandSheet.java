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

  /** What an access takes of which that is not said. */
  static final String MINUTES = "5 min";

  private static final String OPENED = "opened";

  /** Said of what is reached without opening anything. */
  static final String FREE = "free";

  private final ShorthandReader said;
  private final ShorthandNotes notes;
  private final ShorthandParts parts;
  private final Map<String, Object> access = new LinkedHashMap<>();
  private final Map<String, String> pointTitles = new LinkedHashMap<>();
  private final Map<String, String> pins = new HashMap<>();
  private final Map<String, TextSpan> places = new HashMap<>();
  private final Set<String> points = new LinkedHashSet<>();

  ShorthandSheet(ShorthandReader said, ShorthandNotes notes) {
    this.said = said;
    this.notes = notes;
    this.parts =
        new ShorthandParts(
            new LinkedHashMap<>(),
            new LinkedHashMap<>(),
            new LinkedHashMap<>(),
            said.supply(),
            notes);
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
    places.put(Shorthand.Places.CHAIN, said.chains().get(0).span());
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
    parts.links().forEach((id, link) -> written.put(id, part(id, link)));
    tree.put("commands", parts.commands());
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
    said.chains().stream()
        .flatMap(c -> c.points().stream())
        .flatMap(Optional::stream)
        .forEach(p -> said.supply().point(p.text()));
    Set<String> taken = new LinkedHashSet<>(said.supply().terminals().values());
    said.chains().forEach(c -> c.points().forEach(p -> p.ifPresent(n -> taken.add(n.text()))));
    List<List<String>> ways = new ArrayList<>();
    for (ShorthandReader.Chained chained : said.chains()) {
      ways.add(walk(chained, letters(ways.size()), taken));
    }
    parts.feedByTransformer(ways);
    if (parts.links().values().stream().noneMatch(l -> l.kind().role() == PartKind.Role.LOAD)) {
      notes.add(
          1,
          1,
          Shorthand.Level.ERROR,
          "no load is on it yet: what heats or turns, like \"element 2000W\"");
    }
  }

  private List<String> walk(ShorthandReader.Chained chained, String letter, Set<String> taken) {
    List<ShorthandLink> links = new ArrayList<>(chained.links());
    int last = chained.points().size() - 1;
    boolean open = chained.points().get(last).isEmpty();
    boolean used = links.stream().anyMatch(l -> l.kind().role() == PartKind.Role.LOAD);
    boolean told = links.stream().anyMatch(l -> l.kind().role() == PartKind.Role.SENSOR);
    int count = 0;
    List<String> along = new ArrayList<>();
    for (int i = 0; i <= last; i++) {
      Optional<TextSpan> name = chained.points().get(i);
      String point;
      if (name.isPresent()) {
        point = named(name.get());
      } else if (i == last && used) {
        point = back(along.get(0));
      } else {
        do {
          point = letter + ++count;
        } while (taken.contains(point));
      }
      taken.add(point);
      along.add(point);
    }
    boolean ends = said.supply().terminals().containsValue(along.get(last));
    boolean none = said.links().stream().noneMatch(l -> l.kind().role() == PartKind.Role.LOAD);
    if (!used && !told && (open || none && !ends)) {
      // something has to stand for the load, or what is typed so far could not be drawn
      TextSpan end = links.get(links.size() - 1).span();
      notes.error(
          end, "no load is on this chain yet: what heats or turns, like \"> element 2000W\"");
      links.add(ShorthandLink.read(end.saying("element 1kW \"load?\""), new ShorthandNotes()));
      along.add(back(along.get(0)));
    }
    points.addAll(along);
    for (int i = 0; i < links.size(); i++) {
      ShorthandLink link = links.get(i);
      String id = parts.unique(link.id().map(TextSpan::text).orElse(link.title()));
      link.id().ifPresent(given -> same(given, id));
      parts.links().put(id, link);
      parts.ends().put(id, new String[] {along.get(i), along.get(i + 1)});
      places.put("/parts/" + id, link.span());
      if (along.get(i).equals(along.get(i + 1))) {
        notes.error(
            link.span(),
            "both ends of it are \"%s\"; name two different points".formatted(along.get(i)));
      }
    }
    return along;
  }

  /** Where a chain goes that does not say it: the supply's return. */
  private String back(String from) {
    String home = said.supply().terminals().get(homeward());
    return home.equals(from) ? said.supply().terminals().values().iterator().next() : home;
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
    Map<String, String> terminals = said.supply().terminals();
    return terminals.containsKey("neutral")
        ? "neutral"
        : terminals.containsKey("line2") ? "line2" : "minus";
  }

  private String named(TextSpan typed) {
    TextSpan name = said.sameAs(typed);
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
      parts
          .commands()
          .put(
              ShorthandNotes.slug(d.name().text()),
              ShorthandLines.command(d, load -> parts.driver(load).orElse(load)));
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
    Map<String, Object> part = parts.part(id);
    reached(part, opening(link));
    return part;
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

  private static void reached(Map<String, Object> thing, String access) {
    if (!access.equals(FREE)) {
      thing.put("access", access);
    }
  }

  /** The quickest way to it: that of one of the parts that end there. */
  private String nearest(String point) {
    return parts.ends().entrySet().stream()
        .filter(e -> List.of(e.getValue()).contains(point))
        .map(e -> opening(parts.links().get(e.getKey())))
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
    String in = before.isEmpty() ? "" : PlainText.sentence(two(before)) + " out";
    String out = two(after);
    return in.isEmpty() ? PlainText.sentence(out) + " in" : out.isEmpty() ? in : in + " to " + out;
  }

  private static String two(List<String> titles) {
    return titles.stream().limit(2).collect(Collectors.joining(" and "));
  }

  private List<String> at(String point, int end) {
    return parts.ends().entrySet().stream()
        .filter(e -> e.getValue()[end].equals(point))
        .map(e -> parts.title(e.getKey()))
        .toList();
  }
}
