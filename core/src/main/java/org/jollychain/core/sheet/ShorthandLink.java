package org.jollychain.core.sheet;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jollychain.core.text.TextSpan;

/**
 * One link of a typed chain: words of the trade for its kind, a name of its own, ratings in any
 * order. What it says of the part is kept under the keys of format 1.
 */
final class ShorthandLink {

  private static final int LONGEST = 800;
  private static final int SHORT = 4;
  private static final String NUMBER = "(?:\\d+\\.?\\d*|\\.\\d+)";
  private static final String NAME = "([A-Za-z0-9][\\w.'-]*)";
  private static final String END = "(?![\\w])";

  private final TextSpan span;
  private final ShorthandNotes notes;
  private final Map<String, Object> said = new LinkedHashMap<>();
  private final List<TextSpan> words = new ArrayList<>();
  private PartKind kind = PartKind.CONNECTOR;
  private boolean known;
  private String title = "";
  private Optional<TextSpan> id = Optional.empty();
  private Optional<TextSpan> access = Optional.empty();
  private Optional<TextSpan> madeWhen = Optional.empty();
  private Optional<TextSpan> by = Optional.empty();
  private final List<TextSpan> partners = new ArrayList<>();
  private Optional<Double> amperes = Optional.empty();
  private final List<TextSpan> temperatures = new ArrayList<>();
  private boolean closes;
  private boolean manual;

  private ShorthandLink(TextSpan span, ShorthandNotes notes) {
    this.span = span;
    this.notes = notes;
  }

  /**
   * Reads a link; what is wrong with it is noted, and it stands as far as it was understood.
   *
   * @param span without the point before it
   */
  static ShorthandLink read(TextSpan span, ShorthandNotes notes) {
    ShorthandLink link = new ShorthandLink(span, notes);
    if (span.text().length() > LONGEST) {
      notes.error(span, "a link of more than %d letters; keep it short".formatted(LONGEST));
    } else {
      link.scan();
    }
    link.resolve();
    return link;
  }

  /** A form that part of a link may have, and what becomes of it. */
  private record Form(Pattern pattern, BiConsumer<ShorthandLink, Match> meaning) {}

  /** What matched, by group. */
  private record Match(TextSpan link, Matcher matcher) {
    TextSpan span() {
      return group(0);
    }

    TextSpan group(int i) {
      return link.sub(matcher.start(i), matcher.end(i));
    }

    String text(int i) {
      return matcher.group(i);
    }
  }

  private static Form form(String pattern, BiConsumer<ShorthandLink, Match> meaning) {
    return new Form(Pattern.compile(pattern, Pattern.CASE_INSENSITIVE), meaning);
  }

  private static final String TERM = "(?:[!(]\\s*)*[a-z][a-z0-9-]*(?:\\s*\\))*";

