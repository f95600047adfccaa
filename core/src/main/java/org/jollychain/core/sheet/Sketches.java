package org.jollychain.core.sheet;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;

/** Invented units of families that no full sheet is shipped for, each typed as shorthand. */
public final class Sketches {

  private static final List<String> KEYS =
      List.of(
          "fan-heater",
          "hot-air-gun",
          "ice-maker-heater",
          "kettle",
          "kiln",
          "pool-heater",
          "sauna",
          "towel-rail",
          "tumble-sanitiser",
          "waffle-iron");

  private Sketches() {}

  public static List<String> keys() {
    return KEYS;
  }

  /** The shorthand of one. */
  public static String text(String key) {
    try (InputStream in = Sketches.class.getResourceAsStream("/sketches/" + key + ".txt")) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
