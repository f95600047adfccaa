package org.jollychain.core.visit;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Solution;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.sheet.Access;
import org.jollychain.core.sheet.ServiceBand;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;
import org.jollychain.core.sheet.Supply;
import org.jollychain.core.sheet.SupplySystem;

/**
 * What feeds a unit, as it is drawn to be measured: its terminals at one place, and every reading
 * between two of them, the one that tells most first.
 *
 * @param reach what has to be opened to get there, in words; empty where nothing has
 * @param situation id of the state of the unit it is read in
 * @param function what the meter is set to
 * @param range which range that is, on a meter with ranges
 * @param source of the bands
 */
public record SupplyPicture(
    Place place,
    String title,
    String reach,
    String situation,
    String situationTitle,
    String function,
    String range,
    List<Terminal> terminals,
    List<Field> fields,
    String source) {

  /** What kind of place it is. */
  public enum Place {
    OUTLET,
    TERMINAL_BLOCK,
    TRANSFORMER,
    PILE,
    CONNECTOR;

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }

  /**
   * A terminal.
   *
   * @param id as the system calls it: {@code line1}
   * @param point of the sheet
   */
  public record Terminal(String id, String point, String title) {}

  /**
   * A reading between two terminals.
   *
   * @param red point of the one probe
   * @param black point of the other
   * @param expected of the sound unit (V)
   * @param low end of its band (V)
   * @param high end of its band (V)
   * @param shown as it was read last; empty where it was not
   * @param fits whether that lies within its band
   * @param next whether it tells most now
   */
  public record Field(
      String red,
      String black,
      double expected,
      double low,
      double high,
      String shown,
      boolean fits,
      boolean next) {

    private Field asNext() {
      return new Field(red, black, expected, low, high, shown, fits, true);
    }
  }

  /** Pairs of terminals in the order that tells most. */
  private static final Map<SupplySystem, List<List<String>>> ORDER =
      Map.of(
          SupplySystem.SPLIT_PHASE,
          List.of(
              List.of("line1", "line2"),
              List.of("line1", "neutral"),
              List.of("line2", "neutral"),
              List.of("neutral", "earth")),
          SupplySystem.WYE_PAIR,
          List.of(
              List.of("line1", "line2"),
              List.of("line1", "neutral"),
              List.of("line2", "neutral"),
              List.of("neutral", "earth")),
          SupplySystem.SINGLE_PHASE,
          List.of(
              List.of("line1", "neutral"), List.of("line1", "earth"), List.of("neutral", "earth")),
          SupplySystem.TRANSFORMER,
          List.of(List.of("line1", "neutral")),
          SupplySystem.DC,
          List.of(List.of("plus", "minus")));

  private static final Map<String, String> NAMES =
      Map.of(
          "line1", "L1", "line2", "L2", "neutral", "N", "earth", "Earth", "plus", "+", "minus",
          "-");

  /** A source this weak is a pile (V). */
  private static final double PILE_VOLTS = 2;

  /** Between neutral and earth: common practice, no source (V). */
  private static final double EARTH_VOLTS = 2;

  /**
   * Where the supply can be measured: at its own end first, then behind its cord.
   *
   * @param evidence that stands
   * @param sound whether enough was read: nothing is next then
   */
  static List<SupplyPicture> of(UnitModel unit, List<? extends Evidence> evidence, boolean sound) {
    Sheet sheet = unit.sheet();
    Optional<Situation> on =
        sheet.situations().values().stream().filter(Situation::supplyOn).findFirst();
    if (on.isEmpty()) {
      return List.of();
    }
    List<SupplyPicture> places = new ArrayList<>();
    Map<String, String> outer = sheet.supply().terminals();
    Situation there = sheet.outletIsApart() ? unit.quietest() : on.get();
    if (!sheet.offLimits(sheet.supply().outwardPoint())) {
      places.add(at(unit, there, outer, evidence, sound));
    }
    Map<String, String> inner = new LinkedHashMap<>();
    outer.forEach((id, point) -> inner.put(id, sheet.arrival(point)));
    inner.values().removeIf(sheet::offLimits);
    if (!inner.equals(outer) && !sheet.supply().storedCharge()) {
      places.add(at(unit, on.get(), inner, evidence, sound));
    }
    return places;
  }

  private static SupplyPicture at(
      UnitModel unit,
      Situation situation,
      Map<String, String> terminals,
      List<? extends Evidence> evidence,
      boolean sound) {
    Sheet sheet = unit.sheet();
    Supply supply = sheet.supply();
    boolean outer = terminals.equals(supply.terminals());
    Place place = place(sheet, outer);
    List<Field> fields = new ArrayList<>();
    for (List<String> pair : pairs(supply.system(), terminals.keySet())) {
      if (terminals.keySet().containsAll(pair)) {
        Field field =
            field(
                unit, situation, terminals.get(pair.get(0)), terminals.get(pair.get(1)), evidence);
        boolean first = !sound && fields.stream().noneMatch(f -> f.shown().isEmpty());
        fields.add(first && field.shown().isEmpty() ? field.asNext() : field);
      }
    }
    return new SupplyPicture(
        place,
        title(place),
        reach(sheet, terminals.get(supply.system().outward())),
        situation.id(),
        place == Place.OUTLET && sheet.outletIsApart() ? "Nothing plugged in" : situation.title(),
        MeterFunction.voltsOf(supply).toString(),
        range(supply),
        terminals.entrySet().stream()
            .map(t -> new Terminal(t.getKey(), t.getValue(), NAMES.get(t.getKey())))
            .toList(),
        fields,
        ServiceBand.of(supply).source());
  }

  /** Each leg to the earth, where no neutral was run. */
  private static List<List<String>> pairs(SupplySystem system, Set<String> terminals) {
    List<List<String>> pairs = ORDER.get(system);
    return terminals.contains("neutral") || !terminals.contains("line2")
        ? pairs
        : List.of(List.of("line1", "line2"), List.of("line1", "earth"), List.of("line2", "earth"));
  }

  private static Place place(Sheet sheet, boolean outer) {
    Supply supply = sheet.supply();
    if (supply.system() == SupplySystem.TRANSFORMER) {
      return Place.TRANSFORMER;
    }
    if (supply.dc()) {
      return supply.volts() < PILE_VOLTS ? Place.PILE : Place.CONNECTOR;
    }
    boolean corded =
        supply.terminals().values().stream().anyMatch(p -> !sheet.arrival(p).equals(p));
    return outer && corded ? Place.OUTLET : Place.TERMINAL_BLOCK;
  }

  private static String title(Place place) {
    return switch (place) {
      case OUTLET -> "At the outlet";
      case TERMINAL_BLOCK -> "Where it arrives in the unit";
      case TRANSFORMER -> "At the transformer's secondary";
      case PILE -> "At the pile";
      case CONNECTOR -> "At the connector of the supply";
    };
  }

  private static String reach(Sheet sheet, String point) {
    return sheet
        .points()
        .get(point)
        .access()
        .map(sheet.access()::get)
        .map(Access::title)
        .orElse("");
  }

  /** The next range above, of those that meters have. */
  private static String range(Supply supply) {
    double volts = supply.volts();
    String range =
        volts < PILE_VOLTS ? "2 V" : volts < 18 ? "20 V" : volts < 180 ? "200 V" : "600 V";
    return volts >= 180
        ? String.format(Locale.ROOT, "%s: %.0f V is above 200", range, volts)
        : range;
  }

  private static Field field(
      UnitModel unit,
      Situation situation,
      String red,
      String black,
      List<? extends Evidence> evidence) {
    Supply supply = unit.sheet().supply();
    Solution sound = unit.in(situation.id());
    double expected = sound.volts(red).minus(sound.volts(black)).abs();
    ServiceBand band = ServiceBand.of(supply);
    boolean none = expected < EARTH_VOLTS && !supply.dc();
    // bands are about nominal, whatever the unit draws
    double nominal = expected * supply.volts() / outer(sound, supply);
    double low = none ? 0 : nominal * (1 - band.below());
    double high = none ? EARTH_VOLTS : nominal * (1 + band.above());
    Optional<Reading> read = last(unit.sheet(), Set.of(red, black), evidence);
    return new Field(
        red,
        black,
        expected,
        low,
        high,
        read.map(SupplyPicture::said).orElse(""),
        read.filter(r -> within(r, low, high)).isPresent(),
        false);
  }

  private static double outer(Solution sound, Supply supply) {
    return sound.volts(supply.outwardPoint()).minus(sound.volts(supply.homewardPoint())).abs();
  }

  private static Optional<Reading> last(
      Sheet sheet, Set<String> points, List<? extends Evidence> evidence) {
    return evidence.stream()
        .filter(Reading.class::isInstance)
        .map(Reading.class::cast)
        .filter(r -> r.probe().function() == MeterFunction.voltsOf(sheet.supply()))
        .filter(r -> sheet.situation(r.situation()).supplyOn())
        .filter(r -> Set.of(r.probe().red(), r.probe().black()).equals(points))
        .reduce((first, then) -> then);
  }

  private static boolean within(Reading reading, double low, double high) {
    return reading.shown() instanceof Shown.Figure f
        && Math.abs(f.value()) >= low
        && Math.abs(f.value()) <= high;
  }

  private static String said(Reading reading) {
    return reading.shown() instanceof Shown.Figure f
        ? reading.probe().function().dimension().round(f.value())
        : "no figure";
  }
}
