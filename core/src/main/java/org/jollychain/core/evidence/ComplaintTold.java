package org.jollychain.core.evidence;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.text.Nearest;

/**
 * What the customer also sees, beside the complaint that the job was opened with.
 *
 * @param complaint one of the sheet's complaints
 * @param situation in which it is seen
 */
public record ComplaintTold(String id, String complaint, String situation, Optional<Instant> at)
    implements Evidence {

  /**
   * Makes it evidence of this sheet.
   *
   * @param complaint an id of the sheet's complaints
   * @throws EvidenceException when the sheet has no such complaint
   */
  public static ComplaintTold on(Sheet sheet, String id, String complaint, Optional<Instant> at) {
    Complaint told = sheet.complaints().get(complaint);
    if (told == null) {
      throw unknown(sheet, "value", complaint);
    }
    return new ComplaintTold(id, complaint, told.situation(), at);
  }

  /**
   * All that is complained of, each once, what the job was opened with at the head.
   *
   * @param first what the job was opened with, an id of the sheet's complaints
   * @throws EvidenceException when the sheet has no such complaint
   */
  public static List<Complaint> all(
      Sheet sheet, Optional<String> first, List<? extends Evidence> evidence) {
    List<String> ids = new ArrayList<>(first.stream().toList());
    evidence.stream()
        .filter(ComplaintTold.class::isInstance)
        .map(e -> ((ComplaintTold) e).complaint)
        .sorted()
        .forEach(ids::add);
    Map<String, Complaint> known = sheet.complaints();
    return ids.stream()
        .distinct()
        .map(
            id ->
                Optional.ofNullable(known.get(id))
                    .orElseThrow(() -> unknown(sheet, "complaint", id)))
        .toList();
  }

  /**
   * Makes sure that complaints can be told of one unit.
   *
   * @throws EvidenceException when one says that a load runs and another that it does not
   */
  public static void check(Sheet sheet, List<Complaint> told) {
    for (Complaint one : told) {
      for (Complaint other : told) {
        one.contradiction(other)
            .ifPresent(
                load -> {
                  throw new EvidenceException(
                      "value",
                      "\"%s\" and \"%s\" exclude each other: the %s runs in one and not in the other. Tell the one that is so, or one that comes and goes"
                          .formatted(one.title(), other.title(), sheet.part(load).title()));
                });
      }
    }
  }

  private static EvidenceException unknown(Sheet sheet, String field, String complaint) {
    return new EvidenceException(
        field,
        "there is no complaint \"%s\" on this sheet%s"
            .formatted(complaint, Nearest.suggestion(complaint, sheet.complaints().keySet())));
  }

  @Override
  public String canonical() {
    return "4 %s %s".formatted(complaint, id);
  }

  @Override
  public <R> R as(Kinds<R> kinds) {
    return kinds.complaint(this);
  }
}
