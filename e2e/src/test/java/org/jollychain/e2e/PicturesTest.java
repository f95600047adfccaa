package org.jollychain.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

/** Takes the README's screenshots anew: {@code ./jolly pictures}. */
@EnabledIfSystemProperty(named = "jolly.pictures", matches = "true")
class PicturesTest {

  private static final Path FOLDER = Path.of("../docs/screenshots");

  @Test
  void every_main_view() throws IOException {
    try (Application application = new Application();
        Chromium chromium = new Chromium(application.address())) {
      Page page = chromium.page(1280, 800, false);
      page.navigate(application.address());
      assertThat(page.getByText("Bunkhouse cellar")).isVisible();
      take(page, "jobs");

      page.getByText("Bunkhouse cellar").click();
      assertThat(page.getByLabel("Next probe")).isVisible();
      take(page, "job-half-way");
      button(page, "Change the plan").click();
      assertThat(page.getByText("Along the wire").last()).isVisible();
      take(page, "job-plan");
      button(page, "As it was").click();

      // the cut-off by itself, twice: open
      for (int entries = 4; entries <= 5; entries++) {
        button(page, "thermal cut-off").click();
        button(page, "Isolated ohms").click();
        page.keyboard().press("o");
        assertThat(page.getByText(entries + " entries").first()).isVisible();
      }
      assertThat(page.getByText("By its own test").first()).isVisible();
      take(page, "job-suspect-found");
      button(page, "Go on: Cause").click();
      String first = page.getByLabel("Next check").innerText();
      page.keyboard().press("1");
      page.waitForCondition(() -> !page.getByLabel("Next check").innerText().equals(first));
      take(page, "visit-cause");
      page.getByLabel("Steps").getByText("Supply").click();
      assertThat(page.getByLabel("At the outlet")).isVisible();
      take(page, "visit-supply");
      button(page, "Prove").click();
      button(page, "The heater cycling").click();
      for (String key : new String[] {"1", "2", "1"}) {
        page.keyboard().press(key);
      }
      take(page, "visit-stopwatch");
      button(page, "Walk the chain").click();

      page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Basement theme"))
          .click();
      page.getByText("Evidence", new Page.GetByTextOptions().setExact(true)).click();
      take(page, "job-evidence-dark");

      Page sheets = chromium.page(1280, 800, false);
      sheets.navigate(application.address() + "#/sheets");
      assertThat(sheets.getByText("Gas dryers")).isVisible();
      take(sheets, "sheets");
      sheets.navigate(application.address() + "#/sheets/sketch-sanitiser");
      sheets.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Shorthand")).click();
      assertThat(sheets.getByLabel("Staircase")).isVisible();
      take(sheets, "sheet-typed");
      sheets.navigate(application.address() + "#/sheets/range-240");
      button(sheets, "Point R1,").click();
      button(sheets, "Point R2,").click();
      button(sheets, "bake relay").click();
      button(sheets, "Open it").click();
      assertThat(sheets.getByText("240.0 V").first()).isVisible();
      take(sheets, "sheet-what-if");
      Page sheet = chromium.page(1280, 800, true);
      sheet.navigate(application.address() + "#/sheets/heat-kit-240");
      button(sheet, "strip 1 limit").click();
      assertThat(sheet.getByText("19.1 A")).isVisible();
      take(sheet, "sheet-circuit-dark");
      sheet.navigate(application.address() + "#/sheets/water-heater-240");
      sheet.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Text")).click();
      String text = sheet.getByLabel("Sheet text").inputValue();
      sheet
          .getByLabel("Sheet text")
          .fill(text.replace("hertz: 60", "herz: 60").replace("volts: 240\n", "volts: -240\n"));
      assertThat(sheet.getByText("is not a key here").first()).isVisible();
      sheet.getByText("is not a key here").click();
      take(sheet, "sheet-text-dark");
      sheets.navigate(application.address() + "#/sheets/water-heater-240");
      sheets.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Case")).click();
      sheets
          .getByLabel("Case text")
          .fill(Files.readString(Path.of("../docs/cases/water-heater-leak.yaml")));
      assertThat(sheets.getByText("upper element leaking to the case")).isVisible();
      take(sheets, "sheet-case");

      sheets.navigate(application.address() + "#/units/LAU-1");
      assertThat(sheets.getByLabel("Visits")).isVisible();
      take(sheets, "unit");
      sheets.navigate(application.address() + "#/bench/element");
      sheets.getByLabel("Rated power").fill("4500");
      sheets.getByLabel("Rated voltage").fill("240");
      sheets.getByLabel("Ohms read across it").fill("14.6");
      assertThat(sheets.getByLabel("Answer")).containsText("Read its plate");
      take(sheets, "bench");
      sheets.navigate(application.address() + "#/guides/dryer-electric");
      assertThat(sheets.getByLabel("Causes")).isVisible();
      take(sheets, "guide");

      Page phone = chromium.page(390, 844, false);
      phone.navigate(page.url());
      assertThat(phone.getByText("By its own test: thermal cut-off open")).isVisible();
      take(phone, "job-phone");
      sheets.navigate(application.address() + "#/shop");
      assertThat(sheets.getByText("Bench meter")).isVisible();
      take(sheets, "shop");
    }
  }

  private static Locator button(Page page, String name) {
    return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name)).first();
  }

  private static void take(Page page, String name) {
    page.evaluate("document.fonts.ready");
    page.mouse().move(0, 0);
    page.screenshot(new Page.ScreenshotOptions().setPath(FOLDER.resolve(name + ".png")));
  }
}