  private static final List<Form> FORMS =
      List.of(
          form("@" + NAME, (l, m) -> l.access = Optional.of(m.group(1))),
          form("note\\s+\"([^\"]{0,400})\"", (l, m) -> l.said.put("notes", m.text(1))),
          form("\"([^\"]{0,200})\"", (l, m) -> l.title = m.text(1)),
          form("when\\s+always" + END, (l, m) -> l.madeWhen = Optional.of(m.span().saying(""))),
          form(
              "when\\s+(" + TERM + "(?:\\s*[&|]\\s*" + TERM + ")*)",
              (l, m) -> l.madeWhen = Optional.of(m.group(1))),
          form("as\\s+" + NAME, (l, m) -> l.id = Optional.of(m.group(1))),
          form("of\\s+" + NAME, (l, m) -> l.said.put("body", ShorthandNotes.slug(m.text(1)))),
          form(
              "by\\s+(?:(?:coil|motor|heater)\\s+(?!(?:when|of|with|feels|as)\\b)(?=[A-Za-z]))?"
                  + NAME,
              ShorthandLink::driver),
          form("with\\s+" + NAME, (l, m) -> l.partners.add(m.group(1))),
          form("feels\\s+" + NAME, (l, m) -> l.said.put("feels", ShorthandNotes.slug(m.text(1)))),
          form(
              "(?:pf|power factor)\\s*(" + NUMBER + ")" + END,
              (l, m) -> l.said.put("power-factor", m.text(1))),
          form("beta\\s*(" + NUMBER + ")" + END, (l, m) -> l.curve().put("beta", m.text(1))),
          form("weight\\s*(" + NUMBER + ")" + END, (l, m) -> l.said.put("base-rate", m.text(1))),
          form(
              "winding\\s*(" + NUMBER + "\\s*k?)\\s*(?:ohms?|Ω)?" + END,
              (l, m) -> l.said.put("winding-ohms", m.text(1))),
          form(
              "runs\\s+above\\s*(" + NUMBER + "\\s*%?)",
              (l, m) -> l.said.put("runs-above", m.text(1))),
          form("table((?:\\s+-?" + NUMBER + "[CF]=" + NUMBER + "k?)+)" + END, ShorthandLink::table),
          form("at\\s+(" + NUMBER + "\\s*°?[CF])" + END, (l, m) -> l.curve().put("at", m.text(1))),
          form(
              "(?:hand[ -]|manual[ -]?)reset" + END + "|manual" + END,
              (l, m) -> l.handReset(m.span())),
          form("(?:self-?resetting|auto)" + END, (l, m) -> l.said.put("reset", "auto")),
          form("one-?shot" + END, (l, m) -> l.said.put("reset", "none")),
          form("closes" + END, (l, m) -> l.closes = true),
          form("(?:opens|back|returns|at)" + END, (l, m) -> {}),
          form("leaks" + END, (l, m) -> l.said.put("case-leak", true)),
          form("no\\s+leak" + END, (l, m) -> l.said.put("case-leak", false)),
          form("[LF]\\d{2,3}-\\d{1,3}[CF]?" + END, ShorthandLink::marking),
          form(
              "-?" + NUMBER + "\\s*(?:°|degrees?)?\\s*(?:[CF]|celsius|fahrenheit)" + END,
              (l, m) -> l.temperatures.add(m.span())),
          form("(" + NUMBER + ")\\s*%", (l, m) -> l.said.put("tolerance", m.text(1) + " %")),
          form(
              "(" + NUMBER + ")\\s*(kW|kilowatts?|W|watts?|VA)" + END,
              (l, m) -> l.watts(m.text(1), m.text(2))),
          form(
              "(" + NUMBER + ")\\s*(mA|milliamps?|A|amps?|amperes?)" + END,
              (l, m) -> l.amperes(m.text(1), m.text(2))),
          form(
              "(" + NUMBER + ")\\s*(mV|millivolts?|kV|V|volts?)" + END,
              (l, m) -> l.volts(m.text(1), m.text(2))),
          form("(" + NUMBER + ")\\s*(mohm|k\\s*(?:ohms?|Ω)?|ohms?|Ω)" + END, ShorthandLink::ohms),
          form("[&|!()=]\\S*", ShorthandLink::astray),
          form("[^\\s@\\[\\],/\"]+", (l, m) -> l.words.add(m.span())));

  private void scan() {
    String text = span.text();
    int at = 0;
    while (at < text.length()) {
      if (" /,".indexOf(text.charAt(at)) >= 0 || Character.isWhitespace(text.charAt(at))) {
        at++;
        continue;
      }
      at = taken(text, at);
    }
  }

  private int taken(String text, int at) {
    for (Form form : FORMS) {
      Matcher m = form.pattern.matcher(text).region(at, text.length()).useTransparentBounds(true);
      if (m.lookingAt()) {
        form.meaning.accept(this, new Match(span, m));
        return m.end();
      }
    }
    notes.error(
        span.sub(at, at + 1),
        "\"%s\" is not expected here; a point stands in brackets before its link, like \"> [C1] limit\""
            .formatted(text.charAt(at)));
    return at + 1;
  }

  private void astray(Match m) {
    notes.error(
        m.span(),
        "\"%s\" is not expected here; a condition is written like \"when door-shut & !pause\""
            .formatted(m.span().text()));
  }

  private void driver(Match m) {
    by = Optional.of(m.group(1));
  }

  @SuppressWarnings("unchecked")
  Map<String, Object> curve() {
    return (Map<String, Object>)
        said.computeIfAbsent("curve", k -> new LinkedHashMap<String, Object>());
  }

  private void table(Match m) {
    List<List<String>> points = new ArrayList<>();
    for (String pair : m.text(1).strip().split("\\s+")) {
      points.add(List.of(pair.split("=")));
    }
    curve().put("type", "table");
    curve().put("points", points);
  }

  private void handReset(TextSpan at) {
    manual = true;
    if (at.text().contains("reset")) {
      words.add(at.saying("reset"));
    }
  }

  private void marking(Match m) {
    try {
      ThermalRating.ofMarking(m.span().text(), ThermalRating.Reset.AUTO);
      said.put("marking", m.span().text().toUpperCase(Locale.ROOT));
    } catch (IllegalArgumentException e) {
      notes.error(m.span(), e.getMessage());
    }
  }

  private void watts(String figure, String unit) {
    said.put("watts", figure + (unit.toLowerCase(Locale.ROOT).startsWith("k") ? " kW" : " W"));
  }

  private void amperes(String figure, String unit) {
    amperes =
        Optional.of(
            Double.parseDouble(figure)
                * (unit.toLowerCase(Locale.ROOT).startsWith("m") ? 1e-3 : 1));
  }

