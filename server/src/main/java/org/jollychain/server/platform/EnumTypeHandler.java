package org.jollychain.server.platform;

import java.util.Arrays;

/** A constant of a closed set by its word. */
public abstract class EnumTypeHandler<E extends Enum<E>> extends WordTypeHandler<E> {

  private final Class<E> type;

  protected EnumTypeHandler(Class<E> type) {
    this.type = type;
  }

  @Override
  protected String written(E value) {
    return value.toString();
  }

  @Override
  protected E read(String kept) {
    return Arrays.stream(type.getEnumConstants())
        .filter(e -> e.toString().equals(kept))
        .findFirst()
        .orElseThrow();
  }
}
