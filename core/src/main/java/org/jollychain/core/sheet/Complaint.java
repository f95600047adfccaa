package org.jollychain.core.sheet;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jollychain.core.quantity.Kebab;

/**
 * What a customer may see of this unit.
 *
 * @param situation in which it is seen
 * @param runs loads that run
 * @param notRunning loads that do not
 * @param suspects parts that bring it up in whatever way they fail; empty where any part may
 * @param how whether it is always so
 * @param outside how much of it is commonly caused outside of the sheet's circuit: by air, load,
 *     water, scale, settings (a share)
 */
public record Complaint(
    String id,
    String title,
    String situation,
    List<String> runs,
    List<String> notRunning,
    List<String> suspects,
    How how,
    double outside) {

  /** The same, whatever part brings it up. */
  public Complaint ofAnyPart() {
    return new Complaint(id, title, situation, runs, notRunning, List.of(), how, outside);
  }

  /**
   * A load that runs here and stands still there, or the other way round, where both are always so:
   * the two cannot be told of one unit.
   */
  public Optional<String> contradiction(Complaint other) {
    return how == How.ALWAYS && other.how == How.ALWAYS
        ? Stream.concat(
                runs.stream().filter(other.notRunning::contains),
                notRunning.stream().filter(other.runs::contains))
            .findFirst()
        : Optional.empty();
  }

  /** In what way it is seen. */
  public enum How {
    /** Whenever the unit is in that situation. */
    ALWAYS,
    /** Now and then. */
    COMES_AND_GOES,
    /** The breaker lets go. */
    TRIPS;

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }
}
