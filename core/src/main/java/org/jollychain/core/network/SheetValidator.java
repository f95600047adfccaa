package org.jollychain.core.network;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.Command;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Path;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.SheetReader;
import org.jollychain.core.sheet.Situation;
import org.jollychain.core.sheet.Supply;
import org.jollychain.core.text.InvalidTextException;
import org.jollychain.core.text.TextProblem;

/** Reads a sheet and refuses one whose circuit cannot do what the sheet says it does. */
public final class SheetValidator {

  /** A source that loses more than this inside itself is shorted, not loaded. */
  private static final double SHORTED = 0.6;

  /** What a grounded part has to the case (ohm). */
  private static final double GROUNDED_OHMS = 0.5;

  /** What a sensor that drifts shows of what is due. */
  private static final double SKEWED = 1.2;

  /** Beyond this a loop holds strays and no sensor; common practice, no source. */
  private static final double LARGEST_SENSOR_OHMS = 1e6;

  private final String yaml;
  private final UnitModel unit;
  private final List<TextProblem> problems = new ArrayList<>();

  private SheetValidator(String yaml, Sheet sheet) {
    this.yaml = yaml;
    this.unit = new UnitModel(sheet);
  }

  /**
   * @param yaml UTF-8 YAML 1.2, or JSON
   * @throws InvalidTextException when the text is no valid sheet, the load of a path gets no power
   *     in any of its situations, a situation shorts the supply, or a complaint can never come true
   */
  public static Sheet read(String yaml) {
    return unit(yaml).sheet();
  }

  /**
   * The same with its circuit, solved.
   *
   * @throws InvalidTextException as {@link #read}
   */
  public static UnitModel unit(String yaml) {
    return unit(yaml, SheetReader.read(yaml));
  }

  /**
   * The same of a sheet that was read from its text already.
   *
   * @throws InvalidTextException as {@link #read}
   */
  public static UnitModel unit(String yaml, Sheet sheet) {
    SheetValidator checked = new SheetValidator(yaml, sheet);
    // what comes later would only repeat in other words what is wrong already
    sheet.situations().values().forEach(checked::checkShort);
    checked.stopAtProblems();
    sheet.paths().values().forEach(checked::checkFed);
    sheet.situations().values().forEach(checked::checkNeeds);
    checked.stopAtProblems();
    sheet.complaints().values().forEach(checked::checkComplaint);
    checked.stopAtProblems();
    return checked.unit;
  }

  private void stopAtProblems() {
    if (!problems.isEmpty()) {
      throw new InvalidTextException(problems);
    }
  }

  private void checkFed(Path path) {
    if (unit.chains().keySet().stream().noneMatch(c -> c.path().equals(path))) {
      wrong(
          "/paths/" + path.id(),
          "in no situation does the supply reach \"%s\": close its links by commands, or join its points to the supply's terminals"
              .formatted(path.load()));
    }
  }

  private void checkNeeds(Situation situation) {
    for (String given : situation.commands()) {
      Command command = unit.sheet().commands().get(given);
      for (int i = 0; i < command.needs().size(); i++) {
        Command.Loop ends = command.needs().get(i);
        double ohms = unit.in(situation.id()).ohmsBetween(ends.from(), ends.to()).abs();
        if (situation.supplyOn() && ohms > LARGEST_SENSOR_OHMS) {
          wrong(
              "/commands/%s/needs/%d".formatted(given, i),
              "nothing closes this loop in \"%s\", where the command is given: name the two points of the control between which the sensor lies"
                  .formatted(situation.id()));
        }
      }
    }
  }

  /** Blames the load whose removal mends it, or else the situation whose contacts do it. */
  private void checkShort(Situation situation) {
    if (!situation.supplyOn() || lost(situation, List.of()) < SHORTED) {
      return;
    }
    Sheet sheet = unit.sheet();
    List<Part> blamed =
        sheet.parts().values().stream()
            .filter(p -> lost(situation, List.of(Change.open(p.id()))) < SHORTED)
            .toList();
    String amperes =
        Dimension.AMPERES.format(
            unit.in(situation.id())
                .amperes(Supply.conductor(sheet.supply().system().outward()))
                .abs());
    List<Part> loads = blamed.stream().filter(Part::actsAsLoad).toList();
    if (!loads.isEmpty()) {
      wrong(
          "/parts/" + loads.get(0).id(),
          "this load shorts the supply in \"%s\" (%s): check its ohms or watts and the points it lies between"
              .formatted(situation.id(), amperes));
    } else {
      wrong(
          "/situations/" + situation.id(),
          "the supply is shorted here (%s)%s: no load lies between its terminals"
              .formatted(
                  amperes,
                  blamed.isEmpty()
                      ? ""
                      : " through " + String.join(", ", blamed.stream().map(Part::id).toList())));
    }
  }

  /** What is dropped in a conductor of the source, as a share of what a dead short would drop. */
  private double lost(Situation situation, List<Change> changes) {
    Supply supply = unit.sheet().supply();
    Solution now = unit.frozen(situation.id(), changes);
    boolean legs = supply.terminals().containsKey("line2");
    double shorted = supply.volts() / (legs && supply.terminals().containsKey("neutral") ? 4 : 2);
    double most = 0;
    for (String terminal : supply.currentTerminals()) {
      String conductor = Supply.conductor(terminal);
      most = Math.max(most, now.amperes(conductor).times(now.ohms(conductor)).abs() / shorted);
    }
    return most;
  }

  private void checkComplaint(Complaint complaint) {
    if (unit.shows(complaint, List.of())) {
      wrong(
          "/complaints/" + complaint.id(),
          "the sound unit does this too in \"%s\"; say what runs or does not run otherwise"
              .formatted(complaint.situation()));
    } else if (singleFaults().noneMatch(f -> unit.shows(complaint, f))) {
      wrong(
          "/complaints/" + complaint.id(),
          "no single open or stuck part makes this true in \"%s\"; check what runs and what does not"
              .formatted(complaint.situation()));
    }
  }

  private Stream<List<Change>> singleFaults() {
    Sheet sheet = unit.sheet();
    Stream<String> supply = sheet.supply().currentTerminals().stream().map(Supply::conductor);
    Stream<List<Change>> open =
        Stream.concat(sheet.parts().keySet().stream(), supply).map(id -> List.of(Change.open(id)));
    Stream<List<Change>> notCommanded =
        sheet.commands().keySet().stream()
            .map(
                command ->
                    sheet.parts().values().stream()
                        .filter(p -> p.madeWhen().commands().contains(command))
                        .map(p -> Change.open(p.id()))
                        .toList());
    Stream<List<Change>> stuck =
        sheet.parts().values().stream()
            .filter(Part::actsAsLink)
            .map(p -> List.of(Change.closed(p.id())));
    Stream<List<Change>> grounded =
        sheet.parts().values().stream()
            .filter(Part::caseLeak)
            .flatMap(
                p ->
                    Stream.of(0.1, 0.9).map(at -> List.of(Change.leak(p.id(), at, GROUNDED_OHMS))));
    Stream<List<Change>> skewed =
        sheet.parts().values().stream()
            .filter(p -> !p.actsAsLink())
            .map(p -> List.of(Change.scaled(p.id(), SKEWED)));
    return Stream.of(open, notCommanded, stuck, grounded, skewed).flatMap(s -> s);
  }

  private void wrong(String pointer, String message) {
    problems.add(SheetReader.problemAt(yaml, pointer, message));
  }
}
