package org.jollychain.core.sheet;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.text.InvalidTextException;
import org.jollychain.core.text.SourceNode;
import org.jollychain.core.text.SourceText;
import org.jollychain.core.text.TextProblem;

/**
 * Reads a circuit sheet of format 1. The grammar (keys, types, spelling) is the JSON Schema's; here
 * is the meaning: names must be known, ratings possible, terminals present. All problems are
 * reported at once, each with its place and what would be right.
 */
public final class SheetReader {

  private static final int MOST_PARTS = 200;
  private static final int MOST_POINTS = 400;

  /** Each is a circuit of its own to be solved. */
  private static final int MOST_SITUATIONS = 24;

  private static final int MOST_OTHERS = 100;

  private final SourceText text;
  private final List<TextProblem> problems = new ArrayList<>();

  private SheetReader(SourceText text) {
    this.text = text;
  }

  /**
   * Reads a sheet.
   *
   * @param yaml UTF-8 YAML 1.2, or JSON
   * @throws InvalidTextException when it is not a valid sheet of format 1
   */
  public static Sheet read(String yaml) {
    SheetReader reader = new SheetReader(text(yaml));
    reader.problems.addAll(SheetGrammar.GRAMMAR.problems(reader.text));
    reader.stopAtProblems();
    Sheet sheet = reader.sheet();
    reader.stopAtProblems();
    return sheet;
  }

  /** The JSON Schema of format 1. */
  public static String schema() {
    return SheetGrammar.GRAMMAR.text();
  }

  /**
   * A sheet's text as JSON, key for key.
   *
   * @throws InvalidTextException when the text is no YAML
   */
  public static String json(String yaml) {
    return text(yaml).root().toPrettyString();
  }

  /**
   * A problem found later, by what stands on this floor's shoulders, at its place in the text.
   *
   * @param pointer JSON pointer of the place, e.g. {@code /paths/heat}
   */
  public static TextProblem problemAt(String yaml, String pointer, String message) {
    return text(yaml).atKey(pointer, message);
  }

  private static SourceText text(String yaml) {
    return new SourceText(yaml, "sheet", "jolly-chain/sheet/1");
  }

  private void stopAtProblems() {
    if (!problems.isEmpty()) {
      throw new InvalidTextException(problems);
    }
  }

  private Sheet sheet() {
    SourceNode root = SourceNode.root(text, problems);
    Map<String, Command> commands = root.child("commands").each(SheetReader::command);
    Map<String, Access> access = root.child("access").each(this::access);
    Map<String, Point> points = root.child("points").each(this::point);
    Map<String, Part> parts = root.child("parts").each(PartReader::part);
    bound(root.child("parts"), parts.size(), MOST_PARTS);
    bound(root.child("points"), points.size(), MOST_POINTS);
    bound(root.child("commands"), commands.size(), MOST_OTHERS);
    bound(root.child("access"), access.size(), MOST_OTHERS);
    Sheet sheet =
        new Sheet(
            root.child("key").text(),
            root.child("title").text(),
            Kebab.read(Family.class, root.child("family").text()).orElse(Family.OTHER),
            root.child("notes").text("").strip(),
            supply(root.child("supply")),
            commands,
            access,
            points,
            parts,
            strays(root.child("strays")),
            root.child("situations").each(this::situation),
            root.child("paths")
                .each((id, at) -> new Path(id, at.child("title").text(), at.child("load").text())),
            root.child("complaints").each(SheetReader::complaint),
            root.child("codes").each(SheetReader::code),
            root.child("identify").each((id, at) -> at.text()));
    bound(root.child("situations"), sheet.situations().size(), MOST_SITUATIONS);
    bound(root.child("paths"), sheet.paths().size(), MOST_SITUATIONS);
    bound(root.child("complaints"), sheet.complaints().size(), MOST_OTHERS);
    bound(root.child("codes"), sheet.codes().size(), MOST_OTHERS);
    SheetReferences.check(sheet, root);
    return sheet;
  }

