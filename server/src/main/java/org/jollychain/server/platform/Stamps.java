package org.jollychain.server.platform;

import java.time.Clock;
import java.time.OffsetDateTime;
import org.springframework.stereotype.Component;

/** Stamps what is written now. The one place to know who is at work. */
@Component
public class Stamps {

  private final Clock clock;

  Stamps(Clock clock) {
    this.clock = clock;
  }

  public Stamp now() {
    return Stamp.at(OffsetDateTime.now(clock));
  }
}
