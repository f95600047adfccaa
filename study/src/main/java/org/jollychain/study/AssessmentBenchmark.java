package org.jollychain.study;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.jollychain.core.diagnosis.Assessment;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Entry;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.CheckedSheet;
import org.jollychain.core.network.Draw;
import org.jollychain.core.network.Network;
import org.jollychain.core.network.Solution;
import org.jollychain.core.sheet.Sheet;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** How long the engine takes on the timer dryer: {@code ./jolly bench}. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
public class AssessmentBenchmark {

  private Sheet sheet;
  private Diagnosis diagnosis;
  private Network network;
  private List<Evidence> evidence;

  @Setup
  public void prepare() throws IOException {
    try (InputStream in = Sheet.class.getResourceAsStream("/sheets/dryer-timer-240.yaml")) {
      sheet = CheckedSheet.read(new String(in.readAllBytes(), StandardCharsets.UTF_8));
    }
    diagnosis = new Diagnosis(sheet);
    network = Network.of(sheet, sheet.situation("heat-call"), Draw.NOMINAL);
    evidence = new ArrayList<>();
    read("volts-ac", Optional.empty(), "heat-call", "L1-L2 238.4");
    for (String part : sheet.parts().keySet()) {
      if (!part.equals("motor")) {
        read(
            "volts-ac",
            Optional.of(part),
            "heat-call",
            part.equals("high-limit") ? "238.1" : "0.1");
      }
    }
    read("ohms", Optional.of("element"), "isolated", "11.2");
    read("ohms", Optional.of("high-limit"), "isolated", "OL");
    for (String part : List.of("thermal-cutoff", "cycling-thermostat", "door-switch")) {
      read("ohms", Optional.of(part), "isolated", "0.2");
    }
  }

  private void read(String function, Optional<String> across, String situation, String value) {
    String id = "r" + evidence.size();
    Entry entry =
        new Entry(
            id,
            function,
            Optional.empty(),
            Optional.empty(),
            across,
            Optional.empty(),
            situation,
            List.of(),
            value);
    evidence.add(entry.on(sheet));
  }

  /** A whole assessment with 17 readings whose expectations are known already. */
  @Benchmark
  public Assessment assessment() {
    return diagnosis.assess(evidence, Optional.of("no-heat"));
  }

  /** The voltages of one fault, by low-rank update of the solved circuit. */
  @Benchmark
  public double faultByUpdate() {
    return dropOf(network.solve(List.of(Change.open("high-limit"))));
  }

  /** The same by assembling and factoring the circuit anew. */
  @Benchmark
  public double faultByFactoring() {
    Network anew = Network.of(sheet, sheet.situation("heat-call"), Draw.NOMINAL);
    return dropOf(anew.solve(List.of(Change.open("high-limit"))));
  }

  private static double dropOf(Solution solution) {
    return solution.volts("C1").minus(solution.volts("C2")).abs();
  }
}
