package org.jollychain.core.inference;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.evidence.CodeShown;
import org.jollychain.core.evidence.ComplaintTold;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.guide.Cause;
import org.jollychain.core.guide.Check;
import org.jollychain.core.guide.CheckMade;
import org.jollychain.core.guide.Guide;
import org.jollychain.core.guide.GuideFindings;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.Sheet;

/**
 * What the guide's checks tell of a hypothesis of the circuit. Behind a link that opened stands one
 * of the causes that open such links; behind a sound circuit that runs badly one of those that need
 * no failed part; behind any other fault none. So with shares {@code P(c | h)} by the guide's
 * weights, what was found is as likely as
 *
 * <pre>{@code P(found | h) = sum over c of P(c | h) times the product of P(outcome | c)}</pre>
 *
 * and a fault behind which no cause stands has every check's {@code otherwise}.
 */
public final class CauseModel {

  /** From here on a cause is found. */
  public static final double FOUND = 0.9;

  /** One that a check shows outright is found once it, with what else was seen, is so probable. */
  public static final double SEEN = 0.8;

  /** The weight of what the guide does not know, as a share of what it does. */
  public static final double UNKNOWN = 0.05;

  /**
   * The same where what opened wears out by itself: a contact, a joint, a coil. As many open of age
   * as by what a guide knows; common practice, no source.
   */
  private static final double OF_AGE = 1;

  /** A cause that is the very fault of a hypothesis counts so many times. */
  private static final double ITSELF = 40;

  /** A cause that was said to be found is so many times likelier than without that word. */
  private static final double TOLD = 20;

  /**
   * How likely what is complained of stays where all that brought it about was put right: the work
   * was not done well, or not to the end.
   */
  private static final double STAYS = 0.02;

  /** No outcome is rarer (a probability), whatever a guide says. */
  private static final double RAREST = 1e-3;

  private final Sheet sheet;
  private final List<Complaint> told;
  private final boolean code;
  private final List<Cause> causes;
  private final List<Check> checks;

  /** The causes that a check showed outright, or that were said to be found. */
  private final Set<String> shown;

  /** The causes that were put right, after which what is complained of stayed. */
  private final Set<String> putRight;

  /** How much likelier what was found is with each cause than with none of them. */
  private final double[] ratios;

  private CauseModel(
      Sheet sheet, Guide guide, GuideFindings findings, List<Complaint> told, boolean code) {
    this.sheet = sheet;
    this.told = told;
    this.code = code;
    this.causes =
        guide.causes().values().stream()
            .filter(c -> c.fits(sheet.identify()))
            .filter(c -> c.from().isEmpty() || onSheet(c))
            .toList();
    this.checks =
        guide.checks().values().stream().filter(c -> c.applies().to(sheet, told)).toList();
    this.putRight = findings.putRight();
    this.shown = new HashSet<>(findings.causes());
    findings.checks().stream()
        .filter(made -> guide.checks().containsKey(made.check()))
        .map(made -> guide.checks().get(made.check()).shows().get(made.outcome()))
        .filter(Objects::nonNull)
        .forEach(shown::add);
    this.ratios = causes.stream().mapToDouble(c -> ratio(c, guide, findings)).toArray();
  }

  /**
   * @param complaint what the job was opened with, an id of the sheet's complaints
   * @param evidence all that stands
   * @return empty where there is no guide
   */
  public static Optional<CauseModel> of(
      Sheet sheet,
      GuideFindings findings,
      Optional<String> complaint,
      List<? extends Evidence> evidence) {
    List<Complaint> told = ComplaintTold.all(sheet, complaint, evidence);
    boolean code =
        evidence.stream().anyMatch(e -> e instanceof CodeShown c && c.code().isPresent());
    return findings.guide().map(g -> new CauseModel(sheet, g, findings, told, code));
  }

  /** Whether the guide knows what brings the complaint about with no part failed. */
  public boolean outside() {
    return causes.stream().anyMatch(this::outside);
  }

  /**
   * Whether it is thought of where no part has failed: it brings about what is complained of, or
   * the unit runs, but badly, or shows a code.
   */
  public boolean outside(Cause cause) {
    return needsNoFault(cause) && (code || bringsAbout(cause));
  }

  /** Whether the guide knows what brings the very complaint about while every part is sound. */
  public boolean bringsAbout() {
    return causes.stream().anyMatch(c -> needsNoFault(c) && bringsAbout(c));
  }

  private static boolean needsNoFault(Cause cause) {
    return cause.soundCircuit() && cause.from().isEmpty();
  }

  private boolean bringsAbout(Cause cause) {
    return told.stream()
        .anyMatch(
            c ->
                cause.complaints().isEmpty()
                    ? !c.suspects().isEmpty() && !c.runs().isEmpty()
                    : cause.complaints().contains(c.id()));
  }

  private static double ratio(Cause cause, Guide guide, GuideFindings findings) {
    double ratio = findings.causes().contains(cause.id()) ? TOLD : 1;
    for (CheckMade made : findings.checks()) {
      Check check = guide.checks().get(made.check());
      int at = check == null ? -1 : check.indexOf(made.outcome());
      if (at >= 0) {
        ratio *=
            Math.max(RAREST, check.likelihood(cause.id())[at])
                / Math.max(RAREST, check.otherwise()[at]);
      }
    }
    return ratio;
  }