  private void volts(String figure, String unit) {
    String lower = unit.toLowerCase(Locale.ROOT);
    String proper = lower.startsWith("m") ? " mV" : lower.startsWith("k") ? " kV" : " V";
    said.put("at-volts", figure + proper);
  }

  private static void ohms(ShorthandLink link, Match m) {
    String unit =
        switch (m.text(2).charAt(0)) {
          case 'k', 'K' -> " k";
          case 'm' -> " mohm";
          // a great letter alone tells a megohm from a milliohm
          case 'M' -> " M";
          default -> " ohm";
        };
    link.said.put("ohms", m.text(1) + unit);
  }

  /** What it is, from its words and from what is rated. */
  private void resolve() {
    Optional<ShorthandWords.Found> found = ShorthandWords.find(texts(), speaksFor());
    known = found.isPresent();
    found.ifPresent(f -> kind = adjusted(f));
    if (title.isEmpty()) {
      title = found.isPresent() ? titled(found.get()) : String.join(" ", texts());
    }
    if (title.isBlank()) {
      title = kind.word();
    }
    if (!known) {
      notes.error(
          words.isEmpty() ? span : words.get(0),
          words.isEmpty()
              ? "what is this? Say what it is first, like \"limit\" or \"element\""
              : ShorthandWords.unknown(String.join(" ", texts())));
    }
    ShorthandRatings.settle(this, notes);
  }

  /** Its words, without what was understood otherwise. */
  List<String> texts() {
    return words.stream().map(TextSpan::text).toList();
  }

  /** As it was typed, but for a short word alone: a stat is a cycling thermostat. */
  private String titled(ShorthandWords.Found found) {
    boolean named = words.size() > found.to() - found.from();
    boolean spoken = String.join(" ", texts()).length() > SHORT;
    return named || spoken ? String.join(" ", texts()) : kind.word();
  }

  private ShorthandWords.Rated speaksFor() {
    boolean heat = !temperatures.isEmpty() || said.containsKey("marking");
    return heat
        ? ShorthandWords.Rated.HEAT
        : used() ? ShorthandWords.Rated.POWER : ShorthandWords.Rated.NOTHING;
  }

  private boolean used() {
    return said.containsKey("watts") || said.containsKey("ohms") || amperes.isPresent();
  }

  private PartKind adjusted(ShorthandWords.Found found) {
    PartKind said = found.kind();
    if (said == PartKind.LINE_FUSE && found.phrase().equals("fuse")) {
      if (!temperatures.isEmpty()) {
        return PartKind.THERMAL_FUSE;
      }
      if (amperes.isEmpty()) {
        notes.question(
            span,
            "is this fuse thermal or in the line? Give its temperature, like \"fuse 91C\", or its amperes, like \"fuse 10A\"; a line fuse is assumed");
      }
      return said;
    }
    if (said == PartKind.TIMER_MOTOR && found.phrase().equals("timermotor") && !used()) {
      notes.note(
          span,
          "taken as the timer's contact for the motor; the timer's own motor has watts or ohms, like \"timer motor 3W\"");
      title = title.isEmpty() ? String.join(" ", texts()) + " contact" : title;
      return PartKind.TIMER_CONTACT;
    }
    if (manual && (said == PartKind.LIMIT || said == PartKind.THERMAL_CUTOFF)) {
      return PartKind.MANUAL_RESET_LIMIT;
    }
    if (said == PartKind.THERMISTOR && texts().stream().anyMatch(w -> w.matches("(?i)pt1000?"))) {
      return PartKind.PLATINUM_SENSOR;
    }
    return said;
  }

  TextSpan span() {
    return span;
  }

  PartKind kind() {
    return kind;
  }

  /** False where no word of it is one of the trade. */
  boolean known() {
    return known;
  }

  String title() {
    return title;
  }

  /** Its name in the sheet, where it was said. */
  Optional<TextSpan> id() {
    return id;
  }

  /** What is written of it under the keys of format 1. */
  Map<String, Object> said() {
    return said;
  }

  Optional<TextSpan> access() {
    return access;
  }

  Optional<TextSpan> madeWhen() {
    return madeWhen;
  }

  /** The load by which it is driven, or the primary of a secondary. */
  Optional<TextSpan> by() {
    return by;
  }

  List<TextSpan> partners() {
    return partners;
  }

  /** What a load draws, where that is its rating (A). */
  Optional<Double> amperes() {
    return amperes;
  }

  /** Whether it acts by heat and its temperature was said. */
  boolean rated() {
    return said.containsKey("marking")
        || said.containsKey("opens-at")
        || said.containsKey("closes-at");
  }

  /** The temperatures that were said, in their order. */
  List<TextSpan> temperatures() {
    return temperatures;
  }

  /** Whether it was said to close by heat. */
  boolean closes() {
    return closes;
  }

  /** Whether it was said to be reset by hand. */
  boolean manual() {
    return manual;
  }
}
