package org.jollychain.core.drawing;

import java.util.List;
import org.jollychain.core.sheet.Chain;
import org.jollychain.core.sheet.Sheet;

/**
 * Where a circuit is drawn, in columns and rows: the chosen chain runs along row 0 from the source
 * at the left to its return at the right, every branch hangs below it as a row of its own. Points
 * are dots, a part lies level between its two points, and a point that is met in several rows has
 * an upright wire.
 *
 * @param path the path whose chain is row 0
 * @param columns how wide it is
 * @param rows how many rows there are
 */
public record Drawing(String path, double columns, int rows, List<Spot> spots, List<Placed> parts) {

  /**
   * A point.
   *
   * @param row where its name stands
   * @param top the upper end of its upright wire, the same as {@code row} where it has none
   * @param bottom the lower end
   */
  public record Spot(String point, double column, int row, int top, int bottom) {}

  /**
   * A part.
   *
   * @param from column of the point at its left end
   * @param to column of the point at its right end
   * @param at column of its symbol
   */
  public record Placed(String part, int row, double from, double to, double at) {}

  /**
   * Lays a circuit out.
   *
   * @param main the chain for row 0
   * @param others further chains, whose parts are kept together where they are not drawn yet
   */
  public static Drawing of(Sheet sheet, Chain main, List<Chain> others) {
    return new SchematicLayout(sheet, main, others).draw();
  }
}
