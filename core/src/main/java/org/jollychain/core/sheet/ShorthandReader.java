package org.jollychain.core.sheet;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jollychain.core.text.TextSpan;

/**
 * Takes a shorthand apart: its title, its supply, its chains link by link, and what is said
 * outright. A line that starts with a blank or a separator goes on with the chain before it.
 */
final class ShorthandReader {

  private static final int MOST_LINKS = 200;
  private static final int MOST_CHAINS = 100;

  private static final Pattern SEPARATOR = Pattern.compile("\\s*(?:-?>|→)\\s*|\\s+(?:-|then)\\s+");
  private static final String POINT = "[A-Za-z0-9][A-Za-z0-9_.+-]{0,15}";
  private static final String AT = "(?:\\s*@([A-Za-z0-9][\\w-]*))?";
  private static final Pattern BRACKET = Pattern.compile("\\[\\s*([^\\]@]*?)" + AT + "\\s*\\]");
  private static final Pattern BARE = Pattern.compile("(" + POINT + "|[+-])" + AT);
  private static final Pattern SUPPLY =
      Pattern.compile("supply\\b\\s*:?\\s*(.*)", Pattern.CASE_INSENSITIVE);
  private static final Pattern LINE =
      Pattern.compile(
          "(title|family|key|notes|strays|identify)\\s*:\\s*(.*)", Pattern.CASE_INSENSITIVE);
  private static final Pattern DEFINITION =
      Pattern.compile(
          "(?:(situation|path|complaint|command)\\s+)?([A-Za-z0-9][\\w.+-]*)\\s*=\\s*(.*)",
          Pattern.CASE_INSENSITIVE);
  private static final int LONGEST_LINE = 4000;

  private final ShorthandNotes notes;
  private final Map<String, TextSpan> lines = new LinkedHashMap<>();
  private final ShorthandSupply supply;
  private boolean supplySaid;
  private final List<Chained> chains = new ArrayList<>();
  private final Map<String, TextSpan> same = new HashMap<>();
  private final Map<String, List<Definition>> definitions = new LinkedHashMap<>();
  private final Map<String, String> pointAccess = new LinkedHashMap<>();
  private final Set<String> named = new TreeSet<>();
  private int links;

  /** A chain: the links and the points around them; a point without a name is empty. */
  record Chained(TextSpan span, List<Optional<TextSpan>> points, List<ShorthandLink> links) {}

  /** Something said outright: {@code rear = rear panel off, 6 min, power off}. */
  record Definition(TextSpan name, List<TextSpan> pieces) {}

  ShorthandReader(String text, ShorthandNotes notes) {
    this.notes = notes;
    this.supply = new ShorthandSupply(notes);
    List<TextSpan> logical = logical(text);
    logical.forEach(this::name);
    boolean titled = false;
    for (TextSpan line : logical) {
      Matcher definition = DEFINITION.matcher(line.text());
      Matcher said = LINE.matcher(line.text());
      Matcher fed = SUPPLY.matcher(line.text());
      boolean figures = fed.matches() && fed.group(1).matches("[\\d.].*");
      if (line.text().length() > LONGEST_LINE) {
        notes.error(
            line,
            "more than %d letters in one line; break it before a \">\"".formatted(LONGEST_LINE));
      } else if (figures) {
        supplySaid = true;
        supply.say(line.sub(fed.start(1)));
      } else if (said.matches()) {
        lines.put(said.group(1).toLowerCase(Locale.ROOT), line.sub(said.start(2)));
      } else if (definition.matches()) {
        define(line, definition);
      } else if (isChain(line)) {
        chain(line);
      } else if (!titled && chains.isEmpty()) {
        lines.putIfAbsent("title", line);
        titled = true;
      } else {
        notes.error(
            line,
            "this is no chain and says nothing known; a chain goes from a point to a point, like \"L1 > fuse 10A > element 2000W > N\"");
      }
    }
  }

