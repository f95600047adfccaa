package org.jollychain.core.diagnosis;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.quantity.Kebab;

/**
 * All that is known of a unit from the evidence given: a pure function of sheet, evidence and
 * complaint.
 *
 * @param parts every part of the sheet, in its order, then missing commands that are suspected
 * @param leading the hypothesis that leads
 * @param paths the staircases
 * @param account the drops of a path against its source, where both were read
 * @param evidence each reading beside what was to be expected of it
 * @param unexplained probability of something that is not on the sheet
 * @param plates parts whose plate or paper would settle what was read of them
 */
public record Assessment(
    List<PartAssessment> parts,
    SupplyAssessment supply,
    Leading leading,
    List<Staircase> paths,
    Optional<Account> account,
    List<Flag> flags,
    List<Judged> evidence,
    double unexplained,
    List<String> plates) {

  /** Whether the readings misfit whatever leads. */
  public boolean misfits() {
    return flags.stream().anyMatch(f -> f.kind() == Flag.Kind.MISFIT);
  }

  /** The parts along a chain that nobody took a reading of, in its order. */
  public List<PartAssessment> unread(Staircase chain) {
    return chain.risers().stream()
        .flatMap(r -> parts.stream().filter(p -> p.id().equals(r.part()) && p.unread()))
        .toList();
  }

  /**
   * A piece of evidence in words.
   *
   * @param place where it was read or what was seen, e.g. {@code across the high limit}
   * @param shown as displayed, with its unit
   * @param ifSound what the sound, nominal unit would show
   * @param expected what the leading suspect makes to be expected
   */
  public record Judged(String id, String place, String shown, String ifSound, String expected) {}

  /**
   * A part as it now stands.
   *
   * @param probability that it is at fault
   * @param modes how, with the probability of each
   * @param measured the last live drop read across it, and what follows from it
   * @param reading the last reading on it as typed, with its unit; empty if none
   * @param because the reasons, in words and numbers
   */
  public record PartAssessment(
      String id,
      String title,
      Verdict verdict,
      double probability,
      List<ModeProbability> modes,
      Optional<Measured> measured,
      String reading,
      List<String> because) {

    /** Whether nobody took a reading of it, and no other reading says if it is good. */
    public boolean unread() {
      return verdict.undecided() && reading.isEmpty();
    }

    /** The same with one more reason. */
    PartAssessment also(String reason) {
      List<String> reasons = new ArrayList<>(because);
      reasons.add(reason);
      return new PartAssessment(
          id, title, verdict, probability, modes, measured, reading, List.copyOf(reasons));
    }
  }

  /** A mode of fault and its probability. */
  public record ModeProbability(FaultMode mode, double probability) {}

  /**
   * What a live drop means.
   *
   * @param volts the drop read (V)
   * @param amperes the current believed to flow (A)
   * @param ohms drop over current; empty where no current is believed to flow (ohm)
   * @param watts lost in it (W)
   * @param supplyShare drop over the source
   */
  public record Measured(
      double volts, double amperes, Optional<Double> ohms, double watts, double supplyShare) {}

  /**
   * The supply as it now stands.
   *
   * @param heatShare power that a resistance gets of its nominal power, P going with V squared;
   *     empty while nothing was measured
   */
  public record SupplyAssessment(
      SupplyVerdict verdict,
      double probability,
      Optional<Double> heatShare,
      List<String> because) {}

  /**
   * What leads.
   *
   * @param part a part's id, {@code supply}, {@code unit} when nothing is wrong, or {@code
   *     not-on-sheet}
   * @param mode in kebab case: a fault mode, a supply verdict, {@code sound} or {@code unknown}
   * @param probability capped at 0.9 while readings misfit
   * @param confirmed whether a test on the suspect itself has failed that a sound one would have
   *     passed
   * @param alternatives what else would read the same
   */
  public record Leading(
      String part,
      String mode,
      String title,
      double probability,
      boolean confirmed,
      List<Alternative> alternatives) {

    public Leading {
      // what was kept before they were told
      alternatives = alternatives == null ? List.of() : List.copyOf(alternatives);
    }
  }

  /**
   * What else would read the same as the leading suspect.
   *
   * @param text in words: {@code the wire at it is still on}
   * @param odds how probable it is; empty for what was done otherwise than told
   */
  public record Alternative(String text, Optional<Double> odds) {}

  /**
   * The potential along a chain.
   *
   * @param situation the state it is drawn in
   * @param reference the point potentials are measured against
   * @param treads the points in the order they are met
   * @param risers the part between each point and the next
   */
  public record Staircase(
      String id,
      String title,
      String situation,
      String reference,
      List<Tread> treads,
      List<Riser> risers) {}

  /**
   * A point of a chain, volts against its reference.
   *
   * @param expected in the sound, nominal unit (V)
   * @param estimated what is now believed: the median (V)
   * @param low a tenth of the belief lies below (V)
   * @param high a tenth lies above (V)
   * @param measured read, or summed from the readings next to it (V)
   * @param uncertainty of {@code measured}, two standard deviations (V)
   * @param read with a probe at this very point (V); nothing that was summed, or read where it
   *     arrives
   */
  public record Tread(
      String point,
      double expected,
      double estimated,
      double low,
      double high,
      Optional<Double> measured,
      Optional<Double> uncertainty,
      Optional<Double> read) {}

  /**
   * A part of a chain.
   *
   * @param ifSound what a voltmeter reads across it in the sound, nominal unit (V)
   * @param ifOpen what it reads if this part alone is open (V)
   * @param ohmsIfSound what an ohmmeter reads across it, by itself in the sheet's first isolated
   *     situation (ohm)
   * @param amperesIfSound what flows through it in the sound, nominal unit (A)
   */
  public record Riser(
      String part, double ifSound, double ifOpen, double ohmsIfSound, double amperesIfSound) {}

  /**
   * Kirchhoff's account of a chain: the source against the drops read.
   *
   * @param remainderVolts source less drops (V)
   * @param uncertaintyVolts of the remainder, two standard deviations (V)
   */
  public record Account(
      String path,
      double sourceVolts,
      double dropsVolts,
      double remainderVolts,
      double uncertaintyVolts,
      String text) {}

  /**
   * Something to mind about a piece of evidence.
   *
   * @param evidence ids of what it is about
   */
  public record Flag(Kind kind, List<String> evidence, String text) {

    /** The traps of the trade. */
    public enum Kind {
      /** It does not fit the rest. */
      SLIP,
      /** It fits a probe that touched nothing. */
      NO_CONTACT,
      /** It fits a probe on the point next to it. */
      NEXT_POINT,
      MISFIT,
      BUZZER,
      WRONG_RANGE,
      WRONG_FUNCTION,
      PARALLEL_PATH,
      NO_CURRENT,
      GHOST,
      HAZARD,
      BYPASS_SUSPECTED,
      TWO_FAULTS,
      /** Off its value, and no reason for the complaint. */
      NOTICED,
      /** A complaint that what is found does not bring about. */
      UNEXPLAINED,
      /** Its own tests contradict each other. */
      CONTRADICTION;

      @Override
      public String toString() {
        return Kebab.of(this);
      }
    }
  }
}
