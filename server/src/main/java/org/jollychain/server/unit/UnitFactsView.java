package org.jollychain.server.unit;

import java.util.List;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.unit.FactTyped;

/**
 * What is known of a unit from print.
 *
 * @param facts its own, the struck ones too, the latest first
 * @param offered of other units of its model, where its own says nothing
 * @param asked parts of its sheet that bear something worth reading, in the order of the sheet
 */
public record UnitFactsView(List<KeptFact> facts, List<KeptFact> offered, List<Asked> asked) {

  /**
   * A part that bears something worth reading.
   *
   * @param like what is typed of such a part: {@code 8 to 30 ohm}
   */
  public record Asked(String part, String title, String like) {

    static List<Asked> of(Sheet sheet) {
      return sheet.parts().values().stream()
          .filter(FactTyped::worthReading)
          .map(p -> new Asked(p.id(), p.title(), FactTyped.like(p)))
          .toList();
    }
  }
}
