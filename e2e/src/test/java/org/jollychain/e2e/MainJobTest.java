package org.jollychain.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The main job in a browser, against the packaged application with the demo station's data. */
class MainJobTest extends BrowserTest {

  private static Locator link(Page page, String part) {
    return page.getByRole(
            AriaRole.LIST, new Page.GetByRoleOptions().setName(Pattern.compile("Links of the")))
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(part));
  }

  /** Opens a new job on the bunkhouse dryer with live work permitted, hands on the keyboard. */
  private static Page openJobByKeyboard() {
    Page page = chromium.page(1280, 800, false);
    page.navigate(application.address());
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("New job")).focus();
    page.keyboard().press("Enter");
    assertThat(page.getByLabel("Unit")).isFocused();
    page.keyboard().type("lau-2");
    page.getByLabel("Isolated only").focus();
    page.keyboard().press("ArrowRight");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Open the job")).focus();
    page.keyboard().press("Enter");
    assertThat(
            page.getByRole(
                AriaRole.HEADING, new Page.GetByRoleOptions().setName(Pattern.compile("LAU-2"))))
        .isVisible();
    return page;
  }

  private static void log(Page page, String typed, int entries) {
    page.keyboard().type(typed);
    page.keyboard().press("Enter");
    assertThat(
            page.getByText(
                entries == 1 ? "1 entry" : entries + " entries",
                new Page.GetByTextOptions().setExact(true)))
        .isVisible();
  }

  @Test
  void keyed_drops_mark_the_open_link_within_the_second_and_survive_a_crash() {
    Page page = openJobByKeyboard();
    log(page, "L1-L2 238", 1);
    log(page, "0.1", 2);
    log(page, "0.1", 3);
    page.keyboard().type("237.8");
    long since = System.nanoTime();
    page.keyboard().press("Enter");
    assertThat(link(page, "thermal cut-off")).containsText("open");
    double seconds = (System.nanoTime() - since) / 1e9;
    System.out.printf("from Enter to the verdict on the screen: %.0f ms%n", 1000 * seconds);
    assertThat(link(page, "high limit")).containsText("passes");
    assertThat(page.getByText("confirm the thermal cut-off")).isVisible();

    page.keyboard().press("o");
    assertThat(page.getByText("confirmed by its own test")).isVisible();

    application.crashAndRestart();
    page.reload();
    assertThat(link(page, "thermal cut-off")).containsText("open");
    assertThat(page.getByText("confirmed by its own test")).isVisible();
  }

  @Test
  void a_reading_is_struck_out_by_keyboard_with_its_reason() {
    Page page = openJobByKeyboard();
    log(page, "L1-L2 238", 1);
    page.keyboard().press("u");
    page.keyboard().type("probe slipped");
    page.keyboard().press("Enter");
    assertThat(page.getByText("0 entries", new Page.GetByTextOptions().setExact(true))).isVisible();
    page.getByText("Evidence", new Page.GetByTextOptions().setExact(true)).click();
    assertThat(page.getByText("struck out: probe slipped")).isVisible();
  }

  @Test
  void a_slip_of_the_keys_is_explained_and_nothing_is_lost() {
    Page page = openJobByKeyboard();
    page.keyboard().type("23x8");
    page.keyboard().press("Enter");
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("is no reading");
    page.reload();
    assertThat(page.getByLabel("Reading")).hasValue("23x8");
  }

  @Test
  void without_a_live_permit_only_isolated_steps_are_offered() {
    Page page = chromium.page(1280, 800, false);
    page.navigate(application.address());
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("New job")).click();
    page.getByLabel("Unit").fill("LAU-3");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Open the job")).click();
    assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Live drop")))
        .isDisabled();
    assertThat(page.getByText("Never ohms on a live circuit")).isVisible();
  }

  @ParameterizedTest
  @CsvSource({"1280, 800, false", "1280, 800, true", "390, 844, false"})
  void no_screen_has_a_serious_finding_of_accessibility(int width, int height, boolean dark) {
    Page page = chromium.page(width, height, dark);
    page.navigate(application.address());
    assertThat(page.getByText("Bunkhouse cellar").first()).isVisible();
    assertThat(Accessibility.seriousFindings(page)).isEmpty();
    page.getByText("Bunkhouse cellar").first().click();
    assertThat(page.getByLabel("Reading")).isVisible();
    assertThat(Accessibility.seriousFindings(page)).isEmpty();
  }
}
