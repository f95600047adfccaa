package org.jollychain.study;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.jollychain.core.diagnosis.Assessment;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Entry;
import org.jollychain.core.evidence.Evidence;
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
  private List<Evidence> evidence;

  @Setup
  public void prepare() {
    sheet = Sheets.read("dryer-timer-240");
    diagnosis = new Diagnosis(sheet);
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
            Optional.empty(),
            value);
    evidence.add(entry.on(sheet));
  }

  /** A whole assessment with 17 readings whose expectations are known already. */
  @Benchmark
  public Assessment assessment() {
    return diagnosis.assess(evidence, Optional.of("no-heat"));
  }
}
