package org.jollychain.server.job;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import org.jollychain.server.platform.RefusedException;

/**
 * What of the jobs is looked for.
 *
 * @param words each as a query of PostgreSQL's text search: the beginnings of its parts, all of
 *     which have to be there
 * @param technician who worked on it; empty for everybody
 * @param page from 0
 */
public record JobSearch(List<String> words, String technician, int page) {

  /** Every job. */
  public static final JobSearch ALL = new JobSearch(List.of(), "", 0);

  private static final int MOST_WORDS = 12;
  private static final int MOST_PAGES = 100_000;

  /**
   * @param typed words with blanks between them
   * @param page from 1
   * @throws RefusedException when there is no such page
   */
  static JobSearch of(String typed, String technician, int page) {
    if (page < 1 || page > MOST_PAGES) {
      throw RefusedException.unprocessable("page: must be from 1 to %d.".formatted(MOST_PAGES));
    }
    List<String> words =
        Arrays.stream(typed.split("\\s+"))
            .map(JobSearch::beginnings)
            .filter(w -> !w.isEmpty())
            .limit(MOST_WORDS)
            .toList();
    return new JobSearch(words, technician.strip(), page - 1);
  }

  /** Only letters and digits are left, so that nothing in it can be an operator. */
  private static String beginnings(String word) {
    return Arrays.stream(word.split("[^\\p{L}\\p{N}]+"))
        .filter(part -> !part.isEmpty())
        .map(part -> part + ":*")
        .collect(Collectors.joining(" & "));
  }
}