  private static List<TextSpan> logical(String text) {
    List<TextSpan> logical = new ArrayList<>();
    boolean blank = true;
    for (TextSpan line : TextSpan.lines(text)) {
      if (line.isBlank()) {
        blank = true;
        continue;
      }
      TextSpan content = line.strip();
      boolean separated = SEPARATOR.matcher(content.text()).lookingAt();
      boolean indented = Character.isWhitespace(line.text().charAt(0));
      TextSpan last = logical.isEmpty() ? null : logical.get(logical.size() - 1);
      boolean open = last != null && last.text().matches("(?s).*(?:>|→)");
      if (last != null && (separated || open || indented && !blank && isChain(last))) {
        boolean joined = separated || open;
        logical.set(
            logical.size() - 1, last.then(content.saying(joined ? " " : " > ")).then(content));
      } else {
        logical.add(content);
      }
      blank = false;
    }
    return logical;
  }

  private static boolean isChain(TextSpan line) {
    String text = line.text();
    Matcher first = SEPARATOR.matcher(text);
    if (!first.find()) {
      return ShorthandSupply.mayBe(text) || BRACKET.matcher(text).matches();
    }
    String start = text.substring(0, first.start()).strip();
    boolean dash = !first.group().matches("\\s*(?:-?>|→)\\s*");
    return !dash || ShorthandSupply.mayBe(start) || BRACKET.matcher(start).lookingAt();
  }

  /** The points that are called by a name anywhere. */
  private void name(TextSpan line) {
    Matcher m = BRACKET.matcher(line.text());
    while (m.find()) {
      named.add(m.group(1));
    }
    if (isChain(line)) {
      Matcher bare = BARE.matcher(line.split(SEPARATOR).get(0).strip().text());
      if (bare.matches()) {
        named.add(bare.group(1));
      }
    }
  }

  private void define(TextSpan line, Matcher m) {
    String kind = m.group(1) == null ? "" : m.group(1).toLowerCase(Locale.ROOT);
    definitions
        .computeIfAbsent(kind, k -> new ArrayList<>())
        .add(new Definition(line.sub(m.start(2), m.end(2)), pieces(line.sub(m.start(3)))));
  }

  /** The pieces between commas that stand in no quotes. */
  private static List<TextSpan> pieces(TextSpan said) {
    List<TextSpan> pieces = new ArrayList<>();
    boolean quoted = false;
    int from = 0;
    for (int i = 0; i <= said.text().length(); i++) {
      char c = i < said.text().length() ? said.text().charAt(i) : ',';
      quoted ^= c == '"';
      if (c == ',' && (!quoted || i == said.text().length())) {
        pieces.add(said.sub(from, i).strip());
        from = i + 1;
      }
    }
    return pieces.stream().filter(p -> !p.isBlank()).toList();
  }

  private void chain(TextSpan line) {
    if (chains.size() >= MOST_CHAINS || links >= MOST_LINKS) {
      notes.error(line, "%d chains and %d links are the most".formatted(MOST_CHAINS, MOST_LINKS));
      return;
    }
    List<TextSpan> pieces = line.split(SEPARATOR);
    List<Optional<TextSpan>> points = new ArrayList<>();
    List<ShorthandLink> found = new ArrayList<>();
    Optional<TextSpan> before = Optional.empty();
    for (int i = 0; i < pieces.size(); i++) {
      TextSpan piece = pieces.get(i).strip();
      if (piece.isBlank()) {
        blank(line, i, pieces.size());
        continue;
      }
      boolean end = i == 0 || i == pieces.size() - 1;
      Optional<TextSpan> point = point(piece, end);
      if (point.isPresent()) {
        before = oneOf(before, point.get());
        continue;
      }
      if (i == 0 && !BRACKET.matcher(piece.text()).lookingAt()) {
        notes.error(
            piece,
            "a chain starts at a point: a terminal like L1, or one that is named elsewhere, like [C1]");
      }
      Matcher leading = BRACKET.matcher(piece.text());
      TextSpan rest = piece;
      if (leading.lookingAt()) {
        before = oneOf(before, bracket(piece, leading));
        rest = piece.sub(leading.end()).strip();
      }
      Optional<TextSpan> after = Optional.empty();
      Matcher trailing = Pattern.compile(BRACKET.pattern() + "$").matcher(rest.text());
      if (trailing.find()) {
        after = Optional.of(bracket(rest, trailing));
        rest = rest.sub(0, trailing.start()).strip();
      }
      points.add(before);
      found.add(ShorthandLink.read(rest, notes));
      links++;
      before = after;
    }
    points.add(before);
    if (before.isEmpty()) {
      notes.question(
          pieces.get(pieces.size() - 1).isBlank() ? line : pieces.get(pieces.size() - 1).strip(),
          "where does this chain end? Say the point, like \"> N\"; the supply's return is assumed");
    }
    if (found.isEmpty()) {
      notes.question(
          line,
          "no link is on this chain yet; write them behind it, like \"> fuse 10A > element 2000W\"");
      return;
    }
    chains.add(new Chained(line, points, found));
  }

