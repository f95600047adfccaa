package org.jollychain.core.partcheck;

/** A check as somebody types it. */
final class Bench {

  private Bench() {}

  /**
   * @param typed {@code name=text} separated by semicolons; a stroke is a new line of a log
   */
  static CheckResult answer(String key, String typed) {
    return PartChecks.answer(key, Inputs.typed(typed));
  }

  static double result(CheckResult answer, String name) {
    return answer.results().stream()
        .filter(v -> v.name().equals(name))
        .findFirst()
        .orElseThrow(() -> new AssertionError("no " + name + " in " + answer.results()))
        .value();
  }
}
