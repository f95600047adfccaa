package org.jollychain.core.sheet;

import java.util.Optional;
import java.util.Set;
import org.jollychain.core.quantity.Kebab;

/**
 * What a part is. The kind brings its role, its plain word and whether it acts by heat or only
 * once.
 */
public enum PartKind {
  THERMAL_FUSE(Role.LINK, "thermal fuse", Trait.ONE_SHOT),
  THERMAL_CUTOFF(Role.LINK, "thermal cut-off", Trait.ONE_SHOT),
  LIMIT(Role.LINK, "limit", Trait.HEATED_TO_TEST),
  MANUAL_RESET_LIMIT(Role.LINK, "manual-reset limit", Trait.RESET_BY_HAND),
  CYCLING_THERMOSTAT(Role.LINK, "cycling thermostat", Trait.HEATED_TO_TEST),
  THERMOSTAT(Role.LINK, "thermostat", Trait.CONTROL),
  LIMITER(Role.LINK, "limiter"),
  DOOR_SWITCH(Role.LINK, "door switch", Trait.GUARDS_DOOR),
  MONITOR_SWITCH(Role.LINK, "monitor switch", Trait.GUARDS_DOOR),
  FLOOD_SWITCH(Role.LINK, "flood switch"),
  FLOAT_SWITCH(Role.LINK, "float switch"),
  SELECTOR(Role.LINK, "selector"),
  START_SWITCH(Role.LINK, "start switch"),
  BELT_SWITCH(Role.LINK, "belt switch"),
  TIMER_CONTACT(Role.LINK, "timer contact"),
  RELAY_CONTACT(Role.LINK, "relay contact", Trait.WELDS),
  CONTACTOR(Role.LINK, "contactor", Trait.WELDS),
  CENTRIFUGAL_SWITCH(Role.LINK, "centrifugal switch"),
  SEQUENCER_STAGE(Role.LINK, "sequencer stage", Trait.WELDS),
  PRESSURE_SWITCH(Role.LINK, "pressure switch"),
  ROLLOUT_SWITCH(Role.LINK, "roll-out switch"),
  SPILL_SWITCH(Role.LINK, "spill switch"),
  FLAME_SENSOR_CONTACT(Role.LINK, "flame sensor contact"),
  LINE_FUSE(Role.LINK, "line fuse", Trait.ONE_SHOT),
  BREAKER(Role.LINK, "breaker"),
  CONNECTOR(Role.LINK, "connector"),
  WIRE(Role.LINK, "wire"),
  CORD(Role.LINK, "cord"),

  HEATING_ELEMENT(Role.LOAD, "heating element", Trait.GLOWS, Trait.LEAKS),
  MOTOR(Role.LOAD, "motor", Trait.NOTICED, Trait.LEAKS),
  IGNITER(Role.LOAD, "igniter", Trait.NOTICED, Trait.LEAKS),
  VALVE_COIL(Role.LOAD, "valve coil"),
  RELAY_COIL(Role.LOAD, "relay coil"),
  SEQUENCER_HEATER(Role.LOAD, "sequencer heater"),
  BIAS_HEATER(Role.LOAD, "bias heater"),
  TIMER_MOTOR(Role.LOAD, "timer motor", Trait.NOTICED),
  LAMP(Role.LOAD, "lamp", Trait.NOTICED),
  BOARD_SUPPLY(Role.LOAD, "board supply", Trait.NOTICED),
  TRANSFORMER_PRIMARY(Role.LOAD, "transformer primary", Trait.WOUND, Trait.LEAKS),
  VALVE(Role.LOAD, "valve"),

  TRANSFORMER_SECONDARY(Role.SOURCE, "transformer secondary"),

  THERMISTOR(Role.SENSOR, "thermistor"),
  PLATINUM_SENSOR(Role.SENSOR, "platinum sensor"),
  LEVEL_PROBE(Role.SENSOR, "level probe"),
  MOISTURE_BARS(Role.SENSOR, "moisture bars"),
  FLAME_ROD(Role.SENSOR, "flame rod");

  /**
   * A link should pass current, a load should use it, a source inside the unit should drive it, a
   * sensor should resist as its curve says.
   */
  public enum Role {
    LINK,
    LOAD,
    SOURCE,
    SENSOR;

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }

  /** What else is true of a kind. */
  public enum Trait {
    /** Opens once and never closes again (IEC 60691 thermal-links and line fuses). */
    ONE_SHOT,
    /** Closes again only when it is reset by hand. */
    RESET_BY_HAND,
    /** A disc that can be taken out and heated slowly to see it open. */
    HEATED_TO_TEST,
    /** Controls: that it stays closed is no sign that it was bypassed. */
    CONTROL,
    /** Keeps power from what is behind an open door. */
    GUARDS_DOOR,
    /** Switches a load with contacts that may weld. */
    WELDS,
    /** Its resistance rises as it gets hot. */
    GLOWS,
    /** One sees or hears whether it runs. */
    NOTICED,
    /** Its insulation may give way to the case. */
    LEAKS,
    /** Wound about iron: it draws far less than its resistance would. */
    WOUND
  }

  private final Role role;
  private final String word;
  private final Set<Trait> traits;

  PartKind(Role role, String word, Trait... traits) {
    this.role = role;
    this.word = word;
    this.traits = Set.of(traits);
  }

  public Role role() {
    return role;
  }

  /** The plain word of the trade. */
  public String word() {
    return word;
  }

  /** How one asks whether a load of this kind is on: {@code Does the drum motor turn?}. */
  public String asked(String title) {
    return switch (this) {
      case BOARD_SUPPLY -> "Is anything lit on the display or the board?";
      case LAMP -> "Is the %s lit?".formatted(title);
      case IGNITER -> "Does the %s glow?".formatted(title);
      case MOTOR, TIMER_MOTOR -> "Does the %s turn?".formatted(title);
      default -> "Does the %s run?".formatted(title);
    };
  }

  /** What one sees of a load of this kind that is on. */
  public String on() {
    return switch (this) {
      case BOARD_SUPPLY, LAMP -> "lit";
      case IGNITER -> "glows";
      case MOTOR, TIMER_MOTOR -> "turns";
      default -> "runs";
    };
  }

  /** What one sees of it where it gets too little. */
  public String weak() {
    return switch (this) {
      case BOARD_SUPPLY, LAMP -> "dim";
      default -> on() + " weakly";
    };
  }

  /** What one sees of it where it is off. */
  public String off() {
    return switch (this) {
      case BOARD_SUPPLY, LAMP -> "dark";
      case IGNITER -> "stays dark";
      case MOTOR, TIMER_MOTOR -> "stands still";
      default -> "does not run";
    };
  }

  /** Where one looks first when a part of this kind stands open: at what it feels. */
  public Optional<String> firstLook() {
    return switch (this) {
      case PRESSURE_SWITCH ->
          Optional.of("Hose, port, drain and flue first: it closes only by what it feels.");
      case BELT_SWITCH -> Optional.of("Look whether the belt is on: only its pull closes it.");
      case FLOOD_SWITCH, FLOAT_SWITCH -> Optional.of("Free the float first, then read it again.");
      default -> Optional.empty();
    };
  }

  public boolean is(Trait trait) {
    return traits.contains(trait);
  }

  @Override
  public String toString() {
    return Kebab.of(this);
  }
}
