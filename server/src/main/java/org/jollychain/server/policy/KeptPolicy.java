package org.jollychain.server.policy;

import org.apache.ibatis.type.MappedTypes;
import org.jollychain.server.platform.JsonTypeHandler;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** A policy as kept, complete when read. */
@Component
@MappedTypes(PolicyItem.class)
class KeptPolicy extends JsonTypeHandler<PolicyItem> {

  KeptPolicy(JsonMapper json) {
    super(json, PolicyItem.class);
  }

  @Override
  protected @Nullable PolicyItem read(String kept) {
    PolicyItem policy = super.read(kept);
    return policy == null ? null : policy.complete();
  }
}
