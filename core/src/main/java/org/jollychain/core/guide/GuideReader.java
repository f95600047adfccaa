package org.jollychain.core.guide;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.sheet.Family;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.text.Grammar;
import org.jollychain.core.text.InvalidTextException;
import org.jollychain.core.text.Nearest;
import org.jollychain.core.text.SourceNode;
import org.jollychain.core.text.SourceText;
import org.jollychain.core.text.TextProblem;

/**
 * Reads a guide of format 1. The grammar is the JSON Schema's; here is the meaning: names must be
 * known, probabilities add up to one, and no check may tell nothing.
 */
public final class GuideReader {

  private static final Grammar GRAMMAR =
      new Grammar(Grammar.resource("/guides/guide-1.schema.json"));

  /** Probabilities are written with two digits. */
  private static final double ROUNDING = 0.011;

  /** No outcome is quite impossible: people look past things. */
  private static final double LEAST = 0.002;

  private final List<TextProblem> problems = new ArrayList<>();
  private final SourceText text;

  private GuideReader(SourceText text) {
    this.text = text;
  }

  /**
   * Reads a guide.
   *
   * @param yaml UTF-8 YAML 1.2, or JSON
   * @throws InvalidTextException when it is not a valid guide of format 1
   */
  public static Guide read(String yaml) {
    GuideReader reader = new GuideReader(new SourceText(yaml, "guide", "jolly-chain/guide/1"));
    reader.problems.addAll(GRAMMAR.problems(reader.text));
    reader.stopAtProblems();
    Guide guide = reader.guide();
    reader.stopAtProblems();
    return guide;
  }

  /** The JSON Schema of format 1. */
  public static String schema() {
    return GRAMMAR.text();
  }

  private void stopAtProblems() {
    if (!problems.isEmpty()) {
      throw new InvalidTextException(problems);
    }
  }

  private Guide guide() {
    SourceNode root = SourceNode.root(text, problems);
    Map<String, Guide.Action> actions =
        root.child("actions")
            .each((id, at) -> new Guide.Action(id, at.child("title").text(), minutes(at)));
    Map<String, Guide.Prevention> prevention =
        root.child("prevention").each(GuideReader::prevention);
    Map<String, Cause> causes =
        root.child("causes").each((id, at) -> cause(id, at, actions.keySet(), prevention.keySet()));
    Map<String, Check> checks =
        root.child("checks").each((id, at) -> check(id, at, causes.keySet()));
    Map<String, Watch> watches =
        root.child("watches").each((id, at) -> WatchReader.watch(id, at, checks));
    return new Guide(
        root.child("key").text(),
        root.child("title").text(),
        Kebab.read(Family.class, root.child("family").text()).orElse(Family.OTHER),
        root.child("notes").text("").strip(),
        root.child("hazards").each((id, at) -> at.text()),
        root.child("identify")
            .each(
                (id, at) ->
                    new Guide.Question(
                        id,
                        at.child("title").text(),
                        at.child("answers").each((a, words) -> words.text()))),
        root.child("simple")
            .each(
                (id, at) ->
                    new Guide.SimpleThing(id, at.child("title").text(), minutes(at), applies(at))),
        causes,
        checks,
        actions,
        watches,
        root.child("proofs").each((id, at) -> proof(id, at, watches.keySet())),
        prevention);
  }

  private static Applies applies(SourceNode at) {
    return new Applies(
        Set.copyOf(at.child("complaints").texts()),
        at.child("where").each((question, answer) -> answer.text()));
  }

  private static double minutes(SourceNode at) {
    return at.child("minutes").quantity(Dimension.MINUTES, 1);
  }

  private static Guide.Proof proof(String id, SourceNode at, Set<String> watches) {
    SourceNode watch = at.child("watch");
    if (watch.present()) {
      refuseUnknown(watch, "watch", watches);
    }
    return new Guide.Proof(
        id,
        at.child("title").text(),
        at.child("current").flag(false),
        at.child("within").quantity(Dimension.MINUTES, 0),
        watch.text(""),
        Optional.of(at.child("figure")).filter(SourceNode::present).map(GuideReader::figure),
        applies(at));
  }

  private static Guide.Figure figure(SourceNode at) {
    Optional<Double> from = bound(at.child("from"));
    Optional<Double> to = bound(at.child("to"));
    if (from.isPresent() && to.isPresent() && from.get() > to.get()) {
      at.child("to").wrong("is below \"from\"; it must be the most that will do");
    }
    return new Guide.Figure(at.child("unit").text(), from, to);
  }

  private static Optional<Double> bound(SourceNode at) {
    return Optional.of(at).filter(SourceNode::present).map(a -> a.quantity(Dimension.SHARE, 0));
  }

  private static Guide.Prevention prevention(String id, SourceNode at) {
    return new Guide.Prevention(
        id,
        at.child("title").text(),
        (int) Math.round(at.child("months").quantity(Dimension.SHARE, 12)));
  }

