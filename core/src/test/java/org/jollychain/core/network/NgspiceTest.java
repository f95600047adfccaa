package org.jollychain.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import org.jollychain.core.Sheets;
import org.jollychain.core.quantity.Complex;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A second opinion by the circuit simulator ngspice, where it is installed. */
class NgspiceTest {

  @TempDir Path folder;

  @BeforeAll
  static void needs_ngspice() {
    assumeTrue(Files.isExecutable(Path.of("/usr/bin/ngspice")), "ngspice is not installed");
  }

  @Test
  void every_live_situation_and_every_single_open_agrees() throws Exception {
    Sheet dryer = Sheets.dryer();
    int compared = 0;
    for (Situation situation : dryer.situations().values()) {
      if (!situation.supplyOn()) {
        continue;
      }
      List<List<Change>> faults = new ArrayList<>(List.of(List.of()));
      dryer.parts().keySet().forEach(part -> faults.add(List.of(Change.open(part))));
      for (List<Change> fault : faults) {
        Map<String, Complex> spice = voltages(dryer, situation, fault);
        Solution ours = Network.of(dryer, situation, Draw.NOMINAL).solve(fault);
        for (Map.Entry<String, Complex> point : spice.entrySet()) {
          double allowed = Math.max(1e-3, 1e-3 * point.getValue().abs());
          assertThat(ours.volts(point.getKey()).minus(point.getValue()).abs())
              .as("%s at %s with %s", point.getKey(), situation.id(), fault)
              .isLessThan(allowed);
          compared++;
        }
      }
    }
    assertThat(compared).isGreaterThan(300);
  }

  @Test
  void ohms_across_every_isolated_part_agree() throws Exception {
    Sheet dryer = Sheets.dryer();
    Situation isolated = dryer.situation("isolated");
    Map<String, String> nodes = SpiceNetlist.nodes(dryer, isolated);
    Solution ours = Network.of(dryer, isolated, Draw.NOMINAL).solve(List.of());
    for (Part part : dryer.parts().values()) {
      String red = nodes.get(part.from());
      String black = nodes.get(part.to());
      String inject = "Imeter %s %s DC 1%n".formatted(black, red);
      String netlist = SpiceNetlist.of(dryer, isolated, List.of()) + inject;
      String control =
          ".control%nset numdgt=15%nset wr_singlescale%nop%nlet drop=%s-%s%nwrdata out.dat drop%nquit 0%n.endc%n.end%n"
              .formatted(node(red), node(black));
      double ohms = run(netlist, control)[1];
      assertThat(ours.ohmsBetween(part.from(), part.to()).re())
          .as(part.id())
          .isCloseTo(ohms, org.assertj.core.api.Assertions.within(1e-3 * ohms));
    }
  }

  private static String node(String number) {
    return number.equals("0") ? "0" : "v(" + number + ")";
  }

  private Map<String, Complex> voltages(Sheet sheet, Situation situation, List<Change> fault)
      throws Exception {
    Map<String, String> nodes = new TreeMap<>(SpiceNetlist.nodes(sheet, situation));
    nodes.values().removeIf("0"::equals);
    StringBuilder vectors = new StringBuilder();
    nodes.values().forEach(n -> vectors.append(" v(").append(n).append(')'));
    String hertz = String.valueOf(sheet.supply().hertz());
    String control =
        ".control%nset numdgt=15%nset wr_singlescale%nac lin 1 %s %s%nwrdata out.dat%s%nquit 0%n.endc%n.end%n"
            .formatted(hertz, hertz, vectors);
    double[] row = run(SpiceNetlist.of(sheet, situation, fault), control);
    Map<String, Complex> volts = new TreeMap<>();
    int column = 1;
    for (String point : nodes.keySet()) {
      volts.put(point, new Complex(row[column], row[column + 1]));
      column += 2;
    }
    return volts;
  }

  private double[] run(String netlist, String control) throws IOException, InterruptedException {
    Path file = folder.resolve("circuit.cir");
    Files.writeString(file, netlist + control.formatted());
    Process process =
        new ProcessBuilder("/usr/bin/ngspice", "-b", file.toString())
            .directory(folder.toFile())
            .redirectErrorStream(true)
            .redirectOutput(folder.resolve("log").toFile())
            .start();
    assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
    assertThat(process.exitValue()).as(Files.readString(folder.resolve("log"))).isZero();
    String[] numbers = Files.readString(folder.resolve("out.dat")).strip().split("\\s+");
    double[] row = new double[numbers.length];
    for (int i = 0; i < row.length; i++) {
      row[i] = Double.parseDouble(numbers[i]);
    }
    return row;
  }
}
