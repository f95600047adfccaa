package org.jollychain.core.diagnosis;

import java.util.List;
import org.jollychain.core.evidence.CodeShown;
import org.jollychain.core.evidence.ComplaintTold;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Inspection;
import org.jollychain.core.evidence.Observation;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.inference.MeasurementModel;
import org.jollychain.core.inference.Posterior;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.sheet.Sheet;

/** What each kind of evidence is in words, beside what was to be expected of it. */
record EvidenceInWords(MeasurementModel measurements, Posterior posterior)
    implements Evidence.Kinds<Assessment.Judged> {

  private Sheet sheet() {
    return measurements.unit().sheet();
  }

  @Override
  public Assessment.Judged reading(Reading r) {
    List<Change> leader =
        posterior.believable().get(0).hypothesis().changesIn(sheet().situation(r.situation()));
    return new Assessment.Judged(
        r.id(),
        Wording.place(sheet(), r.probe()),
        Wording.shown(r),
        would(List.of(), r),
        would(leader, r));
  }

  @Override
  public Assessment.Judged observation(Observation o) {
    return seen(o, sheet().part(o.part()).title() + " runs", o.runs().toString());
  }

  @Override
  public Assessment.Judged inspection(Inspection i) {
    return seen(i, sheet().part(i.part()).title(), i.finding().toString().replace('-', ' '));
  }

  @Override
  public Assessment.Judged code(CodeShown c) {
    return seen(
        c,
        "display",
        c.code()
            .map(k -> c.shownAs().orElse(k) + ", " + sheet().codes().get(k).title())
            .orElse("no code"));
  }

  @Override
  public Assessment.Judged complaint(ComplaintTold c) {
    return seen(c, "customer", sheet().complaints().get(c.complaint()).title());
  }

  private static Assessment.Judged seen(Evidence e, String place, String shown) {
    return new Assessment.Judged(e.id(), place, shown, "", "");
  }

  /** What a reading would show with these changes; nothing for one that is no evidence. */
  private String would(List<Change> changes, Reading r) {
    MeterFunction function = r.probe().function();
    boolean live = sheet().situation(r.situation()).supplyOn();
    if (function == MeterFunction.CELSIUS || function.needsDeadCircuit() && live) {
      return "";
    }
    if (r.probe().eitherWay(sheet())) {
      return "either";
    }
    return Wording.expected(r.meter(), function, measurements.due(changes, r));
  }
}
