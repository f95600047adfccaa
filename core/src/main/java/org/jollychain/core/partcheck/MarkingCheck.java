package org.jollychain.core.partcheck;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.ThermalRating;

/**
 * What is printed on a disc: {@code L250-40F} opens on rise at 250 F and closes 40 F lower, at 210
 * F; {@code F110-20} closes at 110 F and opens at 90 F. Between the two the state depends on where
 * it comes from. Two discs in one housing are two markings. Common practice, no source.
 */
final class MarkingCheck implements PartCheck {

  /** A figure alone, with a letter or without: {@code L180}, {@code 155F}, {@code 85C}. */
  private static final Pattern ALONE = Pattern.compile("([LF]?)(\\d{2,3})([CF]?)");

  @Override
  public Card card() {
    return new Card(
        "marking",
        "What a disc's marking means",
        Set.of(
            PartKind.LIMIT,
            PartKind.MANUAL_RESET_LIMIT,
            PartKind.CYCLING_THERMOSTAT,
            PartKind.THERMOSTAT,
            PartKind.ROLLOUT_SWITCH,
            PartKind.SPILL_SWITCH),
        List.of("disc", "L250", "L250-40F", "F110-20", "limit", "letter"),
        "",
        List.of(
            Input.text("marking", "As it is printed", "L250-40F"),
            Input.figure("celsius", "Temperature of the disc", Dimension.CELSIUS, "180 F", -60, 500)
                .optional(),
            Input.choice("reset", "How it resets", "by itself", "by its button").optional(),
            Input.choice("before", "Was it last hotter or colder?", "unknown", "colder", "hotter")
                .optional()));
  }

  @Override
  public CheckResult answer(Inputs in) {
    String[] discs = together(in.text("marking").strip()).split("\\s*[/,+ ]\\s*");
    if (discs.length > 2) {
      throw new InvalidInputsException(
          "marking", "one disc or two in one housing, like \"L250-40F\"");
    }
    boolean button = in.text("reset").equals("by its button");
    ThermalRating rating = rating(discs[0], button);
    Optional<Double> at = in.optional("celsius");
    List<ThermalRating> all = Arrays.stream(discs).map(d -> rating(d, button)).toList();
    CheckResult.Writer answer =
        at.isEmpty() ? said(rating) : state(all, at.get(), in.text("before"));
    for (int i = 0; i < discs.length; i++) {
      describe(answer, discs[i], all.get(i));
    }
    if (discs.length > 1) {
      answer.because("Two thermostats in one body, in series: the lower one opens it.");
    }
    return answer
        .band("Makers allow a few degrees either way of the figure printed.")
        .means(
            rating.acts() == ThermalRating.Acts.CLOSES
                ? "Open at room temperature: it closes when it is warm. At what, only slow heat shows."
                : "Closed at room temperature it passes current; at what it opens only slow heat shows.")
        .next("Replace it by one of the same figures only; never bridge it, not even for a test.")
        .drawn(picture(rating, at))
        .done();
  }

  /** Letter, figures and unit of one disc without blanks between them. */
  private static String together(String text) {
    return text.replaceAll("(?i)([LF])\\s+(?=\\d)", "$1")
        .replaceAll("(?<=\\d)\\s+(?=[°CFcf]\\b)", "")
        .replace("°", "");
  }

  /** What is printed; without the second figure it is not known how far it has to cool. */
  private static ThermalRating rating(String text, boolean button) {
    ThermalRating.Reset reset = button ? ThermalRating.Reset.MANUAL : ThermalRating.Reset.AUTO;
    Matcher alone = ALONE.matcher(text.toUpperCase(Locale.ROOT));
    if (alone.matches()) {
      String unit = alone.group(3).equals("C") ? "C" : "F";
      return new ThermalRating(
          alone.group(1).equals("F") ? ThermalRating.Acts.CLOSES : ThermalRating.Acts.OPENS,
          Dimension.CELSIUS.parse(alone.group(2) + unit),
          Optional.empty(),
          reset);
    }
    try {
      ThermalRating printed = ThermalRating.ofMarking(text, reset);
      return button
          ? new ThermalRating(printed.acts(), printed.actsAtCelsius(), Optional.empty(), reset)
          : printed;
    } catch (IllegalArgumentException e) {
      String letter =
          text.matches("[A-Za-z]")
              ? "; what the letter of a letter scale means is in the maker's paper"
              : "";
      throw new InvalidInputsException("marking", e.getMessage() + letter);
    }
  }

  private static CheckResult.Writer said(ThermalRating r) {
    boolean opens = r.acts() == ThermalRating.Acts.OPENS;
    return CheckResult.saying(
        CheckResult.Grade.PLAIN,
        "%s at %s on rise%s",
        opens ? "Opens" : "Closes",
        Figures.celsius(r.actsAtCelsius()),
        r.reset() == ThermalRating.Reset.MANUAL
            ? ", and stays so until its button is pressed"
            : r.returnsAtCelsius()
                .map(
                    back ->
                        ", %s again at %s"
                            .formatted(opens ? "closes" : "opens", Figures.celsius(back)))
                .orElse("; how far it has to cool is not printed"));
  }

  /** What is in series is open where one of it is. */
  private static CheckResult.Writer state(List<ThermalRating> all, double celsius, String before) {
    List<String> states = all.stream().map(r -> state(r, celsius, before)).toList();
    String state =
        states.contains("Open")
            ? "Open"
            : states.stream().filter(s -> !s.equals("Closed")).findFirst().orElse("Closed");
    return CheckResult.saying(CheckResult.Grade.PLAIN, "%s at %s", state, Figures.celsius(celsius));
  }

  private static String state(ThermalRating r, double celsius, String before) {
    return switch (r.stateAt(celsius)) {
      case OPEN -> "Open";
      case CLOSED -> "Closed";
      case EITHER ->
          switch (before) {
            case "colder" -> r.acts() == ThermalRating.Acts.OPENS ? "Closed" : "Open";
            case "hotter" -> r.acts() == ThermalRating.Acts.OPENS ? "Open" : "Closed";
            default -> "Can be open or closed here";
          };
    };
  }

  private static void describe(CheckResult.Writer answer, String marking, ThermalRating r) {
    answer
        .result("acts-at", r.actsAtCelsius(), Dimension.CELSIUS)
        .because(
            "%s: acts at %s.",
            marking.toUpperCase(Locale.ROOT), Figures.celsius(r.actsAtCelsius()));
    r.returnsAtCelsius()
        .ifPresent(
            back ->
                answer
                    .result("returns-at", back, Dimension.CELSIUS)
                    .because(
                        "It goes back %.1f K lower, at %s.",
                        r.actsAtCelsius() - back, Figures.celsius(back)));
  }

  private static Picture picture(ThermalRating r, Optional<Double> at) {
    double back = r.returnsAtCelsius().orElse(r.actsAtCelsius());
    boolean opens = r.acts() == ThermalRating.Acts.OPENS;
    List<Picture.Band> bands =
        List.of(
            new Picture.Band(back - 40, back, opens ? "closed" : "open", CheckResult.Grade.PLAIN),
            new Picture.Band(
                back, r.actsAtCelsius(), "by where it comes from", CheckResult.Grade.DOUBTFUL),
            new Picture.Band(
                r.actsAtCelsius(),
                r.actsAtCelsius() + 40,
                opens ? "open" : "closed",
                CheckResult.Grade.PLAIN));
    return at.map(c -> Picture.scale("C", bands, new Picture.Mark(c, 0, "now")))
        .orElse(Picture.scale("C", bands));
  }
}
