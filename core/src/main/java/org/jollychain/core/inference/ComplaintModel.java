package org.jollychain.core.inference;

import org.jollychain.core.evidence.ComplaintTold;
import org.jollychain.core.fault.BaseRates;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Complaint;

/** How likely a customer is to tell a further complaint. */
final class ComplaintModel {

  private final UnitModel unit;

  ComplaintModel(UnitModel unit) {
    this.unit = unit;
  }

  EvidenceModel<Double> of(ComplaintTold told) {
    Complaint complaint = unit.sheet().complaints().get(told.complaint());
    return (EvidenceModel.OfSight) (hypothesis, index) -> probability(complaint, hypothesis);
  }

  /** What no fault brings about is told amiss, or comes from outside of the circuit. */
  private double probability(Complaint complaint, Hypothesis h) {
    return h.bringsAbout(complaint, unit)
        ? 1 - BaseRates.COMPLAINT_ASTRAY
        : Math.max(BaseRates.COMPLAINT_ASTRAY, complaint.outside());
  }
}
