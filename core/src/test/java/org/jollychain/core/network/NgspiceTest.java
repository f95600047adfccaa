package org.jollychain.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jollychain.core.Sheets;
import org.jollychain.core.export.SpiceNetlist;
import org.jollychain.core.quantity.Complex;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * A second opinion by the circuit simulator ngspice: every shipped sheet, every live situation,
 * sound and with every part open in turn. What ngspice said of each sheet's first live situation is
 * kept in {@code src/test/resources/ngspice}, so that it can be asked where it is not installed;
 * {@code -Dngspice.keep=true} writes that anew.
 */
class NgspiceTest {

  private static final String NGSPICE = "/usr/bin/ngspice";
  private static final Path KEPT = Path.of("src/test/resources/ngspice");
  private static final Pattern ELEMENT = Pattern.compile("(?m)^\\* (\\S+)\\RV(\\d+) ");

  @TempDir Path folder;

  static List<String> shipped() {
    return Sheets.shipped();
  }

  /** Volts at every point, by what is open; the sound circuit is {@code -}. */
  private record Opinion(List<String> points, Map<String, List<Complex>> volts) {}

  @ParameterizedTest
  @MethodSource("shipped")
  void every_live_situation_and_every_single_open_agrees(String key) throws Exception {
    assumeTrue(Files.isExecutable(Path.of(NGSPICE)), "ngspice is not installed");
    Sheet sheet = Sheets.shipped(key);
    boolean first = true;
    for (Situation situation : sheet.situations().values()) {
      if (situation.supplyOn()) {
        Opinion opinion = ask(sheet, situation);
        assertThat(opinion.volts()).hasSize(sheet.parts().size() + 1);
        compare(sheet, situation, opinion);
        if (first && Boolean.getBoolean("ngspice.keep")) {
          keep(key, situation, opinion);
        }
        first = false;
      }
    }
  }

  @ParameterizedTest
  @MethodSource("shipped")
  void agrees_with_what_ngspice_once_said(String key) throws Exception {
    List<String> lines = Files.readAllLines(KEPT.resolve(key + ".csv"));
    String[] head = lines.get(0).split(",");
    Sheet sheet = Sheets.shipped(key);
    Map<String, List<Complex>> volts = new LinkedHashMap<>();
    for (String line : lines.subList(1, lines.size())) {
      String[] cells = line.split(",");
      List<Complex> row = new ArrayList<>();
      for (int i = 1; i < cells.length; i += 2) {
        row.add(new Complex(Double.parseDouble(cells[i]), Double.parseDouble(cells[i + 1])));
      }
      volts.put(cells[0], row);
    }
    List<String> points = List.of(head).subList(1, head.length);
    compare(sheet, sheet.situation(head[0]), new Opinion(points, volts));
  }

  @ParameterizedTest
  @MethodSource("shipped")
  void ohms_across_every_isolated_part_agree(String key) throws Exception {
    assumeTrue(Files.isExecutable(Path.of(NGSPICE)), "ngspice is not installed");
    Sheet sheet = Sheets.shipped(key);
    Situation isolated = sheet.situation("isolated");
    Map<String, String> nodes = SpiceNetlist.nodes(sheet, isolated);
    StringBuilder netlist = new StringBuilder(SpiceNetlist.of(sheet, isolated, List.of()));
    StringBuilder control = new StringBuilder();
    List<Part> parts = List.copyOf(sheet.parts().values());
    for (int i = 0; i < parts.size(); i++) {
      String red = nodes.get(parts.get(i).from());
      String black = nodes.get(parts.get(i).to());
      netlist.append("Im%d %s %s DC 0%n".formatted(i, black, red));
      control.append(
          "alter im%d = 1%nop%nlet drop=%s-%s%nwrdata out.dat drop%nalter im%d = 0%n"
              .formatted(i, node(red), node(black), i));
    }
    List<double[]> rows = run(netlist.toString(), control.toString());
    Solution ours = Network.of(sheet, isolated, ParameterSample.NOMINAL).solve(List.of());
    for (int i = 0; i < parts.size(); i++) {
      double ohms = rows.get(i)[1];
      assertThat(ours.ohmsBetween(parts.get(i).from(), parts.get(i).to()).re())
          .as(parts.get(i).id())
          .isCloseTo(ohms, within(1e-3 * ohms));
    }
  }

  /** A leak in the middle of an element, a stuck contact and a supply that lost a leg. */
  @ParameterizedTest
  @MethodSource("shipped")
  void other_faults_agree(String key) throws Exception {
    assumeTrue(Files.isExecutable(Path.of(NGSPICE)), "ngspice is not installed");
    Sheet sheet = Sheets.shipped(key);
    Situation situation =
        sheet.situations().values().stream().filter(Situation::supplyOn).findFirst().orElseThrow();
    String load = sheet.paths().values().iterator().next().load();
    String terminal = "supply:" + sheet.supply().system().homeward();
    for (Change fault :
        List.of(
            Change.leak(load, 0.4, 25),
            Change.scaled(load, 1.7),
            Change.open(terminal),
            Change.source("supply:" + sheet.supply().system().outward(), Complex.of(0.8)))) {
      List<Change> changes = List.of(fault);
      Map<String, String> nodes = asked(sheet, situation);
      double[] row = run(SpiceNetlist.of(sheet, situation, changes), analysis(sheet, nodes)).get(0);
      compareRow(sheet, situation, changes, List.copyOf(nodes.keySet()), phasors(sheet, row));
    }
  }

