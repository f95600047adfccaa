package org.jollychain.core.diagnosis;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jollychain.core.diagnosis.Assessment.SupplyAssessment;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.fault.SupplyFault;
import org.jollychain.core.inference.Counterfactuals;
import org.jollychain.core.inference.MeasurementModel;
import org.jollychain.core.inference.Posterior;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Probe;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.ServiceBand;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Supply;
import org.jollychain.core.sheet.SupplySystem;

/**
 * What the evidence says of what feeds the unit, from any of the readings between its terminals.
 */
final class SupplyJudgement {

  private static final Thresholds LIMITS = Thresholds.USUAL;

  /** So far off nominal, its tolerance left out, a sound supply may be. */
  private static final double SOUND_SHARE = 0.08;

  private final Sheet sheet;
  private final MeasurementModel measurements;
  private final Posterior posterior;

  SupplyJudgement(MeasurementModel measurements, Posterior posterior) {
    this.sheet = measurements.unit().sheet();
    this.measurements = measurements;
    this.posterior = posterior;
  }

  SupplyAssessment judge() {
    List<Reading> live = new ArrayList<>();
    for (Evidence e : posterior.evidence()) {
      if (e instanceof Reading r
          && r.probe().function().dimension() == Dimension.VOLTS
          && r.probe().atTerminals(sheet)) {
        live.add(r);
      }
    }
    boolean atPlug =
        live.stream()
            .map(Reading::probe)
            .anyMatch(
                p -> sheet.supply().terminals().values().containsAll(List.of(p.red(), p.black())));
    double fault = posterior.probability(h -> fault(h, atPlug).isPresent());
    List<String> because = new ArrayList<>();
    live.forEach(r -> because.add(reason(r)));
    Optional<Double> heat = live.stream().findFirst().map(r -> heatShare(r));
    heat.ifPresent(
        h ->
            because.add(
                "Heat goes with the square of the voltage: %s of nominal."
                    .formatted(Dimension.SHARE.format(h))));
    Optional<SupplyVerdict> blamed =
        fault < LIMITS.blamed()
            ? Optional.empty()
            : Arrays.stream(SupplyFault.values())
                .max(Comparator.comparingDouble(f -> probability(f, atPlug)))
                .flatMap(f -> Kebab.read(SupplyVerdict.class, f.toString()));
    double ifDead = new Counterfactuals(posterior).ratioIfAlso("supply", dead());
    SupplyVerdict verdict =
        blamed.orElse(
            !live.isEmpty()
                    && fault < LIMITS.doubted()
                    && ifDead < LIMITS.excluded()
                    && last(live).allMatch(this::nearNominal)
                ? SupplyVerdict.SOUND
                : SupplyVerdict.UNMEASURED);
    blamed
        .flatMap(v -> Kebab.read(SupplyFault.class, v.toString()))
        .ifPresent(f -> because.add(SupplyAdvice.of(f, sheet.supply().system())));
    if (because.isEmpty()) {
      because.add("No supply reading yet.");
    }
    return new SupplyAssessment(verdict, fault, heat, because);
  }

  private double probability(SupplyFault kind, boolean atPlug) {
    return posterior.probability(h -> fault(h, atPlug).filter(kind::equals).isPresent());
  }

  /** What an open cord does to the unit's terminals is the supply's, until the plug was read. */
  private Optional<SupplyFault> fault(Hypothesis h, boolean atPlug) {
    return atPlug || h.supplyFault().isPresent()
        ? h.supplyFault()
        : h.ofParts()
            .filter(f -> f.opens() && sheet.part(f.part()).kind() == PartKind.CORD)
            .map(f -> lost(sheet.terminalAt(sheet.part(f.part()).from()).orElseThrow()))
            .findFirst();
  }

  private SupplyFault lost(String terminal) {
    if (terminal.equals("neutral") && sheet.supply().system() == SupplySystem.SPLIT_PHASE) {
      return SupplyFault.OPEN_NEUTRAL;
    }
    return sheet.supply().lines().size() > 1 ? SupplyFault.DEAD_LEG : SupplyFault.DEAD;
  }

  /** What was read again counts as it was read last. */
  private static Stream<Reading> last(List<Reading> live) {
    Map<Probe, Reading> last = new LinkedHashMap<>();
    live.stream()
        .sorted(Comparator.comparing(r -> r.at().orElse(Instant.MIN)))
        .forEach(r -> last.put(r.probe(), r));
    return last.values().stream();
  }

  /** Nothing far from nominal is called sound, whatever explains it. */
  private boolean nearNominal(Reading r) {
    Supply supply = sheet.supply();
    double below = SOUND_SHARE + supply.tolerance();
    double above =
        supply.system() == SupplySystem.TRANSFORMER
            ? Math.max(below, ServiceBand.CONTROL_TRANSFORMER.above())
            : below;
    double loaded = Math.abs(measurements.line(List.of(), r.probe()).mean());
    // what is open behind it takes its load off
    double unloaded = r.probe().atOuterTerminals(sheet) ? Math.max(loaded, supply.volts()) : loaded;
    return !(r.shown() instanceof Shown.Figure f)
        || Math.abs(f.value()) > loaded - below * supply.volts()
            && Math.abs(f.value()) < unloaded + above * supply.volts();
  }

  /**
   * What a heater between the outer terminals gets of its nominal power, by the voltage that is now
   * believed there, whichever terminals were read.
   */
  private double heatShare(Reading live) {
    Probe outer = Probe.arriving(sheet, live.situation());
    double volts = posterior.believed(posterior.believable().get(0), outer).mean();
    return Math.pow(volts / sheet.supply().volts(), 2);
  }

  private String reason(Reading r) {
    double sound = measurements.line(List.of(), r.probe()).mean();
    return "%s, nominal %s.".formatted(Wording.said(sheet, r), Dimension.VOLTS.format(sound));
  }

  private MeasurementModel.Counterfactual dead() {
    Change open = Change.open(Supply.conductor(sheet.supply().system().outward()));
    return new MeasurementModel.Counterfactual(-1, List.of(open));
  }
}
