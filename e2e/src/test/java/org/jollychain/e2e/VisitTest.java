package org.jollychain.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.JsonArray;
import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** A whole visit, from the list of jobs to the job sheet. */
class VisitTest extends BrowserTest {

  /** From the list of jobs to the job sheet. */
  private static final int MOST_KEYS = 20;

  private static final int MOST_KEYS_OF_LONGER_JOBS = 30;
  private static final Page.GetByLabelOptions EXACT = new Page.GetByLabelOptions().setExact(true);

  private static final Map<String, String> ANSWERS =
      Map.of(
          "Air at the hood", "Weak",
          "Duct off at the unit", "Strong",
          "Flap and grille", "Moves freely",
          "Duct behind the unit", "Lint packed in it");

  /** A keyboard whose strokes are counted. */
  private static final class Keys {
    private final Page page;
    private int pressed;

    Keys(Page page) {
      this.page = page;
    }

    void press(String... keys) {
      for (String key : keys) {
        page.keyboard().press(key);
        pressed++;
      }
    }

    void type(String text) {
      page.keyboard().type(text);
      pressed += text.length();
    }
  }

  private static Locator shown(Page page, String step) {
    return page.getByRole(
        AriaRole.BUTTON,
        new Page.GetByRoleOptions().setName(Pattern.compile("^" + step)).setPressed(true));
  }

  private static Locator card(Page page, String name) {
    return page.getByLabel(name, new Page.GetByLabelOptions().setExact(true));
  }

  private static void entries(Page page, int count) {
    assertThat(
            page.getByText(
                count == 1 ? "1 entry" : count + " entries",
                new Page.GetByTextOptions().setExact(true)))
        .isVisible();
  }

  /** Sound supply, one blown cut-off, lint in the duct. */
  @Test
  void the_simple_job_takes_twenty_key_strokes_at_most() {
    Page page = chromium.page(1280, 800, false);
    Keys keys = new Keys(page);
    openJob(page, keys, "l2", "t");
    assertThat(
            page.getByRole(
                AriaRole.HEADING, new Page.GetByRoleOptions().setName(Pattern.compile("LAU-2"))))
        .isVisible();
    assertThat(shown(page, "Arrive")).isVisible();
    keys.press("Enter");
    assertThat(card(page, "Next probe")).isVisible();
    keys.press("o");
    entries(page, 1);
    keys.press("o");
    entries(page, 2);
    keys.press("o");
    assertThat(page.getByText("By its own test: thermal cut-off open")).isVisible();
    findTheLint(page, "Next probe", keys::press);
    assertThat(shown(page, "Put right")).isVisible();
    keys.press("1");
    assertThat(page.getByText("thermal cut-off not renewed")).isVisible();
    // the limit that was cooked with it is renewed too; both were held beside the old ones
    keys.press("=");
    assertThat(shown(page, "Prove")).isVisible();
    Locator unproved = page.locator("li.next");
    // isolated work alone: the current of the element is not asked for
    for (int left = 5; left > 0; left--) {
      assertThat(
              page.locator(
                  "button[aria-pressed='true']", new Page.LocatorOptions().setHasText("Holds")))
          .hasCount(5 - left);
      assertThat(unproved).isVisible();
      keys.press("1");
    }
    assertThat(shown(page, "Sign off")).isVisible();
    keys.press("Enter");
    assertThat(card(page, "Signed off")).containsText("Repaired");
    System.out.printf("from the list to the job sheet: %d key strokes%n", keys.pressed);
    assertThat(keys.pressed).isLessThanOrEqualTo(MOST_KEYS);

    Locator paper = page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Job sheet"));
    APIResponse pdf =
        page.request().get(application.address() + paper.getAttribute("href").substring(1));
    assertThat(pdf.status()).isEqualTo(200);
    assertThat(new String(pdf.body(), 0, 4)).isEqualTo("%PDF");
  }

  /** From the list: a unit whose sheet is known, and a complaint by its first letter. */
  private static void openJob(Page page, Keys keys, String tag, String complaint) {
    page.navigate(application.address());
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Jobs")))
        .isVisible();
    keys.press("n");
    assertThat(page.getByLabel("Unit")).isFocused();
    keys.type(tag);
    keys.press("Enter");
    // nobody tells for the customer
    assertThat(page.getByLabel("What the customer sees", EXACT)).isFocused();
    keys.press(complaint, "Enter");
    assertThat(shown(page, "Arrive")).isVisible();
  }

