package org.jollychain.study.field;

import java.util.ArrayList;
import java.util.List;
import java.util.random.RandomGenerator;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.quantity.Complex;
import org.jollychain.core.sheet.Command;
import org.jollychain.core.sheet.ContactState;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;
import org.jollychain.core.sheet.Supply;
import org.jollychain.core.sheet.SupplySystem;

/** Draws what is wrong with a unit: any part alike, a way it fails, how badly. */
final class FieldFaults {

  private static final double OF_SUPPLY = 0.12;

  private final UnitModel asDrawn;
  private final Sheet sheet;
  private final RandomGenerator random;

  FieldFaults(UnitModel asDrawn, RandomGenerator random) {
    this.asDrawn = asDrawn;
    this.sheet = asDrawn.sheet();
    this.random = random;
  }

  FieldFault any() {
    return Drawn.chance(random, OF_SUPPLY)
        ? ofSupply()
        : ofPart(Drawn.one(random, List.copyOf(sheet.parts().values())));
  }

  /** Of a part. */
  FieldFault ofPart(Part part) {
    return part.actsAsLink()
        ? ofContact(part)
        : part.actsAsSource()
            ? always(part, "open", Change.open(part.id()))
            : part.actsAsLoad() ? ofLoad(part) : ofSensor(part);
  }

  private FieldFault ofContact(Part part) {
    double kind = random.nextDouble();
    boolean mayWeld =
        !part.kind().is(PartKind.Trait.ONE_SHOT)
            && sheet.situations().values().stream()
                .anyMatch(s -> part.stateIn(s) == ContactState.OPEN);
    double ampere = most(part);
    if (kind < 0.2 && ampere > 0.02) {
      double loop = sheet.supply().volts() / ampere;
      double share = Drawn.byDecade(random, 0.02, 0.7);
      return always(part, "dropping", Change.dropping(part.id(), loop * share / (1 - share)));
    }
    if (kind < 0.3) {
      double ohms = Drawn.byDecade(random, 2e3, 800e3);
      return new FieldFault(
          part.id(),
          "leaky open",
          s ->
              part.stateIn(s) == ContactState.OPEN
                  ? List.of()
                  : List.of(Change.scaled(part.id(), 0), Change.dropping(part.id(), ohms)),
          false,
          commandsOf(part));
    }
    if (kind < 0.42 && mayWeld) {
      double ohms = Drawn.byDecade(random, 0.003, 0.2);
      return new FieldFault(
          part.id(),
          "welded",
          s ->
              part.stateIn(s) == ContactState.OPEN
                  ? List.of(Change.scaled(part.id(), 0), Change.dropping(part.id(), ohms))
                  : List.of(),
          false,
          List.of());
    }
    boolean sometimes = kind > 0.95;
    FieldFault open =
        always(
            part,
            sometimes ? "comes and goes" : "open",
            sometimes ? new Change[] {Change.open(part.id())} : opened(part));
    return new FieldFault(
        part.id(),
        open.kind(),
        open.changes(),
        sometimes,
        sometimes ? List.of() : commandsOf(part));
  }

  /** Without its command it stands open as well, and hands cannot give a control's command. */
  private List<String> commandsOf(Part part) {
    return part.madeWhen().commands().stream()
        .filter(c -> sheet.commands().get(c).by() == Command.By.CONTROL)
        .map("control:"::concat)
        .toList();
  }

  private Change[] opened(Part part) {
    return Drawn.chance(random, 0.7)
        ? new Change[] {Change.open(part.id())}
        : new Change[] {
          Change.scaled(part.id(), 0), Change.dropping(part.id(), Drawn.byDecade(random, 2e6, 9e8))
        };
  }

  private FieldFault ofLoad(Part part) {
    double kind = random.nextDouble();
    boolean wound = part.kind().is(PartKind.Trait.WOUND);
    if (kind < 0.2 && part.caseLeak() && sheet.supply().terminals().containsKey("earth")) {
      double ohms = Drawn.byDecade(random, 0.05, 5e6);
      return always(part, "grounded", Change.leak(part.id(), random.nextDouble(), ohms));
    }
    if (kind < 0.3 && !wound) {
      return always(part, "high", Change.scaled(part.id(), Drawn.byDecade(random, 1.5, 300)));
    }
    if (kind < 0.4 && !wound) {
      return always(part, "low", Change.scaled(part.id(), Drawn.byDecade(random, 0.004, 0.6)));
    }
    return always(part, "open", opened(part));
  }

