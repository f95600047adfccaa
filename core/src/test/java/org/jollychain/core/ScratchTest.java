package org.jollychain.core;

import java.util.*;
import org.jollychain.core.diagnosis.*;
import org.jollychain.core.evidence.*;
import org.jollychain.core.network.*;
import org.jollychain.core.sheet.*;
import org.junit.jupiter.api.Test;

class ScratchTest {
  @Test
  void run() throws Exception {
    String text =
        new String(
            ScratchTest.class.getResourceAsStream("/sheets/dryer-timer-240.yaml").readAllBytes());
    Sheet sheet = CheckedSheet.read(text);
    long t0 = System.nanoTime();
    Diagnosis d = new Diagnosis(sheet);
    List<Evidence> ev = new ArrayList<>();
    show(d, ev, t0);
    String[][] r = {
      {"", "L1-L2 238"},
      {"block-line1", "0.1"},
      {"timer-heat-contact", "0.1"},
      {"thermal-cutoff", "237.8"}
    };
    int i = 0;
    for (String[] x : r) {
      ev.add(
          new Entry(
                  "r" + (++i),
                  "volts-ac",
                  Optional.empty(),
                  Optional.empty(),
                  x[0].isEmpty() ? Optional.empty() : Optional.of(x[0]),
                  Optional.empty(),
                  "heat-call",
                  List.of(),
                  x[1])
              .on(sheet));
      show(d, ev, System.nanoTime());
    }
    ev.add(
        new Entry(
                "r9",
                "ohms",
                Optional.empty(),
                Optional.empty(),
                Optional.of("thermal-cutoff"),
                Optional.empty(),
                "isolated",
                List.of(),
                "OL")
            .on(sheet));
    show(d, ev, System.nanoTime());
    for (int k = 0; k < 20; k++) {
      long t = System.nanoTime();
      d.assess(ev, Optional.of("no-heat"));
      System.out.println("ms " + (System.nanoTime() - t) / 1e6);
    }
  }

  void show(Diagnosis d, List<Evidence> ev, long t0) {
    Assessment a = d.assess(ev, Optional.of("no-heat"));
    System.out.printf(
        "%n==== %d readings, %.0f ms: %s%n",
        ev.size(), (System.nanoTime() - t0) / 1e6, a.leading());
    for (var p : a.parts())
      System.out.printf(
          "%-22s %-9s %.4f %s %s%n    %s%n",
          p.id(),
          p.verdict(),
          p.probability(),
          p.modes().stream().limit(3).toList(),
          p.measured(),
          p.because());
    System.out.println(a.supply() + "\n" + a.flags() + "\n" + a.account() + " " + a.unexplained());
    for (var t : a.paths().get(0).treads())
      System.out.printf(
          "%s exp %.1f est %.2f [%.1f %.1f] m %s±%s%n",
          t.point(), t.expected(), t.estimated(), t.low(), t.high(), t.measured(), t.uncertainty());
    for (var t : a.paths().get(0).risers()) System.out.println(t);
  }
}
