package org.jollychain.core.guide;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.PartKind;

/**
 * Why a link opened, or why a unit overheats with its circuit sound.
 *
 * @param weight how often it is the cause, against the others; common practice, no source
 * @param opens kinds of parts it makes open; empty where it concerns them all
 * @param soundCircuit whether it is thought of where the unit overheats or is slow and no part has
 *     failed
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

  /** Whether it makes such a part open. */
  public boolean concerns(Part part) {
    return opens.isEmpty() || opens.contains(part.kind());
  }
}
