package org.jollychain.core.visit;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.jollychain.core.guide.Guide;
import org.jollychain.core.sequencing.Distribution;
import org.jollychain.core.sequencing.OutcomeTable;
import org.jollychain.core.sequencing.Position;
import org.jollychain.core.sequencing.SequencingProblem;
import org.jollychain.core.sequencing.TwoStepLookahead;
import org.jollychain.core.sheet.Family;

/**
 * Finds the sheet of a library that fits a unit, by questions that a look at it answers. The sheets
 * are the states; each answers some of the questions, a question it does not answer tells nothing
 * of it. The first question is always what kind of unit it is; it tells most and everybody knows.
 *
 * <pre>{@code
 * SheetFinder.Found found = new SheetFinder(sheets, guides).find(Map.of("family", "range"));
 * }</pre>
 */
public final class SheetFinder {

  /** The question what kind of unit it is. */
  public static final String FAMILY = "family";

  /** People look past things: so often an answer is another than the sheet's (a share). */
  private static final double SLIP = 0.04;

  /** A sheet so probable is the one. */
  private static final double FOUND = 0.9;

  /** Less is as good as excluded. */
  private static final double LEAST = 0.02;

  private static final double LEAST_BITS = 0.05;
  private static final double MINUTES = 0.2;

  private final List<Candidate> sheets;
  private final Map<String, Guide.Question> questions = new LinkedHashMap<>();

  /**
   * A sheet of the library.
   *
   * @param identify its answers
   */
  public record Candidate(String key, String title, Family family, Map<String, String> identify) {

    private Optional<String> answer(Guide.Question question) {
      return Optional.ofNullable(
          question.id().equals(FAMILY) ? family.toString() : identify.get(question.id()));
    }
  }

  /**
   * @param guides whose questions are asked; the same question of two is one, with the answers of
   *     both
   */
  public SheetFinder(List<Candidate> sheets, Collection<Guide> guides) {
    this.sheets = List.copyOf(sheets);
    Map<String, String> families = new LinkedHashMap<>();
    for (Candidate sheet : sheets) {
      families.put(sheet.family().toString(), words(sheet.family(), guides));
    }
    questions.put(FAMILY, new Guide.Question(FAMILY, "What kind of unit is it?", families));
    for (Guide guide : guides) {
      guide.identify().forEach((id, q) -> questions.merge(id, q, SheetFinder::merged));
    }
  }

  private static String words(Family family, Collection<Guide> guides) {
    return guides.stream()
        .filter(g -> g.family() == family)
        .map(Guide::title)
        .findFirst()
        .orElse("Another");
  }

  private static Guide.Question merged(Guide.Question a, Guide.Question b) {
    Map<String, String> answers = new LinkedHashMap<>(a.answers());
    b.answers().forEach(answers::putIfAbsent);
    return new Guide.Question(a.id(), a.title(), answers);
  }

  /**
   * How far the search is.
   *
   * @param sheets that may fit, the likeliest first
   * @param next what to answer next; nothing where no answer would tell them apart
   * @param differ the questions, in words, whose answers are not the same for all of them
   */
  public record Found(List<Fit> sheets, Optional<Guide.Question> next, List<String> differ) {}

  /**
   * A sheet that may fit.
   *
   * @param answers to the questions in which those that are left differ, in words
   */
  public record Fit(String key, String title, double probability, List<String> answers) {}

  /**
   * Weighs the sheets by what was answered.
   *
   * @param answered answer by question; what is not known here is passed over
   */
  public Found find(Map<String, String> answered) {
    if (sheets.isEmpty()) {
      return new Found(List.of(), Optional.empty(), List.of());
    }
    int[] states = IntStream.range(0, sheets.size()).toArray();
    double[] weights = IntStream.of(states).mapToDouble(i -> 1).toArray();
    Distribution believed = Distribution.of(weights.length, states, states, weights);
    Asking asking = new Asking();
    List<Guide.Question> open = new ArrayList<>();
    for (Guide.Question q : questions.values()) {
      int outcome = new ArrayList<>(q.answers().keySet()).indexOf(answered.get(q.id()));
      if (outcome >= 0) {
        believed = believed.given(asking.outcomes(q), outcome);
      } else {
        open.add(q);
      }
    }
    double[] p = believed.byGroup();
    List<Integer> left =
        IntStream.of(states)
            .boxed()
            .filter(i -> p[i] >= LEAST)
            .sorted(Comparator.comparing(i -> -p[i]))
            .toList();
    List<Guide.Question> differ =
        open.stream()
            .filter(q -> left.stream().map(i -> sheets.get(i).answer(q)).distinct().count() > 1)
            .toList();
    return new Found(
        left.stream().map(i -> fit(sheets.get(i), p[i], differ)).toList(),
        next(new Position<>(asking, believed, "", open, Set.of())),
        differ.stream().map(Guide.Question::title).toList());
  }

  private static Optional<Guide.Question> next(Position<Guide.Question, String> now) {
    if (now.end().isPresent()) {
      return Optional.empty();
    }
    Optional<Guide.Question> family =
        now.open().stream().filter(q -> q.id().equals(FAMILY)).findFirst();
    return family.isPresent()
        ? family
        : TwoStepLookahead.ranked(now).stream().map(TwoStepLookahead.Option::test).findFirst();
  }

  private static Fit fit(Candidate sheet, double p, List<Guide.Question> differ) {
    return new Fit(
        sheet.key(),
        sheet.title(),
        p,
        differ.stream()
            .map(q -> sheet.answer(q).map(a -> q.answers().getOrDefault(a, a)).orElse("not said"))
            .toList());
  }

  /** The search as a problem of test sequencing: every question takes a look. */
  private final class Asking implements SequencingProblem<Guide.Question, String> {

    @Override
    public OutcomeTable outcomes(Guide.Question question) {
      List<String> answers = List.copyOf(question.answers().keySet());
      double[][] likelihood = new double[sheets.size()][answers.size()];
      for (int i = 0; i < sheets.size(); i++) {
        int own = sheets.get(i).answer(question).map(answers::indexOf).orElse(-1);
        for (int j = 0; j < answers.size(); j++) {
          likelihood[i][j] =
              own < 0 ? 1.0 / answers.size() : j == own ? 1 - SLIP : SLIP / (answers.size() - 1);
        }
      }
      return new OutcomeTable(IntStream.range(0, sheets.size()).toArray(), likelihood);
    }

    @Override
    public Step<String> step(String from, Guide.Question question) {
      return new Step<>(MINUTES, MINUTES, from);
    }

    @Override
    public double leastBits(Guide.Question question) {
      return LEAST_BITS;
    }

    @Override
    public double endsAt(int group) {
      return FOUND;
    }

    @Override
    public Optional<Guide.Question> confirming(int group, Set<Guide.Question> made) {
      return Optional.empty();
    }
  }
}
