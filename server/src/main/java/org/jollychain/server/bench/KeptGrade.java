package org.jollychain.server.bench;

import org.apache.ibatis.type.MappedTypes;
import org.jollychain.core.partcheck.CheckResult;
import org.jollychain.server.platform.EnumTypeHandler;
import org.springframework.stereotype.Component;

/** How a part came out of its check, by its word. */
@Component
@MappedTypes(CheckResult.Grade.class)
class KeptGrade extends EnumTypeHandler<CheckResult.Grade> {

  KeptGrade() {
    super(CheckResult.Grade.class);
  }
}
