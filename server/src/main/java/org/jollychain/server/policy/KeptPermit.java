package org.jollychain.server.policy;

import org.apache.ibatis.type.MappedTypes;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.server.platform.WordTypeHandler;
import org.springframework.stereotype.Component;

/** A permit by its word. */
@Component
@MappedTypes(Permit.class)
class KeptPermit extends WordTypeHandler<Permit> {

  @Override
  protected String written(Permit permit) {
    return permit.toString();
  }

  @Override
  protected Permit read(String kept) {
    return Kebab.read(Permit.class, kept).orElseThrow();
  }
}
