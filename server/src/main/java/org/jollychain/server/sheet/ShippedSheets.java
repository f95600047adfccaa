package org.jollychain.server.sheet;

import java.io.IOException;
import org.jollychain.server.platform.ShippedTexts;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Brings the sheets that ship with the application into a library that lacks them. */
@Component
@Order(1)
class ShippedSheets implements ApplicationRunner {

  private final SheetService sheets;
  private final SheetMapper mapper;

  ShippedSheets(SheetService sheets, SheetMapper mapper) {
    this.sheets = sheets;
    this.mapper = mapper;
  }

  @Override
  public void run(ApplicationArguments arguments) throws IOException {
    ShippedTexts.in(
        "sheets",
        (key, text) -> {
          if (mapper.newest(key).isEmpty()) {
            sheets.save(key, text, null);
          }
        });
  }
}
