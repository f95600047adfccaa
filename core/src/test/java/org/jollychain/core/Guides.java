package org.jollychain.core;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.stream.Stream;
import org.jollychain.core.guide.Guide;
import org.jollychain.core.guide.GuideReader;
import org.jollychain.core.sheet.Family;

/** The guides that ship. */
public final class Guides {

  private Guides() {}

  public static String text(String key) {
    try (InputStream in = Guides.class.getResourceAsStream("/guides/" + key + ".yaml")) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  public static Guide shipped(String key) {
    return GuideReader.read(text(key));
  }

  /** One for every family that has a name of its own. */
  public static Stream<String> keys() {
    return Arrays.stream(Family.values()).filter(f -> f != Family.OTHER).map(Family::toString);
  }
}
