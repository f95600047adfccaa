package org.jollychain.server.job;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.UUID;
import org.jollychain.core.visit.VisitEntry;
import org.jspecify.annotations.Nullable;

/**
 * What was told of a visit, as kept.
 *
 * @param number from 1 in the order it came
 * @param subject an id of the guide or of the sheet, by the kind
 */
public record VisitLine(
    UUID id,
    int number,
    VisitEntry.Kind kind,
    String subject,
    String value,
    OffsetDateTime toldAt,
    @Nullable OffsetDateTime struckAt,
    String struckWhy) {

  /** What stands of lines. */
  static List<VisitEntry> standing(List<VisitLine> lines) {
    return lines.stream().filter(l -> l.struckAt == null).map(VisitLine::entry).toList();
  }

  VisitEntry entry() {
    return new VisitEntry(kind, subject, value);
  }
}
