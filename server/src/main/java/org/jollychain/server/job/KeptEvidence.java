package org.jollychain.server.job;

import org.apache.ibatis.type.MappedTypes;
import org.jollychain.server.assess.EvidenceItem;
import org.jollychain.server.platform.JsonTypeHandler;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** A piece of evidence as kept: the JSON of a case file's item. */
@Component
@MappedTypes(EvidenceItem.class)
class KeptEvidence extends JsonTypeHandler<EvidenceItem> {

  KeptEvidence(JsonMapper json) {
    super(json, EvidenceItem.class);
  }
}
