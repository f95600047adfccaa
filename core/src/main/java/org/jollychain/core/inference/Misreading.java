package org.jollychain.core.inference;

import java.util.List;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterError;
import org.jollychain.core.network.MeterFunction;

/**
 * A way in which a figure comes onto a display otherwise than as the circuit has it: the slips of a
 * hand, and a ghost that has bled away. Each gives the density of the figure, its own share
 * included; the shares are common practice, no source.
 */
sealed interface Misreading {

  List<Misreading> ALL =
      List.of(
          new SameGhost(),
          new BledGhost(),
          new AnyGhost(),
          new WrongPrefix(),
          new NoContact(),
          new Anything());

  /** How a reading that came about so is told. */
  ReadingLikelihood.Explained explained();

  double density(Figure figure);

  /** The same where a slip is likelier than usual. */
  default double doubted(Figure figure) {
    boolean slip = explained() == ReadingLikelihood.Explained.AS_SLIP;
    return slip ? figure.noise().doubt() * density(figure) : density(figure);
  }

  /** What is left of all readings for those that are as the circuit has them. */
  double AS_READ = 1 - Anything.SHARE - NoContact.SHARE - WrongPrefix.SHARE;

  /**
   * A figure, and what is expected of it.
   *
   * @param value shown, in the unit of the function
   * @param mean expected in the light of all other readings
   * @param knownVariance of that, what the display leaves open left out
   * @param ownVariance of this reading alone
   * @param sourceVolts nominal volts of the supply
   */
  record Figure(
      double value,
      LinearPrediction line,
      Meter meter,
      MeterFunction function,
      ReadingNoise noise,
      double mean,
      double knownVariance,
      double ownVariance,
      double sourceVolts) {

    private boolean ohms() {
      return function.needsDeadCircuit();
    }

    /** The probability that a figure is shown at all, and not OL. */
    double within() {
      return ohms() ? 1 - ReadingLikelihood.above(line.mean(), meter.overLimitOhms()) : 1;
    }

    /** Of what floats, the share that is another ghost than the strays of the sheet make. */
    double otherGhosts() {
      return sameGhosts() + newGhosts() * (MeterError.GHOSTS_BLED + AnyGhost.SHARE);
    }

    private double sameGhosts() {
      return noise.before().isPresent() ? SameGhost.SHARE * line.floating() : 0;
    }

    private double newGhosts() {
      return line.floating() - sameGhosts();
    }
  }

  /** A ghost that was met before: read again it is about what it was. No slip. */
  record SameGhost() implements Misreading {

    private static final double SHARE = 0.95;

    /** How far it moves meanwhile (a share, one standard deviation). */
    private static final double MOVES = 0.1;

    @Override
    public ReadingLikelihood.Explained explained() {
      return ReadingLikelihood.Explained.AS_READ;
    }

    @Override
    public double density(Figure f) {
      double before = f.noise.before().orElse(0);
      double moved = MOVES * before;
      double share = f.sameGhosts();
      return share == 0
          ? 0
          : AS_READ * share * Normal.density(f.value, before, f.noise.asRead() + moved * moved);
    }
  }

  /**
   * A ghost on a floating wire, bled through dust and damp: to nothing, or to a volt or two. No
   * slip.
   */
  record BledGhost() implements Misreading {

    private static final double TO_NOTHING = 0.6;

    /** What is nothing on a wire that hangs free, as a share of the supply's volts. */
    private static final double NOTHING_SHARE = 3e-4;

    @Override
    public ReadingLikelihood.Explained explained() {
      return ReadingLikelihood.Explained.AS_READ;
    }

