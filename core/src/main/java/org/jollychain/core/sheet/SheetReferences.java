package org.jollychain.core.sheet;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jollychain.core.text.Nearest;
import org.jollychain.core.text.SourceNode;

/** Every name that a sheet mentions must be on it, and nothing may wait for itself. */
final class SheetReferences {

  private SheetReferences() {}

  static void check(Sheet sheet, SourceNode root) {
    checkNames(sheet, root);
    checkAccessOrder(sheet, root);
  }

  private static void checkNames(Sheet sheet, SourceNode root) {
    sheet
        .supply()
        .terminals()
        .forEach(
            (id, point) ->
                known(root.at("supply", "terminals", id), point, sheet.points(), "point"));
    sheet
        .points()
        .values()
        .forEach(
            p ->
                p.access()
                    .ifPresent(
                        a ->
                            known(
                                root.at("points", p.id(), "access"), a, sheet.access(), "access")));
    for (Access a : sheet.access().values()) {
      root.at("access", a.id(), "after")
          .items()
          .forEach(after -> known(after, after.text(), sheet.access(), "access"));
    }
    for (Command command : sheet.commands().values()) {
      if (command.drivenBy().isPresent()) {
        SourceNode at = root.at("commands", command.id(), "driven-by");
        checkRuns(sheet, at);
        if (command.by() == Command.By.HAND) {
          at.wrong("only what the control gives is driven by a load; add \"by: control\"");
        }
      }
      SourceNode needs = root.at("commands", command.id(), "needs");
      for (SourceNode end : needs.items().stream().flatMap(l -> l.items().stream()).toList()) {
        known(end, end.text(), sheet.points(), "point");
      }
      if (!command.needs().isEmpty() && command.by() == Command.By.HAND) {
        needs.wrong("only the control measures before it gives; add \"by: control\"");
      }
    }
    Set<String> places = new TreeSet<>(Set.of("ambient"));
    for (Part part : sheet.parts().values()) {
      SourceNode at = root.at("parts", part.id());
      at.child("between").items().forEach(end -> known(end, end.text(), sheet.points(), "point"));
      part.access().ifPresent(a -> known(at.child("access"), a, sheet.access(), "access"));
      at.child("partners").items().forEach(p -> known(p, p.text(), sheet.parts(), "part"));
      if (part.behaviour() instanceof Behaviour.Source source) {
        checkPrimary(sheet, source.winding(), at.child("primary"));
      }
      for (String command : part.madeWhen().commands()) {
        known(at.child("made-when"), command, sheet.commands(), "command");
      }
      places.add(at.child("feels").text("ambient"));
    }
    for (Situation s : sheet.situations().values()) {
      SourceNode at = root.at("situations", s.id());
      for (SourceNode item : at.child("commands").items()) {
        known(item, item.text(), sheet.commands(), "command");
        Command command = sheet.commands().get(item.text());
        if (command != null && !s.supplyOn() && command.by() == Command.By.CONTROL) {
          item.wrong(
              "\"%s\" is given by the control, which is dead with the supply off; leave it out"
                  .formatted(command.id()));
        }
      }
      s.after().ifPresent(b -> checkAfter(sheet, s, b, at.child("after")));
      for (String place : s.celsius().keySet()) {
        if (!places.contains(place)) {
          at.child("celsius")
              .child(place)
              .wrongKey(
                  "no part feels \"%s\"; places: %s".formatted(place, String.join(", ", places)));
        }
      }
    }
    for (Path path : sheet.paths().values()) {
      SourceNode at = root.at("paths", path.id(), "load");
      if (known(at, path.load(), sheet.parts(), "part") && !sheet.part(path.load()).actsAsLoad()) {
        at.wrong(
            "\"%s\" is a %s; a path runs through a load"
                .formatted(path.load(), sheet.part(path.load()).kind().word()));
      }
    }
    for (Complaint c : sheet.complaints().values()) {
      SourceNode at = root.at("complaints", c.id());
      known(at.child("situation"), c.situation(), sheet.situations(), "situation");
      at.child("runs").items().forEach(p -> checkRuns(sheet, p));
      at.child("not-running").items().forEach(p -> checkRuns(sheet, p));
      at.child("suspects").items().forEach(p -> known(p, p.text(), sheet.parts(), "part"));
    }
    for (Code code : sheet.codes().values()) {
      SourceNode at = root.at("codes", code.id());
      if (code.watchesLoads()) {
        known(at.child("situation"), code.when().situation(), sheet.situations(), "situation");
      } else if (code.suspects().isEmpty()) {
        at.wrong("say what brings it up: \"suspects\", or \"situation\" and what runs there");
      }
      at.child("runs").items().forEach(p -> checkRuns(sheet, p));
      at.child("not-running").items().forEach(p -> checkRuns(sheet, p));
      at.child("suspects").items().forEach(p -> known(p, p.text(), sheet.parts(), "part"));
    }
  }

