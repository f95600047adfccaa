package org.jollychain.core.sheet;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.StringJoiner;
import java.util.stream.Collectors;
import org.jollychain.core.text.TextSpan;

/**
 * Writes a sheet as shorthand, chain by chain as its paths are walked, with all that its
 * predictions rest on said outright. Codes of a display are left to the full sheet.
 */
final class ShorthandWriter {

  private final Sheet sheet;
  private final Set<String> written = new LinkedHashSet<>();
  private final Set<String> seen = new LinkedHashSet<>();
  private final StringBuilder text = new StringBuilder();

  private ShorthandWriter(Sheet sheet) {
    this.sheet = sheet;
  }

  static String write(Sheet sheet) {
    ShorthandWriter writer = new ShorthandWriter(sheet);
    writer.line(sheet.title());
    writer.line("key: " + sheet.key());
    writer.line("family: " + sheet.family());
    if (!sheet.notes().isEmpty()) {
      writer.line("notes: " + sheet.notes().replaceAll("\\s+", " ").replace(" #", " no. "));
    }
    if (!sheet.identify().isEmpty()) {
      writer.line(
          "identify: "
              + sheet.identify().entrySet().stream()
                  .map(e -> e.getKey() + " " + e.getValue())
                  .collect(Collectors.joining(", ")));
    }
    writer.line(supply(sheet.supply()));
    writer.line(
        "strays: %s pF, %s pF"
            .formatted(
                figure(sheet.strays().toNeighboursFarads() * 1e12),
                figure(sheet.strays().toCaseFarads() * 1e12)));
    writer.chains();
    writer.definitions();
    return writer.text.toString();
  }

  private void line(String line) {
    text.append(line).append('\n');
  }

  static String figure(double value) {
    return new BigDecimal(value).round(new MathContext(9)).stripTrailingZeros().toPlainString();
  }

  private static String supply(Supply supply) {
    StringJoiner words = new StringJoiner(" ").add("supply").add(figure(supply.volts()) + " V");
    words.add(ShorthandSupply.word(supply.system()));
    if (!supply.dc()) {
      words.add(figure(supply.hertz()) + " Hz");
    }
    words.add(figure(100 * supply.tolerance()) + " %").add(figure(supply.sourceOhms()) + " ohm");
    supply.bonded().ifPresentOrElse(b -> words.add("bonded " + b), () -> words.add("floating"));
    if (supply.storedCharge()) {
      words.add("stored charge");
    }
    words.add("at");
    supply.system().terminals().forEach(t -> words.add(supply.terminals().getOrDefault(t, "-")));
    return words.toString().replaceAll("( -)+$", "");
  }

  private void chains() {
    for (Path path : sheet.paths().values()) {
      sheet.situations().values().stream()
          .filter(Situation::supplyOn)
          .flatMap(s -> Chain.trace(sheet, path, s).stream())
          .findFirst()
          .ifPresent(c -> stretches(c.points(), c.parts()));
    }
    for (Part part : sheet.parts().values()) {
      if (!written.contains(part.id())) {
        walk(part);
      }
    }
  }

  /** The stretches of a chain that are not written yet. */
  private void stretches(List<String> points, List<Part> parts) {
    int i = 0;
    while (i < parts.size()) {
      if (written.contains(parts.get(i).id())) {
        i++;
        continue;
      }
      int from = i;
      while (i < parts.size() && !written.contains(parts.get(i).id())) {
        i++;
      }
      chain(points.subList(from, i + 1), parts.subList(from, i));
    }
  }

  /** From a part on, for as long as one other is left at the next point. */
  private void walk(Part start) {
    List<Part> parts = new ArrayList<>(List.of(start));
    List<String> points = new ArrayList<>(List.of(start.from(), start.to()));
    while (true) {
      String end = points.get(points.size() - 1);
      Optional<Part> next =
          sheet.partsAt(end).stream()
              .filter(p -> !written.contains(p.id()) && !parts.contains(p) && p.from().equals(end))
              .findFirst();
      if (next.isEmpty() || points.contains(next.get().to())) {
        break;
      }
      parts.add(next.get());
      points.add(next.get().to());
    }
    chain(points, parts);
  }

  private void chain(List<String> points, List<Part> parts) {
    StringBuilder line = new StringBuilder("[" + point(points.get(0)) + "]");
    for (int i = 0; i < parts.size(); i++) {
      line.append(" > ").append(link(parts.get(i)));
      written.add(parts.get(i).id());
      line.append(i == parts.size() - 1 ? " > [" : "\n  > [")
          .append(point(points.get(i + 1)))
          .append("]");
    }
    // a point stands before its link: the bracket and the link share a line
    line(line.toString().replaceAll("(\\n {2}> \\[[^\\]]*\\]) > ", "$1 "));
  }

