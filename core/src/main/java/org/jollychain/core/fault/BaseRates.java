package org.jollychain.core.fault;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.EnumMap;
import java.util.Map;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.ThermalRating;
import tools.jackson.databind.JsonNode;
import tools.jackson.dataformat.yaml.YAMLMapper;

/**
 * How often each kind of part is the culprit, and in which way. Every figure here is common
 * practice, no source; a sheet overrides the weight of a part.
 */
public final class BaseRates {

  /** How often what a customer tells is wrong, or not all that is wrong. */
  public static final double COMPLAINT_ASTRAY = 0.1;

  static final double SOUND_WITH_COMPLAINT = 0.08;
  static final double SOUND_WITHOUT_COMPLAINT = 0.3;
  static final double SUPPLY = 0.14;
  static final double NOT_ON_SHEET = 0.01;

  /** A second open beside the first: this share of the product of the two. */
  static final double PAIR = 0.03;

  static final double PAIR_OF_PARTNERS = 0.05;

  /** Two contacts that wait for the same command. */
  static final double PAIR_ON_ONE_COMMAND = 0.02;

  /** Two sections of one body; where it has more, they share it. */
  static final double PAIR_OF_BODY = 0.2;

  private static final double INTERMITTENT = 0.03;
  private static final double OTHER_WEIGHT = 1;
  private static final Map<PartKind, Double> WEIGHTS = weights();

  private BaseRates() {}

  /** Relative weight of a part being the culprit. */
  public static double weight(Part part) {
    return part.baseRate().orElse(WEIGHTS.getOrDefault(part.kind(), OTHER_WEIGHT));
  }

  /**
   * Share of a part's faults that are of a mode, 0 where it cannot fail so; over a part's modes
   * they add up to about one.
   */
  static double share(Part part, FaultMode mode) {
    return switch (part.kind().role()) {
      case LINK -> ofLink(part, mode);
      case LOAD -> ofLoad(part, mode);
      case SOURCE -> mode == FaultMode.OPEN ? 1 : 0;
      case SENSOR -> ofSensor(part, mode);
    };
  }

  private static double ofLink(Part part, FaultMode mode) {
    boolean trips =
        part.thermal().filter(t -> t.acts() == ThermalRating.Acts.OPENS).isPresent()
            && !part.kind().is(PartKind.Trait.ONE_SHOT);
    boolean contact = part.thermal().isPresent() || !part.madeWhen().commands().isEmpty();
    boolean welds = part.kind().is(PartKind.Trait.WELDS);
    return switch (mode) {
      case OPEN -> trips ? 0.4 : 0.62;
      case TRIPPED -> trips ? 0.22 : 0;
      case DROPPING -> 0.23;
      case STUCK -> !contact || part.kind().is(PartKind.Trait.ONE_SHOT) ? 0 : welds ? 0.3 : 0.08;
      // hose, port, drain and flue before the switch itself
      case NOT_MADE ->
          part.madeWhen().commands().isEmpty()
              ? 0
              : part.kind() == PartKind.PRESSURE_SWITCH ? 0.6 : 0.07;
      case INTERMITTENT -> INTERMITTENT;
      case CASE_LEAK -> part.caseLeak() ? 0.05 : 0;
      default -> 0;
    };
  }

  private static double ofLoad(Part part, FaultMode mode) {
    boolean wound = part.kind().is(PartKind.Trait.WOUND);
    return switch (mode) {
      case OPEN -> 0.65;
      case INTERMITTENT -> INTERMITTENT;
      case CASE_LEAK -> part.caseLeak() ? 0.18 : 0;
      case OFF_VALUE_LOW -> wound ? 0 : 0.07;
      case OFF_VALUE_HIGH -> wound ? 0 : 0.08;
      default -> 0;
    };
  }

  /** One without a curve passes nothing when it is sound, and fails by passing. */
  private static double ofSensor(Part part, FaultMode mode) {
    boolean curved = part.curve().isPresent();
    return switch (mode) {
      case OPEN -> curved ? 0.5 : 0;
      case INTERMITTENT -> curved ? INTERMITTENT : 0;
      case OFF_VALUE_LOW -> curved ? 0.25 : 0.5;
      case OFF_VALUE_HIGH -> curved ? 0.25 : 0;
      case CASE_LEAK -> part.caseLeak() ? 0.1 : 0;
      default -> 0;
    };
  }

  static double share(SupplyFault fault) {
    return switch (fault) {
      case DEAD -> 0.3;
      case DEAD_LEG -> 0.34;
      case LOW -> 0.22;
      case HIGH -> 0.05;
      case OPEN_NEUTRAL -> 0.05;
      case WRONG_SYSTEM -> 0.05;
      case SWAPPED -> 0.04;
    };
  }

  private static Map<PartKind, Double> weights() {
    Map<PartKind, Double> weights = new EnumMap<>(PartKind.class);
    try (InputStream in = BaseRates.class.getResourceAsStream("/fault/base-rates.yaml")) {
      for (Map.Entry<String, JsonNode> e : YAMLMapper.shared().readTree(in).properties()) {
        PartKind kind = Kebab.read(PartKind.class, e.getKey()).orElseThrow();
        weights.put(kind, e.getValue().doubleValue());
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return weights;
  }
}
