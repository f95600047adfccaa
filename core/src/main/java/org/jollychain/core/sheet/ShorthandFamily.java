package org.jollychain.core.sheet;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** What kind of unit a shorthand describes, by the words of its title, else by its parts. */
final class ShorthandFamily {

  /** The first that occurs decides. */
  private static final Map<String, Family> WORDS = words();

  private ShorthandFamily() {}

  private static Map<String, Family> words() {
    Map<String, Family> words = new LinkedHashMap<>();
    words.put("dishwasher", Family.DISHWASHER);
    words.put("microwave", Family.MICROWAVE);
    words.put("autoclave", Family.AUTOCLAVE);
    words.put("heat kit", Family.HEAT_KIT);
    words.put("air handler", Family.HEAT_KIT);
    words.put("instant water heater", Family.WATER_HEATER_INSTANT);
    words.put("water heater", Family.WATER_HEATER_STORAGE);
    words.put("furnace", Family.FURNACE_24V);
    words.put("range", Family.RANGE);
    words.put("oven", Family.RANGE);
    words.put("cooker", Family.RANGE);
    words.put("hob", Family.RANGE);
    return words;
  }

  static Family guess(String title, List<ShorthandLink> links, ShorthandSupply supply) {
    String lower = title.toLowerCase(Locale.ROOT);
    boolean igniter = has(links, PartKind.IGNITER);
    if (lower.contains("dryer") && !lower.contains("hair")) {
      return lower.contains("gas") || igniter ? Family.DRYER_GAS : Family.DRYER_ELECTRIC;
    }
    for (Map.Entry<String, Family> word : WORDS.entrySet()) {
      if (lower.contains(word.getKey())) {
        return word.getValue();
      }
    }
    if (supply.pile()) {
      return Family.MILLIVOLT_HEATER;
    }
    if (has(links, PartKind.SEQUENCER_STAGE)) {
      return Family.HEAT_KIT;
    }
    if (has(links, PartKind.CENTRIFUGAL_SWITCH) && has(links, PartKind.TIMER_CONTACT)) {
      return igniter ? Family.DRYER_GAS : Family.DRYER_ELECTRIC;
    }
    return Family.OTHER;
  }

  private static boolean has(List<ShorthandLink> links, PartKind kind) {
    return links.stream().anyMatch(l -> l.kind() == kind);
  }
}
