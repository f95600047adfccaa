package org.jollychain.server.account;

import org.apache.ibatis.type.MappedTypes;
import org.jollychain.server.platform.EnumTypeHandler;
import org.jollychain.server.platform.Role;
import org.springframework.stereotype.Component;

/** A role, by its word. */
@Component
@MappedTypes(Role.class)
class KeptRole extends EnumTypeHandler<Role> {

  KeptRole() {
    super(Role.class);
  }
}
