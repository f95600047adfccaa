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

  /** Whether one pair of probes reaches both points at once while the power is on or off. */
  public boolean together(String red, String black, boolean live) {
    return place(red, live).equals(place(black, live));
  }

  /** Whether the supply's own terminals are an outlet, where it is read with the plug out. */
  public boolean outletIsApart() {
    return place(supply.outwardPoint(), true).isPresent();
  }

  private Optional<String> place(String point, boolean live) {
    return points.get(point).access().map(access::get).flatMap(a -> a.place(live));
  }

  /** Whether no probe goes to a point. */
  public boolean offLimits(String point) {
    return points.get(point).access().map(access::get).filter(Access::offLimits).isPresent();
  }

  /**
   * The terminal of the supply that arrives at a point: the point of the terminal itself, and the
   * far end of a cord or of a panel's branch that leads on from it.
   */
  public Optional<String> terminalAt(String point) {
    return supply.terminals().entrySet().stream()
        .filter(t -> t.getValue().equals(point) || arrival(t.getValue()).equals(point))
        .map(Map.Entry::getKey)
        .findFirst();
  }

  /**
   * Where what comes in at a terminal arrives: behind a cord, and behind a panel that is off
   * limits; any other point is itself.
   */
  public String arrival(String point) {
    if (!supply.terminals().containsValue(point)) {
      return point;
    }
    String at = point;
    Optional<Part> onward = onward(at, Optional.empty());
    while (onward.isPresent()) {
      at = onward.get().otherEnd(at);
      onward = onward(at, onward);
    }
    return at;
  }

  private Optional<Part> onward(String point, Optional<Part> behind) {
    return partsAt(point).stream()
        .filter(p -> behind.filter(p::equals).isEmpty())
        .filter(p -> behind.isEmpty() && p.kind() == PartKind.CORD || offLimits(point))
        .findFirst();
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
