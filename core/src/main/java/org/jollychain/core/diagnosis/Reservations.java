package org.jollychain.core.diagnosis;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.inference.KnownUnit;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.unit.TradeBand;

/** What keeps a part from being called good, by what is not known of this unit. */
record Reservations(Sheet sheet, KnownUnit unit) {

  /**
   * @param verdict sound or passes, as the readings say
   * @param because takes the reason, where it is less
   */
  Verdict on(Part part, List<Reading> own, Verdict verdict, List<String> because) {
    Optional<Set<String>> unlike =
        unit.unlike().stream().filter(like -> like.contains(part.id())).findFirst();
    if (unlike.isPresent()) {
      because.add(
          "It should be like the %s, but their readings differ: one has another rating, or is bad. What do their plates say?"
              .formatted(
                  unlike.get().stream()
                      .filter(other -> !other.equals(part.id()))
                      .map(other -> sheet.part(other).title())
                      .sorted()
                      .collect(Collectors.joining(", "))));
      return Verdict.UNCLEAR;
    }
    if (unit.odd().contains(part.id())) {
      TradeBand band = TradeBand.of(part).orElseThrow();
      because.add(
          "Unusual for this sheet: such parts mostly have %s to %s. What does its plate or the maker's paper say?"
              .formatted(Dimension.OHMS.round(band.low()), Dimension.OHMS.round(band.high())));
      return Verdict.UNCLEAR;
    }
    if (verdict == Verdict.SOUND && unit.among().contains(part.id())) {
      because.add("Read with the rest of the circuit across it: by itself it is not tested yet.");
      return Verdict.PASSES;
    }
    if (verdict == Verdict.SOUND && unit.warmth().containsKey(part.id())) {
      because.add(
          "Neither open nor short. It would be right at %.0f C: how warm was it when it was read?"
              .formatted(unit.warmth().get(part.id())));
      return Verdict.PASSES;
    }
    boolean cold =
        own.stream().anyMatch(r -> r.probe().function() == MeterFunction.OHMS)
            && own.stream().allMatch(r -> r.probe().function().needsDeadCircuit());
    if (verdict == Verdict.SOUND && cold && part.kind().is(PartKind.Trait.FAILS_HOT)) {
      because.add("Sound cold. One that fails hot has the same ohms cold: watch it work.");
      return Verdict.PASSES;
    }
    return verdict;
  }
}
