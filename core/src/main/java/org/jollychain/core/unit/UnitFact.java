package org.jollychain.core.unit;

import java.util.Optional;
import org.jollychain.core.sheet.Behaviour;
import org.jollychain.core.sheet.LoadRating;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.SensorCurve;
import org.jollychain.core.sheet.ThermalRating;

/**
 * What the unit's own plate, the print on a part, or the maker's paper says of one part. It stands
 * in place of the sheet's example.
 */
public sealed interface UnitFact {

  /** The part as this unit has it; as on the sheet where it says nothing that is reckoned with. */
  default Part of(Part example) {
    return example;
  }

  /** Whether it takes the place of what the sheet says. */
  default boolean tells() {
    return false;
  }

  /** What it says, in plain words: {@code 8 to 30 Ω}. */
  String said();

  /**
   * Ohms of a load, cold.
   *
   * @param low the least (ohm)
   * @param high the most (ohm)
   */
  record Ohms(double low, double high, String said) implements UnitFact {

    /** A value by itself, as printed (a share). */
    static final double PRINTED_TOLERANCE = 0.1;

    @Override
    public boolean tells() {
      return true;
    }

    @Override
    public Part of(Part example) {
      return example.load().map(load -> of(example, load)).orElse(example);
    }

    private Part of(Part example, LoadRating load) {
      double middle = (low + high) / 2;
      return example.behaving(
          new Behaviour.Load(
              load.scaled(middle / load.coldOhms()), Math.max(0.01, (high - low) / 2 / middle)));
    }
  }

  /** A sensor's own table or curve. */
  record Curve(SensorCurve curve, double tolerance, String said) implements UnitFact {
    @Override
    public boolean tells() {
      return true;
    }

    @Override
    public Part of(Part example) {
      return example.behaving(new Behaviour.Sensor(Optional.of(curve), example.feels(), tolerance));
    }
  }

  /** At what a thermal contact acts, by its marking. */
  record Acts(ThermalRating rating, String said) implements UnitFact {
    @Override
    public boolean tells() {
      return true;
    }

    @Override
    public Part of(Part example) {
      return example.behaviour() instanceof Behaviour.Contact c
          ? example.behaving(
              new Behaviour.Contact(c.madeWhen(), Optional.of(rating), c.feels(), c.ohms()))
          : example;
    }
  }

  /** The amperes of a fuse or a breaker (A). */
  record Fuse(double amperes, String said) implements UnitFact {}

  /** Looked for, and nothing could be read. */
  record NotReadable() implements UnitFact {
    @Override
    public String said() {
      return "not readable";
    }
  }

  /**
   * What a code means that the unit displays.
   *
   * @param code of the sheet; empty where none of them says it
   */
  record Code(Optional<String> code, String said) implements UnitFact {}

  /** Anything else that is printed, kept as it is. */
  record Marking(String said) implements UnitFact {}
}
