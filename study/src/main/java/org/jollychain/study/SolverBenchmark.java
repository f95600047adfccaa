package org.jollychain.study;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.jollychain.core.fault.Hypotheses;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Network;
import org.jollychain.core.network.ParameterSample;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.Sensitivities;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OperationsPerInvocation;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** How long the solver takes on the largest shipped sheet: {@code ./jolly bench Solver}. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
public class SolverBenchmark {

  private Sheet sheet;
  private Situation situation;
  private Network network;
  private Sensitivities sensitivities;
  private List<List<Change>> faults;
  private Probe probe;

  @Setup
  public void prepare() {
    sheet = Sheets.read("range-240");
    situation = sheet.situation("bake-call");
    network = Network.of(sheet, situation, ParameterSample.NOMINAL);
    sensitivities = Sensitivities.of(sheet, situation);
    faults =
        new Hypotheses(new UnitModel(sheet))
            .all(Optional.empty()).stream()
                .filter(h -> h.faults().size() == 1)
                .map(h -> h.changesIn(situation))
                .toList();
    probe = Probe.between(MeterFunction.VOLTS_AC, "B1", "B2", "bake-call");
    System.out.printf("%d single faults, %d parts%n", faults.size(), sheet.parts().size());
  }

  /** What the meter reads at one pair of points under every single fault, by low-rank update. */
  @Benchmark
  public double everySingleFaultByUpdate() {
    double sum = 0;
    for (List<Change> fault : faults) {
      sum += Meter.GENERAL.read(network.solve(fault), probe);
    }
    return sum;
  }

  /** One of them by update. */
  @Benchmark
  @OperationsPerInvocation(43)
  public double oneFaultByUpdate() {
    double sum = 0;
    for (String part : sheet.parts().keySet()) {
      sum += Meter.GENERAL.read(network.solve(List.of(Change.open(part))), probe);
    }
    return sum;
  }

  /** One of them by assembling and factoring the circuit anew. */
  @Benchmark
  public double oneFaultByFactoring() {
    Network anew = Network.of(sheet, situation, ParameterSample.NOMINAL);
    return Meter.GENERAL.read(anew.solve(List.of(Change.open("bake-relay"))), probe);
  }

  /** One reading with its slopes on every uncertain parameter. */
  @Benchmark
  public Object onePredictionWithItsSlopes() {
    return sensitivities.predict(
        network.solve(List.of(Change.open("bake-relay"))), probe, Meter.GENERAL);
  }
}
