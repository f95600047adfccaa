package org.jollychain.server.policy;

import org.apache.ibatis.type.MappedTypes;
import org.jollychain.server.platform.EnumTypeHandler;
import org.springframework.stereotype.Component;

/** A permit by its word. */
@Component
@MappedTypes(Permit.class)
class KeptPermit extends EnumTypeHandler<Permit> {

  KeptPermit() {
    super(Permit.class);
  }
}