  private void compare(Sheet sheet, Situation situation, Opinion opinion) {
    opinion
        .volts()
        .forEach(
            (open, row) -> {
              List<Change> fault = open.equals("-") ? List.of() : List.of(Change.open(open));
              compareRow(sheet, situation, fault, opinion.points(), row);
            });
  }

  /** To 0.1 % or 1 mV. */
  private static void compareRow(
      Sheet sheet,
      Situation situation,
      List<Change> fault,
      List<String> points,
      List<Complex> row) {
    Solution ours = Network.of(sheet, situation, ParameterSample.NOMINAL).solve(fault);
    for (int i = 0; i < points.size(); i++) {
      assertThat(ours.volts(points.get(i)).minus(row.get(i)).abs())
          .as("%s of %s in %s with %s", points.get(i), sheet.key(), situation.id(), fault)
          .isLessThan(Math.max(1e-3, 1e-3 * row.get(i).abs()));
    }
  }

  private Opinion ask(Sheet sheet, Situation situation) throws Exception {
    Map<String, String> nodes = asked(sheet, situation);
    String netlist = SpiceNetlist.of(sheet, situation, List.of());
    Map<String, String> resistors = new LinkedHashMap<>();
    Matcher element = ELEMENT.matcher(netlist);
    while (element.find()) {
      if (sheet.parts().containsKey(element.group(1))) {
        resistors.put(element.group(1), "r" + element.group(2));
      }
    }
    StringBuilder control = new StringBuilder(analysis(sheet, nodes));
    for (Map.Entry<String, String> part : resistors.entrySet()) {
      Matcher sound =
          Pattern.compile("(?mi)^" + part.getValue() + " \\S+ \\S+ (\\S+)").matcher(netlist);
      assertThat(sound.find()).isTrue();
      control.append(
          "alter %s = 1e9%n%salter %s = %s%n"
              .formatted(part.getValue(), analysis(sheet, nodes), part.getValue(), sound.group(1)));
    }
    List<double[]> rows = run(netlist, control.toString());
    Map<String, List<Complex>> volts = new LinkedHashMap<>();
    volts.put("-", phasors(sheet, rows.get(0)));
    int next = 1;
    for (String part : resistors.keySet()) {
      volts.put(part, phasors(sheet, rows.get(next++)));
    }
    return new Opinion(List.copyOf(nodes.keySet()), volts);
  }

  private static Map<String, String> asked(Sheet sheet, Situation situation) {
    Map<String, String> nodes = new LinkedHashMap<>(SpiceNetlist.nodes(sheet, situation));
    nodes.values().removeIf("0"::equals);
    return nodes;
  }

  private static String analysis(Sheet sheet, Map<String, String> nodes) {
    StringBuilder vectors = new StringBuilder();
    nodes.values().forEach(n -> vectors.append(' ').append(node(n)));
    double hertz = sheet.supply().hertz();
    String run = sheet.supply().dc() ? "op" : "ac lin 1 %s %s".formatted(hertz, hertz);
    return "%s%nwrdata out.dat%s%n".formatted(run, vectors);
  }

  private static List<Complex> phasors(Sheet sheet, double[] row) {
    List<Complex> phasors = new ArrayList<>();
    boolean dc = sheet.supply().dc();
    for (int i = 1; i < row.length; i += dc ? 1 : 2) {
      phasors.add(new Complex(row[i], dc ? 0 : row[i + 1]));
    }
    return phasors;
  }

  private static String node(String number) {
    return number.equals("0") ? "0" : "v(" + number + ")";
  }

  /** One row of numbers for every analysis. */
  private List<double[]> run(String netlist, String control)
      throws IOException, InterruptedException {
    Files.deleteIfExists(folder.resolve("out.dat"));
    Path file = folder.resolve("circuit.cir");
    Files.writeString(
        file,
        netlist
            + ".control%nset numdgt=15%nset wr_singlescale%nset appendwrite%n%squit 0%n.endc%n.end%n"
                .formatted(control));
    Process process =
        new ProcessBuilder(NGSPICE, "-b", file.toString())
            .directory(folder.toFile())
            .redirectErrorStream(true)
            .redirectOutput(folder.resolve("log").toFile())
            .start();
    assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
    assertThat(process.exitValue()).as(Files.readString(folder.resolve("log"))).isZero();
    List<double[]> rows = new ArrayList<>();
    for (String line : Files.readAllLines(folder.resolve("out.dat"))) {
      if (!line.isBlank()) {
        String[] numbers = line.strip().split("\\s+");
        double[] row = new double[numbers.length];
        for (int i = 0; i < row.length; i++) {
          row[i] = Double.parseDouble(numbers[i]);
        }
        rows.add(row);
      }
    }
    return rows;
  }

  private static void keep(String key, Situation situation, Opinion opinion) throws IOException {
    StringBuilder text =
        new StringBuilder(situation.id() + "," + String.join(",", opinion.points()) + "\n");
    opinion
        .volts()
        .forEach(
            (open, row) -> {
              text.append(open);
              row.forEach(
                  v -> text.append(String.format(Locale.ROOT, ",%.5g,%.5g", v.re(), v.im())));
              text.append('\n');
            });
    Files.createDirectories(KEPT);
    Files.writeString(KEPT.resolve(key + ".csv"), text);
  }
}
