package org.jollychain.core.unit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.quantity.OhmsTyped;
import org.jollychain.core.sheet.LoadRating;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.SensorCurve;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.ThermalRating;

/**
 * Facts as they are typed from a plate, a part or a paper: {@code 8 to 30 ohm}, {@code 65 ohm 10
 * %}, {@code 4500 W 240 V}, {@code 7.3 A 120 V}, {@code 10k at 25C, 5.3k at 40C}, {@code pt1000},
 * {@code L150-40F}, {@code 90 C manual}, {@code 15 A}, {@code not readable}.
 */
public final class FactTyped {

  private static final String NUMBER = "(\\d+(?:[.,]\\d+)?)";
  private static final String OHMS = NUMBER + "\\s*(k|m|meg|)\\s*(?:ohms?|Ω|r)?";
  private static final Pattern BAND =
      all(NUMBER + "\\s*(k|m|meg|)\\s*(?:ohms?|Ω)?\\s*(?:to|-|–|\\.\\.)\\s*" + OHMS);
  private static final Pattern VALUE =
      all(OHMS + "\\s*(?:(?:\\+-|\\+/-|±)?\\s*" + NUMBER + "\\s*%)?");
  private static final Pattern POWER = all(NUMBER + "\\s*(k?)w\\D*?" + NUMBER + "\\s*v.*");
  private static final Pattern CURRENT = all(NUMBER + "\\s*a(?:mps?)?\\D+?" + NUMBER + "\\s*v.*");
  private static final Pattern AMPERES = all(NUMBER + "\\s*a(?:mps?)?\\b.*");
  private static final Pattern AT =
      Pattern.compile(
          NUMBER
              + "\\s*(k|m|meg|)\\s*(?:ohms?|Ω)?\\s*(?:at|@)\\s*(-?"
              + NUMBER
              + ")\\s*°?\\s*([cf])",
          Pattern.CASE_INSENSITIVE);
  private static final Pattern BETA =
      Pattern.compile("(?:beta|b)\\s*" + NUMBER, Pattern.CASE_INSENSITIVE);
  private static final Pattern PLATINUM =
      all("pt\\s*(100|500|1000)|" + "rtd\\s*(100|500|1000|1080)");
  private static final Pattern DISC = Pattern.compile("[LF]\\d{2,3}-\\d{1,3}\\s*[CF]?");
  private static final Pattern DEGREES = Pattern.compile(NUMBER + "\\s*°?\\s*([CF])\\b");
  private static final List<String> UNREADABLE =
      List.of("not readable", "unreadable", "none", "-", "?");

  /** A maker's table is read to some per cent. */
  private static final double TABLE_TOLERANCE = 0.05;

  private static final double PLATINUM_TOLERANCE = 0.01;

  /** No sensor of the trade works beyond these (C). */
  private static final double COLDEST = -60;

  private static final double HOTTEST = 600;

  private FactTyped() {}

  private static Pattern all(String text) {
    return Pattern.compile(text, Pattern.CASE_INSENSITIVE);
  }

  /**
   * Reads what was typed of a part.
   *
   * @throws IllegalArgumentException when it is nothing that such a part bears; the message says
   *     what to type
   */
  public static UnitFact parse(Part part, String typed) {
    String text = typed.strip();
    if (text.isEmpty()) {
      throw new IllegalArgumentException(
          "nothing was typed; type what is printed, like " + like(part));
    }
    if (UNREADABLE.contains(text.toLowerCase(Locale.ROOT))) {
      return new UnitFact.NotReadable();
    }
    return part.load()
        .map(load -> ofLoad(part, load, text))
        .or(() -> part.curve().map(c -> sensor(text)))
        .or(() -> part.thermal().map(t -> ofDisc(t, text)))
        .orElseGet(() -> ofOther(part, text));
  }

  /**
   * What a displayed code means: {@code E4}, {@code E4 low water}, or words where no code of the
   * sheet says it.
   */
  static UnitFact.Code code(Sheet sheet, String typed) {
    String first = typed.strip().split("[\\s,:]", 2)[0];
    return new UnitFact.Code(
        sheet.codes().keySet().stream().filter(first::equalsIgnoreCase).findFirst(), typed.strip());
  }

