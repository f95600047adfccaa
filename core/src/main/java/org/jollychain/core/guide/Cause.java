package org.jollychain.core.guide;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.PartKind;

/**
 * Why a link opened, or why a unit overheats with its circuit sound.
 *
 * @param weight how often it is the cause, against the others; common practice, no source
 * @param opens kinds of parts it makes open; empty where it concerns them all, or none where it is
 *     of complaints
 * @param soundCircuit whether it is thought of where no part has failed and the unit overheats or
 *     does what is complained of
 * @param complaints what it brings about then, as sheets of the family name it; empty for whatever
 *     a unit does that runs badly
 * @param where answers of a sheet that it takes, by question: none of a duct without a duct
 * @param from the part of the circuit whose failing it is, if it is one
 * @param putRight ids of actions
 * @param prevents ids of prevention
 */
public record Cause(
    String id,
    String title,
    double weight,
    Set<PartKind> opens,
    boolean soundCircuit,
    Set<String> complaints,
    Map<String, String> where,
    Optional<FromCircuit> from,
    List<String> putRight,
    List<String> prevents) {

  /**
   * A failing of the circuit that is the cause of another.
   *
   * @param kind of part
   * @param mode in which it fails, as the diagnosis writes it: {@code stuck}
   */
  public record FromCircuit(PartKind kind, String mode) {}

  /** Whether a unit can have it, by the answers that tell which sheet fits. */
  public boolean fits(Map<String, String> answers) {
    return Applies.taken(where, answers);
  }

  /** Whether it makes such a part open. */
  public boolean concerns(Part part) {
    return opens.isEmpty() && complaints.isEmpty() || opens.contains(part.kind());
  }
}
