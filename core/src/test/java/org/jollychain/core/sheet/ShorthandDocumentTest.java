package org.jollychain.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** The published grammar is the one that is read. */
class ShorthandDocumentTest {

  private static String document = "";

  @BeforeAll
  static void read() throws IOException {
    document = Files.readString(java.nio.file.Path.of("../docs/formats/shorthand.md"));
  }

  @Test
  void every_word_of_the_trade_is_listed() {
    for (PartKind kind : PartKind.values()) {
      assertThat(document)
          .contains(
              "| %s | %s | %s |".formatted(kind, kind.word(), String.join(", ", kind.synonyms())));
    }
  }

  @Test
  void its_example_is_usable() {
    Matcher m = Pattern.compile("```shorthand\n(.*?)```", Pattern.DOTALL).matcher(document);
    assertThat(m.find()).isTrue();
    assertThat(Shorthand.read(m.group(1)).usable()).isTrue();
  }

  /** Each row of the table of ratings, on a link of which it may be said. */
  @Test
  void every_rating_that_is_listed_is_understood() {
    String table =
        document.substring(
            document.indexOf("| typed | is |"), document.indexOf("## What is assumed"));
    Matcher typed = Pattern.compile("`([^`]+)`").matcher(table);
    int understood = 0;
    while (typed.find()) {
      String rating = typed.group(1);
      boolean read =
          Stream.of("limit", "element", "ntc", "secondary")
              .map(kind -> rating.contains(kind) ? rating : kind + " " + rating)
              .map(
                  link ->
                      "supply 230 V\nL > transformer 5W pf 0.2 > N\nL > coil K3 > N\n"
                          + "L > %s > [X] lamp > N\nL > \"high limit\" limit > N".formatted(link))
              .map(Shorthand::read)
              .anyMatch(s -> s.problems().stream().noneMatch(ShorthandDocumentTest::astray));
      assertThat(read).as(rating).isTrue();
      understood++;
    }
    assertThat(understood).isGreaterThan(30);
  }

  private static boolean astray(Shorthand.Problem p) {
    return p.level() == Shorthand.Level.ERROR && p.line() == 4;
  }
}
