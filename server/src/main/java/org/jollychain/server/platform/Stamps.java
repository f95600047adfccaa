package org.jollychain.server.platform;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.Arrays;
import java.util.Comparator;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;

/** Stamps what is written now. The one place to know who is at work. */
@Component
public class Stamps {

  private final Clock clock;

  Stamps(Clock clock) {
    this.clock = clock;
  }

  /** By whoever this thread works for; the application itself where no request is answered. */
  public Stamp now() {
    OffsetDateTime now = OffsetDateTime.now(clock);
    Authentication who = SecurityContextHolder.getContext().getAuthentication();
    if (who == null) {
      return Stamp.at(now);
    }
    return Arrays.stream(Role.values())
        .filter(r -> who.getAuthorities().contains(r.authority()))
        .max(Comparator.naturalOrder())
        .map(role -> new Stamp(now, who.getName(), role))
        .orElse(new Stamp(now, "", null));
  }
}
