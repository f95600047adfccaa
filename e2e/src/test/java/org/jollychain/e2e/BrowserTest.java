package org.jollychain.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.RequestOptions;
import java.util.Map;
import java.util.UUID;
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

  /** What a page sends back with every change. */
  static RequestOptions asThePage(Page page) {
    return page.context().cookies().stream()
        .filter(c -> c.name.equals("XSRF-TOKEN"))
        .findFirst()
        .map(c -> RequestOptions.create().setHeader("X-XSRF-TOKEN", c.value))
        .orElseThrow();
  }

  /** The id of a new job on a dryer that does not heat. */
  static String newJob(Page page, String tag) {
    String id = UUID.randomUUID().toString();
    APIResponse made =
        page.context()
            .request()
            .put(
                application.address() + "api/jobs/" + id,
                asThePage(page)
                    .setData(
                        Map.of(
                            "tag",
                            tag,
                            "sheet",
                            "dryer-timer-240",
                            "complaint",
                            "no-heat",
                            "permit",
                            "live")));
    assertThat(made.status()).as(made.text()).isEqualTo(200);
    passArrival(page, id);
    return id;
  }

  /** The work is in the chain already. */
  static void passArrival(Page page, String job) {
    APIResponse passed =
        page.context()
            .request()
            .put(
                application.address() + "api/jobs/" + job + "/entries/" + UUID.randomUUID(),
                asThePage(page)
                    .setData(Map.of("kind", "passed", "subject", "arrive", "value", "")));
    assertThat(passed.status()).as(passed.text()).isEqualTo(200);
  }

  @AfterEach
  void no_page_complained_or_asked_another_machine() {
    assertThat(chromium.complaints()).isEmpty();
    assertThat(chromium.requestsElsewhere()).isEmpty();
  }
}
