package org.jollychain.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;

/** The application and a browser, started once for a class of tests. */
abstract class BrowserTest {

  static Application application;
  static Chromium chromium;

  @BeforeAll
  static void start() {
    application = new Application();
    chromium = new Chromium();
  }

  @AfterAll
  static void stop() {
    chromium.close();
    application.close();
  }

  @AfterEach
  void no_page_complained_or_asked_another_machine() {
    assertThat(chromium.complaints()).isEmpty();
    assertThat(chromium.requestsElsewhere()).isEmpty();
  }
}
