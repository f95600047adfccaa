package org.jollychain.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

/** Takes the README's screenshots anew: {@code ./jolly pictures}. */
@EnabledIfSystemProperty(named = "jolly.pictures", matches = "true")
class PicturesTest {

  private static final Path FOLDER = Path.of("../docs/screenshots");

  @Test
  void every_main_view() {
    try (Application application = new Application();
        Chromium chromium = new Chromium()) {
      Page page = chromium.page(1280, 800, false);
      page.navigate(application.address());
      assertThat(page.getByText("Bunkhouse cellar")).isVisible();
      take(page, "jobs");

      page.getByText("Bunkhouse cellar").click();
      assertThat(page.getByText("along the wire")).isVisible();
      take(page, "job-half-way");

      page.keyboard().type("0.1");
      page.keyboard().press("Enter");
      assertThat(page.getByText("4 entries").first()).isVisible();
      page.keyboard().type("239.0");
      page.keyboard().press("Enter");
      assertThat(page.getByText("confirm the high limit")).isVisible();
      take(page, "job-suspect-found");

      page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Basement theme"))
          .click();
      page.getByText("Evidence", new Page.GetByTextOptions().setExact(true)).click();
      take(page, "job-evidence-dark");

      Page phone = chromium.page(390, 844, false);
      phone.navigate(page.url());
      assertThat(phone.getByText("confirm the high limit")).isVisible();
      take(phone, "job-phone");
    }
  }

  private static void take(Page page, String name) {
    page.evaluate("document.fonts.ready");
    page.mouse().move(0, 0);
    page.screenshot(new Page.ScreenshotOptions().setPath(FOLDER.resolve(name + ".png")));
  }
}
