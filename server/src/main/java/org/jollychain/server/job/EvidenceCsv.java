package org.jollychain.server.job;

import jakarta.validation.ConstraintViolation;
import jakarta.validation.Validator;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.server.assess.EvidenceItem;
import org.jollychain.server.platform.UnreadableBody;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Evidence as comma-separated values (RFC 4180), one piece a line, the keys of a case file as
 * headings. Struck pieces go out with their reason and do not come in again. A cell that a
 * spreadsheet would take for a formula goes out behind an apostrophe, and comes in without it. What
 * comes in is held to the same rules as JSON.
 */
@Component
final class EvidenceCsv {

  private static final String ID = "id";
  private static final String LIFTED_AT = "lifted-at";
  private static final String RESEATED = "reseated";
  private static final String STRUCK = "struck";

  /** Each heading with its key in a case file; none for what is not of the piece itself. */
  private static final Map<String, String> HEADINGS = new LinkedHashMap<>();

  static {
    HEADINGS.put(ID, "");
    for (String key : List.of("function", "red", "black", "across", "through", "situation")) {
      HEADINGS.put(key, key);
    }
    HEADINGS.put(LIFTED_AT, "liftedAt");
    for (String key : List.of("meter", "observation", "part", "celsius", RESEATED, "at", "value")) {
      HEADINGS.put(key, key);
    }
    HEADINGS.put(STRUCK, "");
  }

  private static final CSVFormat FORMAT = CSVFormat.RFC4180.builder().setTrim(true).get();

  private final JsonMapper json;
  private final Validator validator;

  EvidenceCsv(JsonMapper json, Validator validator) {
    this.json = json;
    this.validator = validator;
  }

  /**
   * A piece of evidence in a file.
   *
   * @param number of the line in the file it begins in, from 1
   */
  record Line(int number, @Nullable UUID id, EvidenceItem item) {}

  String write(List<JobView.Entry> entries) {
    StringBuilder text = new StringBuilder();
    try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
      printer.printRecord(HEADINGS.keySet());
      for (JobView.Entry e : entries) {
        EvidenceItem i = e.item();
        List<String> lifted = i.liftedAt() == null ? List.of() : i.liftedAt();
        printer.printRecord(
            Stream.of(
                    e.id(),
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
  List<Line> read(String text) {
    List<Line> lines = new ArrayList<>();
    String table = text.startsWith("\uFEFF") ? text.substring(1) : text;
    try (CSVParser parser = FORMAT.parse(new StringReader(table))) {
      List<String> headings = List.of();
      Iterator<CSVRecord> rows = parser.iterator();
      // to ask for a next record reads it, so the line it begins in is taken before
      for (int number = 1;
          rows.hasNext();
          number = Math.toIntExact(parser.getCurrentLineNumber()) + 1) {
        CSVRecord row = rows.next();
        boolean blank = row.size() == 1 && row.get(0).isEmpty();
        if (headings.isEmpty()) {
          headings = headings(row);
        } else if (!blank) {
          line(number, cells(number, headings, row)).ifPresent(lines::add);
        }
      }
      if (headings.isEmpty()) {
        throw new EvidenceException(
            "file", "the file is empty; its first line should name the columns, as an export does");
      }
    } catch (IOException | IllegalArgumentException e) {
      throw noTable(e);
    } catch (UncheckedIOException e) {
      throw noTable(e.getCause());
    }
    return lines;
  }

  private static EvidenceException noTable(Exception e) {
    return new EvidenceException("file", "this is no table of commas: " + e.getMessage());
  }

  private static List<String> headings(CSVRecord row) {
    List<String> headings = row.toList();
    Set<String> seen = new HashSet<>();
    for (String heading : headings) {
      if (!HEADINGS.containsKey(heading)) {
        throw new EvidenceException(
            "line 1",
            "\"%s\" is no heading here; there are %s"
                .formatted(heading, String.join(", ", HEADINGS.keySet())));
      }
      if (!seen.add(heading)) {
        throw new EvidenceException(
            "line 1", "the heading \"%s\" stands there twice".formatted(heading));
      }
    }
    return headings;
  }

  /** The cells that hold something, by their heading. */
  private static Map<String, String> cells(int number, List<String> headings, CSVRecord row) {
    if (row.size() > headings.size()) {
      throw wrong(
          number,
          "it has %d cells under %d headings; a value with a comma belongs in quotation marks"
              .formatted(row.size(), headings.size()));
    }
    Map<String, String> cells = new LinkedHashMap<>();
    for (int i = 0; i < row.size(); i++) {
      String cell = row.get(i);
      if (!cell.isEmpty()) {
        cells.put(headings.get(i), cell.startsWith("'") ? cell.substring(1) : cell);
      }
    }
    return cells;
  }

  private Optional<Line> line(int number, Map<String, String> cells) {
    if (cells.containsKey(STRUCK)) {
      return Optional.empty();
    }
    ObjectNode node = json.createObjectNode().put("situation", "").put("value", "");
    cells.forEach(
        (heading, cell) -> {
          String key = HEADINGS.get(heading);
          switch (heading) {
            case ID, STRUCK -> {
              // not of the piece itself
            }
            case LIFTED_AT -> Arrays.stream(cell.split("\\s+")).forEach(node.withArray(key)::add);
            case RESEATED -> node.put(key, yes(number, cell));
            default -> node.put(key, cell);
          }
        });
    return Optional.of(new Line(number, id(number, cells.get(ID)), item(number, node)));
  }

  private EvidenceItem item(int number, ObjectNode node) {
    EvidenceItem item;
    try {
      item = json.treeToValue(node, EvidenceItem.class);
    } catch (JacksonException e) {
      throw wrong(number, UnreadableBody.why(e));
    }
    Optional<ConstraintViolation<EvidenceItem>> first =
        validator.validate(item).stream()
            .min(Comparator.comparing(v -> v.getPropertyPath().toString()));
    if (first.isPresent()) {
      throw wrong(number, first.get().getPropertyPath() + " " + first.get().getMessage());
    }
    return item;
  }

  private static boolean yes(int number, String cell) {
    return switch (cell.toLowerCase(Locale.ROOT)) {
      case "yes" -> true;
      case "no" -> false;
      default -> throw wrong(number, "\"reseated\" is yes or no, not \"%s\"".formatted(cell));
    };
  }

  private static @Nullable UUID id(int number, @Nullable String cell) {
    try {
      return cell == null ? null : UUID.fromString(cell);
    } catch (IllegalArgumentException e) {
      throw wrong(number, "\"%s\" is no id; leave the cell empty".formatted(cell));
    }
  }

  private static EvidenceException wrong(int number, String why) {
    return new EvidenceException("line " + number, "line %d: %s".formatted(number, why));
  }
}
