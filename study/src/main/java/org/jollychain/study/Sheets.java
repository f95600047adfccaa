package org.jollychain.study;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.jollychain.core.guide.Guide;
import org.jollychain.core.guide.GuideReader;
import org.jollychain.core.network.SheetValidator;
import org.jollychain.core.sheet.Sheet;

/** The shipped sheets, and the guides of their families. */
public final class Sheets {

  private Sheets() {}

  public static List<String> keys() {
    return List.of(
        "dryer-timer-240",
        "dryer-board-240",
        "dryer-gas-120",
        "dryer-condenser-230",
        "range-240",
        "range-coil-240",
        "water-heater-240",
        "heater-instant-12v",
        "autoclave-115",
        "autoclave-230",
        "heat-kit-240",
        "heat-kit-staged-240",
        "furnace-24v",
        "furnace-condensing-24v",
        "millivolt-heater",
        "dishwasher-120",
        "microwave-120");
  }

  public static Sheet read(String key) {
    try (InputStream in = Sheet.class.getResourceAsStream("/sheets/" + key + ".yaml")) {
      return SheetValidator.read(new String(in.readAllBytes(), StandardCharsets.UTF_8));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** The guide of a family. */
  public static Guide guide(String family) {
    try (InputStream in = Sheet.class.getResourceAsStream("/guides/" + family + ".yaml")) {
      return GuideReader.read(new String(in.readAllBytes(), StandardCharsets.UTF_8));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
