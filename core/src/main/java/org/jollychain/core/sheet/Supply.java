package org.jollychain.core.sheet;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What feeds the unit.
 *
 * @param system how it is fed
 * @param volts nominal voltage between the two outer terminals (V RMS; V for dc)
 * @param hertz its frequency (Hz), 0 for dc
 * @param tolerance two standard deviations of the voltage before it is measured, as a share of it
 * @param sourceOhms what source and cord drop per ampere from one outer terminal to the other (ohm)
 * @param terminals point of each terminal the system has
 * @param bonded the terminal tied to earth upstream; empty for a floating source
 * @param storedCharge true where charge stays after switching off: no live work there
 */
public record Supply(
    SupplySystem system,
    double volts,
    double hertz,
    double tolerance,
    double sourceOhms,
    Map<String, String> terminals,
    Optional<String> bonded,
    boolean storedCharge) {

  public boolean dc() {
    return system == SupplySystem.DC;
  }

  /** The point at which the supply's first outer terminal arrives. */
  public String outwardPoint() {
    return terminals.get(system.outward());
  }

  /** The point at which its second outer terminal arrives. */
  public String homewardPoint() {
    return terminals.get(system.homeward());
  }

  /** The terminals that carry current by design: all but earth. */
  public List<String> currentTerminals() {
    return terminals.keySet().stream().filter(t -> !t.equals("earth")).toList();
  }

  /** The terminals that bring the volts: all that carry current but the return. */
  public List<String> lines() {
    return currentTerminals().stream()
        .filter(t -> !t.equals("neutral") && !t.equals("minus"))
        .toList();
  }

  /** What the names of its conductors begin with among the parts of a circuit. */
  public static final String CONDUCTOR = "supply:";

  /** What the conductor of a terminal is called among the parts of a circuit. */
  public static String conductor(String terminal) {
    return CONDUCTOR + terminal;
  }
}
