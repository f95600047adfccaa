package org.jollychain.core.unit;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.Chain;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;

/**
 * All that is known of one unit from its plate, its parts and its paper.
 *
 * <p>Use: {@code UnitFacts.NONE.and(sheet, "element", "8 to 30 ohm").on(sheet)} is the sheet as
 * this unit is built.
 *
 * @param byPart by the id of the part; what a code means by its name, {@code code F31}
 */
public record UnitFacts(Map<String, UnitFact> byPart) {

  /** What stands before a displayed code in its name as a fact. */
  private static final String CODE = "code ";

  public static final UnitFacts NONE = new UnitFacts(Map.of());

  /** A fuse holds so many times its rating for long (a share); common practice, no source. */
  private static final double HOLDS = 1.25;

  /**
   * With one more; the last one typed of a part holds.
   *
   * @param part its id, or {@code code F31} for what a displayed code means
   * @throws IllegalArgumentException when it is nothing that such a part bears
   */
  public UnitFacts and(Sheet sheet, String part, String typed) {
    Map<String, UnitFact> more = new LinkedHashMap<>(byPart);
    more.put(
        part,
        part.startsWith(CODE)
            ? FactTyped.code(sheet, typed)
            : FactTyped.parse(sheet.part(part), typed));
    return new UnitFacts(Map.copyOf(more));
  }

  /** Whether a fact is about a part of the sheet, or about a code that the unit displays. */
  public static boolean concerns(Sheet sheet, String part) {
    return sheet.parts().containsKey(part)
        || part.startsWith(CODE) && part.length() > CODE.length();
  }

  /** The code of the sheet that a displayed one means on this unit. */
  public Optional<String> code(String shown) {
    return byPart.entrySet().stream()
        .filter(e -> e.getKey().equalsIgnoreCase(CODE + shown.strip()))
        .map(Map.Entry::getValue)
        .filter(UnitFact.Code.class::isInstance)
        .flatMap(f -> ((UnitFact.Code) f).code().stream())
        .findFirst();
  }

  /** The sheet as this unit is built. */
  public Sheet on(Sheet example) {
    Map<String, Part> parts = new LinkedHashMap<>(example.parts());
    byPart.forEach((id, fact) -> parts.computeIfPresent(id, (k, part) -> fact.of(part)));
    return byPart.isEmpty() ? example : example.withParts(parts);
  }

  /** What is printed of a part; nothing where nobody has looked. */
  public Optional<UnitFact> of(String part) {
    return Optional.ofNullable(byPart.get(part));
  }

  /** Whether the ohms, the curve or the temperatures of a part are known from print. */
  public boolean tells(String part) {
    return of(part).filter(UnitFact::tells).isPresent();
  }

  /** Whether somebody has looked, and found what can be read or that nothing can. */
  public boolean looked(String part) {
    return byPart.containsKey(part);
  }

  /**
   * What does not go together, or with physics: to be confirmed before it is kept.
   *
   * @param example the sheet
   */
  public List<String> odd(Sheet example) {
    List<String> odd = new ArrayList<>();
    byPart.forEach(
        (id, fact) -> {
          Part part = example.parts().get(id);
          if (part != null && fact instanceof UnitFact.Ohms ohms) {
            odd.addAll(odd(part, ohms, example));
          }
        });
    return odd;
  }

  /** Whether a fuse stands in the chain of a load. */
  private static boolean feeds(String fuse, Part load, Sheet sheet) {
    return sheet.paths().values().stream()
        .filter(path -> path.load().equals(load.id()))
        .anyMatch(
            path ->
                sheet.situations().values().stream()
                    .flatMap(s -> Chain.trace(sheet, path, s).stream())
                    .flatMap(chain -> chain.parts().stream())
                    .anyMatch(p -> p.id().equals(fuse)));
  }

  private List<String> odd(Part part, UnitFact.Ohms ohms, Sheet example) {
    List<String> odd = new ArrayList<>();
    double middle = (ohms.low() + ohms.high()) / 2;
    TradeBand.of(part)
        .filter(band -> !band.allows(middle))
        .ifPresent(
            band ->
                odd.add(
                    "%s of a %s is far from what such parts have, %s to %s."
                        .formatted(
                            Dimension.OHMS.round(middle),
                            part.title(),
                            Dimension.OHMS.round(band.low()),
                            Dimension.OHMS.round(band.high()))));
    double volts = example.supply().volts();
    double amperes = volts / ohms.of(part).load().orElseThrow().ohms();
    byPart.forEach(
        (id, fact) -> {
          if (fact instanceof UnitFact.Fuse fuse
              && amperes > HOLDS * fuse.amperes()
              && feeds(id, part, example)) {
            odd.add(
                "A %s of %s would draw %s at %s, and the %s holds %s."
                    .formatted(
                        part.title(),
                        Dimension.OHMS.round(middle),
                        Dimension.AMPERES.round(amperes),
                        Dimension.VOLTS.round(volts),
                        example.part(id).title(),
                        Dimension.AMPERES.round(fuse.amperes())));
          }
        });
    return odd;
  }
}