  private String point(String id) {
    if (!seen.add(id)) {
      return id;
    }
    String access = sheet.points().get(id).access().orElse(ShorthandSheet.FREE);
    return id + " @" + access;
  }

  private String link(Part part) {
    StringJoiner words = new StringJoiner(" ");
    ShorthandNotes problems = new ShorthandNotes();
    ShorthandLink read = ShorthandLink.read(TextSpan.lines(part.title()).get(0), problems);
    boolean plain =
        read.kind() == part.kind()
            && read.title().equals(part.title())
            && read.said().isEmpty()
            && problems.problems().isEmpty();
    words.add(plain ? part.title() : part.kind().word());
    if (!plain) {
      words.add("\"" + part.title().replace('"', '\'') + "\"");
    }
    if (!ShorthandNotes.slug(part.title()).equals(part.id())) {
      words.add("as " + part.id());
    }
    rating(part, words);
    if (part.baseRate().isPresent()) {
      words.add("weight " + figure(part.baseRate().get()));
    }
    if (part.caseLeak() != part.kind().is(PartKind.Trait.LEAKS)) {
      words.add(part.caseLeak() ? "leaks" : "no leak");
    }
    part.body().ifPresent(b -> words.add("of " + b));
    part.partners().forEach(p -> words.add("with " + p));
    if (!part.notes().isEmpty()) {
      words.add("note \"" + part.notes().replace('"', '\'').replaceAll("\\s+", " ") + "\"");
    }
    words.add("@" + part.access().orElse(ShorthandSheet.FREE));
    return words.toString();
  }

  private void rating(Part part, StringJoiner words) {
    if (part.behaviour() instanceof Behaviour.Contact contact) {
      contact.thermal().ifPresent(t -> thermal(part, t, words));
      contact.ohms().ifPresent(o -> words.add(ohms(o)));
      feels(contact.feels(), words);
      String condition = contact.madeWhen().toString();
      boolean usual = ShorthandDefaults.command(part.kind(), part.id(), "").isPresent();
      if (!condition.isEmpty() || usual) {
        words.add("when " + (condition.isEmpty() ? "always" : condition));
      }
    } else if (part.behaviour() instanceof Behaviour.Load load) {
      load(part, load, words);
    } else if (part.behaviour() instanceof Behaviour.Source source) {
      Winding w = source.winding();
      words.add(figure(w.volts()) + "V").add(ohms(w.ohms()));
      words.add("winding " + ohms(w.windingOhms())).add("by " + w.primary());
    } else if (part.behaviour() instanceof Behaviour.Sensor sensor) {
      sensor.curve().ifPresent(c -> words.add(c.said()));
      feels(sensor.feels(), words);
      words.add(figure(100 * sensor.tolerance()) + "%");
    }
  }

  private static void feels(String place, StringJoiner words) {
    if (!place.equals("ambient")) {
      words.add("feels " + place);
    }
  }

  static String ohms(double ohms) {
    return figure(ohms) + " ohm";
  }

  private static void thermal(Part part, ThermalRating t, StringJoiner words) {
    if (t.acts() == ThermalRating.Acts.CLOSES) {
      words.add("closes");
    }
    words.add(celsius(t.actsAtCelsius()));
    t.returnsAtCelsius().ifPresent(c -> words.add(celsius(c)));
    boolean byHand = t.reset() == ThermalRating.Reset.MANUAL;
    if (byHand && part.kind() != PartKind.MANUAL_RESET_LIMIT) {
      words.add("manual");
    }
  }

  /** In Fahrenheit where that is the round figure. */
  static String celsius(double celsius) {
    double fahrenheit = celsius * 1.8 + 32;
    boolean round = Math.abs(fahrenheit - Math.rint(fahrenheit)) < 1e-6;
    boolean plain = Math.abs(celsius - Math.rint(celsius)) < 1e-6;
    return round && !plain ? figure(Math.rint(fahrenheit)) + "F" : figure(celsius) + "C";
  }

  private void load(Part part, Behaviour.Load load, StringJoiner words) {
    LoadRating r = load.rating();
    Optional<Double> volts =
        volts(part).stream().filter(v -> tidy(v * v * r.powerFactor() / r.ohms())).findFirst();
    if (volts.isPresent()) {
      double watts = volts.get() * volts.get() * r.powerFactor() / r.ohms();
      words.add(figure(Math.rint(watts * 10) / 10) + "W").add(figure(volts.get()) + "V");
    } else {
      words.add(ohms(r.ohms()));
    }
    if (r.powerFactor() < 1 || ShorthandDefaults.load(part.kind()).powerFactor() < 1) {
      words.add("pf " + figure(r.powerFactor()));
    }
    r.windingOhms().ifPresent(o -> words.add("winding " + ohms(o)));
    words.add(figure(100 * load.tolerance()) + "%");
    if (r.runsAbove() != 0.7) {
      words.add("runs above " + figure(100 * r.runsAbove()) + "%");
    }
  }

