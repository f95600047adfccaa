package org.jollychain.core.evidence;

import java.util.Optional;
import java.util.Set;
import org.jollychain.core.guide.Check;
import org.jollychain.core.network.Probe;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.quantity.PlainText;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;

/**
 * What may be asked of a unit next; the answer is evidence, an outcome of a check of the guide, or
 * a fact of the unit.
 */
public sealed interface Question {

  /** How it is asked. */
  enum Kind {
    MEASURE,
    RUNS,
    LOOK,
    CODE,
    CHECK,
    PLATE;

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }

  Kind kind();

  /** What is done with each kind; a new kind has to be answered for everywhere. */
  <R> R as(Kinds<R> kinds);

  /** An answer for every kind of question. */
  interface Kinds<R> {

    R measure(Measure measure);

    R runs(Runs runs);

    R look(Look look);

    R code(Code code);

    R check(GuideCheck check);

    R plate(Plate plate);
  }

  /** A name that says what is asked, the same at every time. */
  String id();

  /** In words: {@code AC volts across the high limit}. */
  String title(Sheet sheet);

  /** The situation in which it is asked. */
  String situation();

  /** The part it is about, where it is about one. */
  Optional<String> part();

  /** Where the probes are, where it is measured. */
  default Optional<Probe> probe() {
    return Optional.empty();
  }

  /** Whether it is asked as the unit stands, with power or without. */
  default boolean asItStands() {
    return false;
  }

  /** Whether a part's terminals are put on again first. */
  default boolean reseated() {
    return false;
  }

  /**
   * What does the meter show there?
   *
   * @param at where the probes are, and how the unit stands
   * @param reseated once the terminals of the part were taken off and put on again
   */
  record Measure(Probe at, boolean reseated) implements Question {

    /** As the unit is found. */
    public Measure(Probe at) {
      this(at, false);
    }

    @Override
    public Kind kind() {
      return Kind.MEASURE;
    }

    @Override
    public <R> R as(Kinds<R> kinds) {
      return kinds.measure(this);
    }

    @Override
    public String id() {
      // with wires off it is that part alone, whatever else is between the same points
      String where =
          at.function().clamps() || !at.liftedAt().isEmpty()
              ? at.part().orElse(at.red() + " " + at.black())
              : at.red() + " " + at.black();
      String lifted = at.liftedAt().isEmpty() ? "" : " lifted " + String.join(" ", at.liftedAt());
      String warm = at.celsius().map(c -> " at %.0f C".formatted(c)).orElse("");
      String again = reseated ? " reseated" : "";
      return "%s %s %s%s%s%s".formatted(at.function(), where, at.situation(), lifted, warm, again);
    }

    @Override
    public String title(Sheet sheet) {
      String word = at.function().word();
      String said = PlainText.sentence(word);
      if (at.part().isEmpty()) {
        return "%s from %s to %s".formatted(said, at.red(), at.black());
      }
      String how =
          reseated
              ? ", its terminals put on again"
              : at.celsius().map(" at %.0f °C"::formatted).orElse("");
      return "%s %s the %s%s"
          .formatted(
              said,
              at.function().clamps() ? "through" : "across",
              sheet.part(at.part().get()).title(),
              how);
    }

    @Override
    public String situation() {
      return at.situation();
    }

    @Override
    public Optional<String> part() {
      return at.part();
    }

    @Override
    public Optional<Probe> probe() {
      return Optional.of(at);
    }
  }

  /** Does a load run? */
  record Runs(String load, String situation) implements Question {

    @Override
    public Kind kind() {
      return Kind.RUNS;
    }

    @Override
    public <R> R as(Kinds<R> kinds) {
      return kinds.runs(this);
    }

    @Override
    public String id() {
      return "runs %s %s".formatted(load, situation);
    }

    @Override
    public String title(Sheet sheet) {
      Part asked = sheet.part(load);
      return asked.kind().asked(asked.title());
    }

    @Override
    public Optional<String> part() {
      return Optional.of(load);
    }
  }

  /** What does a part look like? */
  record Look(String at, String situation) implements Question {

    @Override
    public Kind kind() {
      return Kind.LOOK;
    }

    @Override
    public <R> R as(Kinds<R> kinds) {
      return kinds.look(this);
    }

    @Override
    public String id() {
      return "look " + at;
    }

    @Override
    public String title(Sheet sheet) {
      return "Look at the %s and its terminals".formatted(sheet.part(at).title());
    }

    @Override
    public Optional<String> part() {
      return Optional.of(at);
    }
  }

  /** Which code does the unit display? */
  record Code(String situation) implements Question {

    @Override
    public Kind kind() {
      return Kind.CODE;
    }

    @Override
    public <R> R as(Kinds<R> kinds) {
      return kinds.code(this);
    }

    @Override
    public String id() {
      return "code " + situation;
    }

    @Override
    public String title(Sheet sheet) {
      return "Which code does it show?";
    }

    @Override
    public Optional<String> part() {
      return Optional.empty();
    }
  }

  /**
   * What comes of a check of the guide?
   *
   * @param check of the guide
   * @param situation of the unit as it is made; any where its power does not matter
   * @param access what has to be open for it, by id, in the order it is opened
   */
  record GuideCheck(Check check, String situation, Set<String> access) implements Question {

    @Override
    public Kind kind() {
      return Kind.CHECK;
    }

    @Override
    public <R> R as(Kinds<R> kinds) {
      return kinds.check(this);
    }

    @Override
    public String id() {
      return "check " + check.id();
    }

    @Override
    public String title(Sheet sheet) {
      return check.title();
    }

    @Override
    public Optional<String> part() {
      return Optional.empty();
    }

    @Override
    public boolean asItStands() {
      return check.power() == Check.Power.ANY;
    }

    @Override
    public boolean equals(Object other) {
      return other instanceof GuideCheck o && o.id().equals(id());
    }

    @Override
    public int hashCode() {
      return id().hashCode();
    }
  }

  /** What does the plate or the paper say of a part? */
  record Plate(String of, String situation) implements Question {

    @Override
    public Kind kind() {
      return Kind.PLATE;
    }

    @Override
    public <R> R as(Kinds<R> kinds) {
      return kinds.plate(this);
    }

    @Override
    public String id() {
      return "plate " + of;
    }

    @Override
    public String title(Sheet sheet) {
      return "What do plate or paper say of the %s?".formatted(sheet.part(of).title());
    }

    @Override
    public boolean asItStands() {
      return true;
    }

    @Override
    public Optional<String> part() {
      return Optional.of(of);
    }
  }
}