  private Cause cause(String id, SourceNode at, Set<String> actions, Set<String> prevention) {
    return new Cause(
        id,
        at.child("title").text(),
        at.child("weight").positive(Dimension.SHARE),
        kinds(at.child("opens")),
        at.child("sound-circuit").flag(false),
        new LinkedHashSet<>(at.child("complaints").texts()),
        at.child("where").each((question, answer) -> answer.text()),
        from(at.child("from")),
        known(at.child("put-right"), "action", actions),
        known(at.child("prevents"), "prevention", prevention));
  }

  private static Set<PartKind> kinds(SourceNode at) {
    Set<PartKind> kinds = new LinkedHashSet<>();
    at.items().forEach(kind -> kind(kind).ifPresent(kinds::add));
    return kinds;
  }

  private static Optional<PartKind> kind(SourceNode at) {
    Optional<PartKind> kind = Kebab.read(PartKind.class, at.text());
    if (kind.isEmpty()) {
      at.wrong(
          "there is no kind of part \"%s\"%s"
              .formatted(
                  at.text(),
                  Nearest.suggestion(
                      at.text(),
                      Arrays.stream(PartKind.values()).map(PartKind::toString).toList())));
    }
    return kind;
  }

  private static Optional<Cause.FromCircuit> from(SourceNode at) {
    return at.present()
        ? kind(at.child("kind")).map(kind -> new Cause.FromCircuit(kind, at.child("mode").text()))
        : Optional.empty();
  }

  private static List<String> known(SourceNode list, String what, Set<String> names) {
    for (SourceNode name : list.items()) {
      refuseUnknown(name, what, names);
    }
    return list.texts();
  }

  static void refuseUnknown(SourceNode name, String what, Set<String> names) {
    if (!names.contains(name.text())) {
      name.wrong(
          "there is no %s \"%s\"%s"
              .formatted(what, name.text(), Nearest.suggestion(name.text(), names)));
    }
  }

  private Check check(String id, SourceNode at, Set<String> causes) {
    Map<String, String> outcomes = at.child("outcomes").each((o, title) -> title.text());
    Map<String, double[]> given = new LinkedHashMap<>();
    double[] otherwise = likelihood(at.at("given", "otherwise"), outcomes.keySet());
    at.child("given")
        .each(
            (cause, table) -> {
              if (!cause.equals("otherwise")) {
                if (!causes.contains(cause)) {
                  table.wrongKey(
                      "there is no cause \"%s\"%s"
                          .formatted(cause, Nearest.suggestion(cause, causes)));
                }
                given.put(cause, likelihood(table, outcomes.keySet()));
              }
              return cause;
            });
    Map<String, String> shows =
        at.child("shows")
            .each(
                (outcome, cause) -> {
                  refuseUnknown(cause, "cause", causes);
                  if (!outcomes.containsKey(outcome)) {
                    cause.wrongKey(
                        "there is no outcome \"%s\"%s"
                            .formatted(outcome, Nearest.suggestion(outcome, outcomes.keySet())));
                  }
                  return cause.text();
                });
    if (given.values().stream().allMatch(g -> Arrays.equals(g, otherwise))) {
      at.child("given").wrongKey("every cause leaves the same here: this check can tell nothing");
    }
    return new Check(
        id,
        at.child("title").text(),
        minutes(at),
        Kebab.read(Check.Power.class, at.child("power").text("any")).orElse(Check.Power.ANY),
        applies(at),
        kinds(at.child("near")),
        at.child("why").text(""),
        at.child("hazards").texts(),
        outcomes,
        given,
        otherwise,
        shows,
        bench(at.child("bench"), outcomes.keySet()));
  }

  private static Optional<Check.Bench> bench(SourceNode at, Set<String> outcomes) {
    if (!at.present()) {
      return Optional.empty();
    }
    Map<String, String> byGrade = new LinkedHashMap<>();
    for (String grade : List.of("good", "doubtful", "bad")) {
      if (at.child(grade).present()) {
        refuseUnknown(at.child(grade), "outcome", outcomes);
        byGrade.put(grade, at.child(grade).text());
      }
    }
    return Optional.of(new Check.Bench(at.child("check").text(), byGrade));
  }

  private static double[] likelihood(SourceNode at, Set<String> outcomes) {
    Map<String, Double> written = at.each((o, p) -> p.quantity(Dimension.SHARE, 0));
    for (String o : written.keySet()) {
      if (!outcomes.contains(o)) {
        at.child(o)
            .wrongKey("there is no outcome \"%s\"%s".formatted(o, Nearest.suggestion(o, outcomes)));
      }
    }
    double sum = written.values().stream().mapToDouble(p -> p).sum();
    if (Math.abs(sum - 1) > ROUNDING) {
      at.wrongKey(
          "the probabilities of what may come of it add up to %.2f; they must add up to 1"
              .formatted(sum));
    }
    double[] p =
        outcomes.stream().mapToDouble(o -> Math.max(LEAST, written.getOrDefault(o, 0.0))).toArray();
    double all = Arrays.stream(p).sum();
    return Arrays.stream(p).map(x -> x / all).toArray();
  }
}
