package org.jollychain.core.sheet;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jollychain.core.text.TextSpan;

/**
 * The supply as it is typed: {@code 240 V split 60 Hz}, {@code 230 V}, {@code 700 mV pile}. What is
 * not said of it is common practice, no source.
 */
final class ShorthandSupply {

  private static final Pattern WORD =
      Pattern.compile(
          "(\\d+\\.?\\d*|\\.\\d+)\\s*(mV|millivolts?|V|volts?|Hz|hertz|ohms?|Ω|%)(?!\\w)|[^\\s,]+",
          Pattern.CASE_INSENSITIVE);

  /** What the trade calls the terminals, by what format 1 calls them. */
  private static final Map<String, Set<String>> CALLED =
      Map.of(
          "line1", Set.of("l1", "l", "line", "line1", "hot", "live", "r"),
          "line2", Set.of("l2", "line2"),
          "neutral", Set.of("n", "neutral", "com", "c"),
          "earth", Set.of("pe", "e", "earth", "ground", "gnd", "case"),
          "plus", Set.of("+", "plus", "b+", "pos", "tp"),
          "minus", Set.of("-", "minus", "b-", "neg", "th"));

  private static final Map<String, String> USUAL =
      Map.of(
          "line1", "L1", "line2", "L2", "neutral", "N", "earth", "PE", "plus", "B+", "minus", "B-");

  private static final double LOW_VOLTS = 60;
  private static final double PILE_VOLTS = 2;
  private static final double WYE_VOLTS = 150;
  private static final double LEGS_VOLTS = 215;
  private static final double EUROPEAN_VOLTS = 230;
  private static final double SIXTY_HERTZ_VOLTS = 215;

  private final ShorthandNotes notes;
  private Optional<SupplySystem> system = Optional.empty();
  private Optional<Double> volts = Optional.empty();
  private Optional<String> hertz = Optional.empty();
  private String tolerance = "";
  private String ohms = "";
  private boolean charged;
  private boolean floating;
  private Optional<String> bonded = Optional.empty();
  private final List<String> at = new ArrayList<>();
  private Optional<TextSpan> said = Optional.empty();
  private final Map<String, String> points = new LinkedHashMap<>();

  ShorthandSupply(ShorthandNotes notes) {
    this.notes = notes;
  }

  /** Takes what is said behind {@code supply}. */
  void say(TextSpan said) {
    this.said = Optional.of(said);
    Matcher m = WORD.matcher(said.text());
    boolean naming = false;
    boolean bonding = false;
    while (m.find()) {
      String word = m.group().toLowerCase(Locale.ROOT);
      if (naming) {
        at.add(m.group());
      } else if (bonding) {
        bonded = Optional.of(word);
        bonding = false;
      } else if (m.group(2) != null) {
        figure(m.group(1), m.group(2).toLowerCase(Locale.ROOT));
      } else {
        switch (word) {
          case "split", "split-phase" -> system = Optional.of(SupplySystem.SPLIT_PHASE);
          case "single", "single-phase" -> system = Optional.of(SupplySystem.SINGLE_PHASE);
          case "wye", "star" -> system = Optional.of(SupplySystem.WYE_PAIR);
          case "transformer" -> system = Optional.of(SupplySystem.TRANSFORMER);
          case "dc", "pile", "thermopile", "battery", "pack" ->
              system = Optional.of(SupplySystem.DC);
          case "stored", "charge" -> charged = true;
          case "floating" -> floating = true;
          case "bonded" -> bonding = true;
          case "at" -> naming = true;
          case "source", "tolerance", "phase", "ac" -> {}
          default ->
              notes.error(
                  said.sub(m.start(), m.end()),
                  "\"%s\" says nothing of a supply; write it like \"supply 240 V split 60 Hz\" or \"supply 12 V dc\""
                      .formatted(m.group()));
        }
      }
    }
    if (volts.isEmpty()) {
      notes.error(said, "how many volts? Write it like \"supply 230 V\"");
    }
  }

