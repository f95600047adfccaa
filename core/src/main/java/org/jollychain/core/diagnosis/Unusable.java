package org.jollychain.core.diagnosis;

import java.util.List;
import java.util.Optional;
import org.jollychain.core.diagnosis.Assessment.Flag;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;

/**
 * Readings that are no evidence: a meter cannot show what it was not set to. Each is said with what
 * to do instead.
 */
final class Unusable {

  private static final double LIVE_VOLTS = 2;

  /** A sound part of more than this share of what still sounds may leave the buzzer silent. */
  private static final double SILENT_SHARE = 0.5;

  private final UnitModel unit;
  private final Sheet sheet;

  Unusable(UnitModel unit) {
    this.unit = unit;
    this.sheet = unit.sheet();
  }

  /** Why a reading is no evidence, if that has to be said. */
  Optional<Flag> flag(Reading r) {
    boolean live = sheet.situation(r.situation()).supplyOn();
    MeterFunction function = r.probe().function();
    boolean volts = function.dimension() == Dimension.VOLTS;
    if (function.needsDeadCircuit() && live) {
      return flag(
          Flag.Kind.HAZARD,
          r,
          "Never %s on a live circuit: it harms the meter and you, and the reading says nothing. Isolate, prove dead, then read."
              .formatted(function.word()));
    }
    if (!live && volts && r.shown() instanceof Shown.Figure f && Math.abs(f.value()) > LIVE_VOLTS) {
      return flag(
          Flag.Kind.HAZARD,
          r,
          "%s with the unit isolated: it is not dead. Stop, find what feeds it, lock it off and prove it dead."
              .formatted(Wording.said(sheet, r)));
    }
    if (!function.needsDeadCircuit() && r.shown() instanceof Shown.OverLimit) {
      return flag(
          Flag.Kind.WRONG_RANGE,
          r,
          "OL on %s is a range too small, and no open circuit: choose a larger one and read again. Treat it as live."
              .formatted(function.word()));
    }
    if (live && volts && (function == MeterFunction.VOLTS_DC) != sheet.supply().dc()) {
      return flag(
          Flag.Kind.WRONG_FUNCTION,
          r,
          "%s on a %s circuit shows next to nothing, whatever is there: set the meter to %s and read again."
              .formatted(
                  function.word(),
                  sheet.supply().dc() ? "direct-current" : "alternating-current",
                  MeterFunction.voltsOf(sheet.supply()).word()));
    }
    return buzzerIsBlind(r)
        ? flag(
            Flag.Kind.BUZZER,
            r,
            "A buzzer cannot tell a sound %s from an open one: read its ohms."
                .formatted(sheet.part(r.probe().part().orElseThrow()).title()))
        : Optional.empty();
  }

  /** Silence, or OL beside it, across what has more ohms than the buzzer minds. */
  private boolean buzzerIsBlind(Reading r) {
    boolean silent =
        r.shown() instanceof Shown.OverLimit || r.shown() instanceof Shown.Buzzer b && !b.sounds();
    if (r.probe().function() != MeterFunction.CONTINUITY || !silent) {
      return false;
    }
    Optional<Part> part = r.probe().part().map(sheet::part).filter(p -> !p.actsAsLink());
    Meter meter = r.meter();
    return part.isPresent()
        && unit.in(r.situation()).ohms(part.get().id()).re() > SILENT_SHARE * meter.buzzerOhms();
  }

  /** Nothing that was read, or either way by right. */
  boolean saysNothing(Reading r) {
    return r.shown() instanceof Shown.Nothing
        || r.probe().function() == MeterFunction.CELSIUS
        || r.probe().eitherWay(sheet);
  }

  private static Optional<Flag> flag(Flag.Kind kind, Reading reading, String text) {
    return Optional.of(new Flag(kind, List.of(reading.id()), text));
  }
}
