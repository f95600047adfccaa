package org.jollychain.core.sheet;

import org.jollychain.core.quantity.Kebab;

/**
 * What a part is. The kind brings its role, its plain word and whether it acts by heat or only
 * once.
 */
public enum PartKind {
  THERMAL_FUSE(Role.LINK, "thermal fuse"),
  THERMAL_CUTOFF(Role.LINK, "thermal cut-off"),
  LIMIT(Role.LINK, "limit"),
  MANUAL_RESET_LIMIT(Role.LINK, "manual-reset limit"),
  CYCLING_THERMOSTAT(Role.LINK, "cycling thermostat"),
  THERMOSTAT(Role.LINK, "thermostat"),
  LIMITER(Role.LINK, "limiter"),
  DOOR_SWITCH(Role.LINK, "door switch"),
  MONITOR_SWITCH(Role.LINK, "monitor switch"),
  FLOOD_SWITCH(Role.LINK, "flood switch"),
  FLOAT_SWITCH(Role.LINK, "float switch"),
  SELECTOR(Role.LINK, "selector"),
  START_SWITCH(Role.LINK, "start switch"),
  TIMER_CONTACT(Role.LINK, "timer contact"),
  RELAY_CONTACT(Role.LINK, "relay contact"),
  CONTACTOR(Role.LINK, "contactor"),
  CENTRIFUGAL_SWITCH(Role.LINK, "centrifugal switch"),
  SEQUENCER_STAGE(Role.LINK, "sequencer stage"),
  PRESSURE_SWITCH(Role.LINK, "pressure switch"),
  ROLLOUT_SWITCH(Role.LINK, "roll-out switch"),
  SPILL_SWITCH(Role.LINK, "spill switch"),
  FLAME_SENSOR_CONTACT(Role.LINK, "flame sensor contact"),
  LINE_FUSE(Role.LINK, "line fuse"),
  BREAKER(Role.LINK, "breaker"),
  CONNECTOR(Role.LINK, "connector"),
  WIRE(Role.LINK, "wire"),

  HEATING_ELEMENT(Role.LOAD, "heating element"),
  MOTOR(Role.LOAD, "motor"),
  IGNITER(Role.LOAD, "igniter"),
  VALVE_COIL(Role.LOAD, "valve coil"),
  RELAY_COIL(Role.LOAD, "relay coil"),
  SEQUENCER_HEATER(Role.LOAD, "sequencer heater"),
  BIAS_HEATER(Role.LOAD, "bias heater"),
  TIMER_MOTOR(Role.LOAD, "timer motor"),
  LAMP(Role.LOAD, "lamp"),
  BOARD_SUPPLY(Role.LOAD, "board supply"),
  TRANSFORMER_PRIMARY(Role.LOAD, "transformer primary"),
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

  private final Role role;
  private final String word;

  PartKind(Role role, String word) {
    this.role = role;
    this.word = word;
  }

  public Role role() {
    return role;
  }

  /** The plain word of the trade. */
  public String word() {
    return word;
  }

  /**
   * True for links that open once and never close again (IEC 60691 thermal-links and line fuses).
   */
  public boolean oneShot() {
    return this == THERMAL_FUSE || this == THERMAL_CUTOFF || this == LINE_FUSE;
  }

  @Override
  public String toString() {
    return Kebab.of(this);
  }
}
