package org.jollychain.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.util.concurrent.atomic.AtomicReference;
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
    return openJobByKeyboard(chromium.page(1280, 800, false));
  }

  private static Page openJobByKeyboard(Page page) {
    page.navigate(application.address());
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("New job")).focus();
    page.keyboard().press("Enter");
    assertThat(page.getByLabel("Unit")).isFocused();
    page.keyboard().type("lau-2");
    page.getByLabel("What the customer sees").selectOption("no-heat");
    page.getByLabel("Isolated only").focus();
    page.keyboard().press("ArrowRight");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Open the job")).focus();
    page.keyboard().press("Enter");
    assertThat(
            page.getByRole(
                AriaRole.HEADING, new Page.GetByRoleOptions().setName(Pattern.compile("LAU-2"))))
        .isVisible();
    // a job opens on arrival
    page.keyboard().press("Enter");
    assertThat(page.getByLabel("Next probe")).isVisible();
    return page;
  }

  /** Measures where one chooses oneself. */
  private static void log(Page page, String where, String typed, int entries) {
    if (where.equals("supply")) {
      page.getByRole(
              AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("Supply")))
          .last()
          .click();
    } else {
      link(page, where).click();
    }
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
    log(page, "supply", "238", 1);
    log(page, "terminal block L1", "0.1", 2);
    log(page, "timer heat contact", "0.1", 3);
    link(page, "thermal cut-off").click();
    page.keyboard().type("237.8");
    long since = System.nanoTime();
    page.keyboard().press("Enter");
    assertThat(link(page, "thermal cut-off")).containsText("open");
    double seconds = (System.nanoTime() - since) / 1e9;
    System.out.printf("from Enter to the verdict on the screen: %.0f ms%n", 1000 * seconds);
    assertThat(link(page, "high limit")).containsText("passes");
    assertThat(page.getByText("Test it by itself before it is condemned")).isVisible();

    page.keyboard().press("o");
    assertThat(page.getByText("confirmed by its own test")).isVisible();
    assertThat(page.getByText("By its own test: thermal cut-off")).isVisible();

    application.crashAndRestart();
    page.reload();
    assertThat(link(page, "thermal cut-off")).containsText("open");
    assertThat(page.getByText("confirmed by its own test")).isVisible();
  }

  @Test
  void an_odd_reading_asks_for_the_plate_and_is_judged_by_it() {
    Page page = chromium.page(1280, 800, false);
    page.navigate(application.address());
    page.navigate(application.address() + "#/jobs/" + newJob(page, "PLATE-1"));
    link(page, "element").click();
    page.getByLabel("State of the unit").selectOption("isolated");
    page.getByLabel("Function").selectOption("ohms");
    page.getByLabel("Its own plug or wire is off").check();
    page.getByLabel("Reading").fill("26.1");
    page.keyboard().press("Enter");
    Locator plate = page.getByLabel("Plate or paper");
    assertThat(plate).containsText("two parts that should be alike differ");
    assertThat(link(page, "element")).containsText("unclear");
    plate.getByLabel("element").fill("2200 W 240 V");
    page.keyboard().press("Enter");
    assertThat(link(page, "element")).containsText("sound");
    assertThat(plate).isHidden();
  }

  @Test
  void a_reading_is_struck_out_by_keyboard_with_its_reason() {
    Page page = openJobByKeyboard();
    log(page, "supply", "238", 1);
    page.keyboard().press("u");
    // a letter with another right behind it is the beginning of a word
    assertThat(page.getByRole(AriaRole.DIALOG)).isVisible();
    page.keyboard().type("probe slipped");
    page.keyboard().press("Enter");
    assertThat(page.getByText("0 entries", new Page.GetByTextOptions().setExact(true))).isVisible();
    page.getByText("Evidence", new Page.GetByTextOptions().setExact(true)).click();
    assertThat(page.getByText("struck out: probe slipped")).isVisible();
  }

  @Test
  void a_word_that_begins_with_a_letter_of_its_own_meaning_is_typed_anywhere() {
    Page page = openJobByKeyboard();
    page.keyboard().type("outlet 238.4");
    assertThat(page.getByLabel("Reading")).hasValue("outlet 238.4");
    page.keyboard().press("Escape");
    page.keyboard().type("thermal cut-off OL");
    assertThat(page.getByLabel("Reading")).hasValue("thermal cut-off OL");
    page.keyboard().press("Enter");
    assertThat(page.getByText("1 entry", new Page.GetByTextOptions().setExact(true))).isVisible();
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
    page.getByLabel("Unit").fill("LAU-7");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Open the job")).click();
    assertThat(page.getByText("Choose the sheet of its circuit")).isVisible();
    page.getByText("Type its chain").click();
    page.goBack();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("New job")).click();
    assertThat(page.getByLabel("Unit")).hasValue("LAU-7");
    page.getByLabel("Circuit sheet").selectOption("dryer-timer-240");
    page.getByLabel("What the customer sees").selectOption("no-heat");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Open the job")).click();
    page.getByText("Cautions read, go on").click();
    assertThat(page.getByText("Live: one hand")).isHidden();
    link(page, "high limit").click();
    assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Live drop")))
        .isDisabled();
    assertThat(page.getByText("Never ohms on a live circuit")).isVisible();
  }

  @Test
  void what_is_proposed_is_answered_skipped_or_out_of_reach() {
    Page page = openJobByKeyboard();
    Locator next = page.getByLabel("Next probe");
    String first = next.innerText();
    page.keyboard().press("s");
    page.waitForCondition(() -> !next.innerText().equals(first));
    page.getByText("Seen or heard").click();
    page.getByLabel("Part", new Page.GetByLabelOptions().setExact(true)).selectOption("motor");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Runs").setExact(true))
        .last()
        .click();
    assertThat(page.getByText("1 entry", new Page.GetByTextOptions().setExact(true))).isVisible();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Change the plan")).click();
    // three orders played out by a server that has only just started
    assertThat(page.getByText("From here to the end"))
        .isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(20_000));
    page.getByText("Isolated only").click();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Plan so")).click();
    assertThat(page.getByText("From here to the end")).isHidden();
    assertThat(page.getByText("Isolated only").first()).isVisible();
  }

  @Test
  void one_change_is_made_at_a_time() {
    // what goes by way of the page's worker is not held back
    Page page = openJobByKeyboard(chromium.pageWithoutWorker());
    AtomicReference<Route> held = new AtomicReference<>();
    page.route("**/policy", held::set);
    page.keyboard().press("s");
    page.waitForCondition(() -> held.get() != null);
    Locator change =
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Change the plan"));
    assertThat(change).isDisabled();
    page.keyboard().type("118.6");
    page.keyboard().press("Enter");
    held.get().resume();
    assertThat(change).isEnabled();
    assertThat(page.getByLabel("Reading")).hasValue("118.6");
    assertThat(page.getByText("0 entries", new Page.GetByTextOptions().setExact(true))).isVisible();
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
    page.navigate(application.address() + "#/shop");
    assertThat(page.getByText("How a new job is done")).isVisible();
    assertThat(Accessibility.seriousFindings(page)).isEmpty();
  }
}
