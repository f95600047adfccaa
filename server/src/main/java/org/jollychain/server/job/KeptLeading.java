package org.jollychain.server.job;

import org.apache.ibatis.type.MappedTypes;
import org.jollychain.core.diagnosis.Assessment.Leading;
import org.jollychain.server.platform.JsonTypeHandler;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** A leading suspect as kept for lists. It follows from the evidence, so one unread is none. */
@Component
@MappedTypes(Leading.class)
class KeptLeading extends JsonTypeHandler<Leading> {

  private static final Logger LOG = LoggerFactory.getLogger(KeptLeading.class);

  KeptLeading(JsonMapper json) {
    super(json, Leading.class);
  }

  @Override
  protected @Nullable Leading read(String kept) {
    try {
      return super.read(kept);
    } catch (JacksonException e) {
      LOG.warn("a leading suspect cannot be read: {}", e.getMessage());
      return null;
    }
  }
}
