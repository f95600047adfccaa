package org.jollychain.server.sheet;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.jollychain.core.drawing.Drawing;
import org.jollychain.core.fault.WhatIf;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.SheetValidator;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Chain;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.SheetReader;
import org.jollychain.core.sheet.Shorthand;
import org.jollychain.core.sheet.Situation;
import org.jollychain.core.text.InvalidTextException;
import org.jollychain.core.text.TextProblem;
import org.jollychain.server.platform.Validation;
import org.springframework.stereotype.Service;

/** Shows texts while they are being written; nothing is stored. */
@Service
class SheetPreviews {

  Validation validate(String text) {
    return Validation.of(() -> SheetValidator.read(text));
  }

  /**
   * A text in format 1.
   *
   * @param situation in which it is solved; the first with the supply on where there is none so
   *     called
   * @param path that is laid out first
   */
  SheetPreview of(String text, String situation, String path) {
    List<Shorthand.Problem> problems = new ArrayList<>();
    Optional<UnitModel> unit = Optional.empty();
    try {
      Sheet sheet = SheetReader.read(text);
      unit = Optional.of(unit(text, sheet, SheetPreviews::problem, problems));
    } catch (InvalidTextException e) {
      e.problems().forEach(p -> problems.add(problem(p)));
    }
    return preview(text, unit, List.of(), problems, situation, path);
  }

  /** The same of a shorthand. */
  SheetPreview ofShorthand(String text, String situation, String path) {
    Shorthand read = Shorthand.read(text);
    List<Shorthand.Problem> problems = new ArrayList<>(read.problems());
    Optional<UnitModel> unit =
        read.sheet().map(s -> unit(read.yaml(), s, read.places()::problem, problems));
    problems.sort(
        Comparator.comparingInt(Shorthand.Problem::line)
            .thenComparingInt(Shorthand.Problem::column));
    return preview(read.yaml(), unit, read.assumptions(), problems, situation, path);
  }

  /** A circuit that can be read, solved also where it cannot do what it says; that is noted. */
  private static UnitModel unit(
      String yaml,
      Sheet sheet,
      Function<TextProblem, Shorthand.Problem> placed,
      List<Shorthand.Problem> problems) {
    try {
      return SheetValidator.unit(yaml, sheet);
    } catch (InvalidTextException e) {
      e.problems().stream().map(placed).forEach(problems::add);
      return new UnitModel(sheet);
    }
  }

  /**
   * The text in format 1 that a shorthand stands for.
   *
   * @throws InvalidTextException when it cannot be used as it stands
   */
  String usable(String shorthand) {
    SheetPreview preview = ofShorthand(shorthand, "", "");
    if (!preview.usable()) {
      throw new InvalidTextException(
          preview.problems().stream()
              .filter(p -> p.level() == Shorthand.Level.ERROR)
              .map(p -> new TextProblem(p.line(), p.column(), "", p.message()))
              .toList());
    }
    return preview.yaml();
  }

  private static Shorthand.Problem problem(TextProblem p) {
    String where = p.where().isEmpty() ? "" : p.where() + ": ";
    return new Shorthand.Problem(p.line(), p.column(), Shorthand.Level.ERROR, where + p.message());
  }

  private static SheetPreview preview(
      String yaml,
      Optional<UnitModel> unit,
      List<Shorthand.Assumption> assumptions,
      List<Shorthand.Problem> problems,
      String situation,
      String path) {
    Optional<Chain> main =
        unit.flatMap(
            u ->
                u.chains().keySet().stream()
                    .min(Comparator.comparing(c -> !c.path().id().equals(path))));
    Optional<WhatIf.Answer> answer =
        unit.map(
            u ->
                WhatIf.answer(
                    u,
                    Meter.GENERAL,
                    chosen(u.sheet(), situation),
                    List.of(),
                    List.of(),
                    Optional.empty(),
                    List.of()));
    boolean usable =
        unit.isPresent() && problems.stream().noneMatch(p -> p.level() == Shorthand.Level.ERROR);
    return new SheetPreview(
        yaml,
        usable,
        unit.map(UnitModel::sheet).orElse(null),
        main.map(m -> drawing(unit.orElseThrow(), m)).orElse(null),
        answer.map(WhatIf.Answer::paths).orElse(List.of()),
        answer.orElse(null),
        assumptions,
        problems);
  }

  /** A unit laid out with one of its chains as the first row. */
  static Drawing drawing(UnitModel unit, Chain main) {
    List<Chain> others = unit.chains().keySet().stream().filter(c -> c != main).toList();
    return Drawing.of(unit.sheet(), main, others);
  }

  private static Situation chosen(Sheet sheet, String id) {
    return Optional.ofNullable(sheet.situations().get(id))
        .or(() -> sheet.situations().values().stream().filter(Situation::supplyOn).findFirst())
        .orElseGet(() -> sheet.situations().values().iterator().next());
  }
}
