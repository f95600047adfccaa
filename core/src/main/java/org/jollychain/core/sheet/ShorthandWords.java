package org.jollychain.core.sheet;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jollychain.core.text.Nearest;

/** The words of the trade for every kind of part, however they are hyphened or run together. */
final class ShorthandWords {

  private static final int MOST_WORDS = 4;

  private static final Map<String, PartKind> KINDS = kinds();

  private ShorthandWords() {}

  /**
   * What was found among some words.
   *
   * @param from the first of the words that mean the kind
   * @param to the first behind them
   * @param phrase those words, as they are compared
   */
  record Found(PartKind kind, int from, int to, String phrase) {}

  private static Map<String, PartKind> kinds() {
    Map<String, PartKind> kinds = new LinkedHashMap<>();
    for (PartKind kind : PartKind.values()) {
      kinds.put(plain(kind.word()), kind);
    }
    for (PartKind kind : PartKind.values()) {
      kind.synonyms().forEach(s -> kinds.putIfAbsent(plain(s), kind));
    }
    return kinds;
  }

  private static String plain(String words) {
    return words.toLowerCase(Locale.ROOT).replaceAll("[\\s'-]", "");
  }

  /** What the ratings of a link speak for. */
  enum Rated {
    NOTHING,
    /** It acts at a temperature. */
    HEAT,
    /** It uses current, or gives it. */
    POWER;

    /** Whether such a kind is meant before others: plainly said, a plug's name follows it. */
    private boolean fits(PartKind kind) {
      boolean joint = kind == PartKind.CONNECTOR || kind == PartKind.WIRE || kind == PartKind.CORD;
      return switch (this) {
        case NOTHING -> joint;
        case HEAT -> kind.role() == PartKind.Role.LINK && !joint;
        case POWER -> kind.role() != PartKind.Role.LINK;
      };
    }
  }

  /**
   * The longest run of words that means a kind. Where several are as long, the one the ratings
   * speak for, else a link, and of those the last: a {@code heater relay} is a relay.
   */
  static Optional<Found> find(List<String> words, Rated rated) {
    for (int length = Math.min(MOST_WORDS, words.size()); length > 0; length--) {
      List<Found> found = new ArrayList<>();
      for (int from = words.size() - length; from >= 0; from--) {
        String phrase = plain(String.join("", words.subList(from, from + length)));
        PartKind kind = KINDS.getOrDefault(phrase, KINDS.get(phrase.replaceAll("s$", "")));
        if (kind != null) {
          found.add(new Found(kind, from, from + length, phrase));
        }
      }
      if (!found.isEmpty()) {
        return found.stream()
            .filter(f -> rated.fits(f.kind()))
            .findFirst()
            .or(() -> found.stream().filter(f -> f.kind().role() == PartKind.Role.LINK).findFirst())
            .or(() -> Optional.of(found.get(0)));
      }
    }
    return Optional.empty();
  }

  /** What to say of words that mean no kind: the nearest that do. */
  static String unknown(String words) {
    String near = Nearest.suggestion(words, all());
    List<String> close = Nearest.closest(words, all());
    return "\"%s\" is no part the trade has a word for here%s"
        .formatted(
            words,
            near.isEmpty()
                ? "; near it are "
                    + close.stream().map("\"%s\""::formatted).collect(Collectors.joining(", "))
                : near);
  }

  private static List<String> all() {
    return Arrays.stream(PartKind.values())
        .flatMap(k -> Stream.concat(Stream.of(k.word()), k.synonyms().stream()))
        .toList();
  }
}
