package org.jollychain.core.sheet;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.quantity.PlainText;
import org.jollychain.core.text.InvalidTextException;
import org.jollychain.core.text.TextProblem;
import org.jollychain.core.text.TextSpan;
import org.snakeyaml.engine.v2.api.Dump;
import org.snakeyaml.engine.v2.api.DumpSettings;
import org.snakeyaml.engine.v2.common.FlowStyle;

/**
 * A sheet typed as fast as the wire is traced: a chain a line, link by link, in the words of the
 * trade. What is not said is settled by what is usual and listed. The grammar is published in
 * {@code docs/formats/shorthand.md}.
 *
 * <pre>{@code
 * Shorthand read = Shorthand.read("supply 230 V 50 Hz\nL > fuse 10A > element 2000W > N");
 * Sheet sheet = read.sheet().orElseThrow();
 * }</pre>
 *
 * @param yaml the same sheet in format 1; empty where there is none yet
 * @param sheet the circuit, as far as it could be read; it may be drawn while problems are left
 * @param assumptions what was settled without being said
 * @param problems what is wrong, asked or noted, from the first line on
 */
public record Shorthand(
    String yaml,
    Optional<Sheet> sheet,
    List<Assumption> assumptions,
    List<Problem> problems,
    Places places) {

  private static final int LARGEST_BYTES = 32 * 1024;

  /** How grave a problem is. */
  public enum Level {
    /** It has to be put right before the sheet is used. */
    ERROR,
    /** Something is assumed that should be asked at the unit. */
    QUESTION,
    /** Good to know. */
    NOTE;

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }

  /**
   * @param line from 1
   * @param column from 1
   */
  public record Problem(int line, int column, Level level, String message) {}

  /**
   * Something settled without being said.
   *
   * @param line where to say it, from 1; 0 where it is a line of its own
   * @param column behind the link that it is about, from 1
   * @param about the link, or what it is about
   * @param say what to write there to say it outright
   */
  public record Assumption(int line, int column, String about, String text, String say) {}

  /** Where in the shorthand the things of the sheet come from. */
  public record Places(Map<String, TextSpan> spans) {

    /**
     * A problem of the sheet at the place in the shorthand that it comes from; at the first chain
     * where it comes from what was assumed.
     */
    public Problem problem(TextProblem found) {
      String[] where = found.where().split("\\.");
      String pointer = where.length < 2 ? "/" + where[0] : "/" + where[0] + "/" + where[1];
      TextSpan span = spans.get(pointer);
      TextSpan at = span == null ? spans.get(CHAIN) : span;
      String about = span == null && where.length > 1 ? where[1].replace('-', ' ') + ": " : "";
      return new Problem(
          at == null ? 1 : at.line(),
          at == null ? 1 : at.column(),
          Level.ERROR,
          about + found.message());
    }

    /** The first chain. */
    static final String CHAIN = "/chain";
  }

  /** The shorthand that says what a sheet's chains are; read again, it predicts the same. */
  public static String of(Sheet sheet) {
    return ShorthandWriter.write(sheet);
  }

  /** Reads a shorthand; whatever it is, what is wrong with it is in the answer. */
  public static Shorthand read(String text) {
    ShorthandNotes notes = new ShorthandNotes();
    if (text.getBytes(StandardCharsets.UTF_8).length > LARGEST_BYTES) {
      notes.add(
          1, 1, Level.ERROR, "a shorthand may be %d kB at most".formatted(LARGEST_BYTES / 1024));
      return unread(notes, new Places(Map.of()));
    }
    Optional<String> unwritable = PlainText.problemInLines(text);
    if (unwritable.isPresent()) {
      notes.add(1, 1, Level.ERROR, "this text " + unwritable.get());
      return unread(notes, new Places(Map.of()));
    }
    ShorthandReader said = new ShorthandReader(text, notes);
    if (said.chains().isEmpty()) {
      notes.add(
          1,
          1,
          Level.ERROR,
          "no chain yet; write one from point to point, like \"L1 > fuse 10A > element 2000W > N\"");
      return unread(notes, new Places(Map.of()));
    }
    ShorthandSheet made = new ShorthandSheet(said, notes);
    Map<String, Object> tree = made.tree();
    Places places = new Places(made.places());
    try {
      return new Shorthand.Made(said, notes, places).finish(tree);
    } catch (InvalidTextException e) {
      e.problems().stream()
          .map(places::problem)
          .forEach(p -> notes.add(p.line(), p.column(), p.level(), p.message()));
      return unread(notes, places);
    }
  }

  private static Shorthand unread(ShorthandNotes notes, Places places) {
    return new Shorthand("", Optional.empty(), notes.assumptions(), sorted(notes), places);
  }

  private static List<Problem> sorted(ShorthandNotes notes) {
    List<Problem> problems = new ArrayList<>(notes.problems());
    problems.sort(Comparator.comparingInt(Problem::line).thenComparingInt(Problem::column));
    return problems;
  }

  /** Whether it can be used as it stands. */
  public boolean usable() {
    return sheet.isPresent() && problems.stream().noneMatch(p -> p.level() == Level.ERROR);
  }

  /** The last steps: what follows from the circuit itself. */
  private record Made(ShorthandReader said, ShorthandNotes notes, Places places) {

    Shorthand finish(Map<String, Object> tree) {
      Map<String, Object> provisional = new LinkedHashMap<>(tree);
      provisional.put("situations", Map.of("all", Map.of("title", "All", "supply", "on")));
      provisional.put("paths", loads(tree));
      ShorthandCalls calls = new ShorthandCalls(SheetReader.read(dumped(provisional)));
      if (said.definitions("path").isEmpty()) {
        unreached(tree, calls.reached());
      }
      Map<String, Object> complaints =
          outright("complaint", d -> ShorthandLines.complaint(d, notes));
      Map<String, Object> situations =
          outright("situation", d -> ShorthandLines.situation(d, notes));
      boolean usual = situations.isEmpty() || complaints.isEmpty();
      if (usual) {
        // the assumed complaints are made in the assumed situations
        calls.situations().forEach(situations::putIfAbsent);
      }
      Map<String, Object> paths =
          outright("path", d -> ShorthandLines.path(d, ShorthandNotes::slug));
      tree.put("situations", situations);
      tree.put("paths", paths.isEmpty() ? calls.paths() : paths);
      tree.put("complaints", complaints.isEmpty() ? calls.complaints() : complaints);
      String yaml = dumped(tree);
      Sheet sheet = SheetReader.read(yaml);
      assume(
          usual,
          "situations",
          sheet.situations().values(),
          Situation::title,
          ShorthandWriter::situation);
      assume(paths.isEmpty(), "paths", sheet.paths().values(), Path::title, ShorthandWriter::path);
      assume(
          complaints.isEmpty(),
          "complaints",
          sheet.complaints().values(),
          Complaint::title,
          ShorthandWriter::complaint);
      return new Shorthand(yaml, Optional.of(sheet), notes.assumptions(), sorted(notes), places);
    }

    private <T> void assume(
        boolean assumed,
        String what,
        Collection<T> things,
        Function<T, String> title,
        Function<T, String> line) {
      if (assumed && !things.isEmpty()) {
        List<String> lines = things.stream().map(line).toList();
        List<String> titles = things.stream().map(title).toList();
        notes.assume(what, String.join("; ", titles), String.join("\n", lines));
      }
    }

    private static Map<String, Object> loads(Map<String, Object> tree) {
      Map<String, Object> paths = new LinkedHashMap<>();
      ((Map<?, ?>) tree.get("parts"))
          .forEach(
              (id, part) -> {
                Object kind = ((Map<?, ?>) part).get("kind");
                if (Kebab.read(PartKind.class, kind.toString()).orElseThrow().role()
                    == PartKind.Role.LOAD) {
                  paths.put(id.toString(), Map.of("title", id, "load", id));
                }
              });
      return paths;
    }

    private void unreached(Map<String, Object> tree, Set<String> reached) {
      Set<String> loads = new LinkedHashSet<>(loads(tree).keySet());
      loads.removeAll(reached);
      for (String load : loads) {
        notes.error(
            places.spans().get("/parts/" + load),
            "the supply does not reach both ends of it; join its chain to a terminal or to a named point of another");
      }
      if (reached.isEmpty()) {
        throw new InvalidTextException(List.of());
      }
    }

    /** What is said outright of a kind of thing, by name. */
    private Map<String, Object> outright(
        String kind, Function<ShorthandReader.Definition, Object> as) {
      Map<String, Object> all = new LinkedHashMap<>();
      for (ShorthandReader.Definition d : said.definitions(kind)) {
        all.put(d.name().text(), as.apply(d));
        places.spans().put("/%ss/%s".formatted(kind, d.name().text()), d.name());
      }
      return all;
    }

    private static String dumped(Map<String, Object> tree) {
      DumpSettings settings =
          DumpSettings.builder().setDefaultFlowStyle(FlowStyle.AUTO).setWidth(160).build();
      return new Dump(settings).dumpToString(fresh(tree));
    }

    /** A copy in which nothing stands twice, so that nothing is written as an alias. */
    private static Object fresh(Object node) {
      if (node instanceof Map<?, ?> map) {
        Map<Object, Object> copy = new LinkedHashMap<>();
        map.forEach((key, value) -> copy.put(key, fresh(value)));
        return copy;
      }
      return node instanceof List<?> list
          ? new ArrayList<>(list.stream().map(Made::fresh).toList())
          : node;
    }
  }
}
