package org.jollychain.core;

import java.util.List;
import java.util.Optional;
import org.jollychain.core.evidence.Entry;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.network.Meters;
import org.jollychain.core.sheet.Sheet;

/** Readings for tests, taken on one sheet. */
public final class Readings {

  private final Sheet sheet;
  private int next = 1;

  public Readings(Sheet sheet) {
    this.sheet = sheet;
  }

  /** A live drop across a part. */
  public Reading drop(String part, String value) {
    return across("volts-ac", part, "heat-call", value);
  }

  public Reading across(String function, String part, String situation, String value) {
    return entry(function, Optional.of(part), situation, List.of(), value);
  }

  /** Live volts between two points, as in {@code L1-L2 238}. */
  public Reading live(String typed) {
    return entry("volts-ac", Optional.empty(), "heat-call", List.of(), typed);
  }

  public Reading ohms(String part, String value, String... liftedAt) {
    return entry("ohms", Optional.of(part), "isolated", List.of(liftedAt), value);
  }

  /** A live drop once the part's terminals were put on again. */
  public Reading reseated(String part, String value) {
    Entry.How again =
        new Entry.How(List.of(), Optional.empty(), Optional.empty(), true, Optional.empty());
    return entry("volts-ac", Optional.of(part), "heat-call", again, value);
  }

  /** Ohms across a part taken out and brought to a temperature. */
  public Reading heated(String part, String celsius, String value) {
    Entry.How hot =
        new Entry.How(
            List.of(sheet.part(part).from(), sheet.part(part).to()),
            Optional.empty(),
            Optional.of(celsius),
            false,
            Optional.empty());
    return entry("ohms", Optional.of(part), "isolated", hot, value);
  }

  public Reading entry(
      String function,
      Optional<String> across,
      String situation,
      List<String> liftedAt,
      String value) {
    return entry(function, across, situation, Entry.How.lifted(liftedAt), value);
  }

  private Reading entry(
      String function, Optional<String> across, String situation, Entry.How how, String value) {
    return new Entry(
            "r" + next++,
            function,
            Optional.empty(),
            Optional.empty(),
            across,
            Optional.empty(),
            situation,
            how,
            value)
        .on(sheet, Meters.USUAL);
  }
}
