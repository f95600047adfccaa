package org.jollychain.server.job;

import java.util.Arrays;
import org.apache.ibatis.type.MappedTypes;
import org.jollychain.server.platform.WordTypeHandler;
import org.springframework.stereotype.Component;

/** How a visit ended, by its word. */
@Component
@MappedTypes(Job.ClosedAs.class)
class KeptClosedAs extends WordTypeHandler<Job.ClosedAs> {

  @Override
  protected String written(Job.ClosedAs as) {
    return as.toString();
  }

  @Override
  protected Job.ClosedAs read(String kept) {
    return Arrays.stream(Job.ClosedAs.values())
        .filter(as -> as.toString().equals(kept))
        .findFirst()
        .orElseThrow();
  }
}
