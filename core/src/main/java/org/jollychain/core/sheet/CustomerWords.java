package org.jollychain.core.sheet;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;
import tools.jackson.dataformat.yaml.YAMLMapper;

/**
 * Which complaint of a sheet is meant by the words of a customer. Words and complaints are both
 * taken for sets of meanings ("spins but no heat": turns, no heat); a meaning that few complaints
 * of the sheet share counts for more.
 *
 * <p>Use: {@code CustomerWords.matches(sheet, "spins but no heat")}.
 */
public final class CustomerWords {

  /** A complaint that may be meant, and how alike it is (0 to 1). */
  public record Match(String complaint, String title, double likeness) {}

  private static final double ALIKE = 0.22;
  private static final double SAID = 0.7;

  /** Words that the table does not know are gone by where nearly all of them are shared. */
  private static final double NEARLY_ALL = 0.8;

  private static final double OF_A_CLAUSE = 0.6;

  /** What a word weighs that no complaint of the sheet has. */
  private static final double UNKNOWN = 0.2;

  private static final int MOST = 3;

  /** So many words behind a "not" are denied by it. */
  private static final int DENIED = 3;

  private static final String CONTRARY = "!";
  private static final String TOPIC = "~";
  private static final String RUNS = "run";
  private static final String CLAUSE = "[,;.:!?]+";

  private static final Map<String, List<String>> MEANINGS = new HashMap<>();
  private static final Set<String> NOT = new HashSet<>();

  /** Behind these nothing is denied any more. */
  private static final Set<String> ENDS = new HashSet<>();

  private static final Set<String> SAY_NOTHING = new HashSet<>();

  /** Meanings of the table; words of a title alone are too thin to go by. */
  private static final Set<String> KNOWN = new HashSet<>();

  static {
    JsonNode table = table();
    table.path("not").forEach(w -> NOT.add(w.stringValue()));
    table.path("ends").forEach(w -> ENDS.add(w.stringValue()));
    table.path("say-nothing").forEach(w -> SAY_NOTHING.add(w.stringValue()));
    table
        .path("meanings")
        .properties()
        .forEach(
            row ->
                row.getValue()
                    .forEach(
                        w ->
                            MEANINGS
                                .computeIfAbsent(stems(w.stringValue()), k -> new ArrayList<>())
                                .add(row.getKey())));
  }

  static {
    MEANINGS.values().forEach(KNOWN::addAll);
    List.copyOf(KNOWN).forEach(m -> KNOWN.add(contrary(m)));
  }

  private CustomerWords() {}

