package org.jollychain.core.sheet;

import java.util.Arrays;
import org.jollychain.core.text.Grammar;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;

/** The grammar of format 1 of sheets; its kinds of parts are those of {@link PartKind}. */
final class SheetGrammar {

  static final String RESOURCE = "/sheets/sheet-1.schema.json";

  private static final String KINDS = "/$defs/part/properties/kind/enum";

  static final Grammar GRAMMAR = new Grammar(tree());

  private SheetGrammar() {}

  private static JsonNode tree() {
    JsonNode tree = Grammar.resource(RESOURCE);
    ArrayNode kinds = (ArrayNode) tree.at(KINDS);
    Arrays.stream(PartKind.values()).map(PartKind::toString).forEach(kinds::add);
    return tree;
  }
}