  /** Answers every check as a house with lint in its duct would. */
  private static void findTheLint(Page page, String where, Consumer<String> answer) {
    Locator check = card(page, where);
    for (int asked = 0; asked < ANSWERS.size(); asked++) {
      String question = check.locator(".question").innerText();
      String truth =
          ANSWERS.entrySet().stream()
              .filter(a -> question.startsWith(a.getKey()))
              .map(Map.Entry::getValue)
              .findFirst()
              .orElseThrow(() -> new AssertionError(question));
      answer.accept(
          check
              .getByRole(
                  AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile(truth)))
              .getAttribute("data-key"));
      assertThat(page.getByText(question, new Page.GetByTextOptions().setExact(true))).hasCount(0);
      if (shown(page, "Put right").isVisible()) {
        return;
      }
    }
  }

  /** The same job on a phone: by touch alone, but for what is printed on the new part. */
  @Test
  void the_simple_job_is_done_by_touch_on_a_phone() {
    Page page = chromium.page(390, 844, false);
    page.navigate(application.address());
    tap(page, "New job");
    page.getByLabel("Unit").fill("lau-2");
    page.getByLabel("What the customer sees").selectOption("no-heat");
    tap(page, "Open the job");
    tap(page, "Cautions read, go on");
    for (int entry = 1; entry <= 3; entry++) {
      page.getByLabel("Reading").fill("OL");
      page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Log")))
          .tap();
      entries(page, entry);
    }
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Get in")))
        .tap();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Opened")).first().tap();
    assertThat(card(page, "Open now")).isVisible();
    tap(page, "Closed again");
    assertThat(page.getByText("Nothing is open")).isVisible();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Cause")))
        .tap();
    assertThat(shown(page, "Cause")).isVisible();
    findTheLint(
        page, "Next check", key -> page.locator("[data-key='%s']".formatted(key)).first().tap());
    page.locator("[data-key='1']").first().tap();
    assertThat(
            page.locator(
                "button[aria-pressed='true']", new Page.LocatorOptions().setHasText("Done")))
        .hasCount(1);
    page.getByLabel("Printed on the new thermal cut-off").fill("178C");
    tap(page, "All renewed");
    // the limit protects too: nobody has said yet that it is the right one
    assertThat(page.getByText("rating of the new high limit?")).isAttached();
    tapName(page, "Same print as on the old one");
    assertThat(shown(page, "Prove")).isVisible();
    for (int held = 1; held <= 5; held++) {
      page.locator("li.next [data-key='1']").tap();
      if (held < 5) {
        assertThat(
                page.locator(
                    "button[aria-pressed='true']", new Page.LocatorOptions().setHasText("Holds")))
            .hasCount(held);
      }
    }
    assertThat(shown(page, "Sign off")).isVisible();
    page.locator("form button[type='submit']").tap();
    assertThat(card(page, "Signed off")).containsText("Repaired");
  }

  /** A fuse at a burnt-through exchanger: both are renewed together, and nothing else is told. */
  @Test
  void the_exchanger_goes_with_its_fuse_by_keyboard() {
    Page page = chromium.page(1280, 800, false);
    Keys keys = new Keys(page);
    openJob(page, keys, "b2", "f");
    assertThat(shown(page, "Arrive")).isVisible();
    keys.press("Enter");
    assertThat(page.getByText("Which code does it show?")).isVisible();
    keys.press(keyOf(page, "E14"));
    entries(page, 1);
    for (int entry = 2; entry <= 4; entry++) {
      keys.press("o");
      entries(page, entry);
    }
    assertThat(page.getByText("By its own test: wrapped thermal fuse open")).isVisible();
    assertThat(card(page, "Next probe")).containsText("when does it cut out");
    keys.press(keyOf(page, "Off without ever being too hot"));
    assertThat(card(page, "Next probe")).containsText("Fins of the exchanger");
    keys.press(keyOf(page, "Burnt, split or holed"));
    assertThat(shown(page, "Put right")).isVisible();
    assertThat(page.getByText("Exchanger and fuse renewed together")).isVisible();
    keys.press("1");
    assertThat(page.getByText("wrapped thermal fuse not renewed")).isVisible();
    keys.press("=");
    assertThat(shown(page, "Prove")).isVisible();
    proveAll(page, keys, "25");
    assertThat(shown(page, "Sign off")).isVisible();
    keys.press("Enter");
    assertThat(card(page, "Signed off")).containsText("Repaired");
    System.out.printf("exchanger and fuse: %d key strokes%n", keys.pressed);
    assertThat(keys.pressed).isLessThanOrEqualTo(MOST_KEYS_OF_LONGER_JOBS);
  }

  /** Nothing fails that day: what is suspected is named, and somebody comes back. */
  @Test
  void where_no_test_fails_the_visit_ends_with_suspects_by_keyboard() {
    Page page = chromium.page(1280, 800, false);
    Keys keys = new Keys(page);
    openJob(page, keys, "h5", "d");
    keys.press("Enter");
    answerAsSound(page, keys::type, () -> keys.press("Enter"), keys::press);
    keys.press("Enter");
    assertThat(shown(page, "Prove")).isVisible();
    proveAll(page, keys, "600");
    signOffAs(page, "No part warranted", () -> keys.press("Enter"));
    System.out.printf("nothing found: %d key strokes%n", keys.pressed);
    assertThat(keys.pressed).isLessThanOrEqualTo(MOST_KEYS_OF_LONGER_JOBS);
  }

  @Test
  void where_no_test_fails_the_visit_ends_with_suspects_by_touch() {
    Page page = chromium.page(390, 844, false);
    newJobByTouch(page, "hut-5", "comes-and-goes");
    answerAsSound(
        page,
        text -> page.getByLabel("Reading").fill(text),
        () -> tapName(page, "^Log"),
        key -> page.locator("[data-key='%s']".formatted(key)).first().tap());
    tapName(page, "^Go on");
    assertThat(shown(page, "Prove")).isVisible();
    proveAllByTouch(page, "600");
    signOffAs(page, "No part warranted", () -> page.locator("form button[type='submit']").tap());
  }

  /** Nobody complains: limits, trials and flame are tried, and the paper has their figures. */
  @Test
  void a_service_visit_by_keyboard() {
    Page page = chromium.page(1280, 800, false);
    Keys keys = new Keys(page);
    openJob(page, keys, "gen-1", "s");
    assertThat(shown(page, "Arrive")).isVisible();
    keys.press("Enter");
    assertThat(shown(page, "Walk")).isVisible();
    keys.press("PageDown", "PageDown", "PageDown", "PageDown");
    assertThat(shown(page, "Prove")).isVisible();
    proveAll(page, keys, "3");
    keys.press("PageDown");
    signOffAs(page, "Service visit", () -> keys.press("Enter"));
    System.out.printf("service visit: %d key strokes%n", keys.pressed);
    assertThat(keys.pressed).isLessThanOrEqualTo(MOST_KEYS_OF_LONGER_JOBS);
  }

  @Test
  void a_service_visit_by_touch() {
    Page page = chromium.page(390, 844, false);
    newJobByTouch(page, "gen-1", "");
    tapName(page, "^Prove");
    proveAllByTouch(page, "3");
    tapName(page, "^Sign off");
    signOffAs(page, "Service visit", () -> page.locator("form button[type='submit']").tap());
  }

  /** The outcome is the one that the visit comes to, and its words are there. */
  private static void signOffAs(Page page, String outcome, Runnable sign) {
    assertThat(shown(page, "Sign off")).isVisible();
    assertThat(page.getByLabel(outcome)).isChecked();
    sign.run();
    assertThat(card(page, "Signed off")).containsText(outcome);
  }

  private static void newJobByTouch(Page page, String tag, String complaint) {
    page.navigate(application.address());
    tap(page, "New job");
    page.getByLabel("Unit").fill(tag);
    page.getByLabel("What the customer sees").selectOption(complaint);
    tap(page, "Open the job");
    tap(page, "Cautions read, go on");
    assertThat(shown(page, "Walk")).isVisible();
  }

  private static void proveAllByTouch(Page page, String figure) {
    for (Locator holds : page.locator("li:has(.answers)").all()) {
      for (Locator field : holds.locator("input[data-typed]").all()) {
        field.fill(figure);
        field.blur();
      }
      Locator yes = holds.locator(".answers button").first();
      assertThat(yes).isEnabled();
      if (!"true".equals(yes.getAttribute("aria-pressed"))) {
        yes.tap();
      }
      // with the last one the visit goes on by itself
      page.waitForCondition(
          () ->
              shown(page, "Sign off").isVisible()
                  || yes.count() > 0 && "true".equals(yes.getAttribute("aria-pressed")));
    }
  }

  /** Answers all that is asked as a unit would on which nothing is wrong. */
  private static void answerAsSound(
      Page page, Consumer<String> type, Runnable log, Consumer<String> press) {
    assertThat(shown(page, "Walk")).isVisible();
    String job = page.url().replaceFirst(".*/jobs/", "");
    for (int asked = 0; asked < 20; asked++) {
      JsonObject view =
          JsonParser.parseString(
                  page.request().get(application.address() + "api/jobs/" + job).text())
              .getAsJsonObject();
      JsonArray next = view.getAsJsonObject("plan").getAsJsonArray("next");
      if (next.isEmpty()) {
        return;
      }
      JsonObject question = next.get(0).getAsJsonObject();
      String title = question.get("title").getAsString();
      int changes = view.getAsJsonObject("job").get("changes").getAsInt();
      JsonArray expected = question.getAsJsonArray("expect");
      int sound =
          IntStream.range(0, expected.size())
              .filter(
                  at ->
                      expected
                          .get(at)
                          .getAsJsonObject()
                          .get("meaning")
                          .getAsString()
                          .contains("nothing wrong"))
              .findFirst()
              .orElse(0);
      String shown = expected.get(sound).getAsJsonObject().get("shown").getAsString();
      assertThat(card(page, "Next probe")).isVisible();
      switch (question.get("kind").getAsString()) {
        case "measure" -> {
          String figure = shown.startsWith("near 0") ? "0" : shown.replaceFirst("^[^0-9O]*", "");
          if (figure.startsWith("OL")) {
            type.accept("OL");
          } else {
            type.accept(figure.replace(" ", "").replaceFirst("[^0-9.kMm].*$", ""));
          }
          log.run();
        }
        case "check" -> press.accept(String.valueOf(sound + 1));
        case "code" -> press.accept("1");
        default -> press.accept(shown.contains("still") || shown.contains("off") ? "3" : "1");
      }
      page.waitForCondition(
          () ->
              JsonParser.parseString(
                          page.request().get(application.address() + "api/jobs/" + job).text())
                      .getAsJsonObject()
                      .getAsJsonObject("job")
                      .get("changes")
                      .getAsInt()
                  > changes);
      assertThat(page.getByText(title, new Page.GetByTextOptions().setExact(true))).hasCount(0);
    }
    throw new AssertionError("the plan asks on and on");
  }

  private static void tapName(Page page, String pattern) {
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile(pattern)))
        .first()
        .tap();
  }

  /** Answers every proof in its order: what has a figure by the figure, the others by one key. */
  private static void proveAll(Page page, Keys keys, String figure) {
    Locator next = page.locator("li.next");
    Locator field = next.locator("input[data-typed]");
    for (int i = 0; i < 16 && shown(page, "Prove").isVisible() && next.count() > 0; i++) {
      List<String> proof = next.locator("p").allInnerTexts();
      boolean byFigure = field.count() > 0;
      if (byFigure) {
        keys.type(figure);
        keys.press("Enter");
      } else {
        keys.press("1");
      }
      page.waitForCondition(
          () ->
              !shown(page, "Prove").isVisible()
                  || !next.locator("p").allInnerTexts().equals(proof)
                  || byFigure && field.count() == 0);
    }
  }

  /** The key that answers so. */
  private static String keyOf(Page page, String answer) {
    return page.locator("button[data-key]", new Page.LocatorOptions().setHasText(answer))
        .first()
        .getAttribute("data-key");
  }

  private static void tap(Page page, String button) {
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(button).setExact(true))
        .first()
        .tap();
  }
}
