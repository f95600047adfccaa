package org.jollychain.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.sheet.Chain;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;

/**
 * The ways in which everything along a path can be measured, for whoever chooses for himself. What
 * {@link CandidateTests} would never ask is not offered: no live work beyond the terminals of a
 * unit that stores charge, ohms only where the supply is off and nothing bridges the part.
 *
 * @param path id of the path
 * @param supply the ways of measuring what feeds it
 * @param links those of each part, in the order of the chain
 */
public record PathTests(String path, List<ManualTest> supply, List<LinkTests> links) {

  /** A part's. */
  public record LinkTests(String part, List<ManualTest> tests) {}

  /** How something is measured. */
  public enum Way {
    DROP("Live drop"),
    TO_RETURN("Live to return"),
    OHMS("Isolated ohms"),
    CLAMP("Clamp amperes");

    private final String title;

    Way(String title) {
      this.title = title;
    }

    public String title() {
      return title;
    }

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }

  /**
   * A measurement that may be made.
   *
   * @param title the way in words
   * @param live whether it needs a permit for live work
   * @param function what the meter is set to
   * @param across the part it is measured across or through
   * @param liftedAt where a wire comes off first
   * @param expect what readings would mean
   */
  public record ManualTest(
      Way way,
      String title,
      boolean live,
      String function,
      String red,
      String black,
      Optional<String> across,
      String situation,
      List<String> liftedAt,
      List<Meaning> expect) {}

  /** A reading and what it would mean. */
  public record Meaning(String shown, String meaning) {}

  /** Those of every path of a sheet. */
  public static List<PathTests> of(UnitModel unit) {
    return new Finder(unit).all();
  }

  private static final class Finder {

    /** A part that holds more than this of what it would hold open is a load to its path. */
    private static final double HOLDS_SHARE = 0.5;

    private final UnitModel unit;
    private final Sheet sheet;
    private final CandidateTests candidates;
    private final MeterFunction volts;
    private final MeterFunction amperes;

    Finder(UnitModel unit) {
      this.unit = unit;
      this.sheet = unit.sheet();
      this.candidates = new CandidateTests(unit);
      this.volts = MeterFunction.voltsOf(sheet.supply());
      this.amperes = MeterFunction.amperesOf(sheet.supply());
    }

    List<PathTests> all() {
      List<PathTests> all = new ArrayList<>();
      for (Map.Entry<Chain, Situation> e : unit.chains().entrySet()) {
        all.add(along(e.getKey(), e.getValue()));
      }
      return all;
    }

    private PathTests along(Chain chain, Situation situation) {
      String first = chain.points().get(0);
      Probe supply = Probe.between(volts, first, chain.returnPoint(), situation.id());
      List<ManualTest> ofSupply =
          List.of(
              test(
                  Way.DROP,
                  supply,
                  List.of(
                      new Meaning(shown(supply, List.of()), "the supply is there"),
                      new Meaning("far less", "a dead leg or a low supply: look there first"))));
      List<LinkTests> links = new ArrayList<>();
      for (int i = 0; i < chain.parts().size(); i++) {
        Part part = chain.parts().get(i);
        List<ManualTest> tests = new ArrayList<>();
        if (!sheet.supply().storedCharge()) {
          tests.add(drop(part, situation));
          toReturn(chain, i, situation).ifPresent(tests::add);
          tests.add(clamp(part, situation));
        }
        ohms(part).ifPresent(tests::add);
        links.add(new LinkTests(part.id(), List.copyOf(tests)));
      }
      return new PathTests(chain.path().id(), ofSupply, List.copyOf(links));
    }

    private ManualTest drop(Part part, Situation situation) {
      Probe across = Probe.across(volts, part, situation.id());
      double sound = read(across, List.of());
      double open = read(across, List.of(Change.open(part.id())));
      List<Meaning> expect =
          Math.abs(sound) > HOLDS_SHARE * Math.abs(open)
              ? List.of(
                  new Meaning(about(across, sound), "it is fed; its amperes show that it works"),
                  new Meaning("near 0 V", "something else holds the supply"))
              : List.of(
                  new Meaning(about(across, sound), "it passes, if current flows"),
                  new Meaning(about(across, open), "it is the open one"));
      return test(Way.DROP, across, expect);
    }

    private Optional<ManualTest> toReturn(Chain chain, int at, Situation situation) {
      String beyond = chain.points().get(at + 1);
      String red =
          sheet.arrival(beyond.equals(chain.returnPoint()) ? chain.points().get(at) : beyond);
      String reference = chain.reference(sheet, red);
      if (red.equals(reference) || red.equals(sheet.arrival(chain.returnPoint()))) {
        return Optional.empty();
      }
      Probe probe = Probe.between(volts, red, reference, situation.id());
      return Optional.of(
          test(
              Way.TO_RETURN,
              probe,
              List.of(
                  new Meaning(shown(probe, List.of()), "all before it passes"),
                  new Meaning("far less", "something before it is open"))));
    }

    private ManualTest clamp(Part part, Situation situation) {
      Probe through = Probe.across(amperes, part, situation.id());
      return test(
          Way.CLAMP,
          through,
          List.of(
              new Meaning(
                  about(through, read(through, List.of())), "its load draws what it should"),
              new Meaning("0 A", "nothing flows: something in this path is open")));
    }

    private Optional<ManualTest> ohms(Part part) {
      Optional<Probe> closed = candidates.closedOhms(part).flatMap(Question::probe);
      return closed
          .or(() -> candidates.openOhms(part).flatMap(Question::probe))
          .map(
              probe ->
                  test(
                      Way.OHMS,
                      probe,
                      closed.isEmpty()
                          ? List.of(
                              new Meaning("OL", "as a sound one: it is to stand open there"),
                              new Meaning("about 0 Ω", "it is stuck closed"))
                          : List.of(
                              new Meaning(
                                  about(probe, read(probe, List.of())), "it passes as it should"),
                              new Meaning("OL", "it is open"))));
    }

    private ManualTest test(Way way, Probe probe, List<Meaning> expect) {
      return new ManualTest(
          way,
          way.title(),
          sheet.situation(probe.situation()).supplyOn(),
          probe.function().toString(),
          probe.red(),
          probe.black(),
          probe.part(),
          probe.situation(),
          probe.liftedAt().stream().sorted().toList(),
          expect);
    }

    private double read(Probe probe, List<Change> changes) {
      return Meter.GENERAL.read(
          unit.in(probe.situation(), probe.conditions(sheet, changes)), probe);
    }

    private static String about(Probe probe, double value) {
      return "about " + Meter.GENERAL.display(probe.function(), value);
    }

    private String shown(Probe probe, List<Change> changes) {
      return Meter.GENERAL.display(probe.function(), read(probe, changes));
    }
  }
}
