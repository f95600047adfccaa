package org.jollychain.study;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.ContactState;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Path;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;

/** What a study reads of every unit of a sheet, whatever the planner would ask. */
final class StudyProbes {

  private final Sheet sheet;
  private final UnitModel unit;

  StudyProbes(UnitModel unit) {
    this.unit = unit;
    this.sheet = unit.sheet();
  }

  /** Supply, every part where it carries most, and the load's current of every path. */
  List<Probe> live() {
    List<Probe> probes = new ArrayList<>();
    MeterFunction volts = MeterFunction.voltsOf(sheet.supply());
    MeterFunction amperes = MeterFunction.amperesOf(sheet.supply());
    Situation first =
        sheet.situations().values().stream().filter(Situation::supplyOn).findFirst().orElseThrow();
    List<String> terminals = List.copyOf(sheet.supply().terminals().values());
    for (int i = 0; i < terminals.size(); i++) {
      for (int j = i + 1; j < terminals.size(); j++) {
        probes.add(Probe.between(volts, terminals.get(i), terminals.get(j), first.id()));
      }
    }
    for (Situation s : sheet.situations().values()) {
      if (s.supplyOn() && s.id().equals("open-circuit")) {
        probes.add(Probe.of(sheet.supply(), s.id()));
      }
    }
    for (Part part : sheet.parts().values()) {
      Situation busiest = first;
      double most = 0;
      Situation resting = first;
      double held = 0;
      for (Situation s : sheet.situations().values()) {
        double carries = s.supplyOn() ? unit.in(s.id()).amperes(part.id()).abs() : 0;
        if (carries > most) {
          most = carries;
          busiest = s;
        }
        double across =
            unit.in(s.id()).volts(part.from()).minus(unit.in(s.id()).volts(part.to())).abs();
        if (s.supplyOn() && part.stateIn(s) == ContactState.OPEN && across > held) {
          held = across;
          resting = s;
        }
      }
      probes.add(Probe.across(volts, part, busiest.id()));
      if (part.actsAsLink() && held > 0) {
        probes.add(Probe.across(volts, part, resting.id()));
      }
    }
    for (Part load : sheet.parts().values()) {
      boolean onPath = sheet.paths().values().stream().map(Path::load).anyMatch(load.id()::equals);
      if (onPath || load.actsAsLoad()) {
        Situation busiest = first;
        double most = 0;
        for (Situation s : sheet.situations().values()) {
          double draws = s.supplyOn() ? unit.in(s.id()).amperes(load.id()).abs() : 0;
          if (draws > most) {
            most = draws;
            busiest = s;
          }
        }
        probes.add(Probe.across(amperes, load, busiest.id()));
      }
    }
    return probes.stream().distinct().toList();
  }

  /** Ohms across every part, one wire off where something bridges it, and to the case. */
  List<Probe> isolated() {
    List<Probe> probes = new ArrayList<>();
    String cold =
        sheet.situations().values().stream()
            .filter(s -> !s.supplyOn())
            .findFirst()
            .orElseThrow()
            .id();
    Optional<String> earth = Optional.ofNullable(sheet.supply().terminals().get("earth"));
    for (Part part : sheet.parts().values()) {
      String off =
          sheet.situations().values().stream()
              .filter(s -> !s.supplyOn() && part.stateIn(s) != ContactState.OPEN)
              .findFirst()
              .map(Situation::id)
              .orElse(cold);
      double around =
          unit.in(off, List.of(Change.open(part.id()))).ohmsBetween(part.from(), part.to()).re();
      Probe across = Probe.across(MeterFunction.OHMS, part, off);
      boolean bridged = around < Meter.GENERAL.overLimitOhms();
      probes.add(bridged ? across.lifted(Set.of(part.from())) : across);
      sheet.situations().values().stream()
          .filter(s -> part.actsAsLink() && !s.supplyOn() && part.stateIn(s) == ContactState.OPEN)
          .findFirst()
          .ifPresent(s -> probes.add(Probe.across(MeterFunction.OHMS, part, s.id())));
      if (part.caseLeak() && earth.isPresent()) {
        for (String end : List.of(part.from(), part.to())) {
          probes.add(Probe.between(MeterFunction.OHMS, end, earth.get(), off));
        }
      }
    }
    return probes.stream().distinct().toList();
  }
}
