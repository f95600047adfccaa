package org.jollychain.core.visit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jollychain.core.diagnosis.Assessment;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.Sheet;

/**
 * Parts that are renewed together, as their sheet names partners: the one that failed, and those
 * that went through the same with it. Each of them is renewed, or stays in for a reason.
 *
 * @param title of the part that failed, or was renewed first
 * @param why they go together
 * @param members that part at the head
 */
public record PartSet(String title, String why, List<Member> members) {

  /**
   * A part of the set.
   *
   * @param renewed whether it was
   * @param kept why it stays in; empty where that was not said
   */
  public record Member(String part, String title, boolean renewed, String kept) {

    /** Whether nothing was said of it yet. */
    public boolean open() {
      return !renewed && kept.isEmpty();
    }
  }

  /** Members of which nothing was said yet. */
  public List<Member> open() {
    return members.stream().filter(Member::open).toList();
  }

  /** Of the part that is shown to have failed, and of all that were renewed; each part once. */
  static List<PartSet> of(Sheet sheet, Assessment.Leading leading, Told told) {
    Set<String> heads = new LinkedHashSet<>();
    Optional.of(leading)
        .filter(Assessment.Leading::confirmed)
        .map(Assessment.Leading::part)
        .filter(sheet.parts()::containsKey)
        .ifPresent(heads::add);
    told.of(VisitEntry.Kind.RENEWED).map(VisitEntry::subject).forEach(heads::add);
    List<PartSet> sets = new ArrayList<>();
    Set<String> listed = new HashSet<>();
    for (String id : heads) {
      Part head = sheet.part(id);
      if (!head.partners().isEmpty() && listed.add(id)) {
        List<Member> members =
            Stream.concat(Stream.of(id), head.partners().stream().filter(p -> !listed.contains(p)))
                .map(p -> member(sheet.part(p), told))
                .toList();
        members.forEach(m -> listed.add(m.part));
        if (members.size() > 1) {
          sets.add(new PartSet(head.title(), why(head), members));
        }
      }
    }
    return sets;
  }

  private static Member member(Part part, Told told) {
    return new Member(
        part.id(),
        part.title(),
        told.said(VisitEntry.Kind.RENEWED, part.id()),
        told.last(VisitEntry.Kind.KEPT, part.id()).map(VisitEntry::value).orElse(""));
  }

  /** Common practice, no source. */
  private static String why(Part head) {
    PartKind kind = head.kind();
    if (kind == PartKind.LINE_FUSE || kind.is(PartKind.Trait.GUARDS_DOOR)) {
      return "Each of them has carried the short.";
    }
    if (head.thermal().isPresent() || kind.is(PartKind.Trait.ONE_SHOT)) {
      return "The heat that opened one has cooked the other.";
    }
    return head.actsAsLoad()
        ? "One that fails hot reads sound when it is cold."
        : "They wear together.";
  }
}
