package org.jollychain.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.LoadState;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The lead's screen: sheets, their circuits and what would be if something were wrong. */
class SheetsTest extends BrowserTest {

  private static Page open(String key, int width, int height, boolean dark) {
    Page page = chromium.page(width, height, dark);
    page.navigate(application.address() + "#/sheets/" + key);
    assertThat(page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Circuit")))
        .isVisible();
    // drawn and solved: what is drawn anew under a click takes it away
    page.waitForLoadState(LoadState.NETWORKIDLE);
    return page;
  }

  private static Locator button(Page page, String name) {
    return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name)).first();
  }

  @Test
  void an_opened_part_shows_the_supply_across_it_between_any_two_points() {
    Page page = open("range-240", 1280, 800, false);
    button(page, "Point R1,").click();
    button(page, "Point R2,").click();
    assertThat(page.getByText(Pattern.compile("^0\\.18\\d V$")).first()).isVisible();
    button(page, "bake relay").click();
    button(page, "Open it").click();
    assertThat(page.getByText("240.0 V").first()).isVisible();
    button(page, "Forget it").click();
    assertThat(page.getByText("Nothing: the sound unit.")).isVisible();
  }

  @Test
  void a_welded_interlock_is_said_to_short_the_line() {
    Page page = open("microwave-120", 1280, 800, false);
    button(page, "monitor switch").click();
    button(page, "Weld it shut").click();
    assertThat(page.getByText(Pattern.compile("A dead short"))).isVisible();
  }

  @Test
  void a_changed_text_shows_its_problems_and_becomes_a_revision_once_it_has_none() {
    Page page = open("millivolt-heater", 1280, 800, false);
    page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Text")).click();
    Locator area = page.getByLabel("Sheet text");
    String text = area.inputValue();
    area.fill(text.replace("volts: 0.72", "volts: -0.72"));
    assertThat(page.getByText("1 problem", new Page.GetByTextOptions().setExact(true))).isVisible();
    assertThat(button(page, "Save as a new revision")).isDisabled();
    area.fill(text.replace("volts: 0.72", "volts: 0.7"));
    assertThat(page.getByText("No problems. It can be saved.")).isVisible();
    button(page, "Save as a new revision").click();
    assertThat(page.getByText("revision 2")).isVisible();
    page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Revisions")).click();
    assertThat(page.getByText("volts: 0.7", new Page.GetByTextOptions().setExact(false)).last())
        .isVisible();
  }

  @Test
  void a_case_is_weighed_as_it_is_typed() throws IOException {
    Page page = open("water-heater-240", 1280, 800, false);
    page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Case")).click();
    page.getByLabel("Case text")
        .fill(Files.readString(Path.of("../docs/cases/water-heater-leak.yaml")));
    assertThat(page.getByText("upper element leaking to the case")).isVisible();
    page.getByLabel("Case text").fill("sheet: water-heater-240\nevidence: [{value: 3}]");
    assertThat(page.getByRole(AriaRole.ALERT)).isVisible();
  }

  @ParameterizedTest
  @CsvSource({
    "YAML, .yaml, format: jolly-chain/sheet/1",
    "JSON, .json, '\"key\" : \"dryer-gas-120\"'",
    "SPICE netlist, .cir, * igniter",
    "SVG drawing, .svg, <svg"
  })
  void a_sheet_can_be_taken_along(String what, String ending, String inside) throws IOException {
    Page page = open("dryer-gas-120", 1280, 800, false);
    assertThat(button(page, "Point G1,")).isVisible();
    page.getByText("Export").click();
    Download download = page.waitForDownload(() -> button(page, what).click());
    assertThat(download.suggestedFilename()).endsWith(ending);
    Path file = Files.createTempFile("sheet", ending);
    download.saveAs(file);
    assertThat(Files.readString(file)).contains(inside);
    Files.delete(file);
  }

  @ParameterizedTest
  @CsvSource({"1280, 800, false", "1280, 800, true", "390, 844, false"})
  void no_screen_has_a_serious_finding_of_accessibility(int width, int height, boolean dark) {
    Page page = open("heat-kit-240", width, height, dark);
    assertThat(button(page, "Point L1,")).isVisible();
    assertThat(Accessibility.seriousFindings(page)).isEmpty();
    for (String tab : new String[] {"Case", "Parts", "Text", "Revisions"}) {
      page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(tab)).click();
      assertThat(Accessibility.seriousFindings(page)).as(tab).isEmpty();
    }
    page.navigate(application.address() + "#/sheets");
    assertThat(page.getByText("Gas dryers")).isVisible();
    assertThat(Accessibility.seriousFindings(page)).isEmpty();
  }
}