  /** Whether a part bears something that tells what it is: not a wire, a plug or a plain switch. */
  public static boolean worthReading(Part part) {
    return TradeBand.of(part).isPresent()
        || part.curve().isPresent()
        || part.thermal().isPresent()
        || part.kind().is(PartKind.Trait.ONE_SHOT);
  }

  /** What is typed of such a part, for who does not know. */
  public static String like(Part part) {
    return part.load().isPresent()
        ? part.kind() == PartKind.HEATING_ELEMENT ? "4500 W 240 V, or 12.8 ohm" : "8 to 30 ohm"
        : part.curve().isPresent()
            ? "10k at 25C, 5.3k at 40C"
            : part.thermal().isPresent() ? "L150-40F, or 90 C" : "15 A, or what is printed";
  }

  private static UnitFact ofLoad(Part part, LoadRating load, String text) {
    Matcher power = POWER.matcher(text);
    if (power.matches()) {
      double watts = figure(power.group(1)) * (power.group(2).isEmpty() ? 1 : 1e3);
      double volts = figure(power.group(3));
      return ohms(volts * volts * load.powerFactor() / watts, load, Optional.empty(), text);
    }
    Matcher current = CURRENT.matcher(text);
    if (current.matches()) {
      return ohms(
          figure(current.group(2)) / figure(current.group(1)), load, Optional.empty(), text);
    }
    Matcher band = BAND.matcher(text);
    if (band.matches()) {
      double high = ohms(band.group(3), band.group(4));
      // the prefix behind the second figure is meant of both
      double low = ohms(band.group(1), band.group(2).isEmpty() ? band.group(4) : band.group(2));
      if (low >= high || low <= 0) {
        throw new IllegalArgumentException(
            "\"%s\" goes from %s to %s: type the lower one first"
                .formatted(text, Dimension.OHMS.round(low), Dimension.OHMS.round(high)));
      }
      return new UnitFact.Ohms(low, high, text);
    }
    Matcher value = VALUE.matcher(text);
    if (value.matches()) {
      double cold = ohms(value.group(1), value.group(2));
      Optional<Double> tolerance = Optional.ofNullable(value.group(3)).map(t -> figure(t) / 100);
      return band(cold, tolerance, text);
    }
    if (text.matches("(?i).*\\d\\s*k?w.*")) {
      throw new IllegalArgumentException(
          "\"%s\" has watts without volts; type both, like 4500 W 240 V".formatted(text));
    }
    throw new IllegalArgumentException(
        "\"%s\" says nothing of the %s; type ohms, or watts and volts, like %s"
            .formatted(text, part.title(), like(part)));
  }

  /** From ohms while it runs to what an ohmmeter shows of it. */
  private static UnitFact ohms(
      double running, LoadRating load, Optional<Double> tolerance, String text) {
    return band(load.coldOhms() * running / load.ohms(), tolerance, text);
  }

  private static UnitFact band(double cold, Optional<Double> tolerance, String text) {
    if (!(cold > 0) || cold > 1e8) {
      throw new IllegalArgumentException(
          "\"%s\" would be %s, which no load has; check the digits and the prefix"
              .formatted(text, Dimension.OHMS.round(cold)));
    }
    double share = Math.min(0.9, tolerance.orElse(UnitFact.Ohms.PRINTED_TOLERANCE));
    return new UnitFact.Ohms(cold * (1 - share), cold * (1 + share), text);
  }