  private static JsonNode table() {
    try (InputStream in = CustomerWords.class.getResourceAsStream("/sheet/customer-words.yaml")) {
      return new YAMLMapper().readTree(in);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /**
   * The complaints that may be meant, the likeliest first; none where the words say nothing of any.
   */
  public static List<Match> matches(Sheet sheet, String words) {
    List<Meant> all = sheet.complaints().values().stream().map(Meant::of).toList();
    Map<String, Double> weight = new HashMap<>();
    all.forEach(m -> m.whole.forEach(w -> weight.merge(w, 1.0, Double::sum)));
    weight.replaceAll((w, complaints) -> Math.log((all.size() + 1) / complaints));
    Set<String> said = withTopics(meanings(words));
    return all.stream()
        .map(m -> new Match(m.complaint.id(), m.complaint.title(), m.likeness(said, weight)))
        .filter(m -> m.likeness > ALIKE)
        .sorted(Comparator.comparingDouble(Match::likeness).reversed())
        .limit(MOST)
        .toList();
  }

  /** A complaint as meanings: all of it, and clause by clause, for what heats and what does not. */
  private record Meant(Complaint complaint, Set<String> whole, List<Set<String>> clauses) {

    static Meant of(Complaint complaint) {
      List<Set<String>> clauses =
          Stream.concat(
                  Arrays.stream(complaint.title().split(CLAUSE)),
                  Stream.of(complaint.id().replace('-', ' ')))
              .map(c -> withTopics(meanings(c)))
              .toList();
      return new Meant(complaint, withTopics(meanings(complaint.title())), clauses);
    }

    double likeness(Set<String> said, Map<String, Double> weight) {
      double clause = clauses.stream().mapToDouble(c -> alike(said, c, weight)).max().orElse(0);
      return OF_A_CLAUSE * clause + (1 - OF_A_CLAUSE) * alike(said, whole, weight);
    }
  }

  /** What is spoken of counts too, whatever is said of it. */
  private static Set<String> withTopics(Set<String> meanings) {
    Set<String> all = new HashSet<>(meanings);
    meanings.forEach(m -> all.add(TOPIC + (m.startsWith(CONTRARY) ? m.substring(1) : m)));
    return all;
  }

  /** How much of both is shared; what was said and is not meant counts for most (0 to 1). */
  private static double alike(Set<String> said, Set<String> meant, Map<String, Double> weight) {
    Set<String> both = new HashSet<>(said);
    both.retainAll(meant);
    Set<String> against = new HashSet<>(said);
    against.removeAll(meant);
    against.removeIf(m -> m.startsWith(TOPIC) || !meant.contains(contrary(m)));
    boolean thin = both.stream().noneMatch(KNOWN::contains);
    if (thin && total(both, weight) < NEARLY_ALL * total(said, weight)) {
      return 0;
    }
    double all = SAID * total(said, weight) + (1 - SAID) * total(meant, weight);
    return all == 0 ? 0 : (total(both, weight) - total(against, weight)) / all;
  }

  private static double total(Set<String> meanings, Map<String, Double> weight) {
    return meanings.stream().mapToDouble(m -> weight.getOrDefault(m, UNKNOWN)).sum();
  }

  /** What a sentence says, the contrary of a meaning marked. */
  static Set<String> meanings(String sentence) {
    Set<String> meanings = new HashSet<>();
    String plain = sentence.toLowerCase(Locale.ROOT).replace('’', '\'');
    for (String clause : plain.split(CLAUSE)) {
      clause(
          Arrays.stream(clause.replaceAll("[^a-z0-9' -]", " ").strip().split("[\\s-]+")).toList(),
          meanings);
    }
    return meanings;
  }

  private static void clause(List<String> words, Set<String> all) {
    Set<String> meanings = new HashSet<>();
    int denied = 0;
    for (int at = 0; at < words.size(); ) {
      String word = words.get(at);
      int phrase = phrase(words, at);
      if (phrase > 0) {
        boolean not = denied > 0;
        MEANINGS
            .get(stems(words.subList(at, at + phrase)))
            .forEach(m -> meanings.add(not ? contrary(m) : m));
        at += phrase;
      } else {
        if (NOT.contains(word)) {
          denied = DENIED + 1;
        } else if (ENDS.contains(word)) {
          denied = 0;
        } else if (!word.isEmpty() && !SAY_NOTHING.contains(word)) {
          meanings.add(denied > 0 ? CONTRARY + stem(word) : stem(word));
        }
        at++;
      }
      denied--;
    }
    if (meanings.contains(CONTRARY + RUNS)) {
      // what does not work is denied with it: the broiler does not work
      List.copyOf(meanings).forEach(m -> meanings.add(CONTRARY + m.replace(CONTRARY, "")));
    }
    all.addAll(meanings);
  }

  private static String contrary(String meaning) {
    return meaning.startsWith(CONTRARY) ? meaning.substring(1) : CONTRARY + meaning;
  }

  /** How many words from here on are the longest known phrase; 0 where none is known. */
  private static int phrase(List<String> words, int at) {
    for (int length = Math.min(5, words.size() - at); length > 0; length--) {
      if (MEANINGS.containsKey(stems(words.subList(at, at + length)))) {
        return length;
      }
    }
    return 0;
  }

  private static String stems(String phrase) {
    return stems(Arrays.asList(phrase.split("[\\s-]+")));
  }

  private static String stems(List<String> words) {
    return words.stream().map(CustomerWords::stem).collect(Collectors.joining(" "));
  }

  /** A word without its ending: heats, heating and heated are one. */
  private static String stem(String word) {
    String stem = word.replaceFirst("(ing|ed|es|s|e)$", "");
    return stem.length() < 3 ? word : stem.replaceFirst("([bdglmnprt])\\1$", "$1");
  }
}
