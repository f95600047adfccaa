package org.jollychain.core.unit;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.StreamSupport;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.PartKind;
import tools.jackson.databind.JsonNode;
import tools.jackson.dataformat.yaml.YAMLMapper;

/**
 * What sound parts of a kind have cold, whoever made them, by the trade's common practice. What a
 * sheet says of such a part is one example out of this band; the part in hand has its own value.
 *
 * @param low the least a sound one has (ohm)
 * @param high the most (ohm)
 * @param least what is less cannot be a sound one, whatever its plate says (ohm)
 * @param most what is more cannot (ohm)
 */
public record TradeBand(double low, double high, double least, double most) {

  /** Of a meter and its leads (a share). */
  private static final double METER = 0.03;

  private static final Map<PartKind, Row> TABLE = table();

  /** The band of a part; none for contacts, sources and sensors. */
  public static Optional<TradeBand> of(Part part) {
    return Optional.ofNullable(TABLE.get(part.kind()))
        .flatMap(row -> part.load().map(load -> row.about(load.coldOhms())));
  }

  /** What is printed, with the meter that reads it. */
  public static TradeBand printed(UnitFact.Ohms printed) {
    double low = printed.low() * (1 - METER);
    double high = printed.high() * (1 + METER);
    return new TradeBand(low, high, low, high);
  }

  /**
   * A row of the table.
   *
   * @param families bands of ohms
   * @param down so many times less than the example where that lies in none of them
   * @param up so many times more
   * @param below so many times less than the band is odd, but can be
   * @param above so many times more
   */
  private record Row(List<double[]> families, double down, double up, double below, double above) {

    static Row of(JsonNode row) {
      return new Row(
          StreamSupport.stream(row.path("families").spliterator(), false)
              .map(f -> new double[] {f.get(0).doubleValue(), f.get(1).doubleValue()})
              .toList(),
          figure(row, "down", "factor"),
          figure(row, "up", "factor"),
          figure(row, "beyond", "beyond"),
          figure(row, "beyond-up", "beyond"));
    }

    private static double figure(JsonNode row, String key, String otherwise) {
      return row.path(row.has(key) ? key : otherwise).doubleValue();
    }

    /** About an example: the family in whose middle it lies. */
    TradeBand about(double example) {
      double[] band =
          families.stream()
              .filter(f -> f[0] <= example && example <= f[1])
              .min(
                  Comparator.comparingDouble(
                      f -> Math.abs(Math.log(example * example / f[0] / f[1]))))
              .orElseGet(() -> new double[] {example / down, example * up});
      return new TradeBand(band[0], band[1], band[0] / below, band[1] * above);
    }
  }

  /** Whether a sound one may have this. */
  public boolean holds(double ohms) {
    return low <= ohms && ohms <= high;
  }

  /** Whether one with the plate to say so may. */
  public boolean allows(double ohms) {
    return least <= ohms && ohms <= most;
  }

  /** Of all that a sound one may have, the nearest to this (ohm). */
  public double nearest(double ohms) {
    return Math.min(high, Math.max(low, ohms));
  }

  /**
   * How far one of these commonly is from the middle of the band, as a share of it: its edges are
   * seldom met.
   */
  public double tolerance() {
    return (Math.sqrt(high / low) - 1) / 2;
  }

  private static Map<PartKind, Row> table() {
    Map<PartKind, Row> table = new EnumMap<>(PartKind.class);
    try (InputStream in = TradeBand.class.getResourceAsStream("/unit/trade-bands.yaml")) {
      for (Map.Entry<String, JsonNode> e : YAMLMapper.shared().readTree(in).properties()) {
        table.put(Kebab.read(PartKind.class, e.getKey()).orElseThrow(), Row.of(e.getValue()));
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return table;
  }
}
