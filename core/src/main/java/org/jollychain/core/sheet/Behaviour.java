package org.jollychain.core.sheet;

import java.util.Optional;

/** What a part does in the circuit; which of the four it is follows from the role of its kind. */
public sealed interface Behaviour {

  /** What a sound one does in a situation; all but contacts always pass. */
  default ContactState stateIn(Situation situation) {
    return ContactState.CLOSED;
  }

  /** Half-width of the band of its ohms, as a share; none for contacts and sources. */
  default double tolerance() {
    return 0;
  }

  /**
   * Passes current or stands open.
   *
   * @param madeWhen the commands under which it is made
   * @param thermal at what temperatures it acts, where it acts by heat
   * @param feels the temperature place it feels
   * @param ohms of it closed, where that is more than a contact's: a long run of wire (ohm)
   */
  record Contact(
      MadeWhen madeWhen, Optional<ThermalRating> thermal, String feels, Optional<Double> ohms)
      implements Behaviour {
    @Override
    public ContactState stateIn(Situation situation) {
      if (!madeWhen.holds(situation.commands())) {
        return ContactState.OPEN;
      }
      return thermal.map(t -> t.stateAt(situation.celsiusAt(feels))).orElse(ContactState.CLOSED);
    }
  }

  /**
   * Uses current.
   *
   * @param tolerance half-width of the band of its ohms, as a share
   */
  record Load(LoadRating rating, double tolerance) implements Behaviour {}

  /** Drives current, itself driven from the primary of its transformer. */
  record Source(Winding winding) implements Behaviour {}

  /**
   * Tells a control something by its ohms.
   *
   * @param curve ohms over temperature; empty where it is only touched or not (probes, bars)
   * @param feels the temperature place it feels
   * @param tolerance half-width of the band of its ohms, as a share
   */
  record Sensor(Optional<SensorCurve> curve, String feels, double tolerance) implements Behaviour {}
}
