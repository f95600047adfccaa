package org.jollychain.core.fault;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;

/**
 * What may be true of the unit: a set of faults, none for a sound one, or something that is not on
 * the sheet at all.
 *
 * @param prior its probability before anything was read
 */
public record Hypothesis(Kind kind, List<Fault> faults, double prior) {

  /** Whether the sheet's circuit, with or without faults, explains what is seen. */
  public enum Kind {
    SOUND,
    FAULTY,
    NOT_ON_SHEET
  }

  /** What is changed in the sound circuit in a situation. */
  public List<Change> changesIn(Situation situation) {
    return faults.size() == 1
        ? faults.get(0).changesIn(situation)
        : faults.stream().flatMap(f -> f.changesIn(situation).stream()).toList();
  }

  /** Whether a unit with these faults does what is complained of. */
  public boolean bringsAbout(Complaint complaint, UnitModel unit) {
    return (complaint.how() != Complaint.How.COMES_AND_GOES || intermittent().isPresent())
        && unit.shows(complaint, changesIn(unit.sheet().situation(complaint.situation())));
  }

  /** What it blames. */
  public Culprit culprit() {
    return switch (kind) {
      case SOUND -> new Culprit.NothingWrong();
      case NOT_ON_SHEET -> new Culprit.NotOnSheet();
      case FAULTY -> {
        List<Culprit> all = culprits().toList();
        yield all.size() == 1 ? all.get(0) : new Culprit.Several(all);
      }
    };
  }

  /** All that it blames, one by one. */
  public Stream<Culprit> culprits() {
    return kind == Kind.FAULTY
        ? faults.stream().flatMap(f -> f.culprit().stream())
        : Stream.of(culprit());
  }

  /** What it blames, or the first of several. */
  public Culprit first() {
    return culprits().findFirst().orElseThrow();
  }

  /** Whether it blames this, alone or beside others. */
  public boolean blames(Culprit culprit) {
    return culprits().anyMatch(culprit::equals);
  }

  /** In which way a part or a command has failed here, if it has. */
  public Optional<FaultMode> modeOf(Culprit culprit) {
    return faults.stream()
        .filter(f -> f.culprit().filter(culprit::equals).isPresent())
        .flatMap(f -> f.failed().stream())
        .findFirst();
  }

  /** In the words of the trade: {@code high limit open}. */
  public String title(Sheet sheet) {
    return kind == Kind.FAULTY
        ? faults.stream()
            .filter(f -> f.culprit().isPresent())
            .map(f -> f.title(sheet))
            .collect(Collectors.joining(" and "))
        : culprit().title(sheet);
  }

  /** The parts at fault, in which way. */
  public Stream<Fault.OfPart> ofParts() {
    return faults.stream().filter(Fault.OfPart.class::isInstance).map(Fault.OfPart.class::cast);
  }

  /** How a part is at fault here, if it is. */
  public Optional<FaultMode> modeOf(String part) {
    for (Fault fault : faults) {
      if (fault instanceof Fault.OfPart p && p.part().equals(part)) {
        return Optional.of(p.mode());
      }
    }
    return Optional.empty();
  }

  /** How the supply is at fault here, if it is. */
  public Optional<SupplyFault> supplyFault() {
    return faults.stream()
        .filter(Fault.OfSupply.class::isInstance)
        .map(f -> ((Fault.OfSupply) f).kind())
        .findFirst();
  }

  /** Half of it, with a contact standing open where it is between its two temperatures. */
  Hypothesis with(String part, Set<String> between) {
    List<Fault> also = new ArrayList<>(faults);
    also.add(new Fault.Resting(part, between));
    return new Hypothesis(kind, List.copyOf(also), prior / 2);
  }

  /** A part that comes and goes, if that is what this says. */
  public Optional<Fault.OfPart> intermittent() {
    return ofParts().filter(p -> p.mode() == FaultMode.INTERMITTENT).findFirst();
  }

  /** The same, its intermittent part sound just now. */
  public Hypothesis goneNow() {
    return new Hypothesis(
        kind,
        faults.stream()
            .map(
                f ->
                    f instanceof Fault.OfPart p && p.mode() == FaultMode.INTERMITTENT
                        ? p.present(Fault.Presence.NOT_NOW)
                        : f)
            .toList(),
        prior);
  }

  /** Whether more than one thing is wrong; poles that one heat has tripped are one. */
  public boolean manifold() {
    return faults.stream().filter(f -> !(f instanceof Fault.Resting)).count() > 1
        && !ofParts().allMatch(p -> p.mode() == FaultMode.TRIPPED);
  }

  /** The same, as likely as this before anything is read. */
  public Hypothesis weighing(double weight) {
    return new Hypothesis(kind, faults, weight);
  }
}