  private static boolean tidy(double watts) {
    return Math.abs(watts * 10 - Math.rint(watts * 10)) < 1e-6 && watts > 0.05;
  }

  /** What loads are usually rated at, the volts it lies on first (V). */
  private Set<Double> volts(Part part) {
    double v = sheet.supply().volts();
    Path path = new Path(part.id(), part.title(), part.id());
    boolean leg =
        sheet.situations().values().stream()
            .flatMap(s -> Chain.trace(sheet, path, s).stream())
            .findFirst()
            .filter(c -> !sheet.supply().homewardPoint().equals(c.returnPoint()))
            .isPresent();
    List<Double> usual = List.of(240.0, 230.0, 120.0, 115.0, 24.0, 12.0);
    Set<Double> volts = new LinkedHashSet<>(leg ? List.of(v / 2, v) : List.of(v, v / 2));
    volts.addAll(usual);
    return volts;
  }

  private void definitions() {
    for (Access a : sheet.access().values()) {
      StringJoiner said = new StringJoiner(", ", a.id() + " = ", "");
      said.add(quoted(a.title())).add(figure(a.minutes()) + " min");
      if (a.power() == Access.Power.OFF) {
        said.add("power off");
      }
      if (!a.after().isEmpty()) {
        said.add("after " + String.join(" ", a.after()));
      }
      a.place().ifPresent(p -> said.add(quoted("place " + p)));
      if (a.offLimits()) {
        said.add("off limits");
      }
      if (!a.titleOff().equals(a.title())) {
        said.add(quoted("off " + a.titleOff()));
      }
      a.hazards().forEach(h -> said.add(quoted(h)));
      line(said.toString());
    }
    for (Point p : sheet.points().values()) {
      String reached = seen.contains(p.id()) ? "" : p.access().map(a -> ", @" + a).orElse("");
      line(
          "%s = %s%s%s"
              .formatted(
                  p.id(),
                  quoted(p.title()),
                  p.pin().map(n -> ", " + quoted(n)).orElse(""),
                  reached));
    }
    for (Command c : sheet.commands().values()) {
      StringJoiner said = new StringJoiner(", ", "command " + c.id() + " = ", "");
      said.add(quoted(c.title()));
      if (c.by() == Command.By.CONTROL) {
        said.add("by control");
      }
      c.drivenBy().ifPresent(d -> said.add("driven by " + d));
      c.needs().forEach(l -> said.add("needs " + l.from() + " " + l.to()));
      line(said.toString());
    }
    sheet.situations().values().forEach(s -> line(situation(s)));
    sheet.paths().values().forEach(p -> line(path(p)));
    sheet.complaints().values().forEach(c -> line(complaint(c)));
  }

  static String situation(Situation s) {
    StringJoiner said = new StringJoiner(", ", "situation " + s.id() + " = ", "");
    said.add(quoted(s.title())).add(s.supplyOn() ? "on" : "off");
    if (!s.commands().isEmpty()) {
      said.add("with " + String.join(" ", s.commands()));
    }
    new LinkedHashMap<>(s.celsius()).forEach((place, c) -> said.add(place + " " + celsius(c)));
    s.after().ifPresent(before -> said.add("after " + before));
    return said.toString();
  }

  static String path(Path p) {
    return "path %s = %s, %s".formatted(p.id(), quoted(p.title()), p.load());
  }

  static String complaint(Complaint c) {
    StringJoiner said = new StringJoiner(", ", "complaint " + c.id() + " = ", "");
    said.add(quoted(c.title())).add("in " + c.situation());
    Map<String, List<String>> lists = new LinkedHashMap<>();
    lists.put("runs ", c.runs());
    lists.put("not ", c.notRunning());
    lists.put("suspects ", c.suspects());
    lists.forEach(
        (word, list) -> {
          if (!list.isEmpty()) {
            said.add(word + String.join(" ", list));
          }
        });
    if (c.how() != Complaint.How.ALWAYS) {
      said.add(c.how() == Complaint.How.TRIPS ? "trips" : "comes and goes");
    }
    if (c.outside() > 0) {
      said.add("outside %s %%".formatted(figure(100 * c.outside())));
    }
    return said.toString();
  }

  private static String quoted(String title) {
    return title.contains(",") ? "\"" + title.replace('"', '\'') + "\"" : title;
  }
}
