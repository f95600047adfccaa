package org.jollychain.core.fault;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jollychain.core.quantity.PlainText;
import org.jollychain.core.sheet.Sheet;

/**
 * What is to be blamed, and so what is to be dealt with: to find it is what the work is for. In
 * which exact way it has failed shows when it is tested by itself.
 */
public sealed interface Culprit {

  /** How answers name it; for people and programs outside, never to be taken apart again. */
  String id();

  /** In the words of the trade: {@code high limit}. */
  String title(Sheet sheet);

  /** The same within a sentence: {@code the high limit}. */
  default String said(Sheet sheet) {
    return suspect() ? "the " + title(sheet) : title(sheet);
  }

  /** Whether it is something on the sheet that may be at fault. */
  default boolean suspect() {
    return true;
  }

  /** The part, where it is one. */
  default Optional<String> part() {
    return Optional.empty();
  }

  /** The same among the rarely believed: combinations lose their names. */
  default Culprit rare() {
    return this;
  }

  /** A part of the sheet. */
  record OfPart(String id) implements Culprit {

    @Override
    public String title(Sheet sheet) {
      return sheet.part(id).title();
    }

    @Override
    public Optional<String> part() {
      return Optional.of(id);
    }
  }

  /** A command that several contacts wait for is not given. */
  record OfCommand(String command) implements Culprit {

    @Override
    public String id() {
      return "control:" + command;
    }

    @Override
    public String title(Sheet sheet) {
      return "command \"%s\"".formatted(sheet.commands().get(command).title());
    }
  }

  /** What feeds the unit. */
  record OfSupply() implements Culprit {

    @Override
    public String id() {
      return "supply";
    }

    @Override
    public String title(Sheet sheet) {
      return id();
    }
  }

  /**
   * Several at once.
   *
   * @param all of them, in the order of their ids; none stands for any that are too rare to be told
   *     apart
   */
  record Several(List<Culprit> all) implements Culprit {

    private static final Several UNNAMED = new Several(List.of());

    public Several {
      all = all.stream().sorted(Comparator.comparing(Culprit::id)).toList();
    }

    @Override
    public String id() {
      return all.isEmpty()
          ? "two-faults"
          : all.stream().map(Culprit::id).collect(Collectors.joining(" + "));
    }

    @Override
    public String title(Sheet sheet) {
      return all.isEmpty()
          ? "two faults at once"
          : all.stream().map(c -> c.title(sheet)).collect(Collectors.joining(" and the "));
    }

    @Override
    public String said(Sheet sheet) {
      return all.isEmpty() ? title(sheet) : "the " + title(sheet);
    }

    @Override
    public Culprit rare() {
      return UNNAMED;
    }
  }

  /**
   * Something outside of the circuit that the guide knows: a clogged duct, scale, a setting.
   *
   * @param cause its id in the guide
   * @param named in the words of the guide
   */
  record OutsideCause(String cause, String named) implements Culprit {

    @Override
    public String id() {
      return "cause:" + cause;
    }

    @Override
    public String title(Sheet sheet) {
      return PlainText.inSentence(named);
    }

    @Override
    public boolean suspect() {
      return false;
    }
  }

  /** The unit is sound now. */
  record NothingWrong() implements Culprit {

    @Override
    public String id() {
      return "unit";
    }

    @Override
    public String title(Sheet sheet) {
      return "nothing wrong now";
    }

    @Override
    public boolean suspect() {
      return false;
    }
  }

  /** The unit differs from its sheet. */
  record NotOnSheet() implements Culprit {

    @Override
    public String id() {
      return "not-on-sheet";
    }

    @Override
    public String title(Sheet sheet) {
      return "something that is not on this sheet";
    }

    @Override
    public boolean suspect() {
      return false;
    }
  }
}
