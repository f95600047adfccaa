package org.jollychain.server.account;

import org.apache.ibatis.type.MappedTypes;
import org.jollychain.server.platform.JsonTypeHandler;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What became of a row's fields. */
@Component
@MappedTypes(JsonNode.class)
class KeptJson extends JsonTypeHandler<JsonNode> {

  KeptJson(JsonMapper json) {
    super(json, JsonNode.class);
  }
}
