package org.jollychain.core.network;

import org.jollychain.core.quantity.Complex;
import org.jollychain.core.sheet.Supply;

/** How a circuit differs from the sound one. */
public sealed interface Change {

  /** The part, or {@code supply:} and a terminal. */
  String branch();

  /**
   * How far its severity is uncertain: standard deviation of its natural logarithm; below zero
   * where it gets less as others of the same fault get more.
   */
  double logSpread();

  /** The same kind of change, of uncertain severity. */
  Change spread(double logSd);

  /**
   * The change with its severity drawn.
   *
   * @param deviate how many standard deviations above the middle
   */
  Change drawn(double deviate);

  /** Whether nothing passes any more. */
  boolean opens();

  static Change open(String branch) {
    return new InBranch(branch, 0, Circuit.OPEN_OHMS, Complex.ONE, 0, 0);
  }

  static Change closed(String branch) {
    return closed(branch, Circuit.CONTACT_OHMS);
  }

  /**
   * @param ohms that are left of it (ohm)
   */
  static Change closed(String branch, double ohms) {
    return new InBranch(branch, 0, ohms, Complex.ONE, 0, 0);
  }

  /**
   * @param ohms in series with it (ohm)
   */
  static Change dropping(String branch, double ohms) {
    return new InBranch(branch, 1, ohms, Complex.ONE, 0, 0);
  }

  static Change scaled(String branch, double factor) {
    return new InBranch(branch, factor, 0, Complex.ONE, 0, 0);
  }

  static Change source(String branch, Complex emfFactor) {
    return new InBranch(branch, 1, 0, emfFactor, 0, 0);
  }

  /**
   * @param volts of a source in a branch that has none (V)
   */
  static Change driven(String branch, double volts) {
    return new InBranch(branch, 1, 0, Complex.ONE, volts, 0);
  }

  /**
   * @param position along the part, 0 at its {@code from} end to 1 at the other
   * @param ohms from there to the case (ohm)
   */
  static Change leak(String part, double position, double ohms) {
    return new ToCase(part, position, ohms, 0);
  }

  /**
   * Z becomes {@code factor Z + added}, E becomes {@code emfFactor E + addedVolts}. Always of
   * impedance, never of admittance: opening a contact of 17 mohm through its admittance loses tens
   * of millivolts to rounding.
   *
   * @param factor on the sound impedance
   * @param addedOhms on top (ohm)
   * @param emfFactor on the sound source
   * @param addedVolts on top of it (V)
   */
  record InBranch(
      String branch,
      double factor,
      double addedOhms,
      Complex emfFactor,
      double addedVolts,
      double logSpread)
      implements Change {

    @Override
    public Change spread(double logSd) {
      return new InBranch(branch, factor, addedOhms, emfFactor, addedVolts, logSd);
    }

    @Override
    public Change drawn(double deviate) {
      if (logSpread == 0) {
        return this;
      }
      double by = Math.exp(logSpread * deviate);
      if (addedOhms == 0 && !emfFactor.equals(Complex.ONE)) {
        return source(branch, emfFactor.times(by));
      }
      return addedOhms > 0
          ? new InBranch(branch, factor, addedOhms * by, emfFactor, addedVolts, 0)
          : scaled(branch, factor * by);
    }

    @Override
    public boolean opens() {
      return factor == 0 && addedOhms == Circuit.OPEN_OHMS;
    }

    /** Whether a conductor of the supply is open or its source dead. */
    public boolean unfeeds() {
      return branch.startsWith(Supply.CONDUCTOR)
          && (factor == 0 || emfFactor.equals(Complex.ZERO) && addedVolts == 0);
    }

    /** Whether it is the source that differs. */
    public boolean movesSource() {
      return addedVolts != 0 || !emfFactor.equals(Complex.ONE);
    }

    /** What becomes of a source (V). */
    public Complex emf(Complex sound) {
      return sound.times(emfFactor).plus(Complex.of(addedVolts));
    }

    /** A later change of the same branch acts on what this one left. */
    InBranch then(InBranch later) {
      return new InBranch(
          branch,
          factor * later.factor,
          addedOhms * later.factor + later.addedOhms,
          emfFactor.times(later.emfFactor),
          addedVolts * later.emfFactor.re() + later.addedVolts,
          later.factor == 0 ? later.logSpread : Math.max(logSpread, later.logSpread));
    }
  }

  /** A way from somewhere along a part to the case. */
  record ToCase(String branch, double position, double ohms, double logSpread) implements Change {

    @Override
    public boolean opens() {
      return false;
    }

    @Override
    public Change spread(double logSd) {
      return new ToCase(branch, position, ohms, logSd);
    }

    @Override
    public Change drawn(double deviate) {
      return new ToCase(branch, position, ohms * Math.exp(logSpread * deviate), 0);
    }
  }
}
