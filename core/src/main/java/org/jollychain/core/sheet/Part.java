package org.jollychain.core.sheet;

import java.util.List;
import java.util.Optional;

/**
 * A two-terminal thing between two points.
 *
 * @param title its name in words
 * @param from the point at its {@code between}'s first place
 * @param to the point at its second
 * @param madeWhen the commands under which its contact is made
 * @param thermal at what temperatures its contact acts, where it is thermal
 * @param feels the temperature place a thermal part or a sensor feels
 * @param load its rating, where it is a load
 * @param winding where it is the secondary of a transformer
 * @param curve ohms over temperature, where it is a sensor
 * @param tolerance half-width of its band, as a share (loads and sensors)
 * @param body parts with the same body are one physical thing
 * @param partners parts that are renewed together with it
 * @param baseRate weight that overrides the kind's
 * @param caseLeak true where it can leak to the case
 */
public record Part(
    String id,
    PartKind kind,
    String title,
    String from,
    String to,
    MadeWhen madeWhen,
    Optional<ThermalRating> thermal,
    String feels,
    Optional<LoadRating> load,
    Optional<Winding> winding,
    Optional<SensorCurve> curve,
    double tolerance,
    Optional<String> access,
    Optional<String> body,
    List<String> partners,
    Optional<Double> baseRate,
    boolean caseLeak,
    String notes) {

  /** The same part with another weight among the culprits. */
  public Part weighing(double rate) {
    return new Part(
        id,
        kind,
        title,
        from,
        to,
        madeWhen,
        thermal,
        feels,
        load,
        winding,
        curve,
        tolerance,
        access,
        body,
        partners,
        Optional.of(rate),
        caseLeak,
        notes);
  }

  public boolean actsAsLink() {
    return kind.role() == PartKind.Role.LINK;
  }

  public boolean actsAsLoad() {
    return kind.role() == PartKind.Role.LOAD;
  }

  /** Whether it opens or closes by heat and comes back so. */
  public boolean comesBack(ThermalRating.Reset how) {
    return thermal.filter(t -> t.reset() == how).isPresent();
  }

  public boolean touches(String point) {
    return from.equals(point) || to.equals(point);
  }

  /** The other end of it. */
  public String otherEnd(String point) {
    return from.equals(point) ? to : from;
  }

  /** True where voltage arises in it. */
  public boolean actsAsSource() {
    return kind.role() == PartKind.Role.SOURCE;
  }

  /** What a sound one of these does in a situation; all but links always pass. */
  public ContactState stateIn(Situation situation) {
    if (!actsAsLink()) {
      return ContactState.CLOSED;
    }
    if (!madeWhen.holds(situation.commands())) {
      return ContactState.OPEN;
    }
    return thermal.map(t -> t.stateAt(situation.celsiusAt(feels))).orElse(ContactState.CLOSED);
  }
}
