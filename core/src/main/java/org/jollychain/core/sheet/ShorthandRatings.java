package org.jollychain.core.sheet;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.text.TextSpan;

/** What was rated of a link, under the keys that its kind has in format 1. */
final class ShorthandRatings {

  private final ShorthandLink link;
  private final ShorthandNotes notes;
  private final Map<String, Object> said;

  private ShorthandRatings(ShorthandLink link, ShorthandNotes notes) {
    this.link = link;
    this.notes = notes;
    this.said = link.said();
  }

  /** Puts the ratings under the keys that its kind has. */
  static void settle(ShorthandLink link, ShorthandNotes notes) {
    new ShorthandRatings(link, notes).settle();
  }

  private void settle() {
    switch (link.kind().role()) {
      case LINK -> {
        thermal();
        link.amperes()
            .ifPresent(a -> said.putIfAbsent("notes", "%s.".formatted(Dimension.AMPERES.round(a))));
        if (said.remove("watts") != null) {
          notes.error(
              link.span(),
              "a %s is a link and has no watts; is a load meant?".formatted(link.kind().word()));
        }
        said.remove("at-volts");
        said.remove("curve");
      }
      case LOAD -> said.remove("curve");
      case SOURCE -> {
        Object volts = said.remove("at-volts");
        said.put("volts", volts == null ? "24 V" : volts);
        said.putIfAbsent("ohms", "1 ohm");
        said.remove("watts");
      }
      case SENSOR -> sensor();
    }
  }

  private void thermal() {
    if (said.containsKey("marking") || link.temperatures().isEmpty()) {
      return;
    }
    said.put(link.closes() ? "closes-at" : "opens-at", figure(link.temperatures().get(0)));
    if (link.temperatures().size() > 1 && !link.kind().is(PartKind.Trait.ONE_SHOT)) {
      said.put(link.closes() ? "reopens-at" : "recloses-at", figure(link.temperatures().get(1)));
    }
    if (link.manual() && link.kind() != PartKind.MANUAL_RESET_LIMIT) {
      said.put("reset", "manual");
    }
  }

  private static String figure(TextSpan temperature) {
    String lower = temperature.text().toLowerCase(Locale.ROOT);
    boolean fahrenheit = lower.contains("f");
    return lower.replaceAll("[^0-9.-]", "") + (fahrenheit ? "F" : "C");
  }

  private void sensor() {
    said.remove("at-volts");
    said.remove("watts");
    Object ohms = said.remove("ohms");
    Map<String, Object> curve = link.curve();
    if (curve.containsKey("type")) {
      return;
    }
    if (link.kind() == PartKind.PLATINUM_SENSOR) {
      boolean thousand = link.texts().stream().anyMatch(w -> w.equalsIgnoreCase("pt1000"));
      curve.clear();
      curve.put("type", thousand ? "pt1000" : "pt100");
    } else if (link.kind() == PartKind.THERMISTOR) {
      curve.put("type", "ntc");
      if (ohms == null) {
        notes.assume(link, "10 k at 25 C", "10k");
      }
      curve.put("ohms", ohms == null ? "10 k" : ohms);
      curve.putIfAbsent("at", "25 C");
      if (curve.putIfAbsent("beta", "3950") == null) {
        notes.assume(link, "falls with a beta of 3950 K", "beta 3950");
      }
    } else if (ohms != null) {
      curve.put("type", "table");
      curve.put("points", List.of(List.of("0 C", ohms), List.of("100 C", ohms)));
    } else {
      said.remove("curve");
    }
  }

  /**
   * Whether a contact so rated is made at the temperature of a room, as nearly all are that act by
   * heat.
   */
  static boolean madeInTheRoom(Map<String, Object> said) {
    if (said.get("marking") instanceof String marking) {
      return ThermalRating.ofMarking(marking, ThermalRating.Reset.AUTO)
              .stateAt(Situation.ROOM_CELSIUS)
          == ContactState.CLOSED;
    }
    return said.get("opens-at") instanceof String opens
        && Dimension.CELSIUS.parse(said.getOrDefault("recloses-at", opens).toString())
            > Situation.ROOM_CELSIUS;
  }
}