  /**
   * The table of a sensor: two of its points or more, one and its beta, or its platinum kind.
   *
   * @throws IllegalArgumentException if the text is not such a table; the message says what to type
   */
  public static UnitFact.Curve sensor(String text) {
    Matcher platinum = PLATINUM.matcher(text);
    if (platinum.find()) {
      double zero = figure(Optional.ofNullable(platinum.group(1)).orElse(platinum.group(2)));
      // an oven's sensor is told by its ohms at room temperature: 1080 is a 1000
      return new UnitFact.Curve(
          new SensorCurve.Platinum(zero == 1080 ? 1000 : zero), PLATINUM_TOLERANCE, text);
    }
    List<SensorCurve.TablePoint> points = new ArrayList<>();
    Matcher at = AT.matcher(text);
    while (at.find()) {
      double celsius =
          Dimension.CELSIUS.parse(
              at.group(3).replace(',', '.') + at.group(5).toUpperCase(Locale.ROOT));
      if (celsius < COLDEST || celsius > HOTTEST) {
        throw new IllegalArgumentException(
            "\"%s\" is beyond any sensor; type temperatures from %.0f to %.0f C"
                .formatted(at.group(), COLDEST, HOTTEST));
      }
      points.add(new SensorCurve.TablePoint(celsius, ohms(at.group(1), at.group(2))));
    }
    Matcher beta = BETA.matcher(text);
    if (points.size() == 1 && beta.find()) {
      return new UnitFact.Curve(
          new SensorCurve.Ntc(points.get(0).ohms(), points.get(0).celsius(), figure(beta.group(1))),
          TABLE_TOLERANCE,
          text);
    }
    if (points.size() < 2) {
      throw new IllegalArgumentException(
          "\"%s\" is no table of a sensor; type two of its points, like 10k at 25C, 5.3k at 40C"
              .formatted(text));
    }
    return new UnitFact.Curve(through(points, text), TABLE_TOLERANCE, text);
  }

  /** Two points of a falling table are an NTC's; more are kept as they are. */
  private static SensorCurve through(List<SensorCurve.TablePoint> typed, String text) {
    List<SensorCurve.TablePoint> points =
        typed.stream().sorted(Comparator.comparingDouble(SensorCurve.TablePoint::celsius)).toList();
    boolean rises = points.get(1).ohms() > points.get(0).ohms();
    for (int i = 1; i < points.size(); i++) {
      SensorCurve.TablePoint a = points.get(i - 1);
      SensorCurve.TablePoint b = points.get(i);
      if (a.celsius() == b.celsius() || a.ohms() == b.ohms() || b.ohms() > a.ohms() != rises) {
        throw new IllegalArgumentException(
            "\"%s\" rises and falls: from %.0f C to %.0f C it goes from %s to %s; look at the paper again"
                .formatted(
                    text,
                    a.celsius(),
                    b.celsius(),
                    Dimension.OHMS.round(a.ohms()),
                    Dimension.OHMS.round(b.ohms())));
      }
    }
    return points.size() > 2 || rises
        ? new SensorCurve.Table(points)
        : SensorCurve.Ntc.through(points.get(0), points.get(1));
  }

  private static UnitFact ofDisc(ThermalRating old, String text) {
    ThermalRating.Reset reset =
        text.toLowerCase(Locale.ROOT).contains("manual") ? ThermalRating.Reset.MANUAL : old.reset();
    Matcher disc = DISC.matcher(text.toUpperCase(Locale.ROOT));
    if (disc.find()) {
      return new UnitFact.Acts(ThermalRating.ofMarking(disc.group(), reset), text);
    }
    Matcher degrees = DEGREES.matcher(text.toUpperCase(Locale.ROOT));
    if (!degrees.find()) {
      return new UnitFact.Marking(text);
    }
    double at = Dimension.CELSIUS.parse(degrees.group(1).replace(',', '.') + degrees.group(2));
    double moved = at - old.actsAtCelsius();
    return new UnitFact.Acts(
        new ThermalRating(old.acts(), at, old.returnsAtCelsius().map(r -> r + moved), reset), text);
  }

  private static UnitFact ofOther(Part part, String text) {
    Matcher amperes = AMPERES.matcher(text);
    boolean protects = part.kind() == PartKind.LINE_FUSE || part.kind() == PartKind.BREAKER;
    return protects && amperes.matches()
        ? new UnitFact.Fuse(figure(amperes.group(1)), text)
        : new UnitFact.Marking(text);
  }

  private static double ohms(String figure, String prefix) {
    return OhmsTyped.parse(figure + (prefix.equalsIgnoreCase("m") ? "M" : prefix));
  }

  private static double figure(String text) {
    return Double.parseDouble(text.replace(',', '.'));
  }
}
