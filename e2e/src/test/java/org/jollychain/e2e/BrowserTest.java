package org.jollychain.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterEach;

/**
 * The application and a browser, started once for all classes of tests and ended with their
 * process.
 */
abstract class BrowserTest {

  static final Application application = new Application();
  static final Chromium chromium = new Chromium(application.address());

  static {
    // the browser's driver ends with this process by itself
    Runtime.getRuntime().addShutdownHook(new Thread(application::close));
  }

  @AfterEach
  void no_page_complained_or_asked_another_machine() {
    assertThat(chromium.complaints()).isEmpty();
    assertThat(chromium.requestsElsewhere()).isEmpty();
  }
}
