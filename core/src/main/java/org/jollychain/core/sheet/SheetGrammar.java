package org.jollychain.core.sheet;

import com.networknt.schema.Error;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.StringJoiner;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;

/** The grammar of format 1: the published JSON Schema, and its complaints in plain words. */
final class SheetGrammar {

  static final String RESOURCE = "/sheets/sheet-1.schema.json";

  /** Where the kinds of parts are listed; {@link PartKind} has them. */
  private static final String KINDS = "/$defs/part/properties/kind/enum";

  private static final JsonNode TREE = tree();
  private static final Schema SCHEMA =
      SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12).getSchema(TREE);

  private SheetGrammar() {}

  static String text() {
    return TREE.toPrettyString();
  }

  private static JsonNode tree() {
    try (InputStream in = SheetGrammar.class.getResourceAsStream(RESOURCE)) {
      JsonNode tree = JsonMapper.shared().readTree(in);
      ArrayNode kinds = (ArrayNode) tree.at(KINDS);
      Arrays.stream(PartKind.values()).map(PartKind::toString).forEach(kinds::add);
      return tree;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  static List<SheetProblem> problems(SheetText sheet) {
    List<SheetProblem> problems = new ArrayList<>();
    for (Error error : SCHEMA.validate(sheet.root())) {
      String pointer = pointer(error);
      JsonNode rule = TREE.at(parentOf(error.getSchemaLocation().getFragment().toString()));
      String described = rule.path("description").asString("");
      switch (error.getKeyword()) {
        case "additionalProperties" ->
            problems.add(
                sheet.atKey(
                    pointer + "/" + SheetText.escape(error.getProperty()),
                    "\"%s\" is not a key here; %s".formatted(error.getProperty(), keys(rule))));
        case "required" ->
            problems.add(sheet.at(pointer, "\"%s\" is missing".formatted(error.getProperty())));
        case "propertyNames" ->
            problems.add(sheet.at(pointer, "a name here is not allowed: " + error.getMessage()));
        case "enum" -> problems.add(sheet.at(pointer, notOneOf(error, rule.path("enum"))));
        case "const" ->
            problems.add(sheet.at(pointer, "should be " + rule.path("const").asString()));
        case "type" ->
            problems.add(
                sheet.at(
                    pointer,
                    "should be "
                        + (described.isEmpty() ? typeWord(rule.path("type")) : described)));
        default ->
            problems.add(
                sheet.at(
                    pointer, described.isEmpty() ? error.getMessage() : "should be " + described));
      }
    }
    return problems;
  }

  private static String pointer(Error error) {
    StringBuilder pointer = new StringBuilder();
    for (int i = 0; i < error.getInstanceLocation().getNameCount(); i++) {
      pointer
          .append('/')
          .append(SheetText.escape(String.valueOf(error.getInstanceLocation().getElement(i))));
    }
    return pointer.toString();
  }

  private static String parentOf(String pointer) {
    int end = pointer.lastIndexOf('/');
    return end < 0 ? "" : pointer.substring(0, end);
  }

  private static String keys(JsonNode rule) {
    StringJoiner known = new StringJoiner(", ", "known keys: ", "");
    rule.path("properties").propertyNames().forEach(known::add);
    return known.toString();
  }

  /** The nearest of the allowed words where one is near, all of them where none is. */
  private static String notOneOf(Error error, JsonNode allowed) {
    List<String> words = new ArrayList<>();
    allowed.forEach(v -> words.add(v.asString()));
    String given = error.getInstanceNode().asString("");
    String near = Nearest.suggestion(given, words);
    return near.contains("did you mean")
        ? "\"%s\" is not known here%s".formatted(given, near)
        : "should be one of: " + String.join(", ", words);
  }

  private static String typeWord(JsonNode type) {
    return switch (type.asString("")) {
      case "object" -> "a mapping (key: value)";
      case "array" -> "a list, like [a, b]";
      case "string" -> "text";
      case "boolean" -> "true or false";
      default -> "a number";
    };
  }
}
