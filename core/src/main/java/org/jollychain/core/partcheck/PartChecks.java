package org.jollychain.core.partcheck;

import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.text.Nearest;

/** Every check there is, found by its key, by a kind of part, or by what people type. */
public final class PartChecks {

  private static final List<PartCheck> ALL =
      List.of(
          new ElementCheck(),
          new ContactCheck(),
          new MarkingCheck(),
          new DiscHeatUpCheck(),
          new OneShotCheck(),
          new ThermistorCheck(),
          new PlatinumCheck(),
          new CoilCheck(),
          new IgniterCheck(),
          new TimerCheck(),
          new FloatSwitchCheck(),
          new SequencerCheck(),
          new DoorInterlocksCheck(),
          new TransformerCheck(),
          new ThermopileCheck(),
          new CapacitorCheck(),
          new SteamCheck(),
          new CycleLogCheck(),
          new BurnerLogCheck(),
          new AirflowCheck(),
          new DuctLengthCheck(),
          new SupplyCheck(),
          new WireCheck(),
          new WaterCheck(),
          new FlameRodCheck(),
          new MoistureBarsCheck(),
          new StartSwitchCheck(),
          new BeltCheck(),
          new MeterCheck());

  private PartChecks() {}

  public static List<PartCheck> all() {
    return ALL;
  }

  /**
   * @throws NoSuchElementException when there is none; says the nearest there is
   */
  public static PartCheck withKey(String key) {
    return ALL.stream()
        .filter(c -> c.card().key().equals(key))
        .findFirst()
        .orElseThrow(
            () ->
                new NoSuchElementException(
                    "There is no check \"%s\"%s."
                        .formatted(
                            key,
                            Nearest.suggestion(
                                key, ALL.stream().map(c -> c.card().key()).toList()))));
  }

  /**
   * Makes a check.
   *
   * @param typed by the names of its inputs
   * @throws NoSuchElementException when there is none with this key
   * @throws InvalidInputsException when what was typed cannot be checked
   */
  public static CheckResult answer(String key, Map<String, String> typed) {
    PartCheck check = withKey(key);
    return check.answer(Inputs.of(check.card(), typed));
  }

  /** Those for a kind of part. */
  public static List<PartCheck> of(PartKind kind) {
    return ALL.stream().filter(c -> c.card().kinds().contains(kind)).toList();
  }
}
