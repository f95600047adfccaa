package org.jollychain.core.plan;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Inspection;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.network.Probe;
import org.jollychain.core.sheet.Access;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Point;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;

/**
 * Where the work stands: power, state and what is open. What it costs to ask something follows from
 * it.
 *
 * @param live false once isolated and proved dead
 * @param situation the state the unit is in; empty before anything was read
 * @param open accesses that are open
 * @param lifted points whose wires are off
 */
public record WorkState(boolean live, String situation, Set<String> open, Set<String> lifted) {

  /** Warmer than this somewhere, a unit had to be waited for (C). */
  private static final double HOT_CELSIUS = 62;

  /**
   * Extra-low voltage: up to 50 V AC or 120 V DC nothing is held against touching it (IEC 61140).
   */
  private static final double TOUCHED_VOLTS = 50;

  /** To lay a lead from one place to another and to take its ohms off (min). */
  private static final double LONG_LEAD = 4;

  /** As it is found. */
  public static final WorkState ARRIVED = new WorkState(true, "", Set.of(), Set.of());

  /**
   * What it takes to ask a question.
   *
   * @param minutes all of it, the price of exposure left out
   * @param opening the part of it that goes into opening the unit
   * @param exposed whether it is measured live
   * @param steps what to do first, in words
   * @param after where the work stands then
   */
  public record Move(
      double minutes, double opening, boolean exposed, List<String> steps, WorkState after) {

    /** Minutes and what the exposure is held to be worth. */
    double price(TimeCosts costs) {
      return minutes + (exposed ? costs.exposure() : 0);
    }
  }

  /**
   * Where the work stands after this evidence: the last of it says the state, all of it what is
   * open.
   */
  public static WorkState after(Sheet sheet, List<? extends Evidence> evidence, Policy policy) {
    Set<String> open = new LinkedHashSet<>();
    policy.opened().forEach(a -> open.addAll(withWhatItNeeds(sheet, a)));
    WorkState now = new WorkState(true, "", open, Set.of());
    List<? extends Evidence> inTime =
        evidence.stream()
            .sorted(Comparator.comparing((Evidence e) -> e.at().orElse(Instant.MIN)))
            .toList();
    for (Evidence e : inTime) {
      if (e instanceof Reading r) {
        open.addAll(accesses(sheet, new Question.Measure(r.probe())));
      } else if (e instanceof Inspection i) {
        open.addAll(accesses(sheet, new Question.Look(i.part(), i.situation())));
      }
      Set<String> lifted = e instanceof Reading r ? r.probe().liftedAt() : now.lifted;
      now = new WorkState(sheet.situation(e.situation()).supplyOn(), e.situation(), open, lifted);
    }
    return new WorkState(now.live, now.situation, Set.copyOf(open), Set.copyOf(now.lifted));
  }

