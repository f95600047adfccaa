package org.jollychain.core.sheet;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.quantity.Kebab;

/**
 * What a part is. The kind brings its role, its plain word and whether it acts by heat or only
 * once.
 */
public enum PartKind {
  THERMAL_FUSE(
      Role.LINK, "thermal fuse", "tf|thermofuse|temperature fuse|fusible link", Trait.ONE_SHOT),
  THERMAL_CUTOFF(
      Role.LINK,
      "thermal cut-off",
      "cutoff|cut-out|tco|thermal cutout|overheat cutoff",
      Trait.ONE_SHOT),
  LIMIT(
      Role.LINK,
      "limit",
      "high limit|hi limit|limit switch|disc|overheat|overheat stat|safety limit|thermal protector|protector|overload|fan limit",
      Trait.HEATED_TO_TEST),
  MANUAL_RESET_LIMIT(
      Role.LINK,
      "manual-reset limit",
      "manual limit|reset limit|hand-reset limit|reset|manual reset|eco",
      Trait.RESET_BY_HAND),
  CYCLING_THERMOSTAT(
      Role.LINK,
      "cycling thermostat",
      "stat|cycling stat|cycle stat|operating thermostat|cycling",
      Trait.HEATED_TO_TEST),
  THERMOSTAT(
      Role.LINK,
      "thermostat",
      "tstat|control stat|temperature control|dial|room stat|wall thermostat|regulator|infinite switch|fan switch|defrost switch|defrost thermostat|defrost stat|termination switch|bimetal|bimetal switch",
      Trait.CONTROL),
  LIMITER(Role.LINK, "limiter", "current limiter|glass-top limiter"),
  DOOR_SWITCH(
      Role.LINK,
      "door switch",
      "door|lid|lid switch|interlock|door interlock|latch|hood switch|micro switch",
      Trait.GUARDS_DOOR),
  MONITOR_SWITCH(Role.LINK, "monitor switch", "monitor", Trait.GUARDS_DOOR),
  FLOOD_SWITCH(
      Role.LINK, "flood switch", "flood|leak switch|base pan switch|drip switch|flood float"),
  FLOAT_SWITCH(
      Role.LINK, "float switch", "float|level switch|low water|low-water cutoff|flow switch"),
  SELECTOR(
      Role.LINK,
      "selector",
      "switch|select|rocker|knob|power switch|main switch|on switch|rotary switch|heat switch|trigger|end switch"),
  START_SWITCH(Role.LINK, "start switch", "start|start button|push to start|button"),
  BELT_SWITCH(Role.LINK, "belt switch", "belt|idler switch"),
  TIMER_CONTACT(
      Role.LINK, "timer contact", "timer|timer switch|clock contact|clock|timer motor contact"),
  RELAY_CONTACT(Role.LINK, "relay contact", "relay|relay switch|triac|driver|ssr", Trait.WELDS),
  CONTACTOR(Role.LINK, "contactor", "contactor contact", Trait.WELDS),
  CENTRIFUGAL_SWITCH(
      Role.LINK, "centrifugal switch", "motor switch|centrifugal|motor heat switch|run switch"),
  SEQUENCER_STAGE(Role.LINK, "sequencer stage", "sequencer|stage|sequencer contact", Trait.WELDS),
  PRESSURE_SWITCH(
      Role.LINK,
      "pressure switch",
      "pressure|air switch|air proving|draft switch|sail switch|vacuum switch"),
  ROLLOUT_SWITCH(Role.LINK, "roll-out switch", "rollout|flame rollout"),
  SPILL_SWITCH(Role.LINK, "spill switch", "spill|spillage switch|ods|blocked vent|vent switch"),
  FLAME_SENSOR_CONTACT(
      Role.LINK, "flame sensor contact", "flame sensor|flame switch|radiant sensor"),
  LINE_FUSE(
      Role.LINK, "line fuse", "fuse|glass fuse|inlet fuse|mains fuse|board fuse", Trait.ONE_SHOT),
  BREAKER(Role.LINK, "breaker", "circuit breaker|mcb|trip|rcd|gfci"),
  CONNECTOR(
      Role.LINK,
      "connector",
      "plug|terminal|terminal block|block|joint|splice|tab|lug|crimp|junction|filter|mains filter"),
  WIRE(Role.LINK, "wire", "lead|harness|cable|run|conductor"),
  CORD(Role.LINK, "cord", "flex|supply cord|power cord|mains lead"),

