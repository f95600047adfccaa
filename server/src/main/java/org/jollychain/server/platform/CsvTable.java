package org.jollychain.server.platform;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.jollychain.core.evidence.EvidenceException;
import org.jspecify.annotations.Nullable;

/**
 * Tables of comma-separated values (RFC 4180) under known headings. A cell that a spreadsheet would
 * take for a formula goes out behind an apostrophe, and comes in without it.
 */
public final class CsvTable {

  private static final CSVFormat FORMAT = CSVFormat.RFC4180.builder().setTrim(true).get();

  /** A number, with a unit or without, as a meter shows it. */
  private static final Pattern FIGURE = Pattern.compile("[+-]?\\d+([.,]\\d+)? ?[a-zA-ZµΩ°%]{0,4}");

  private CsvTable() {}

  /**
   * A row of a table.
   *
   * @param number of the line in the file it begins in, from 1
   * @param cells those that hold something, by their heading
   */
  public record Row(int number, Map<String, String> cells) {

    /** What is wrong with it. */
    public EvidenceException wrong(String why) {
      return new EvidenceException("line " + number, "line %d: %s".formatted(number, why));
    }

    /** A cell, empty where it holds nothing. */
    public String cell(String heading) {
      return cells.getOrDefault(heading, "");
    }
  }

  /** A table as text; cells that are null stay empty. */
  public static String write(Collection<String> headings, List<? extends List<?>> rows) {
    StringBuilder text = new StringBuilder();
    try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
      printer.printRecord(headings);
      for (List<?> row : rows) {
        printer.printRecord(row.stream().map(CsvTable::harmless).toList());
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return text.toString();
  }

  private static String harmless(@Nullable Object cell) {
    String text = cell == null ? "" : cell.toString();
    boolean formula = text.matches("(?s)[=+\\-@\\t\\r].*") && !FIGURE.matcher(text).matches();
    return formula ? "'" + text : text;
  }

  /**
   * The rows of a table that hold something.
   *
   * @param known headings it may have, in any order
   * @throws EvidenceException when it is no such table; says the line
   */
  public static List<Row> read(String text, Collection<String> known) {
    List<Row> rows = new ArrayList<>();
    String table = text.startsWith("\uFEFF") ? text.substring(1) : text;
    if (table.indexOf('\uFFFD') >= 0) {
      throw new EvidenceException("file", "it is not written in UTF-8; save it as CSV UTF-8");
    }
    try (CSVParser parser = FORMAT.parse(new StringReader(table))) {
      List<String> headings = List.of();
      Iterator<CSVRecord> records = parser.iterator();
      // to ask for a next record reads it, so the line it begins in is taken before
      for (int number = 1;
          records.hasNext();
          number = Math.toIntExact(parser.getCurrentLineNumber()) + 1) {
        CSVRecord record = records.next();
        boolean blank = record.size() == 1 && record.get(0).isEmpty();
        if (headings.isEmpty()) {
          headings = headings(record, known);
        } else if (!blank) {
          rows.add(row(number, headings, record));
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
    return rows;
  }

  private static EvidenceException noTable(Exception e) {
    return new EvidenceException("file", "this is no table of commas: " + e.getMessage());
  }

  private static List<String> headings(CSVRecord record, Collection<String> known) {
    List<String> headings = record.toList();
    Set<String> seen = new HashSet<>();
    for (String heading : headings) {
      if (!known.contains(heading)) {
        throw new EvidenceException(
            "line 1",
            "\"%s\" is no heading here; there are %s".formatted(heading, String.join(", ", known)));
      }
      if (!seen.add(heading)) {
        throw new EvidenceException(
            "line 1", "the heading \"%s\" stands there twice".formatted(heading));
      }
    }
    return headings;
  }

  private static Row row(int number, List<String> headings, CSVRecord record) {
    Map<String, String> cells = new LinkedHashMap<>();
    Row row = new Row(number, cells);
    if (record.size() > headings.size()) {
      throw row.wrong(
          "it has %d cells under %d headings; a value with a comma belongs in quotation marks"
              .formatted(record.size(), headings.size()));
    }
    for (int i = 0; i < record.size(); i++) {
      String cell = record.get(i);
      if (!cell.isEmpty()) {
        cells.put(headings.get(i), cell.startsWith("'") ? cell.substring(1) : cell);
      }
    }
    return row;
  }
}
