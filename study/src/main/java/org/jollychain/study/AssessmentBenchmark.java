package org.jollychain.study;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.jollychain.core.diagnosis.Assessment;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.diagnosis.Diagnosis.Belief;
import org.jollychain.core.evidence.Entry;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.SoundUnit;
import org.jollychain.core.sheet.Chain;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.simulation.SimulatedUnit;
import org.jollychain.core.simulation.VirtualMeter;
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

/** How long weighing takes on the largest shipped sheet: {@code ./jolly bench Assessment}. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 5, time = 3)
@Measurement(iterations = 5, time = 4)
public class AssessmentBenchmark {

  private static final int READINGS = 20;

  private Diagnosis diagnosis;
  private List<Evidence> evidence;

  /** A range that does not bake, its bake wire open: supply, the chain, the current, then ohms. */
  @Setup
  public void prepare() {
    Sheet sheet = Sheets.read("range-240");
    diagnosis = new Diagnosis(sheet);
    Fault open =
        new Fault.OfPart("bake-wire", FaultMode.OPEN, List.of(Change.open("bake-wire")), false);
    SimulatedUnit unit = new SimulatedUnit(sheet, List.of(open), 1);
    VirtualMeter meter = new VirtualMeter(Meter.GENERAL, 2);
    Chain chain = new SoundUnit(sheet).chains().keySet().iterator().next();
    List<Probe> probes = new ArrayList<>();
    for (String[] pair : new String[][] {{"L1", "L2"}, {"L1", "N"}, {"L2", "N"}}) {
      probes.add(Probe.between(MeterFunction.VOLTS_AC, pair[0], pair[1], "bake-call"));
    }
    for (Part part : chain.parts()) {
      probes.add(Probe.across(MeterFunction.VOLTS_AC, part, "bake-call"));
    }
    probes.add(Probe.across(MeterFunction.AMPS_AC, sheet.part("bake-element"), "bake-call"));
    for (Part part : chain.parts()) {
      probes.add(Probe.across(MeterFunction.OHMS, part, "isolated"));
    }
    evidence = new ArrayList<>();
    for (Probe probe : probes.subList(0, READINGS)) {
      evidence.add(
          new Entry(
                  "r" + evidence.size(),
                  probe.function().toString(),
                  Optional.of(probe.red()),
                  Optional.of(probe.black()),
                  probe.part(),
                  Optional.empty(),
                  probe.situation(),
                  List.of(),
                  Optional.empty(),
                  meter.read(unit, probe))
              .on(sheet));
    }
  }

  /** All that is said: verdicts, reasons, staircases, flags. */
  @Benchmark
  public Assessment assessment() {
    return diagnosis.assess(evidence, Optional.of("no-bake"));
  }

  /** The weighing alone. */
  @Benchmark
  public List<Belief> beliefs() {
    return diagnosis.beliefs(evidence, Optional.of("no-bake"));
  }
}