  private FieldFault ofSensor(Part part) {
    double kind = random.nextDouble();
    if (part.curve().isEmpty()) {
      return always(part, "wet", Change.scaled(part.id(), 0), Change.dropping(part.id(), 40));
    }
    return kind < 0.4
        ? always(part, "open", opened(part))
        : kind < 0.65
            ? always(part, "shorted", Change.scaled(part.id(), 0), Change.dropping(part.id(), 0.3))
            : always(
                part,
                "skewed",
                Change.scaled(
                    part.id(),
                    Drawn.chance(random, 0.5)
                        ? Drawn.between(random, 0.25, 0.7)
                        : Drawn.between(random, 1.5, 4)));
  }

  private FieldFault ofSupply() {
    Supply supply = sheet.supply();
    List<String> lines = supply.lines();
    String line = Drawn.one(random, lines);
    List<FieldFault> ways = new ArrayList<>();
    ways.add(
        Drawn.chance(random, 0.5)
            ? supply("dead", sources(0))
            : supply("dead", lines.stream().map(l -> Change.open(Supply.conductor(l))).toList()));
    ways.add(supply("low", sources(Drawn.between(random, 0.5, 0.82))));
    if (supply.system() != SupplySystem.DC) {
      double high = supply.system() == SupplySystem.TRANSFORMER ? 1.4 : 1.16;
      ways.add(supply("high", sources(Drawn.between(random, high, high + 0.12))));
    }
    if (lines.size() > 1) {
      Change gone = Change.open(Supply.conductor(line));
      double neighbours = Drawn.byDecade(random, 3, 3e3);
      ways.add(supply("dead-leg", List.of(gone)));
      ways.add(
          supply("dead-leg", List.of(gone, Change.leak(Supply.conductor(line), 1, neighbours))));
      if (supply.terminals().containsKey("neutral")) {
        // the other loads of the house divide the volts
        double first = Drawn.byDecade(random, 2, 2e3);
        double second = Drawn.byDecade(random, 2, 2e3);
        double share = first / (first + second);
        double split = Math.abs(share - 0.5) < 0.06 ? 0.3 : share;
        ways.add(
            supply(
                "open-neutral",
                List.of(
                    Change.source(Supply.conductor("line1"), Complex.of(2 * split)),
                    Change.source(Supply.conductor("line2"), Complex.of(2 - 2 * split)))));
      }
      if (supply.system() == SupplySystem.SPLIT_PHASE) {
        ways.add(
            supply(
                "wrong-system",
                List.of(
                    Change.source(
                        Supply.conductor("line2"), Complex.polar(1, Math.toRadians(60))))));
      }
    } else if (supply.system() == SupplySystem.SINGLE_PHASE
        && supply.bonded().filter("neutral"::equals).isPresent()) {
      ways.add(
          supply(
              "swapped",
              List.of(
                  Change.source(Supply.conductor("line1"), Complex.ZERO),
                  Change.driven(Supply.conductor("neutral"), supply.volts()))));
    }
    return Drawn.one(random, ways);
  }

  private List<Change> sources(double factor) {
    return sheet.supply().currentTerminals().stream()
        .map(t -> Change.source(Supply.conductor(t), Complex.of(factor)))
        .toList();
  }

  /** The same in every situation that has power. */
  private static FieldFault supply(String kind, List<Change> changes) {
    return new FieldFault(
        FieldFault.SUPPLY, kind, s -> s.supplyOn() ? changes : List.of(), false, List.of());
  }

  private static FieldFault always(Part part, String kind, Change... changes) {
    return new FieldFault(part.id(), kind, s -> List.of(changes), false, List.of());
  }

  /** The most that ever flows through a part of the sound unit (A). */
  private double most(Part part) {
    return sheet.situations().values().stream()
        .filter(Situation::supplyOn)
        .mapToDouble(s -> asDrawn.in(s.id()).amperes(part.id()).abs())
        .max()
        .orElse(0);
  }
}
