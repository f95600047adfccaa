package org.jollychain.server.platform;

import org.jspecify.annotations.Nullable;
import tools.jackson.databind.json.JsonMapper;

/** Records kept as {@code jsonb}, by the rules of the API's own JSON. */
public abstract class JsonTypeHandler<T> extends WordTypeHandler<T> {

  private final JsonMapper json;
  private final Class<T> type;

  protected JsonTypeHandler(JsonMapper json, Class<T> type) {
    this.json = json;
    this.type = type;
  }

  @Override
  protected String written(T value) {
    return json.writeValueAsString(value);
  }

  @Override
  protected @Nullable T read(String kept) {
    return json.readValue(kept, type);
  }
}
