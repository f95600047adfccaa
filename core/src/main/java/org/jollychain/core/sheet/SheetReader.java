package org.jollychain.core.sheet;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.BiFunction;
import java.util.function.Function;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.quantity.Kebab;
import tools.jackson.databind.JsonNode;

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
  private static final double CURVE_AT_CELSIUS = 25;

  private final SheetText text;
  private final List<SheetProblem> problems = new ArrayList<>();

  private SheetReader(SheetText text) {
    this.text = text;
  }

  /**
   * Reads a sheet.
   *
   * @param yaml UTF-8 YAML 1.2, or JSON
   * @throws InvalidSheetException when it is not a valid sheet of format 1
   */
  public static Sheet read(String yaml) {
    SheetReader reader = new SheetReader(new SheetText(yaml));
    reader.problems.addAll(SheetGrammar.problems(reader.text));
    reader.stopAtProblems();
    Sheet sheet = reader.sheet();
    reader.stopAtProblems();
    return sheet;
  }

  /** The JSON Schema of format 1. */
  public static String schema() {
    return SheetGrammar.text();
  }

  /**
   * A sheet's text as JSON, key for key.
   *
   * @throws InvalidSheetException when the text is no YAML
   */
  public static String json(String yaml) {
    return new SheetText(yaml).root().toPrettyString();
  }

  /**
   * A problem found later, by what stands on this floor's shoulders, at its place in the text.
   *
   * @param pointer JSON pointer of the place, e.g. {@code /paths/heat}
   */
  public static SheetProblem problemAt(String yaml, String pointer, String message) {
    return new SheetText(yaml).atKey(pointer, message);
  }

  private void stopAtProblems() {
    if (!problems.isEmpty()) {
      throw new InvalidSheetException(problems);
    }
  }

  private Sheet sheet() {
    At root = new At("", text.root());
    Map<String, Command> commands = root.child("commands").each(SheetReader::command);
    Map<String, Access> access = root.child("access").each(this::access);
    Map<String, Point> points = root.child("points").each(this::point);
    Map<String, Part> parts = root.child("parts").each(this::part);
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
            root.child("codes").each(SheetReader::code));
    bound(root.child("situations"), sheet.situations().size(), MOST_SITUATIONS);
    bound(root.child("paths"), sheet.paths().size(), MOST_SITUATIONS);
    bound(root.child("complaints"), sheet.complaints().size(), MOST_OTHERS);
    bound(root.child("codes"), sheet.codes().size(), MOST_OTHERS);
    checkNames(sheet, root);
    checkAccessOrder(sheet, root);
    return sheet;
  }

  private Supply supply(At at) {
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
        at.child("stored-charge").flag());
  }

  private static Command command(String id, At at) {
    if (at.isText()) {
      return new Command(id, at.text(), Command.By.HAND, Optional.empty());
    }
    return new Command(
        id,
        at.child("title").text(),
        Kebab.read(Command.By.class, at.child("by").text("hand")).orElseThrow(),
        at.child("driven-by").optionalText());
  }

  private Access access(String id, At at) {
    return new Access(
        id,
        at.child("title").text(),
        at.child("minutes").quantity(Dimension.MINUTES, 0),
        Kebab.read(Access.Power.class, at.child("power").text("any")).orElseThrow(),
        at.child("after").texts(),
        at.child("hazards").texts());
  }

  private Point point(String id, At at) {
    return new Point(
        id,
        at.child("title").text(),
        at.child("pin").optionalText(),
        at.child("access").optionalText());
  }

  private Part part(String id, At at) {
    PartKind kind = Kebab.read(PartKind.class, at.child("kind").text()).orElseThrow();
    List<String> between = at.child("between").texts();
    if (between.get(0).equals(between.get(1))) {
      at.child("between")
          .wrong("both ends are \"%s\"; name two different points".formatted(between.get(0)));
    }
    MadeWhen madeWhen =
        at.child("made-when").present()
            ? at.child("made-when").reading(MadeWhen::parse, MadeWhen.ALWAYS)
            : MadeWhen.ALWAYS;
    return new Part(
        id,
        kind,
        at.child("title").text(kind.word()),
        between.get(0),
        between.get(1),
        madeWhen,
        thermal(kind, at),
        at.child("feels").text("ambient"),
        kind.role() == PartKind.Role.LOAD ? Optional.of(load(at)) : Optional.empty(),
        kind.role() == PartKind.Role.SOURCE ? Optional.of(winding(at)) : Optional.empty(),
        at.child("curve").present() ? Optional.of(curve(at.child("curve"))) : Optional.empty(),
        at.child("tolerance")
            .quantity(Dimension.SHARE, kind.role() == PartKind.Role.SENSOR ? 0.05 : 0.10),
        at.child("access").optionalText(),
        at.child("body").optionalText(),
        at.child("partners").texts(),
        at.child("base-rate").present()
            ? Optional.of(at.child("base-rate").quantity(Dimension.SHARE, 1))
            : Optional.empty(),
        at.child("case-leak").flag(),
        at.child("notes").text("").strip());
  }

  private Optional<ThermalRating> thermal(PartKind kind, At at) {
    ThermalRating.Reset reset =
        at.child("reset")
            .optionalText()
            .flatMap(t -> Kebab.read(ThermalRating.Reset.class, t))
            .orElse(
                kind.oneShot()
                    ? ThermalRating.Reset.NONE
                    : kind == PartKind.MANUAL_RESET_LIMIT
                        ? ThermalRating.Reset.MANUAL
                        : ThermalRating.Reset.AUTO);
    if (at.child("marking").present()) {
      return Optional.ofNullable(
          at.child("marking").reading(m -> ThermalRating.ofMarking(m, reset), null));
    }
    boolean opens = at.child("opens-at").present();
    At acts = at.child(opens ? "opens-at" : "closes-at");
    At returns = at.child(opens ? "recloses-at" : "reopens-at");
    if (!acts.present()) {
      return Optional.empty();
    }
    double actsAt = acts.quantity(Dimension.CELSIUS, 0);
    Optional<Double> returnsAt =
        returns.present() && !kind.oneShot()
            ? Optional.of(returns.quantity(Dimension.CELSIUS, 0))
            : Optional.empty();
    if (returnsAt.isPresent() && returnsAt.get() >= actsAt) {
      returns.wrong("must be below the temperature at which it acts (%.0f C)".formatted(actsAt));
    }
    return Optional.of(
        new ThermalRating(
            opens ? ThermalRating.Acts.OPENS : ThermalRating.Acts.CLOSES,
            actsAt,
            returnsAt,
            reset));
  }

  private LoadRating load(At at) {
    double powerFactor = at.child("power-factor").quantity(Dimension.SHARE, 1);
    if (powerFactor <= 0 || powerFactor > 1) {
      at.child("power-factor").wrong("should be above 0 and at most 1, like 0.6");
    }
    double ohms = 1;
    if (at.child("ohms").present()) {
      ohms = at.child("ohms").positive(Dimension.OHMS);
    } else if (at.child("watts").present() && at.child("at-volts").present()) {
      double volts = at.child("at-volts").positive(Dimension.VOLTS);
      ohms = volts * volts * powerFactor / at.child("watts").positive(Dimension.WATTS);
    } else {
      at.wrong("a load needs its rating: \"watts\" with \"at-volts\", or \"ohms\"");
    }
    Optional<Double> winding =
        at.child("winding-ohms").present()
            ? Optional.of(at.child("winding-ohms").positive(Dimension.OHMS))
            : Optional.empty();
    return new LoadRating(
        ohms, powerFactor, winding, at.child("runs-above").quantity(Dimension.SHARE, 0.7));
  }

  private Winding winding(At at) {
    At primary = at.child("primary");
    At rated = new At("", text.root()).at("parts", primary.text(), "at-volts");
    for (String needed : List.of("primary", "volts", "ohms")) {
      if (!at.child(needed).present()) {
        at.wrong(
            "a secondary needs \"primary\", \"volts\" and \"ohms\", like {primary: transformer, volts: 24, ohms: 1.2}");
        return new Winding("", 1, 1, 1, 1);
      }
    }
    double volts = at.child("volts").positive(Dimension.VOLTS);
    double ohms = at.child("ohms").positive(Dimension.OHMS);
    return new Winding(
        primary.text(),
        volts,
        rated.present() ? volts / rated.positive(Dimension.VOLTS) : 1,
        ohms,
        at.child("winding-ohms").present()
            ? at.child("winding-ohms").positive(Dimension.OHMS)
            : ohms);
  }

  private SensorCurve curve(At at) {
    return switch (at.child("type").text()) {
      case "pt100" -> new SensorCurve.Platinum(100);
      case "pt1000" -> new SensorCurve.Platinum(1000);
      case "table" -> new SensorCurve.Table(table(at.child("points")));
      default ->
          new SensorCurve.Ntc(
              at.child("ohms").positive(Dimension.OHMS),
              at.child("at").quantity(Dimension.CELSIUS, CURVE_AT_CELSIUS),
              at.child("beta").positive(Dimension.CELSIUS));
    };
  }

  private List<SensorCurve.TablePoint> table(At at) {
    List<SensorCurve.TablePoint> points = new ArrayList<>();
    for (At pair : at.items()) {
      List<At> two = pair.items();
      SensorCurve.TablePoint point =
          new SensorCurve.TablePoint(
              two.get(0).quantity(Dimension.CELSIUS, 0), two.get(1).positive(Dimension.OHMS));
      if (!points.isEmpty() && point.celsius() <= points.get(points.size() - 1).celsius()) {
        pair.wrong("temperatures must rise from line to line");
      }
      points.add(point);
    }
    return List.copyOf(points);
  }

  private Strays strays(At at) {
    return new Strays(
        at.child("to-neighbours").quantity(Dimension.FARADS, Strays.DEFAULT.toNeighboursFarads()),
        at.child("to-case").quantity(Dimension.FARADS, Strays.DEFAULT.toCaseFarads()));
  }

  private Situation situation(String id, At at) {
    return new Situation(
        id,
        at.child("title").text(),
        at.child("supply").text().equals("on"),
        Collections.unmodifiableSet(new LinkedHashSet<>(at.child("commands").texts())),
        at.child("celsius").each((place, t) -> t.quantity(Dimension.CELSIUS, 0)));
  }

  private static Code code(String id, At at) {
    return new Code(id, at.child("title").text(), complaint(id, at), at.child("suspects").texts());
  }

  private static Complaint complaint(String id, At at) {
    return new Complaint(
        id,
        at.child("title").text(),
        at.child("situation").text(),
        at.child("runs").texts(),
        at.child("not-running").texts());
  }

  private void bound(At at, int size, int most) {
    if (size > most) {
      at.wrong("%d entries; %d is the most".formatted(size, most));
    }
  }

  /** Every name that is mentioned must be on the sheet. */
  private void checkNames(Sheet sheet, At root) {
    sheet
        .supply()
        .terminals()
        .forEach(
            (id, point) ->
                known(root.at("supply", "terminals", id), point, sheet.points(), "point"));
    sheet
        .points()
        .values()
        .forEach(
            p ->
                p.access()
                    .ifPresent(
                        a ->
                            known(
                                root.at("points", p.id(), "access"), a, sheet.access(), "access")));
    for (Access a : sheet.access().values()) {
      root.at("access", a.id(), "after")
          .items()
          .forEach(after -> known(after, after.text(), sheet.access(), "access"));
    }
    for (Command command : sheet.commands().values()) {
      if (command.drivenBy().isPresent()) {
        At at = root.at("commands", command.id(), "driven-by");
        checkRuns(sheet, at);
        if (command.by() == Command.By.HAND) {
          at.wrong("only what the control gives is driven by a load; add \"by: control\"");
        }
      }
    }
    Set<String> places = new TreeSet<>(Set.of("ambient"));
    for (Part part : sheet.parts().values()) {
      At at = root.at("parts", part.id());
      at.child("between").items().forEach(end -> known(end, end.text(), sheet.points(), "point"));
      part.access().ifPresent(a -> known(at.child("access"), a, sheet.access(), "access"));
      at.child("partners").items().forEach(p -> known(p, p.text(), sheet.parts(), "part"));
      part.winding().ifPresent(w -> checkPrimary(sheet, w, at.child("primary")));
      for (String command : part.madeWhen().commands()) {
        known(at.child("made-when"), command, sheet.commands(), "command");
      }
      places.add(part.feels());
    }
    for (Situation s : sheet.situations().values()) {
      At at = root.at("situations", s.id());
      for (At item : at.child("commands").items()) {
        known(item, item.text(), sheet.commands(), "command");
        Command command = sheet.commands().get(item.text());
        if (command != null && !s.supplyOn() && command.by() == Command.By.CONTROL) {
          item.wrong(
              "\"%s\" is given by the control, which is dead with the supply off; leave it out"
                  .formatted(command.id()));
        }
      }
      for (String place : s.celsius().keySet()) {
        if (!places.contains(place)) {
          at.child("celsius")
              .child(place)
              .wrongKey(
                  "no part feels \"%s\"; places: %s".formatted(place, String.join(", ", places)));
        }
      }
    }
    for (Path path : sheet.paths().values()) {
      At at = root.at("paths", path.id(), "load");
      if (known(at, path.load(), sheet.parts(), "part") && !sheet.part(path.load()).actsAsLoad()) {
        at.wrong(
            "\"%s\" is a %s; a path runs through a load"
                .formatted(path.load(), sheet.part(path.load()).kind().word()));
      }
    }
    for (Complaint c : sheet.complaints().values()) {
      At at = root.at("complaints", c.id());
      known(at.child("situation"), c.situation(), sheet.situations(), "situation");
      at.child("runs").items().forEach(p -> checkRuns(sheet, p));
      at.child("not-running").items().forEach(p -> checkRuns(sheet, p));
    }
    for (Code code : sheet.codes().values()) {
      At at = root.at("codes", code.id());
      if (code.watchesLoads()) {
        known(at.child("situation"), code.when().situation(), sheet.situations(), "situation");
      } else if (code.suspects().isEmpty()) {
        at.wrong("say what brings it up: \"suspects\", or \"situation\" and what runs there");
      }
      at.child("runs").items().forEach(p -> checkRuns(sheet, p));
      at.child("not-running").items().forEach(p -> checkRuns(sheet, p));
      at.child("suspects").items().forEach(p -> known(p, p.text(), sheet.parts(), "part"));
    }
  }

  private static void checkRuns(Sheet sheet, At at) {
    if (known(at, at.text(), sheet.parts(), "part") && !sheet.part(at.text()).actsAsLoad()) {
      at.wrong(
          "\"%s\" is a %s; only loads run or do not run"
              .formatted(at.text(), sheet.part(at.text()).kind().word()));
    }
  }

  /** The ratio of turns needs the primary's rated volts, and a flux that lags. */
  private static void checkPrimary(Sheet sheet, Winding winding, At at) {
    if (winding.primary().isEmpty() || !known(at, winding.primary(), sheet.parts(), "part")) {
      return;
    }
    Part primary = sheet.part(winding.primary());
    boolean inductive = primary.load().filter(r -> r.powerFactor() < 1).isPresent();
    if (primary.kind() != PartKind.TRANSFORMER_PRIMARY || !inductive) {
      at.wrong(
          "\"%s\" should be a transformer-primary with \"watts\", \"at-volts\" and a \"power-factor\" below 1, like 0.2"
              .formatted(winding.primary()));
    }
  }

  private static boolean known(At at, String name, Map<String, ?> names, String what) {
    if (names.containsKey(name)) {
      return true;
    }
    at.wrong(
        "there is no %s \"%s\"%s".formatted(what, name, Nearest.suggestion(name, names.keySet())));
    return false;
  }

  /** What must be open before must not come back to itself. */
  private void checkAccessOrder(Sheet sheet, At root) {
    for (Access start : sheet.access().values()) {
      Set<String> seen = new HashSet<>();
      List<String> open = new ArrayList<>(start.after());
      while (!open.isEmpty()) {
        String id = open.remove(open.size() - 1);
        if (id.equals(start.id())) {
          root.at("access", id, "after")
              .wrong("\"%s\" waits for itself; take one of the dependencies out".formatted(id));
          break;
        }
        if (seen.add(id) && sheet.access().containsKey(id)) {
          open.addAll(sheet.access().get(id).after());
        }
      }
    }
  }

  /** A place in the text: its JSON pointer and what stands there, if anything. */
  private final class At {
    private final String pointer;
    private final JsonNode node;

    At(String pointer, JsonNode node) {
      this.pointer = pointer;
      this.node = node;
    }

    At child(String key) {
      return new At(pointer + "/" + SheetText.escape(key), node.path(key));
    }

    At at(String... keys) {
      At here = this;
      for (String key : keys) {
        here = here.child(key);
      }
      return here;
    }

    List<At> items() {
      List<At> items = new ArrayList<>();
      for (int i = 0; i < node.size(); i++) {
        items.add(new At(pointer + "/" + i, node.get(i)));
      }
      return items;
    }

    <T> Map<String, T> each(BiFunction<String, At, T> reading) {
      Map<String, T> map = new LinkedHashMap<>();
      if (node.isObject()) {
        node.propertyNames().forEach(key -> map.put(key, reading.apply(key, child(key))));
      }
      return Collections.unmodifiableMap(map);
    }

    boolean present() {
      return !node.isMissingNode() && !node.isNull();
    }

    boolean isText() {
      return node.isString();
    }

    /** The text; a point may be called 12, so a whole number is its digits. */
    String text() {
      return node.isNumber() && node.doubleValue() == Math.rint(node.doubleValue())
          ? String.valueOf((long) node.doubleValue())
          : node.asString("");
    }

    String text(String otherwise) {
      return present() ? text() : otherwise;
    }

    Optional<String> optionalText() {
      return present() ? Optional.of(text()) : Optional.empty();
    }

    List<String> texts() {
      return items().stream().map(At::text).toList();
    }

    boolean flag() {
      return node.asBoolean(false);
    }

    <T> T reading(Function<String, T> parser, T otherwise) {
      try {
        return parser.apply(text());
      } catch (IllegalArgumentException e) {
        wrong(e.getMessage());
        return otherwise;
      }
    }

    /** A quantity that may not be negative unless it is a temperature. */
    double quantity(Dimension dimension, double otherwise) {
      if (!present()) {
        return otherwise;
      }
      double value = node.isNumber() ? node.doubleValue() : reading(dimension::parse, otherwise);
      if (value < 0 && dimension != Dimension.CELSIUS) {
        wrong("%s is negative; it must be 0 or more".formatted(node.asString()));
        return otherwise;
      }
      return value;
    }

    double positive(Dimension dimension) {
      double value = quantity(dimension, 1);
      if (value <= 0) {
        wrong("must be above 0");
        return 1;
      }
      return value;
    }

    void wrong(String message) {
      problems.add(text.at(pointer, message));
    }

    void wrongKey(String message) {
      problems.add(text.atKey(pointer, message));
    }
  }
}
