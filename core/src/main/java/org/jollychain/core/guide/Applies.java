package org.jollychain.core.guide;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Sheet;

/**
 * For which units and complaints something of a guide is meant.
 *
 * @param complaints as sheets of the family name them; empty for all of them
 * @param where answers of a sheet that it takes, by question: none of a latch without a self-clean
 */
public record Applies(Set<String> complaints, Map<String, String> where) {

  /** Whether it is meant for a sheet, and for one of the complaints where any was told. */
  public boolean to(Sheet sheet, List<Complaint> told) {
    return taken(where, sheet.identify())
        && (complaints.isEmpty()
            || told.isEmpty()
            || told.stream().map(Complaint::id).anyMatch(complaints::contains));
  }

  /** Whether answers are those asked for; what was not answered is no other answer. */
  static boolean taken(Map<String, String> where, Map<String, String> answers) {
    return where.entrySet().stream()
        .allMatch(w -> answers.getOrDefault(w.getKey(), w.getValue()).equals(w.getValue()));
  }
}
