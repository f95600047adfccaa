package org.jollychain.core.sheet;

import java.util.List;
import java.util.Optional;

/**
 * A two-terminal thing between two points.
 *
 * @param title its name in words
 * @param from the point at its {@code between}'s first place
 * @param to the point at its second
 * @param behaviour what it does in the circuit
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
    Behaviour behaviour,
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
        behaviour,
        access,
        body,
        partners,
        Optional.of(rate),
        caseLeak,
        notes);
  }

  /** The same part doing something else. */
  public Part behaving(Behaviour other) {
    return new Part(
        id, kind, title, from, to, other, access, body, partners, baseRate, caseLeak, notes);
  }

  public boolean actsAsLink() {
    return behaviour instanceof Behaviour.Contact;
  }

  public boolean actsAsLoad() {
    return behaviour instanceof Behaviour.Load;
  }

  /** True where voltage arises in it. */
  public boolean actsAsSource() {
    return behaviour instanceof Behaviour.Source;
  }

  /** The commands under which its contact is made; what is no contact is always made. */
  public MadeWhen madeWhen() {
    return behaviour instanceof Behaviour.Contact contact ? contact.madeWhen() : MadeWhen.ALWAYS;
  }

  /** At what temperatures it acts, where it is a contact that does. */
  public Optional<ThermalRating> thermal() {
    return behaviour instanceof Behaviour.Contact contact ? contact.thermal() : Optional.empty();
  }

  /** Its rating, where it is a load. */
  public Optional<LoadRating> load() {
    return behaviour instanceof Behaviour.Load load ? Optional.of(load.rating()) : Optional.empty();
  }

  /** Ohms over temperature, where it is a sensor that has them. */
  public Optional<SensorCurve> curve() {
    return behaviour instanceof Behaviour.Sensor sensor ? sensor.curve() : Optional.empty();
  }

  /** The temperature place it feels; the room's where it feels none. */
  public String feels() {
    return behaviour instanceof Behaviour.Sensor sensor
        ? sensor.feels()
        : behaviour instanceof Behaviour.Contact contact ? contact.feels() : "ambient";
  }

  /** Whether it opens or closes by heat and comes back so. */
  public boolean comesBack(ThermalRating.Reset how) {
    return thermal().filter(t -> t.reset() == how).isPresent();
  }

  public boolean touches(String point) {
    return from.equals(point) || to.equals(point);
  }

  /** The other end of it. */
  public String otherEnd(String point) {
    return from.equals(point) ? to : from;
  }

  /** What a sound one of these does in a situation; all but links always pass. */
  public ContactState stateIn(Situation situation) {
    return behaviour.stateIn(situation);
  }
}
