package org.jollychain.core;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.jollychain.core.network.SheetValidator;
import org.jollychain.core.sheet.Sheet;

/** Sheets for tests. */
public final class Sheets {

  /** 240 V split phase: switch, limit and element of 16 ohm in series between L1 and L2. */
  public static final String HEATER =
      """
      format: jolly-chain/sheet/1
      key: test-heater
      title: Test heater
      family: other
      supply:
        system: split-phase
        volts: 240
        hertz: 60
        source-ohms: 0.1
        terminals: {line1: L1, line2: L2, neutral: N, earth: PE}
        bonded: neutral
      commands: {on: Switched on}
      points:
        L1: {title: Line 1}
        L2: {title: Line 2}
        N: {title: Neutral}
        PE: {title: Case}
        A: {title: Switch out}
        B: {title: Limit out}
        F: {title: Fan in}
      parts:
        switch: {kind: selector, between: [L1, A], made-when: on}
        limit: {kind: limit, between: [A, B], marking: L200-40F}
        element: {kind: heating-element, between: [B, L2], watts: 3600, at-volts: 240}
        fan-wire: {kind: wire, between: [A, F]}
        fan: {kind: motor, between: [F, N], watts: 60, at-volts: 120, power-factor: 0.6, winding-ohms: 38}
      situations:
        call: {title: Heat called, supply: on, commands: [on]}
        idle: {title: Off, supply: on}
        isolated: {title: Unplugged, supply: off, commands: [on]}
      paths:
        heat: {title: Heat, load: element}
        fan: {title: Fan, load: fan}
      complaints:
        no-heat: {title: No heat, situation: call, runs: [fan], not-running: [element]}
      """;

  private Sheets() {}

  public static Sheet heater() {
    return SheetValidator.read(HEATER);
  }

  public static Sheet dryer() {
    return shipped("dryer-timer-240");
  }

  /** Keys of all sheets that ship. */
  public static List<String> shipped() {
    try (Stream<Path> files = Files.list(Path.of("src/main/resources/sheets"))) {
      return files
          .map(f -> f.getFileName().toString())
          .filter(f -> f.endsWith(".yaml"))
          .map(f -> f.replace(".yaml", ""))
          .sorted()
          .toList();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  public static Sheet shipped(String key) {
    return SheetValidator.read(text("/sheets/" + key + ".yaml"));
  }

  public static String text(String resource) {
    try (InputStream in = Sheets.class.getResourceAsStream(resource)) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
