package org.jollychain.server.job;

import org.jollychain.server.assess.EvidenceItem;
import org.jspecify.annotations.Nullable;

/** Evidence as the job screen sends it, while the unit calls for heat. */
final class Typed {

  private Typed() {}

  /** AC volts across a part, or where the value says. */
  static EvidenceItem volts(@Nullable String across, String value) {
    return item("volts-ac", across, null, null, value);
  }

  static EvidenceItem seen(String observation, String part, String value) {
    return item(null, null, observation, part, value);
  }

  private static EvidenceItem item(
      @Nullable String function,
      @Nullable String across,
      @Nullable String observation,
      @Nullable String part,
      String value) {
    return new EvidenceItem(
        function,
        null,
        null,
        across,
        null,
        "heat-call",
        null,
        null,
        observation,
        part,
        null,
        null,
        null,
        value);
  }
}
