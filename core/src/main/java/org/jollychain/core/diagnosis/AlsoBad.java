package org.jollychain.core.diagnosis;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jollychain.core.fault.Hypotheses;
import org.jollychain.core.inference.MeasurementModel.Counterfactual;
import org.jollychain.core.network.Change;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.unit.TradeBand;

/** What a bad part would be like, for every part of a sheet: what a good one has to contradict. */
final class AlsoBad {

  /** A link this bad must have shown, as a share of what it is in series with. */
  private static final double BAD_SHARE = 0.05;

  private static final int MOST_LOADS_BY_THEMSELVES = 3;

  /** That so many of the loads behind a link are all open is not thought of. */
  private static final int MOST_LOADS_TOGETHER = 12;

  private static final double SMALLEST_BAD_OHMS = 0.1;

  private static final double[] BAD_LOAD = {0.68, 1.4};

  private AlsoBad() {}

  /**
   * For every part what a bad one would be like, open first. A link is also tried with the loads it
   * feeds open, each and all: only evidence that rules this out as well has shown that current
   * flowed.
   */
  static Map<String, List<Counterfactual>> of(Sheet sheet, Hypotheses hypotheses, boolean example) {
    Map<String, List<Counterfactual>> all = new HashMap<>();
    int next = 0;
    for (Part part : sheet.parts().values()) {
      List<List<Change>> bad = new ArrayList<>(List.of(List.of(Change.open(part.id()))));
      if (part.actsAsLink()) {
        double ohms = Math.max(BAD_SHARE * hypotheses.loopOhms(part.id()), SMALLEST_BAD_OHMS);
        Change dropping = Change.dropping(part.id(), ohms);
        List<Change> noCurrent = new ArrayList<>(List.of(dropping));
        bad.add(List.of(dropping));
        List<String> loads =
            hypotheses.loadsOf(part.id()).stream().limit(MOST_LOADS_TOGETHER).toList();
        for (String load : loads) {
          if (loads.size() <= MOST_LOADS_BY_THEMSELVES) {
            bad.add(List.of(dropping, Change.open(load)));
          }
          noCurrent.add(Change.open(load));
        }
        bad.add(noCurrent);
      } else {
        for (double factor : example ? beyondBand(part) : BAD_LOAD) {
          bad.add(List.of(Change.scaled(part.id(), factor)));
        }
      }
      List<Counterfactual> ofPart = new ArrayList<>();
      for (List<Change> changes : bad) {
        ofPart.add(new Counterfactual(next++, changes));
      }
      all.put(part.id(), List.copyOf(ofPart));
    }
    return all;
  }

  /** So many times its ohms that no sound one of its kind has them. */
  private static double[] beyondBand(Part part) {
    return TradeBand.of(part)
        .map(
            band -> {
              double ohms = part.load().orElseThrow().coldOhms();
              return new double[] {
                BAD_LOAD[0] * band.least() / ohms, BAD_LOAD[1] * band.most() / ohms
              };
            })
        .orElse(BAD_LOAD);
  }
}