  HEATING_ELEMENT(
      Role.LOAD,
      "heating element",
      "element|heater|coil element|strip|elem|heating|heating coil|heat coil|heat tape|heat cable|defrost heater",
      Trait.GLOWS,
      Trait.LEAKS),
  MOTOR(
      Role.LOAD,
      "motor",
      "fan|blower|pump|drum motor|compressor|circulator|drive motor",
      Trait.NOTICED,
      Trait.FAILS_HOT,
      Trait.LEAKS),
  IGNITER(
      Role.LOAD,
      "igniter",
      "ignitor|glow bar|hot surface igniter|hsi|spark module",
      Trait.NOTICED,
      Trait.LEAKS),
  VALVE_COIL(
      Role.LOAD,
      "valve coil",
      "solenoid|valve solenoid|booster coil|holding coil|coil valve|fill valve|inlet valve|drain valve|vent valve|water valve",
      Trait.FAILS_HOT),
  RELAY_COIL(Role.LOAD, "relay coil", "coil|contactor coil|relay winding"),
  SEQUENCER_HEATER(Role.LOAD, "sequencer heater", "sequencer coil|bimetal heater"),
  BIAS_HEATER(Role.LOAD, "bias heater", "bias|stat heater|resistor|dropping resistor|anticipator"),
  TIMER_MOTOR(
      Role.LOAD,
      "timer motor",
      "timer's own motor|clock motor|advance motor|timer drive",
      Trait.NOTICED),
  LAMP(Role.LOAD, "lamp", "light|bulb|neon|indicator|pilot light|led", Trait.NOTICED),
  BOARD_SUPPLY(
      Role.LOAD,
      "board supply",
      "board|control board|pcb|controller|display|electronics|module",
      Trait.NOTICED),
  TRANSFORMER_PRIMARY(
      Role.LOAD,
      "transformer primary",
      "transformer|primary|primary winding|xfmr|control transformer",
      Trait.WOUND,
      Trait.LEAKS),
  VALVE(Role.LOAD, "valve", "gas valve|main valve|operator"),

  TRANSFORMER_SECONDARY(Role.SOURCE, "transformer secondary", "secondary|secondary winding"),

  THERMISTOR(Role.SENSOR, "thermistor", "ntc|temperature sensor|temp sensor|sensor|probe"),
  PLATINUM_SENSOR(Role.SENSOR, "platinum sensor", "pt100|pt1000|rtd|platinum"),
  LEVEL_PROBE(Role.SENSOR, "level probe", "level|water probe|level sensor|electrode"),
  MOISTURE_BARS(Role.SENSOR, "moisture bars", "moisture|moisture sensor|sensor bars|bars"),
  FLAME_ROD(Role.SENSOR, "flame rod", "rod|ionisation rod|ionization rod|flame electrode");

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
    /** Its insulation gives way when it is hot, and holds again when it is cold. */
    FAILS_HOT,
    /** Wound about iron: it draws far less than its resistance would. */
    WOUND
  }

  private final Role role;
  private final String word;
  private final List<String> synonyms;
  private final Set<Trait> traits;

  PartKind(Role role, String word, String synonyms, Trait... traits) {
    this.role = role;
    this.word = word;
    this.synonyms = List.of(synonyms.split("\\|"));
    this.traits = Set.of(traits);
  }

  public Role role() {
    return role;
  }

  /** The plain word of the trade. */
  public String word() {
    return word;
  }

  /** What else the trade calls it; a word may be meant for one kind only. */
  public List<String> synonyms() {
    return synonyms;
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

  /** Whether it opens of age as well: what melts or trips does so for a reason. */
  public boolean wearsOut() {
    return !is(Trait.ONE_SHOT) && !is(Trait.HEATED_TO_TEST) && !is(Trait.RESET_BY_HAND);
  }

  public boolean is(Trait trait) {
    return traits.contains(trait);
  }

  @Override
  public String toString() {
    return Kebab.of(this);
  }
}
