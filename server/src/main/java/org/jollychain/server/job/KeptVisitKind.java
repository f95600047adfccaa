package org.jollychain.server.job;

import org.apache.ibatis.type.MappedTypes;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.visit.VisitEntry;
import org.jollychain.server.platform.WordTypeHandler;
import org.springframework.stereotype.Component;

/** What kind of entry it is, by its word. */
@Component
@MappedTypes(VisitEntry.Kind.class)
class KeptVisitKind extends WordTypeHandler<VisitEntry.Kind> {

  @Override
  protected String written(VisitEntry.Kind kind) {
    return kind.toString();
  }

  @Override
  protected VisitEntry.Kind read(String kept) {
    return Kebab.read(VisitEntry.Kind.class, kept).orElseThrow();
  }
}
