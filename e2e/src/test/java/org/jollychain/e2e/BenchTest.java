package org.jollychain.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** One part in the hand: found by what is printed on it, judged as one types, and told to a job. */
class BenchTest extends BrowserTest {

  private static Locator button(Page page, String name) {
    return page.getByRole(
        AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile(name)));
  }

  private static Page bench(int width, boolean dark, String path) {
    Page page = chromium.page(width, 800, dark);
    page.navigate(application.address() + "#/bench" + path);
    assertThat(page.getByLabel("Checks")).isVisible();
    return page;
  }

  @Test
  void a_marking_finds_its_check_and_the_verdict_comes_as_one_types_by_keyboard_alone() {
    Page page = bench(1280, false, "");
    page.getByRole(AriaRole.SEARCHBOX).focus();
    page.keyboard().type("L250");
    Locator found = page.getByLabel("Checks").getByRole(AriaRole.LISTITEM);
    assertThat(found.first()).containsText(Pattern.compile("marking", Pattern.CASE_INSENSITIVE));
    found.first().getByRole(AriaRole.LINK).focus();
    page.keyboard().press("Enter");
    page.getByLabel("As it is printed").focus();
    page.keyboard().type("L250-40F");
    assertThat(page.getByLabel("Answer")).containsText("121");
    assertThat(page.getByLabel("Answer").getByRole(AriaRole.IMG).first()).isVisible();
    // a slip is said at the field, and the rest stays
    page.keyboard().press("Control+A");
    page.keyboard().type("L40-250F");
    assertThat(page.getByText(Pattern.compile("how far it must cool"))).isVisible();
  }

  @Test
  void a_log_is_written_by_one_key_an_event_and_drawn_as_it_grows() {
    Page page = bench(1280, true, "/burner-log");
    Locator log = page.locator("textarea");
    page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(2)).click();
    page.keyboard().press("1");
    assertThat(log).hasValue(Pattern.compile("^0\\.0 glow$"));
    page.keyboard().press("2");
    assertThat(log).hasValue(Pattern.compile("glow\\n[\\d.]+ flame"));
    assertThat(page.getByLabel("Answer")).containsText("1 trials, 1 with flame");
    log.fill("0 glow\n90 off\n200 glow\n290 off");
    assertThat(page.getByLabel("Answer")).containsText("Glow and no flame");
    assertThat(page.getByLabel("Answer").getByRole(AriaRole.IMG).first()).isVisible();
  }

  @Test
  void what_the_bench_says_of_a_jobs_part_is_evidence() {
    Page page = chromium.page(1280, 800, false);
    page.navigate(application.address());
    page.getByText("Bunkhouse cellar").click();
    Locator suspects = page.getByLabel("Suspects");
    suspects.getByText("high limit").first().click();
    button(page, "^Check it on the bench$").first().click();
    Locator dialog = page.getByRole(AriaRole.DIALOG);
    assertThat(dialog).isVisible();
    assertThat(dialog).containsText("high limit");
    assertThat(dialog.getByRole(AriaRole.GROUP).first()).isVisible();
  }
}