  Move to(Question question, Sheet sheet, TimeCosts costs) {
    if (question.asItStands() && accesses(sheet, question).isEmpty()) {
      return new Move(seen(question, costs), 0, false, List.of(), this);
    }
    Situation target = sheet.situation(question.situation());
    Set<String> needed = accesses(sheet, question);
    needed.removeAll(open);
    List<String> steps = new ArrayList<>();
    boolean now = live;
    double minutes = 0;
    double opening = 0;
    Optional<String> reseated =
        question instanceof Question.Measure m && m.reseated() ? m.at().part() : Optional.empty();
    boolean hands =
        reseated.isPresent()
            || needed.stream().anyMatch(a -> sheet.access().get(a).power() == Access.Power.OFF);
    if (now && (hands || !target.supplyOn())) {
      steps.add("Isolate, lock off, prove dead");
      minutes += costs.isolate();
      now = false;
    }
    for (String id : needed) {
      Access access = sheet.access().get(id);
      steps.add(now ? access.title() : access.titleOff());
      opening += access.minutes();
    }
    if (reseated.isPresent()) {
      steps.add(
          "Take the terminals of the %s off, look, put them on again"
              .formatted(sheet.part(reseated.get()).title()));
      minutes += 2 * costs.lift();
    }
    Set<String> off =
        question.probe().map(Probe::liftedAt).orElse(target.supplyOn() ? Set.of() : lifted);
    lifted.stream()
        .filter(p -> !off.contains(p))
        .sorted()
        .forEach(p -> steps.add("Wire back on at " + p));
    if (!now && target.supplyOn()) {
      steps.add("Hands out, power on");
      minutes += costs.energise();
    }
    if (!target.id().equals(situation)) {
      if (question.probe().filter(p -> p.atOutlet(sheet)).isEmpty()) {
        steps.add(target.title());
      }
      minutes += costs.change();
      minutes += target.after().isPresent() && hottest(target) > HOT_CELSIUS ? costs.warm() : 0;
    }
    boolean exposed = false;
    if (question instanceof Question.Measure m) {
      Probe probe = m.at();
      for (String point : probe.liftedAt()) {
        if (!lifted.contains(point)) {
          steps.add("Wire off at " + point);
          minutes += costs.lift();
        }
      }
      if (probe.celsius().isPresent()) {
        steps.add(
            "Take the %s out and heat it slowly to %.0f °C, a thermometer at it"
                .formatted(sheet.part(probe.part().orElseThrow()).title(), probe.celsius().get()));
        minutes += costs.warm();
      }
      if (!probe.function().clamps()
          && !sheet.together(probe.red(), probe.black(), target.supplyOn())) {
        steps.add(
            "Lay a long lead from %s to %s; touch the probes together at its end and take that off"
                .formatted(
                    sheet.points().get(probe.red()).title(),
                    sheet.points().get(probe.black()).title()));
        minutes += LONG_LEAD;
      }
      exposed = target.supplyOn() && sheet.supply().volts() > TOUCHED_VOLTS;
      minutes += probe.function().clamps() ? costs.clamp() : costs.probe();
    } else {
      minutes += seen(question, costs);
    }
    Set<String> opened = new LinkedHashSet<>(open);
    opened.addAll(needed);
    return new Move(
        minutes + opening,
        opening,
        exposed,
        List.copyOf(steps),
        new WorkState(target.supplyOn(), target.id(), Set.copyOf(opened), Set.copyOf(off)));
  }

  /** What it takes to see or to hear something (min). */
  private static double seen(Question question, TimeCosts costs) {
    return question instanceof Question.GuideCheck c
        ? c.check().minutes()
        : question instanceof Question.Look ? costs.look() : costs.question();
  }

  private static double hottest(Situation situation) {
    return situation.celsius().values().stream().mapToDouble(c -> c).max().orElse(0);
  }

  /** What must be open to ask a question, in the order it is opened. */
  static Set<String> accesses(Sheet sheet, Question question) {
    Set<String> needed = new LinkedHashSet<>();
    if (question instanceof Question.Measure m) {
      if (m.at().function().clamps()) {
        reach(sheet, m.at().part().orElseThrow(), needed);
      } else {
        List<String> points = new ArrayList<>(List.of(m.at().red(), m.at().black()));
        points.addAll(m.at().liftedAt());
        points.forEach(p -> point(sheet.points().get(p), sheet, needed));
      }
    } else if (question instanceof Question.Look look) {
      reach(sheet, look.at(), needed);
    } else if (question instanceof Question.GuideCheck check) {
      needed.addAll(check.access());
    }
    return needed;
  }

  /** What must be open to see a part and to get at it, in the order it is opened. */
  static void reach(Sheet sheet, String id, Set<String> needed) {
    Part part = sheet.part(id);
    Optional<String> access = part.access();
    if (access.isPresent()) {
      needed.addAll(withWhatItNeeds(sheet, access.get()));
    } else {
      point(sheet.points().get(part.from()), sheet, needed);
    }
  }

  private static void point(Point point, Sheet sheet, Set<String> needed) {
    point.access().ifPresent(a -> needed.addAll(withWhatItNeeds(sheet, a)));
  }

  private static Set<String> withWhatItNeeds(Sheet sheet, String id) {
    Set<String> all = new LinkedHashSet<>();
    Access access = sheet.access().get(id);
    if (access != null) {
      access.after().forEach(before -> all.addAll(withWhatItNeeds(sheet, before)));
      all.add(id);
    }
    return all;
  }
}
