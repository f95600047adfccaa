package org.jollychain.study;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.stream.LongStream;
import org.jollychain.core.diagnosis.Assessment;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.inference.Posterior;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.plan.DecisionTree;
import org.jollychain.core.plan.Forecast;
import org.jollychain.core.plan.Plan;
import org.jollychain.core.plan.Planner;
import org.jollychain.core.plan.Policy;
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
  private static final int UNITS = 60;
  private static final Optional<String> COMPLAINT = Optional.of("no-bake");

  private Diagnosis diagnosis;
  private List<Evidence> evidence;

  /** The same readings of more units than are kept, each with its own values. */
  private List<List<Evidence>> met;

  private int next;
  private Planner planner;
  private Diagnosis.Opinion opinion;
  private Diagnosis.Opinion openQuestion;

  /** A range that does not bake, its bake wire open: supply, the chain, the current, then ohms. */
  @Setup
  public void prepare() {
    Sheet sheet = Sheets.read("range-240");
    diagnosis = new Diagnosis(sheet);
    Fault open =
        new Fault.OfPart(
            "bake-wire", FaultMode.OPEN, List.of(Change.open("bake-wire")), Fault.Presence.ALWAYS);
    Chain chain = new UnitModel(sheet).chains().keySet().iterator().next();
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
    met =
        LongStream.rangeClosed(1, UNITS)
            .mapToObj(
                seed ->
                    Readings.taken(
                        sheet,
                        new SimulatedUnit(sheet, List.of(open), seed),
                        new VirtualMeter(Meter.GENERAL, 2),
                        probes.subList(0, READINGS)))
            .toList();
    evidence = met.get(0);
    planner = new Planner(diagnosis);
    opinion = diagnosis.opinion(evidence, COMPLAINT);
    openQuestion = diagnosis.opinion(List.of(), COMPLAINT);
    planner.plan(openQuestion, List.of(), Policy.usual(true));
  }

  /** What to ask next, when nothing has been read: the widest choice there is. */
  @Benchmark
  public Plan firstPlan() {
    return planner.plan(openQuestion, List.of(), Policy.usual(true));
  }

  /** What to ask next after twenty readings. */
  @Benchmark
  public Plan plan() {
    return planner.plan(opinion, evidence, Policy.usual(true));
  }

  /** A route card of six questions, one after another. */
  @Benchmark
  public DecisionTree routeCard() {
    return planner.route(openQuestion, List.of(), Policy.usual(true), 6);
  }

  /** What is left in every order. */
  @Benchmark
  public List<Forecast> forecast() {
    return planner.forecast(openQuestion, List.of(), Policy.usual(true));
  }

  /** The same of a unit that was not met before: what it should show is computed first. */
  @Benchmark
  public Assessment assessmentOfAnotherUnit() {
    next = (next + 1) % met.size();
    return diagnosis.assess(met.get(next), COMPLAINT);
  }

  /** All that is said: verdicts, reasons, staircases, flags. */
  @Benchmark
  public Assessment assessment() {
    return diagnosis.assess(evidence, COMPLAINT);
  }

  /** The weighing alone. */
  @Benchmark
  public List<Posterior.Entry> beliefs() {
    return diagnosis.beliefs(evidence, COMPLAINT);
  }
}