  private void figure(String figure, String unit) {
    switch (unit) {
      case "v", "volt", "volts" -> volts = Optional.of(Double.parseDouble(figure));
      case "mv", "millivolt", "millivolts" ->
          volts = Optional.of(Double.parseDouble(figure) / 1000);
      case "hz", "hertz" -> hertz = Optional.of(figure);
      case "%" -> tolerance = figure + " %";
      default -> ohms = figure;
    }
  }

  /**
   * Settles what was not said.
   *
   * @param legs whether a chain ends at the second line
   */
  void settle(boolean legs) {
    if (volts.isEmpty()) {
      volts = Optional.of(legs ? 240.0 : 230.0);
      notes.assume(
          "supply", "%.0f V".formatted(volts.get()), "supply %.0f V".formatted(volts.get()));
    }
    double v = volts.get();
    if (system.isEmpty()) {
      system = Optional.of(usualSystem(v, legs));
      notes.assume(
          "supply",
          "a %s system".formatted(system.get()),
          "supply %s V %s".formatted(ShorthandWriter.figure(v), word()));
    }
    if (hertz.isEmpty() && !dc()) {
      boolean sixty = v < SIXTY_HERTZ_VOLTS || system.get() == SupplySystem.SPLIT_PHASE;
      hertz = Optional.of(sixty ? "60" : "50");
      notes.assume(
          "supply",
          hertz.get() + " Hz",
          "supply %s V %s %s Hz".formatted(ShorthandWriter.figure(v), word(), hertz.get()));
    }
    name(system.get());
  }

  /** The points of its terminals, where they are said; both that it cannot do without are there. */
  private void name(SupplySystem fed) {
    List<String> terminals = fed.terminals();
    for (int i = 0; i < Math.min(at.size(), terminals.size()); i++) {
      if (!at.get(i).equals("-")) {
        points.put(terminals.get(i), at.get(i));
      }
    }
    for (String needed : List.of(fed.outward(), fed.homeward())) {
      if (!at.isEmpty() && points.putIfAbsent(needed, USUAL.get(needed)) == null) {
        said.ifPresent(
            s -> notes.error(s, "behind \"at\" stands no point for its %s".formatted(needed)));
      }
    }
  }

  /** Two lines are two legs of 240 V, or two of three phases of 208 V. */
  private static SupplySystem usualSystem(double v, boolean legs) {
    if (v < LOW_VOLTS) {
      return v < PILE_VOLTS ? SupplySystem.DC : SupplySystem.TRANSFORMER;
    }
    if (legs && v > WYE_VOLTS && v != EUROPEAN_VOLTS) {
      return v < LEGS_VOLTS ? SupplySystem.WYE_PAIR : SupplySystem.SPLIT_PHASE;
    }
    return SupplySystem.SINGLE_PHASE;
  }

  private String word() {
    return word(system.orElseThrow());
  }

  /** What a system is called where a supply is typed. */
  static String word(SupplySystem system) {
    return switch (system) {
      case SPLIT_PHASE -> "split";
      case SINGLE_PHASE -> "single";
      case WYE_PAIR -> "wye";
      case TRANSFORMER -> "transformer";
      case DC -> "dc";
    };
  }

  /** As YAML writes a number. */
  private static Object number(String figure) {
    double value = Double.parseDouble(figure);
    return value == Math.rint(value) ? (Object) (long) value : value;
  }

  boolean dc() {
    return system.orElseThrow() == SupplySystem.DC;
  }

  /** Whether a flame drives it. */
  boolean pile() {
    return dc() && volts() < PILE_VOLTS;
  }

  /** Whether a word may be a terminal of any supply. */
  static boolean mayBe(String word) {
    String lower = word.toLowerCase(Locale.ROOT);
    return CALLED.values().stream().anyMatch(c -> c.contains(lower));
  }