  private Supply supply(SourceNode at) {
    SupplySystem system = Kebab.read(SupplySystem.class, at.child("system").text()).orElseThrow();
    Map<String, String> terminals = at.child("terminals").each((id, t) -> t.text());
    for (String id : terminals.keySet()) {
      if (!system.terminals().contains(id)) {
        at.child("terminals")
            .child(id)
            .wrongKey(
                "%s has no terminal \"%s\"; it has %s"
                    .formatted(system, id, String.join(", ", system.terminals())));
      }
    }
    for (String needed : List.of(system.outward(), system.homeward())) {
      if (!terminals.containsKey(needed)) {
        at.child("terminals").wrong("the terminal \"%s\" is missing".formatted(needed));
      }
    }
    Optional<String> bonded = at.child("bonded").optionalText();
    if (bonded.isPresent() && !terminals.containsKey(bonded.get())) {
      at.child("bonded")
          .wrong("should be one of the terminals: " + String.join(", ", terminals.keySet()));
    }
    boolean dc = system == SupplySystem.DC;
    if (dc == at.child("hertz").present()) {
      at.child("hertz")
          .wrong(dc ? "a dc supply has no hertz; leave it out" : "\"hertz\" is missing, like 60");
    }
    return new Supply(
        system,
        at.child("volts").positive(Dimension.VOLTS),
        at.child("hertz").quantity(Dimension.HERTZ, 0),
        at.child("tolerance").quantity(Dimension.SHARE, 0.05),
        at.child("source-ohms").quantity(Dimension.OHMS, 0.05),
        terminals,
        bonded,
        at.child("stored-charge").flag(false));
  }

  private static Command command(String id, SourceNode at) {
    if (at.isText()) {
      return new Command(id, at.text(), Command.By.HAND, Optional.empty(), List.of());
    }
    return new Command(
        id,
        at.child("title").text(),
        Kebab.read(Command.By.class, at.child("by").text("hand")).orElseThrow(),
        at.child("driven-by").optionalText(),
        at.child("needs").items().stream()
            .map(SourceNode::texts)
            .map(ends -> new Command.Loop(ends.get(0), ends.get(1)))
            .toList());
  }

  private Access access(String id, SourceNode at) {
    String title = at.child("title").text();
    return new Access(
        id,
        title,
        at.child("title-off").text(title),
        at.child("minutes").quantity(Dimension.MINUTES, 0),
        Kebab.read(Access.Power.class, at.child("power").text("any")).orElseThrow(),
        at.child("after").texts(),
        at.child("place").optionalText(),
        at.child("off-limits").flag(false),
        at.child("hazards").texts());
  }

  private Point point(String id, SourceNode at) {
    return new Point(
        id,
        at.child("title").text(),
        at.child("pin").optionalText(),
        at.child("access").optionalText());
  }

  private Strays strays(SourceNode at) {
    return new Strays(
        at.child("to-neighbours").quantity(Dimension.FARADS, Strays.DEFAULT.toNeighboursFarads()),
        at.child("to-case").quantity(Dimension.FARADS, Strays.DEFAULT.toCaseFarads()));
  }

  private Situation situation(String id, SourceNode at) {
    return new Situation(
        id,
        at.child("title").text(),
        at.child("supply").text().equals("on"),
        Collections.unmodifiableSet(new LinkedHashSet<>(at.child("commands").texts())),
        at.child("celsius").each((place, t) -> t.quantity(Dimension.CELSIUS, 0)),
        at.child("after").optionalText());
  }

  private static Code code(String id, SourceNode at) {
    return new Code(
        id, at.child("title").text(), complaint(id, at, List.of()), at.child("suspects").texts());
  }

  private static Complaint complaint(String id, SourceNode at) {
    return complaint(id, at, at.child("suspects").texts());
  }

  private static Complaint complaint(String id, SourceNode at, List<String> suspects) {
    return new Complaint(
        id,
        at.child("title").text(),
        at.child("situation").text(),
        at.child("runs").texts(),
        at.child("not-running").texts(),
        suspects,
        Kebab.read(Complaint.How.class, at.child("how").text("always")).orElseThrow(),
        at.child("outside").quantity(Dimension.SHARE, 0));
  }

  private void bound(SourceNode at, int size, int most) {
    if (size > most) {
      at.wrong("%d entries; %d is the most".formatted(size, most));
    }
  }
}
