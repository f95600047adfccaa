package org.jollychain.server.job;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.time.OffsetDateTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.server.assess.EvidenceItem;
import org.jspecify.annotations.Nullable;

/**
 * Evidence as comma-separated values (RFC 4180), one piece a line, the keys of a case file as
 * headings. Struck pieces go out with their reason and do not come in again. A cell that a
 * spreadsheet would take for a formula goes out behind an apostrophe, and comes in without it.
 */
final class EvidenceCsv {

  private static final String STRUCK = "struck";
  private static final List<String> HEADINGS =
      List.of(
          "function",
          "red",
          "black",
          "across",
          "through",
          "situation",
          "lifted-at",
          "meter",
          "observation",
          "part",
          "celsius",
          "reseated",
          "at",
          "value",
          STRUCK);
  private static final CSVFormat FORMAT =
      CSVFormat.RFC4180.builder().setHeader().setSkipHeaderRecord(true).setTrim(true).get();

  private EvidenceCsv() {}

  static String write(List<JobView.Entry> entries) {
    StringBuilder text = new StringBuilder();
    try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
      printer.printRecord(HEADINGS);
      for (JobView.Entry e : entries) {
        EvidenceItem i = e.item();
        List<String> lifted = i.liftedAt() == null ? List.of() : i.liftedAt();
        printer.printRecord(
            Stream.of(
                    i.function(),
                    i.red(),
                    i.black(),
                    i.across(),
                    i.through(),
                    i.situation(),
                    String.join(" ", lifted),
                    i.meter(),
                    i.observation(),
                    i.part(),
                    i.celsius(),
                    Boolean.TRUE.equals(i.reseated()) ? "yes" : null,
                    Objects.requireNonNullElse(i.at(), e.takenAt()),
                    i.value(),
                    e.struckAt() == null ? null : e.struckWhy())
                .map(EvidenceCsv::harmless)
                .toList());
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return text.toString();
  }

  private static String harmless(@Nullable Object cell) {
    String text = cell == null ? "" : cell.toString();
    boolean formula = text.matches("(?s)[=+\\-@\\t\\r].*") && !text.matches("[+-]?[\\d.,].*");
    return formula ? "'" + text : text;
  }

  /**
   * @throws EvidenceException when it is no such table; says the line
   */
  static List<EvidenceItem> read(String text) {
    List<EvidenceItem> items = new ArrayList<>();
    String table = text.startsWith("\uFEFF") ? text.substring(1) : text;
    try (CSVParser parser = FORMAT.parse(new StringReader(table))) {
      for (String heading : parser.getHeaderNames()) {
        if (!HEADINGS.contains(heading)) {
          throw new EvidenceException(
              "line 1",
              "\"%s\" is no heading here; there are %s"
                  .formatted(heading, String.join(", ", HEADINGS)));
        }
      }
      for (CSVRecord row : parser) {
        if (cell(row, STRUCK).isEmpty()) {
          items.add(item(row));
        }
      }
    } catch (IOException | IllegalArgumentException e) {
      throw new EvidenceException(
          "file", "this is no table of commas: %s".formatted(e.getMessage()));
    } catch (UncheckedIOException e) {
      throw new EvidenceException(
          "file", "this is no table of commas: %s".formatted(e.getCause().getMessage()));
    }
    return items;
  }

  /** The line of a file an item came from, the headings being the first. */
  static String line(int item) {
    return "line %d".formatted(item + 2);
  }

  private static EvidenceItem item(CSVRecord row) {
    List<String> lifted =
        Arrays.stream(cell(row, "lifted-at").orElse("").split("\\s+"))
            .filter(p -> !p.isEmpty())
            .toList();
    return new EvidenceItem(
        cell(row, "function").orElse(null),
        cell(row, "red").orElse(null),
        cell(row, "black").orElse(null),
        cell(row, "across").orElse(null),
        cell(row, "through").orElse(null),
        cell(row, "situation").orElse(""),
        lifted.isEmpty() ? null : lifted,
        cell(row, "meter").orElse(null),
        cell(row, "observation").orElse(null),
        cell(row, "part").orElse(null),
        cell(row, "celsius").orElse(null),
        cell(row, "reseated").map(r -> r.equalsIgnoreCase("yes")).orElse(null),
        cell(row, "at").map(at -> time(row, at)).orElse(null),
        cell(row, "value").orElse(""));
  }

  private static OffsetDateTime time(CSVRecord row, String at) {
    try {
      return OffsetDateTime.parse(at);
    } catch (DateTimeParseException e) {
      throw new EvidenceException(
          "line %d, at".formatted(row.getRecordNumber() + 1),
          "\"%s\" is no time; write it like 2026-02-03T14:05:00Z".formatted(at));
    }
  }

  private static Optional<String> cell(CSVRecord row, String heading) {
    if (!row.isMapped(heading) || !row.isSet(heading) || row.get(heading).isEmpty()) {
      return Optional.empty();
    }
    String text = row.get(heading);
    return Optional.of(text.startsWith("'") ? text.substring(1) : text);
  }
}