  /** Whether its terminals are called by names of their own. */
  boolean names() {
    return !at.isEmpty();
  }

  /** Whether it is the second line. */
  static boolean secondLine(String word) {
    return CALLED.get("line2").contains(word.toLowerCase(Locale.ROOT));
  }

  /** The terminal that a word names, if this supply has it: its point is called by that word. */
  Optional<String> point(String word) {
    Optional<String> named = points.values().stream().filter(word::equals).findFirst();
    if (named.isPresent()) {
      return named;
    }
    if (!at.isEmpty()) {
      return Optional.empty();
    }
    String lower = word.toLowerCase(Locale.ROOT);
    boolean letters =
        system.orElseThrow() != SupplySystem.TRANSFORMER
            && (lower.equals("r") || lower.equals("c"));
    boolean pile = !dc() && (lower.equals("tp") || lower.equals("th"));
    return system.orElseThrow().terminals().stream()
        .filter(t -> CALLED.get(t).contains(lower) && !letters && !pile)
        .findFirst()
        .map(
            t ->
                points.computeIfAbsent(
                    t, k -> Character.isLetter(word.charAt(0)) ? word : USUAL.get(t)));
  }

  /** Its terminals, and their points. */
  Map<String, String> terminals() {
    if (at.isEmpty()) {
      for (String t : system.orElseThrow().terminals()) {
        boolean needed = !dc() || !t.equals("earth");
        if (needed) {
          boolean alone = t.equals("line1") && system.orElseThrow() == SupplySystem.SINGLE_PHASE;
          points.putIfAbsent(t, alone ? "L" : USUAL.get(t));
        }
      }
    }
    return points;
  }

  double volts() {
    return volts.orElseThrow();
  }

  /** The volts between two of its terminals (V). */
  double volts(String one, String other) {
    boolean legs = one.equals(other) || Set.of("line1", "line2").equals(Set.of(one, other));
    boolean pair =
        system.orElseThrow() == SupplySystem.WYE_PAIR
            || system.orElseThrow() == SupplySystem.SPLIT_PHASE;
    if (legs || !pair) {
      return volts();
    }
    return system.orElseThrow() == SupplySystem.SPLIT_PHASE
        ? volts() / 2
        : Math.rint(volts() / Math.sqrt(3));
  }

  /** Its part of a sheet. */
  Map<String, Object> sheet() {
    Map<String, Object> supply = new LinkedHashMap<>();
    Map<String, String> terminals = terminals();
    supply.put("system", system.orElseThrow().toString());
    supply.put("volts", number(ShorthandWriter.figure(volts())));
    hertz.filter(h -> !dc()).ifPresent(h -> supply.put("hertz", number(h)));
    supply.put("tolerance", !tolerance.isEmpty() ? tolerance : pile() ? "12 %" : "5 %");
    supply.put("source-ohms", number(!ohms.isEmpty() ? ohms : usualOhms()));
    supply.put("terminals", terminals);
    Optional<String> tied =
        bonded.or(
            () -> terminals.containsKey("neutral") ? Optional.of("neutral") : Optional.empty());
    tied.filter(t -> !floating).ifPresent(t -> supply.put("bonded", t));
    if (charged) {
      supply.put("stored-charge", true);
    }
    if (ohms.isEmpty()) {
      notes.assume(
          "supply",
          "drops " + usualOhms() + " ohm with its cord",
          "supply %s V %s %s ohm".formatted(ShorthandWriter.figure(volts()), word(), usualOhms()));
    }
    return supply;
  }

  /** Of source and cord; a pile has far more of its own (ohm); common practice, no source. */
  private String usualOhms() {
    if (pile()) {
      return "2";
    }
    return volts() < LOW_VOLTS
        ? "1"
        : system.orElseThrow() == SupplySystem.SPLIT_PHASE ? "0.08" : "0.3";
  }
}
