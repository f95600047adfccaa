package org.jollychain.core.network;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jollychain.core.sheet.Chain;
import org.jollychain.core.sheet.InvalidSheetException;
import org.jollychain.core.sheet.Path;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.SheetProblem;
import org.jollychain.core.sheet.SheetReader;
import org.jollychain.core.sheet.Situation;

/** Reads a sheet and refuses one whose circuit cannot do what the sheet says it does. */
public final class CheckedSheet {

  private static final double FED_SHARE = 0.5;

  private CheckedSheet() {}

  /**
   * @param yaml UTF-8 YAML 1.2, or JSON
   * @throws InvalidSheetException when the text is no valid sheet, or a load of a path gets no
   *     power in any of its situations
   */
  public static Sheet read(String yaml) {
    Sheet sheet = SheetReader.read(yaml);
    List<SheetProblem> problems = new ArrayList<>();
    for (Path path : sheet.paths().values()) {
      if (callOf(sheet, path).isEmpty()) {
        problems.add(
            SheetReader.problemAt(
                yaml,
                "/paths/" + path.id(),
                "in no situation does the supply reach \"%s\": close its links by commands, or join its points to the supply's terminals"
                    .formatted(path.load())));
      }
    }
    if (!problems.isEmpty()) {
      throw new InvalidSheetException(problems);
    }
    return sheet;
  }

  /** The first situation in which a path's load is fed, with its chain as it stands there. */
  public static Optional<Situation> callOf(Sheet sheet, Path path) {
    return sheet.situations().values().stream()
        .filter(s -> s.supplyOn() && fed(sheet, path, s))
        .findFirst();
  }

  private static boolean fed(Sheet sheet, Path path, Situation situation) {
    return Chain.trace(sheet, path, situation)
        .filter(
            chain -> {
              Solution solution = Network.of(sheet, situation, Draw.NOMINAL).solve(List.of());
              double source =
                  solution
                      .volts(chain.points().get(0))
                      .minus(solution.volts(chain.returnPoint()))
                      .abs();
              double load = solution.amperes(path.load()).times(solution.ohms(path.load())).abs();
              return source > 0 && load > FED_SHARE * source;
            })
        .isPresent();
  }
}
