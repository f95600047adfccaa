package org.jollychain.server.job;

import org.apache.ibatis.type.MappedTypes;
import org.jollychain.core.visit.Outcome;
import org.jollychain.server.platform.EnumTypeHandler;
import org.springframework.stereotype.Component;

/** How a visit ended, by its word. */
@Component
@MappedTypes(Outcome.class)
class KeptOutcome extends EnumTypeHandler<Outcome> {

  KeptOutcome() {
    super(Outcome.class);
  }
}
