package org.jollychain.core.evidence;

import java.time.Instant;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Meters;
import org.jollychain.core.network.Probe;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;
import org.jollychain.core.text.Nearest;

/**
 * A reading as it comes from a keyboard, a file or a meter: names and text, nothing checked.
 * Exactly one of these says where the probes were: {@code red} and {@code black}, {@code across},
 * {@code through}; or the value itself, as in {@code L1-L2 238.6}.
 *
 * @param value as displayed
 */
public record Entry(
    String id,
    String function,
    Optional<String> red,
    Optional<String> black,
    Optional<String> across,
    Optional<String> through,
    String situation,
    How how,
    String value) {

  private static final double HOTTEST_CELSIUS = 1400;

  /** So near the supply's volts a figure is taken for them (a share). */
  private static final double LIKE_THE_SUPPLY = 0.15;

  /** From here on a supply is the mains (V). */
  private static final double MAINS = 100;

  private static final Pattern PLAIN_FIGURE = Pattern.compile("\\d+(\\.\\d+)?");

  /**
   * How it was taken, where that is out of the ordinary.
   *
   * @param liftedAt points at which all else was taken off
   * @param meter the id of the meter, the usual one where left out
   * @param celsius what the part was brought to, as typed: {@code 95 C}
   * @param reseated whether the part's terminals had been taken off and put on again before
   * @param at when
   */
  public record How(
      List<String> liftedAt,
      Optional<String> meter,
      Optional<String> celsius,
      boolean reseated,
      Optional<Instant> at) {

    /** Nothing out of the ordinary. */
    public static final How PLAIN = lifted(List.of());

    public static How lifted(List<String> liftedAt) {
      return new How(liftedAt, Optional.empty(), Optional.empty(), false, Optional.empty());
    }
  }

  /** What a meter shows where a question has put its probes. */
  public static Entry answering(
      Question.Measure asked, String id, Optional<Instant> at, String shown) {
    Probe probe = asked.at();
    How how =
        new How(
            List.copyOf(probe.liftedAt()),
            Optional.empty(),
            probe.celsius().map("%.0f C"::formatted),
            asked.reseated(),
            at);
    return new Entry(
        id,
        probe.function().toString(),
        Optional.of(probe.red()),
        Optional.of(probe.black()),
        probe.part(),
        Optional.empty(),
        probe.situation(),
        how,
        shown);
  }

  /**
   * The same entry with what was typed in front of the value put where it belongs, and with the
   * function that its unit or its word says.
   *
   * @throws EvidenceException when the place is not on the sheet, or may be several parts; or when
   *     that function reads nothing in the state beside the field
   */
  public Entry resolved(Sheet sheet) {
    TypedLine typed = TypedLine.read(value, Kebab.read(MeterFunction.class, function), sheet);
    typed.function().ifPresent(f -> refuseOtherState(f, sheet));
    String with = typed.function().map(MeterFunction::toString).orElse(function);
    boolean clamp = Kebab.read(MeterFunction.class, with).filter(MeterFunction::clamps).isPresent();
    if (typed.red().isPresent()) {
      askForUnit(typed, sheet);
      return at(
          with, typed.red(), typed.black(), Optional.empty(), Optional.empty(), typed.value());
    }
    Optional<String> part = typed.part();
    if (part.isPresent()) {
      return at(
          with,
          Optional.empty(),
          Optional.empty(),
          clamp ? Optional.empty() : part,
          clamp ? part : Optional.empty(),
          typed.value());
    }
    // a clamp goes around what a voltmeter lies across
    Optional<String> one = through.or(() -> across);
    return clamp && one.isPresent() && typed.function().isPresent()
        ? at(with, Optional.empty(), Optional.empty(), Optional.empty(), one, typed.value())
        : at(with, red, black, across, through, typed.value());
  }

  private Entry at(
      String with,
      Optional<String> redPoint,
      Optional<String> blackPoint,
      Optional<String> acrossPart,
      Optional<String> throughPart,
      String shown) {
    return new Entry(
        id, with, redPoint, blackPoint, acrossPart, throughPart, situation, how, shown);
  }

  /**
   * Between points that were typed, what is about the mains' volts is hardly ohms; between
   * terminals of the supply, what is about any supply's volts.
   */
  private void askForUnit(TypedLine typed, Sheet sheet) {
    boolean ohms = typed.function().isEmpty() && function.equals(MeterFunction.OHMS.toString());
    if (!ohms || !PLAIN_FIGURE.matcher(typed.value()).matches()) {
      return;
    }
    boolean ofSupply =
        Stream.of(typed.red(), typed.black())
            .allMatch(p -> p.filter(sheet.supplyPoints()::contains).isPresent());
    double shown = Double.parseDouble(typed.value());
    double supply = sheet.supply().volts();
    boolean likeVolts =
        DoubleStream.of(supply, ofSupply ? supply / 2 : supply)
            .anyMatch(v -> Math.abs(shown - v) < LIKE_THE_SUPPLY * v);
    if (likeVolts && (ofSupply || supply >= MAINS)) {
      throw new EvidenceException(
          "value",
          "\"%s\" may be volts, and ohms stand beside it: type %s V or %s ohm behind the points"
              .formatted(value.strip(), typed.value(), typed.value()));
    }
  }

  /** A unit that says another function than stood beside the field says another state, too. */
  private void refuseOtherState(MeterFunction read, Sheet sheet) {
    Optional<Situation> state = Optional.ofNullable(sheet.situations().get(situation));
    boolean other =
        state.filter(s -> read.needsDeadCircuit() == s.supplyOn()).isPresent()
            && read.dimension() != Dimension.CELSIUS
            && !read.toString().equals(function);
    if (other) {
      throw new EvidenceException(
          "situation",
          read.needsDeadCircuit()
              ? "\"%s\" is read with %s, power off, and \"%s\" stands beside it: choose the state it was read in"
                  .formatted(value, read.word(), state.get().title())
              : "\"%s\" is read with %s, power on, and \"%s\" stands beside it: choose the state it was read in"
                  .formatted(value, read.word(), state.get().title()));
    }
  }

  /**
   * Makes it a reading of this sheet.
   *
   * @throws EvidenceException when a name is not on the sheet or the value cannot be meant
   */
  public Reading on(Sheet sheet, Meters meters) {
    Entry resolved = resolved(sheet);
    Probe probe = resolved.probe(sheet);
    Meter meter = meter(how.meter(), meters);
    if (how.reseated() && probe.part().isEmpty()) {
      throw new EvidenceException(
          "reseated", "say whose terminals were put on again: read \"across\" that part");
    }
    try {
      Shown shown = Shown.parse(resolved.value(), probe.function());
      return new Reading(id, probe, shown, meter, how.reseated(), how.at());
    } catch (IllegalArgumentException e) {
      throw new EvidenceException("value", e.getMessage());
    }
  }

  /**
   * The meter of an id, the usual one where none is said.
   *
   * @throws EvidenceException when there is no such meter
   */
  public static Meter meter(Optional<String> id, Meters meters) {
    return id.map(
            m ->
                meters
                    .byId(m)
                    .orElseThrow(
                        () ->
                            new EvidenceException(
                                "meter",
                                "there is no meter \"%s\"%s"
                                    .formatted(m, Nearest.suggestion(m, meters.ids())))))
        .orElse(meters.usual());
  }

  /**
   * Where and how it is measured, whatever the value.
   *
   * @throws EvidenceException when a name is not on the sheet
   */
  public Probe probe(Sheet sheet) {
    MeterFunction meterFunction =
        Kebab.read(MeterFunction.class, function)
            .orElseThrow(
                () ->
                    new EvidenceException(
                        "function",
                        "\"%s\" is no meter function; there are %s"
                            .formatted(function, List.of(MeterFunction.values()))));
    checkSituation(situation, sheet);
    return probe(sheet, meterFunction);
  }

  /**
   * @throws EvidenceException when the sheet has no such situation
   */
  static void checkSituation(String situation, Sheet sheet) {
    if (!sheet.situations().containsKey(situation)) {
      throw new EvidenceException(
          "situation",
          "there is no situation \"%s\" on this sheet%s"
              .formatted(situation, Nearest.suggestion(situation, sheet.situations().keySet())));
    }
  }

  private Probe probe(Sheet sheet, MeterFunction meterFunction) {
    boolean clamp = meterFunction.dimension() == Dimension.AMPERES;
    if (through.isPresent() || across.isPresent()) {
      String key = through.isPresent() ? "through" : "across";
      String id = through.or(() -> across).orElseThrow();
      Part part = sheet.parts().get(id);
      if (part == null) {
        throw new EvidenceException(
            key,
            "there is no part \"%s\" on this sheet%s"
                .formatted(id, Nearest.suggestion(id, sheet.parts().keySet())));
      }
      return new Probe(
          meterFunction,
          part.from(),
          part.to(),
          Optional.of(id),
          situation,
          lifted(sheet),
          celsius(Optional.of(part)));
    }
    if (red.isEmpty() || black.isEmpty()) {
      throw new EvidenceException(
          clamp ? "through" : "across",
          clamp
              ? "say through which part the clamp was: \"through\""
              : "say where the probes were: \"across\" a part, or \"red\" and \"black\"");
    }
    return between(sheet, meterFunction, red.get(), black.get());
  }

  private Probe between(
      Sheet sheet, MeterFunction meterFunction, String redPoint, String blackPoint) {
    known(sheet, "red", redPoint);
    known(sheet, "black", blackPoint);
    if (redPoint.equals(blackPoint)) {
      throw new EvidenceException(
          "black", "both probes are at %s; name two points".formatted(redPoint));
    }
    List<Part> spanned =
        sheet.partsAt(redPoint).stream().filter(p -> p.touches(blackPoint)).toList();
    Optional<String> part =
        spanned.size() == 1 ? Optional.of(spanned.get(0).id()) : Optional.empty();
    if (meterFunction.dimension() == Dimension.AMPERES && part.isEmpty()) {
      throw new EvidenceException(
          "through", "a clamp goes around one wire: name the part, \"through\"");
    }
    return new Probe(
        meterFunction,
        redPoint,
        blackPoint,
        part,
        situation,
        lifted(sheet),
        celsius(part.map(sheet::part)));
  }

  private Optional<Double> celsius(Optional<Part> part) {
    if (how.celsius().isEmpty()) {
      return Optional.empty();
    }
    String typed = how.celsius().get();
    if (part.filter(p -> p.thermal().isPresent() || p.curve().isPresent()).isEmpty()) {
      throw new EvidenceException(
          "celsius",
          "a temperature is stated of a thermal switch or a sensor%s"
              .formatted(part.map(p -> "; the " + p.title() + " is neither").orElse("")));
    }
    try {
      double celsius = Dimension.CELSIUS.parse(typed);
      if (Math.abs(celsius) > HOTTEST_CELSIUS) {
        throw new IllegalArgumentException("\"%s\" is beyond any part".formatted(typed));
      }
      return Optional.of(celsius);
    } catch (IllegalArgumentException e) {
      throw new EvidenceException("celsius", e.getMessage());
    }
  }

  private Set<String> lifted(Sheet sheet) {
    Set<String> lifted = new LinkedHashSet<>(how.liftedAt());
    lifted.forEach(point -> known(sheet, "liftedAt", point));
    return Set.copyOf(lifted);
  }

  private static void known(Sheet sheet, String key, String point) {
    if (!sheet.points().containsKey(point)) {
      throw new EvidenceException(
          key,
          "there is no point \"%s\" on this sheet%s"
              .formatted(point, Nearest.suggestion(point, sheet.points().keySet())));
    }
  }
}
