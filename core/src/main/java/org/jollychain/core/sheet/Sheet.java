package org.jollychain.core.sheet;

import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.Set;

/**
 * A circuit as wired: what feeds it, where a probe can touch, what lies between, how to get there
 * and in which states one measures. Maps keep the order of the text. {@link SheetReader} makes it
 * and guarantees that every name it mentions is on it.
 */
public record Sheet(
    String key,
    String title,
    Family family,
    String notes,
    Supply supply,
    Map<String, Command> commands,
    Map<String, Access> access,
    Map<String, Point> points,
    Map<String, Part> parts,
    Strays strays,
    Map<String, Situation> situations,
    Map<String, Path> paths,
    Map<String, Complaint> complaints,
    Map<String, Code> codes) {

  /**
   * @throws NoSuchElementException when there is no such part
   */
  public Part part(String id) {
    return found(parts, "part", id);
  }

  /**
   * @throws NoSuchElementException when there is no such situation
   */
  public Situation situation(String id) {
    return found(situations, "situation", id);
  }

  /** Parts that have an end at a point, in the order of the sheet. */
  public List<Part> partsAt(String point) {
    return parts.values().stream().filter(p -> p.touches(point)).toList();
  }

  /** The points of the supply's terminals. */
  public Set<String> supplyPoints() {
    return Set.copyOf(supply.terminals().values());
  }

  private static <T> T found(Map<String, T> map, String what, String id) {
    T value = map.get(id);
    if (value == null) {
      throw new NoSuchElementException("no %s \"%s\" on this sheet".formatted(what, id));
    }
    return value;
  }
}
