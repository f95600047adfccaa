package org.jollychain.server.guide;

import java.io.IOException;
import org.jollychain.server.platform.ShippedTexts;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Brings the guides that ship with the application into a library that lacks them. */
@Component
@Order(1)
class ShippedGuides implements ApplicationRunner {

  private final GuideService guides;
  private final GuideMapper mapper;

  ShippedGuides(GuideService guides, GuideMapper mapper) {
    this.guides = guides;
    this.mapper = mapper;
  }

  @Override
  public void run(ApplicationArguments arguments) throws IOException {
    ShippedTexts.in(
        "guides",
        (key, text) -> {
          if (mapper.newest(key).isEmpty()) {
            guides.save(key, text, null);
          }
        });
  }
}