  private boolean onSheet(Cause cause) {
    return sheet.parts().values().stream().anyMatch(p -> p.kind() == cause.from().get().kind());
  }

  /** The causes, in the order of the guide. */
  public List<Cause> causes() {
    return causes;
  }

  /** Whether a check showed a cause outright, or it was said to be found. */
  public boolean shown(String cause) {
    return shown.contains(cause);
  }

  /** The checks that are meant for this sheet and complaint, in the order of the guide. */
  public List<Check> checks() {
    return checks;
  }

  /** How much likelier what was found is under a hypothesis than with no cause of the guide. */
  public double likelihood(Hypothesis h) {
    return Arrays.stream(weighed(h)).sum();
  }

  /**
   * How probable each cause is under a hypothesis, given what was found. The last entry is for
   * causes that the guide does not know, or for no cause at all.
   */
  public double[] shares(Hypothesis h) {
    double[] shares = weighed(h);
    double all = Arrays.stream(shares).sum();
    return Arrays.stream(shares).map(s -> s / all).toArray();
  }

  /**
   * How probable each cause is where no link opened. A cause is either outside of a sound circuit,
   * or it is itself a fault of the circuit. The last entry is for everything else.
   *
   * @param beliefs what is believed of the circuit, what was found by the guide considered
   */
  public double[] probabilities(List<Posterior.Entry> beliefs) {
    double[] p = new double[causes.size() + 1];
    for (Posterior.Entry b : beliefs) {
      Hypothesis h = b.hypothesis();
      double[] shares = shares(h);
      for (int i = 0; i < shares.length; i++) {
        boolean counts =
            i < causes.size() && (h.kind() == Hypothesis.Kind.SOUND || isItself(causes.get(i), h));
        p[counts ? i : causes.size()] += b.probability() * shares[i];
      }
    }
    return p;
  }

  /** How probable each outcome of a check is under a hypothesis. */
  public double[] outcomes(Check check, Hypothesis h) {
    double[] shares = shares(h);
    double[] outcomes = new double[check.otherwise().length];
    for (int i = 0; i < shares.length; i++) {
      if (shares[i] > 0) {
        double[] likelihood =
            i < causes.size() ? check.likelihood(causes.get(i).id()) : check.otherwise();
        for (int j = 0; j < outcomes.length; j++) {
          outcomes[j] += shares[i] * likelihood[j];
        }
      }
    }
    return outcomes;
  }

  /** Whether any cause of the guide may stand behind it. */
  public boolean explained(Hypothesis h) {
    return weighed(h)[causes.size()] < 1;
  }

  /** The shares before anything was found, each times its ratio. */
  private double[] weighed(Hypothesis h) {
    double[] weights = new double[causes.size() + 1];
    double all = 0;
    for (int i = 0; i < causes.size(); i++) {
      weights[i] = weight(causes.get(i), h);
      all += weights[i];
    }
    if (all == 0) {
      weights[causes.size()] = 1;
      return weights;
    }
    double unknown = unknown(h);
    for (int i = 0; i < causes.size(); i++) {
      weights[i] *= ratios[i] * stays(causes.get(i), h) / (all * (1 + unknown));
    }
    weights[causes.size()] = unknown / (1 + unknown);
    return weights;
  }

  /** How likely what is complained of stays after the cause was put right. */
  private double stays(Cause cause, Hypothesis h) {
    return h.kind() == Hypothesis.Kind.SOUND && putRight.contains(cause.id()) ? STAYS : 1;
  }

  /** Of the parts that opened, the one that most likely did so by itself. */
  private double unknown(Hypothesis h) {
    return causes.stream().anyMatch(c -> isItself(c, h))
        ? UNKNOWN
        : h.ofParts()
            .filter(Fault.OfPart::opens)
            .mapToDouble(f -> unknown(sheet.part(f.part()).kind()))
            .max()
            .orElse(UNKNOWN);
  }

  /**
   * The weight of what the guide does not know behind a part that opened, as a share of what it
   * knows.
   */
  public static double unknown(PartKind opened) {
    return opened.wearsOut() ? OF_AGE : UNKNOWN;
  }

  private double weight(Cause cause, Hypothesis h) {
    if (h.kind() == Hypothesis.Kind.SOUND) {
      return outside(cause) ? cause.weight() : 0;
    }
    boolean itself = isItself(cause, h);
    boolean opens =
        h.ofParts().filter(Fault.OfPart::opens).anyMatch(f -> opens(cause, sheet.part(f.part())));
    return itself ? ITSELF * cause.weight() : opens ? cause.weight() : 0;
  }

  /** Whether it is the very fault of a hypothesis. */
  private boolean isItself(Cause cause, Hypothesis h) {
    return cause.from().isPresent() && h.ofParts().anyMatch(f -> isFault(cause.from().get(), f));
  }

  private boolean isFault(Cause.FromCircuit from, Fault.OfPart fault) {
    return sheet.part(fault.part()).kind() == from.kind()
        && fault.mode().toString().equals(from.mode());
  }

  /** A cause that concerns every part says nothing of which one opened. */
  private static boolean opens(Cause cause, Part part) {
    return cause.opens().contains(part.kind());
  }
}
