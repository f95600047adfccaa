package org.jollychain.server.job;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.UUID;
import org.jollychain.server.unit.Unit;
import org.jollychain.server.unit.UnitFactsView;

/**
 * A unit with all that was done at it.
 *
 * @param sheetKey of the sheet it was last worked on with; empty where it never was
 * @param visits the latest first
 * @param fitted parts that were renewed, the latest first
 * @param repeated what had to be renewed more than once
 * @param due follow-ups and prevention that are not settled
 * @param print what its plates, parts and paper say
 */
public record UnitHistory(
    Unit unit,
    String sheetKey,
    List<JobSummary> visits,
    List<FittedPart> fitted,
    List<Repeated> repeated,
    List<Appointment> due,
    UnitFactsView print) {

  /**
   * A part that was renewed.
   *
   * @param printed on the new one; empty where it was not readable
   */
  public record FittedPart(UUID jobId, String part, String printed, OffsetDateTime on) {}

  /**
   * A part that was renewed again and again: its cause was not found, or not put right.
   *
   * @param times it was renewed
   */
  public record Repeated(String part, int times) {}
}