  private static void checkRuns(Sheet sheet, SourceNode at) {
    if (known(at, at.text(), sheet.parts(), "part") && !sheet.part(at.text()).actsAsLoad()) {
      at.wrong(
          "\"%s\" is a %s; only loads run or do not run"
              .formatted(at.text(), sheet.part(at.text()).kind().word()));
    }
  }

  /** The ratio of turns needs the primary's rated volts, and a flux that lags. */
  private static void checkPrimary(Sheet sheet, Winding winding, SourceNode at) {
    if (winding.primary().isEmpty() || !known(at, winding.primary(), sheet.parts(), "part")) {
      return;
    }
    Part primary = sheet.part(winding.primary());
    boolean inductive = primary.load().filter(r -> r.powerFactor() < 1).isPresent();
    if (!primary.kind().is(PartKind.Trait.WOUND) || !inductive) {
      at.wrong(
          "\"%s\" should be a transformer-primary with \"watts\", \"at-volts\" and a \"power-factor\" below 1, like 0.2"
              .formatted(winding.primary()));
    }
  }

  /** What comes after another situation must not come back to itself. */
  private static void checkAfter(Sheet sheet, Situation start, String before, SourceNode at) {
    if (!known(at, before, sheet.situations(), "situation")) {
      return;
    }
    Set<String> seen = new HashSet<>();
    Optional<String> earlier = Optional.of(before);
    while (earlier.isPresent() && seen.add(earlier.get())) {
      earlier =
          Optional.ofNullable(sheet.situations().get(earlier.get())).flatMap(Situation::after);
    }
    if (seen.contains(start.id())) {
      at.wrong("\"%s\" comes after itself; take \"after\" out".formatted(start.id()));
    } else if (!sheet.situation(before).supplyOn()) {
      at.wrong("\"%s\" has the supply off; nothing runs there".formatted(before));
    }
  }

  private static boolean known(SourceNode at, String name, Map<String, ?> names, String what) {
    if (names.containsKey(name)) {
      return true;
    }
    at.wrong(
        "there is no %s \"%s\"%s".formatted(what, name, Nearest.suggestion(name, names.keySet())));
    return false;
  }

  /** What must be open before must not come back to itself. */
  private static void checkAccessOrder(Sheet sheet, SourceNode root) {
    for (Access start : sheet.access().values()) {
      Set<String> seen = new HashSet<>();
      List<String> open = new ArrayList<>(start.after());
      while (!open.isEmpty()) {
        String id = open.remove(open.size() - 1);
        if (id.equals(start.id())) {
          root.at("access", id, "after")
              .wrong("\"%s\" waits for itself; take one of the dependencies out".formatted(id));
          break;
        }
        if (seen.add(id) && sheet.access().containsKey(id)) {
          open.addAll(sheet.access().get(id).after());
        }
      }
    }
  }
}
