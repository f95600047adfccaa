package org.jollychain.core.sheet;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.jollychain.core.quantity.PlainText;

/** What is usual of a kind of part where a shorthand does not say; common practice, no source. */
final class ShorthandDefaults {

  private ShorthandDefaults() {}

  /**
   * What a link waits for before it is made.
   *
   * @param condition under which it is made: the command, or that it is not given
   * @param byControl whether the control gives it, or a load that runs
   */
  record Waits(String id, String title, String condition, boolean byControl) {

    /**
     * As a command of format 1.
     *
     * @param given by the control, or by a load that runs
     */
    Object sheet(boolean given, Optional<String> driver) {
      if (!given) {
        return title;
      }
      Map<String, Object> command = new LinkedHashMap<>();
      command.put("title", title);
      command.put("by", "control");
      driver.ifPresent(d -> command.put("driven-by", d));
      return command;
    }
  }

  /** What a load usually takes (W) and how far its amperes lag. */
  record Load(int watts, double powerFactor) {}

  private static Waits hand(String id, String title) {
    return new Waits(id, PlainText.sentence(title), id, false);
  }

  private static Waits control(String id, String title) {
    return new Waits(id, PlainText.sentence(title), id, true);
  }

  /**
   * @param id of the part
   * @param title of the part
   */
  static Optional<Waits> command(PartKind kind, String id, String title) {
    return switch (kind) {
      case DOOR_SWITCH -> Optional.of(hand("door-shut", "Door shut"));
      case MONITOR_SWITCH -> Optional.of(new Waits("door-shut", "Door shut", "!door-shut", false));
      case BELT_SWITCH -> Optional.of(hand("belt-on", "Belt on"));
      case FLOAT_SWITCH -> Optional.of(hand("water-in", "Water at the float"));
      case TIMER_CONTACT, SELECTOR -> Optional.of(hand(id + "-on", title + " on"));
      case START_SWITCH -> Optional.of(hand("started", "Start pressed"));
      case RELAY_CONTACT, CONTACTOR -> Optional.of(control(id + "-pulled", title + " pulled in"));
      case CENTRIFUGAL_SWITCH -> Optional.of(control("motor-runs", "Motor up to speed"));
      case SEQUENCER_STAGE -> Optional.of(control(id + "-in", title + " in"));
      case PRESSURE_SWITCH -> Optional.of(hand(id + "-made", title + " feels its pressure"));
      default -> Optional.empty();
    };
  }

  /** Whether a command holds also while nothing is called. */
  static boolean rests(String command) {
    return command.endsWith("door-shut") || command.equals("belt-on") || command.equals("water-in");
  }

  /** The kind of load that drives such a link. */
  static Optional<PartKind> driver(PartKind kind) {
    return switch (kind) {
      case RELAY_CONTACT, CONTACTOR -> Optional.of(PartKind.RELAY_COIL);
      case CENTRIFUGAL_SWITCH -> Optional.of(PartKind.MOTOR);
      case SEQUENCER_STAGE -> Optional.of(PartKind.SEQUENCER_HEATER);
      default -> Optional.empty();
    };
  }

  static Load load(PartKind kind) {
    return switch (kind) {
      case MOTOR -> new Load(200, 0.6);
      case TIMER_MOTOR -> new Load(3, 0.65);
      case IGNITER -> new Load(400, 1);
      case LAMP -> new Load(5, 1);
      case VALVE_COIL, VALVE -> new Load(10, 0.6);
      case RELAY_COIL -> new Load(4, 0.7);
      case SEQUENCER_HEATER -> new Load(5, 1);
      case BIAS_HEATER -> new Load(5, 1);
      case BOARD_SUPPLY -> new Load(5, 1);
      case TRANSFORMER_PRIMARY -> new Load(5, 0.2);
      default -> new Load(2000, 1);
    };
  }

  /** What is said of a load that stays off: {@code Element does not heat}. */
  static String complaint(Part load) {
    boolean heats = load.kind().is(PartKind.Trait.GLOWS);
    return PlainText.sentence(load.title()) + " " + (heats ? "does not heat" : load.kind().off());
  }

  /** Whether somebody would call because it stays off. */
  static boolean missed(Part load) {
    return switch (load.kind()) {
      case RELAY_COIL, SEQUENCER_HEATER, BIAS_HEATER, TRANSFORMER_PRIMARY -> false;
      default -> true;
    };
  }
}
