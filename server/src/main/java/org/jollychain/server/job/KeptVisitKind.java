package org.jollychain.server.job;

import org.apache.ibatis.type.MappedTypes;
import org.jollychain.core.visit.VisitEntry;
import org.jollychain.server.platform.EnumTypeHandler;
import org.springframework.stereotype.Component;

/** What kind of entry it is, by its word. */
@Component
@MappedTypes(VisitEntry.Kind.class)
class KeptVisitKind extends EnumTypeHandler<VisitEntry.Kind> {

  KeptVisitKind() {
    super(VisitEntry.Kind.class);
  }
}
