package org.jollychain.core.sheet;

import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * A circuit as wired: what feeds it, where a probe can touch, what lies between, how to get there
 * and in which states one measures. Maps keep the order of the text. {@link SheetReader} makes it
 * and guarantees that every name it mentions is on it.
 *
 * @param identify answers to the questions of guides that tell which sheet fits a unit
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
    Map<String, Code> codes,
    Map<String, String> identify) {

  /** The same with other parts. */
  public Sheet withParts(Map<String, Part> others) {
    return new Sheet(
        key,
        title,
        family,
        notes,
        supply,
        commands,
        access,
        points,
        others,
        strays,
        situations,
        paths,
        complaints,
        codes,
        identify);
  }

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

  /** Whether one pair of probes reaches both points at once. */
  public boolean together(String red, String black) {
    return place(red).equals(place(black));
  }

  private Optional<String> place(String point) {
    return points.get(point).access().map(access::get).flatMap(Access::place);
  }

  /**
   * The terminal of the supply that arrives at a point: the point of the terminal itself, and the
   * far end of a cord that leads on from it.
   */
  public Optional<String> terminalAt(String point) {
    return supply.terminals().entrySet().stream()
        .filter(t -> t.getValue().equals(point) || arrival(t.getValue()).equals(point))
        .map(Map.Entry::getKey)
        .findFirst();
  }

  /** Where what comes in at a terminal arrives: behind a cord; any other point is itself. */
  public String arrival(String point) {
    return partsAt(point).stream()
        .filter(p -> p.kind() == PartKind.CORD && supply.terminals().containsValue(point))
        .map(p -> p.otherEnd(point))
        .findFirst()
        .orElse(point);
  }

  /** The points where the supply's terminals arrive, cords behind them included. */
  public Set<String> supplyPoints() {
    return points.keySet().stream()
        .filter(p -> terminalAt(p).isPresent())
        .collect(Collectors.toUnmodifiableSet());
  }

  private static <T> T found(Map<String, T> map, String what, String id) {
    T value = map.get(id);
    if (value == null) {
      throw new NoSuchElementException("no %s \"%s\" on this sheet".formatted(what, id));
    }
    return value;
  }
}
