package org.jollychain.core.diagnosis;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.inference.KnownUnit;
import org.jollychain.core.inference.MeasurementModel;
import org.jollychain.core.network.Network;
import org.jollychain.core.network.ParameterSample;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.unit.UnitFacts;

/**
 * The units of one sheet, each with what every reading should be on it: the sheet's example, and
 * those that were met, as far as they are known.
 */
final class UnitsMet {

  /** The lines of so many that were met last are kept. */
  private static final int MOST_UNITS = 24;

  /** About what a soft supply lines are drawn (standard deviations). */
  private static final double SO_SOFT = 2;

  private final UnitModel unit;
  private final Sheet sheet;
  private final boolean isExample;
  private final KnownUnit example;
  private final Lines ofSheet;
  private final Cache<Unit, Lines> units = Caffeine.newBuilder().maximumSize(MOST_UNITS).build();

  /**
   * @param unit the sheet's
   * @param isExample whether a unit may differ from it as the trade's bands go
   */
  UnitsMet(UnitModel unit, boolean isExample, List<Hypothesis> hypotheses) {
    this.unit = unit;
    this.sheet = unit.sheet();
    this.isExample = isExample;
    this.example =
        isExample ? KnownUnit.of(unit, UnitFacts.NONE, List.of()) : KnownUnit.AS_ON_SHEET;
    UnitModel known = isExample ? new UnitModel(example.on(sheet)) : unit;
    this.ofSheet = new Lines(new MeasurementModel(known, hypotheses));
  }

  /** Of the unit of which nothing but its sheet is known. */
  Lines example() {
    return ofSheet;
  }

  /** A unit as far as it differs from the sheet's example. */
  private record Unit(UnitFacts facts, Map<String, KnownUnit.Value> values) {}

  /** What every reading should be on one unit; on a soft supply once that is called for. */
  static final class Lines {
    private final MeasurementModel usual;
    private volatile Optional<MeasurementModel> soft = Optional.empty();

    Lines(MeasurementModel usual) {
      this.usual = usual;
    }

    MeasurementModel usual() {
      return usual;
    }

    MeasurementModel onSoftSupply() {
      if (soft.isEmpty()) {
        ParameterSample about = name -> name.equals(Network.SOURCE_OHMS) ? SO_SOFT : 0;
        soft = Optional.of(new MeasurementModel(usual.unit().sheet(), about, usual.hypotheses()));
      }
      return soft.get();
    }
  }

  /** Evidence, and the unit that it is of. */
  record Known(KnownUnit unit, Lines lines, List<Evidence> evidence) {}

  Known known(List<Evidence> usable, UnitFacts facts) {
    if (!isExample) {
      return new Known(example, ofSheet, usable);
    }
    KnownUnit known = KnownUnit.of(unit, facts, usable);
    return new Known(known, lines(known, facts), known.warmed(facts.on(sheet), usable));
  }

  private Lines lines(KnownUnit known, UnitFacts facts) {
    return facts.byPart().isEmpty() && known.values().equals(example.values())
        ? ofSheet
        : units.get(
            new Unit(facts, known.values()),
            u ->
                new Lines(
                    new MeasurementModel(
                        new UnitModel(known.on(u.facts.on(sheet))), ofSheet.usual.hypotheses())));
  }

  /**
   * The same unit with a part taken as it was read: what is known of it is no longer weighed.
   *
   * @param ohms of it, where it is a load (ohm)
   */
  Known aside(Known known, UnitFacts facts, String part, Optional<Double> ohms) {
    KnownUnit unitNow = ohms.map(o -> known.unit.with(part, o)).orElse(known.unit);
    List<Evidence> others =
        known.evidence.stream().filter(e -> ohms.isPresent() || !isOf(e, part)).toList();
    return new Known(unitNow, lines(unitNow, facts), others);
  }

  private static boolean isOf(Evidence e, String part) {
    return e instanceof Reading r && r.probe().part().filter(part::equals).isPresent();
  }
}
