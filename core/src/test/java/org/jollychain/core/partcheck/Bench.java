package org.jollychain.core.partcheck;

import java.util.HashMap;
import java.util.Map;

/** A check as somebody types it. */
final class Bench {

  private Bench() {}

  /**
   * @param typed {@code name=text} separated by semicolons; a slash is a new line of a log
   */
  static CheckResult answer(String key, String typed) {
    PartCheck check = PartChecks.withKey(key);
    return check.answer(Inputs.of(check.card(), inputs(typed)));
  }

  static Map<String, String> inputs(String typed) {
    Map<String, String> inputs = new HashMap<>();
    if (!typed.isBlank()) {
      for (String one : typed.split(";")) {
        String[] sides = one.split("=", 2);
        inputs.put(sides[0].strip(), sides[1].strip().replaceAll("\\s*\\|\\s*|(?<=[a-z])/", "\n"));
      }
    }
    return inputs;
  }

  static double result(CheckResult answer, String name) {
    return answer.results().stream()
        .filter(v -> v.name().equals(name))
        .findFirst()
        .orElseThrow(() -> new AssertionError("no " + name + " in " + answer.results()))
        .value();
  }
}
