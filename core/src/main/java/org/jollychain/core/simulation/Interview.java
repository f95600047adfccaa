package org.jollychain.core.simulation;

import java.time.Instant;
import java.util.Optional;
import java.util.SplittableRandom;
import org.jollychain.core.evidence.CodeShown;
import org.jollychain.core.evidence.Entry;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Inspection;
import org.jollychain.core.evidence.Observation;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.inference.InspectionModel;
import org.jollychain.core.network.Meters;
import org.jollychain.core.sheet.LoadRating;
import org.jollychain.core.sheet.Sheet;

/** A simulated unit, asked: what it answers is evidence, a minute apart. */
public final class Interview {

  private static final double MOVES = 0.02;

  private final SimulatedUnit unit;
  private final VirtualMeter meter;
  private final SplittableRandom random;
  private Instant now = Instant.EPOCH;
  private int asked;

  /**
   * @param seed the same seed always finds the same by eye
   */
  public Interview(SimulatedUnit unit, VirtualMeter meter, long seed) {
    this.unit = unit;
    this.meter = meter;
    this.random = new SplittableRandom(seed);
  }

  /** What is found when this is asked. */
  public Evidence answer(Question question) {
    now = now.plusSeconds(60);
    String id = "a" + ++asked;
    Optional<Instant> at = Optional.of(now);
    Sheet sheet = unit.sheet();
    return question.as(
        new Question.Kinds<>() {
          @Override
          public Evidence measure(Question.Measure m) {
            return Entry.answering(m, id, at, meter.read(unit, m.at())).on(sheet, Meters.USUAL);
          }

          @Override
          public Evidence runs(Question.Runs r) {
            double share = unit.powerShare(r.load(), r.situation());
            double above = sheet.part(r.load()).load().map(LoadRating::runsAbove).orElse(0.5);
            Observation.Runs runs =
                share > above
                    ? Observation.Runs.YES
                    : share > MOVES ? Observation.Runs.WEAKLY : Observation.Runs.NO;
            return new Observation(id, r.load(), r.situation(), runs, at);
          }

          @Override
          public Evidence look(Question.Look look) {
            Optional<FaultMode> mode = unit.modeOf(look.at());
            double burnt = InspectionModel.probability(Inspection.Finding.BURNT, mode);
            double sound = InspectionModel.probability(Inspection.Finding.LOOKS_SOUND, mode);
            boolean found = random.nextDouble() * (burnt + sound) < burnt;
            return new Inspection(
                id,
                look.at(),
                look.situation(),
                found ? Inspection.Finding.BURNT : Inspection.Finding.LOOKS_SOUND,
                at);
          }

          @Override
          public Evidence check(Question.GuideCheck check) {
            throw new IllegalArgumentException("a simulated unit has no duct, no customer");
          }

          @Override
          public Evidence plate(Question.Plate plate) {
            throw new IllegalArgumentException("a simulated unit has no plate");
          }

          @Override
          public Evidence code(Question.Code c) {
            return new CodeShown(id, unit.code(), c.situation(), at);
          }
        });
  }
}