    @Override
    public double density(Figure f) {
      if (f.newGhosts() == 0) {
        return 0;
      }
      double nothing = NOTHING_SHARE * f.sourceVolts;
      double variance = f.noise.asRead() + nothing * nothing;
      double rest = GhostModel.REST_SHARE * f.sourceVolts;
      return AS_READ
          * MeterError.GHOSTS_BLED
          * f.newGhosts()
          * (TO_NOTHING * Normal.density(f.value, 0, variance)
              + (1 - TO_NOTHING) * Normal.density(f.value, 0, variance + rest * rest));
    }
  }

  /**
   * A ghost of any size, small ones more often: strays of cable and unit are ten times more or less
   * than the sheet's. No slip.
   */
  record AnyGhost() implements Misreading {

    static final double SHARE = 0.3;

    /** How large they are on average, as a share of the supply's volts. */
    private static final double MEAN_SHARE = 0.3;

    private static final double LARGEST_SHARE = 0.9;

    @Override
    public ReadingLikelihood.Explained explained() {
      return ReadingLikelihood.Explained.AS_READ;
    }

    @Override
    public double density(Figure f) {
      double mean = MEAN_SHARE * f.sourceVolts;
      if (f.newGhosts() == 0 || Math.abs(f.value) > LARGEST_SHARE * f.sourceVolts) {
        return 0;
      }
      return AS_READ * SHARE * f.newGhosts() * Math.exp(-Math.abs(f.value) / mean) / mean;
    }
  }

  /** Milli for whole, kilo for mega: a thousand times more or less, either as often. */
  record WrongPrefix() implements Misreading {

    private static final double SHARE = 0.003;
    private static final double STEP = 1e3;

    /** With so few digits it is no figure with another prefix, but nothing (a share). */
    private static final double FAINT = 0.2;

    @Override
    public ReadingLikelihood.Explained explained() {
      return ReadingLikelihood.Explained.AS_PREFIX;
    }

    @Override
    public double density(Figure f) {
      double up =
          f.noise.thousandfold() < Math.pow(FAINT * f.value * STEP, 2)
              ? Normal.density(f.value * STEP, f.mean, f.knownVariance + f.noise.thousandfold())
              : 0;
      double down = Normal.density(f.value / STEP, f.mean, f.knownVariance + f.noise.thousandth());
      return f.within() * 0.5 * SHARE * (STEP * up + down / STEP);
    }
  }

  /** A probe beside the tab: no volts. Of ohms, leads that touch: a short that is none. */
  record NoContact() implements Misreading {

    static final double SHARE = 0.0012;

    /** Of ohms: a part that fails its own test has failed, so it is thought of least. */
    static final double OPEN_LEADS = 0.0003;

    private static final double FALSE_SHORT = 0.00005;
    private static final double SMALLEST_VARIANCE = 1e-4;

    @Override
    public ReadingLikelihood.Explained explained() {
      return ReadingLikelihood.Explained.AS_SLIP;
    }

    @Override
    public double density(Figure f) {
      double leads = MeterError.LEAD_OHMS_SD * MeterError.LEAD_OHMS_SD;
      return f.ohms()
          ? FALSE_SHORT * Normal.density(f.value, f.meter.leadOhms(), leads)
          : SHARE * Normal.density(f.value, 0, Math.max(f.ownVariance, SMALLEST_VARIANCE));
    }
  }

  /** Another point, another situation, a figure misheard: volts evenly, ohms evenly by decade. */
  record Anything() implements Misreading {

    static final double SHARE = 0.0012;
    private static final double OHMS_SHARE = 0.00006;
    private static final double SMALLEST_OHMS = 0.05;
    private static final double LARGEST_SHARE = 1.2;

    @Override
    public ReadingLikelihood.Explained explained() {
      return ReadingLikelihood.Explained.AS_SLIP;
    }

    @Override
    public double density(Figure f) {
      return f.ohms()
          ? OHMS_SHARE
              / (Math.max(f.value, SMALLEST_OHMS)
                  * Math.log(f.meter.overLimitOhms() / SMALLEST_OHMS))
          : SHARE / (LARGEST_SHARE * f.sourceVolts);
    }
  }
}
