package org.jollychain.server.job;

import jakarta.validation.ConstraintViolation;
import jakarta.validation.Validator;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.server.assess.EvidenceItem;
import org.jollychain.server.platform.CsvTable;
import org.jollychain.server.platform.UnreadableBody;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Evidence as comma-separated values (RFC 4180), one piece a line, the keys of a case file as
 * headings. Struck pieces go out with their reason and do not come in again. What comes in is held
 * to the same rules as JSON.
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
    return CsvTable.write(HEADINGS.keySet(), entries.stream().map(EvidenceCsv::cells).toList());
  }

  private static List<@Nullable Object> cells(JobView.Entry e) {
    EvidenceItem i = e.item();
    List<String> lifted = i.liftedAt() == null ? List.of() : i.liftedAt();
    return Arrays.asList(
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
        e.struckAt() == null ? null : e.struckWhy());
  }

  /**
   * @throws EvidenceException when it is no such table; says the line
   */
  List<Line> read(String text) {
    return CsvTable.read(text, HEADINGS.keySet()).stream()
        .filter(row -> !row.cells().containsKey(STRUCK))
        .map(this::line)
        .toList();
  }

  private Line line(CsvTable.Row row) {
    ObjectNode node = json.createObjectNode().put("situation", "").put("value", "");
    row.cells()
        .forEach(
            (heading, cell) -> {
              String key = HEADINGS.get(heading);
              switch (heading) {
                case ID, STRUCK -> {
                  // not of the piece itself
                }
                case LIFTED_AT ->
                    Arrays.stream(cell.split("\\s+")).forEach(node.withArray(key)::add);
                case RESEATED -> node.put(key, yes(row, cell));
                default -> node.put(key, cell);
              }
            });
    return new Line(row.number(), id(row), item(row, node));
  }

  private EvidenceItem item(CsvTable.Row row, ObjectNode node) {
    EvidenceItem item;
    try {
      item = json.treeToValue(node, EvidenceItem.class);
    } catch (JacksonException e) {
      throw row.wrong(UnreadableBody.why(e));
    }
    Optional<ConstraintViolation<EvidenceItem>> first =
        validator.validate(item).stream()
            .min(Comparator.comparing(v -> v.getPropertyPath().toString()));
    if (first.isPresent()) {
      throw row.wrong(first.get().getPropertyPath() + " " + first.get().getMessage());
    }
    return item;
  }

  private static boolean yes(CsvTable.Row row, String cell) {
    return switch (cell.toLowerCase(Locale.ROOT)) {
      case "yes" -> true;
      case "no" -> false;
      default -> throw row.wrong("\"reseated\" is yes or no, not \"%s\"".formatted(cell));
    };
  }

  private static @Nullable UUID id(CsvTable.Row row) {
    String cell = row.cells().get(ID);
    try {
      return cell == null ? null : UUID.fromString(cell);
    } catch (IllegalArgumentException e) {
      throw row.wrong("\"%s\" is no id; leave the cell empty".formatted(cell));
    }
  }
}
