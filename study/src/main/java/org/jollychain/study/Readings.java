package org.jollychain.study;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jollychain.core.evidence.Entry;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.network.Meters;
import org.jollychain.core.network.Probe;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.simulation.SimulatedUnit;
import org.jollychain.core.simulation.VirtualMeter;

/** Readings taken on a simulated unit. */
final class Readings {

  private Readings() {}

  static List<Evidence> taken(
      Sheet sheet, SimulatedUnit unit, VirtualMeter meter, List<Probe> probes) {
    List<Evidence> evidence = new ArrayList<>();
    for (Probe probe : probes) {
      evidence.add(reading(sheet, evidence.size(), probe, meter.read(unit, probe)));
    }
    return evidence;
  }

  static Evidence reading(Sheet sheet, int number, Probe probe, String shown) {
    return Entry.answering(new Question.Measure(probe), "r" + number, Optional.empty(), shown)
        .on(sheet, Meters.USUAL);
  }
}