  /** With no link between them two names are of one point, which keeps the first. */
  private Optional<TextSpan> oneOf(Optional<TextSpan> before, TextSpan name) {
    before.ifPresent(b -> same.put(name.text(), b));
    return before.or(() -> Optional.of(name));
  }

  /** The name that a point is kept by. */
  TextSpan sameAs(TextSpan name) {
    return same.getOrDefault(name.text(), name);
  }

  private void blank(TextSpan line, int at, int size) {
    if (at == 0) {
      notes.error(
          line, "a chain starts at a point: write it before the first \">\", like \"L1 >\"");
    } else if (at < size - 1) {
      notes.error(line, "nothing stands between two separators; write the link, or take one out");
    }
  }

  private TextSpan bracket(TextSpan piece, Matcher m) {
    TextSpan name = piece.sub(m.start(1), m.end(1)).strip();
    if (!name.text().matches(POINT) && !ShorthandSupply.mayBe(name.text())) {
      notes.error(
          piece,
          "\"%s\" is no name of a point; use up to 16 letters and digits, like \"C1\" or \"P4-3\""
              .formatted(name.text()));
    }
    access(name, m.group(2));
    return name;
  }

  private void access(TextSpan point, String access) {
    if (access != null) {
      pointAccess.put(point.text(), access);
    }
  }

  /** The point that a whole piece names: in brackets, a terminal, or one named elsewhere. */
  private Optional<TextSpan> point(TextSpan piece, boolean end) {
    Matcher bracket = BRACKET.matcher(piece.text());
    if (bracket.matches()) {
      return Optional.of(bracket(piece, bracket));
    }
    Matcher bare = BARE.matcher(piece.text());
    if (!bare.matches()) {
      return Optional.empty();
    }
    TextSpan name = piece.sub(bare.start(1), bare.end(1));
    boolean word =
        ShorthandWords.find(List.of(name.text()), ShorthandWords.Rated.NOTHING).isPresent();
    boolean code = name.text().matches("[A-Z]+[0-9._+-]*[0-9]*");
    if (ShorthandSupply.mayBe(name.text())
        || end && !word && (named.contains(name.text()) || code)) {
      access(name, bare.group(2));
      return Optional.of(name);
    }
    return Optional.empty();
  }

  /** What follows {@code title:} and the like. */
  Optional<TextSpan> line(String key) {
    return Optional.ofNullable(lines.get(key)).filter(l -> !l.isBlank());
  }

  ShorthandSupply supply() {
    return supply;
  }

  boolean supplySaid() {
    return supplySaid;
  }

  List<Chained> chains() {
    return chains;
  }

  List<ShorthandLink> links() {
    return chains.stream().flatMap(c -> c.links().stream()).toList();
  }

  /** What is said outright of a kind of thing; of accesses and points under no word. */
  List<Definition> definitions(String kind) {
    return definitions.getOrDefault(kind, List.of());
  }

  /** By what each point is reached, where that was said at the point. */
  Map<String, String> pointAccess() {
    return pointAccess;
  }
}
