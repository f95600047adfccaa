package org.jollychain.study;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import org.jollychain.core.network.CheckedSheet;
import org.jollychain.core.sheet.Sheet;

/** The shipped sheets. */
final class Sheets {

  private Sheets() {}

  static Sheet read(String key) {
    try (InputStream in = Sheet.class.getResourceAsStream("/sheets/" + key + ".yaml")) {
      return CheckedSheet.read(new String(in.readAllBytes(), StandardCharsets.UTF_8));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
