package org.jollychain.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.JsonArray;
import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.SelectOption;
import java.time.Duration;
import java.time.Instant;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A unit nobody has a sheet for: its chain is typed, and its blown link found. */
class TypedSheetTest extends BrowserTest {

  private static final String HEATER =
      """
      Diving-locker heater
      supply 230 V 50 Hz
      L > fuse 10A > [A] switch > [B] limit 90C 70C > [C] cutoff 120C > [D] stat 60C 50C > element 2000W > N
      B > fan 40W > N
      """;

  private static final int MOST_READINGS = 12;

  private static Locator button(Page page, String name) {
    return page.getByRole(
        AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  private static JsonObject json(APIResponse response) {
    assertThat(response.status()).as(response.text()).isEqualTo(200);
    return JsonParser.parseString(response.text()).getAsJsonObject();
  }

  /** What the meter shows there with the cut-off blown, by the solver. */
  private static String shown(Page page, JsonObject probe) {
    JsonObject asked = new JsonObject();
    asked.addProperty("sheet", "diving-locker-heater");
    asked.add("situation", probe.get("situation"));
    JsonArray faults = new JsonArray();
    JsonObject blown = new JsonObject();
    blown.addProperty("part", "cutoff");
    blown.addProperty("mode", "open");
    faults.add(blown);
    asked.add("faults", faults);
    asked.add("lifted", lifted(page, probe));
    JsonArray probes = new JsonArray();
    JsonObject between = new JsonObject();
    between.add("function", probe.get("function"));
    between.add("red", probe.get("red"));
    between.add("black", probe.get("black"));
    probes.add(between);
    asked.add("probes", probes);
    JsonElement reading =
        json(page.request()
                .post(
                    application.address() + "api/solve",
                    asThePage(page)
                        .setHeader("Content-Type", "application/json")
                        .setData(asked.toString())))
            .getAsJsonArray("readings")
            .get(0);
    return reading.getAsJsonObject().get("now").getAsString().replaceAll("[Ω ]", "");
  }

  private static JsonArray next(Page page, String job) {
    return json(page.request().get(job)).getAsJsonObject("plan").getAsJsonArray("next");
  }

  /** A wire off at a point takes off all but the part under test. */
  private static JsonArray lifted(Page page, JsonObject probe) {
    JsonObject parts =
        json(page.request()
                .get(application.address() + "api/sheets/diving-locker-heater/revisions/1"))
            .getAsJsonObject("parts");
    JsonArray lifted = new JsonArray();
    for (JsonElement point : probe.getAsJsonArray("liftedAt")) {
      for (String part : parts.keySet()) {
        JsonObject between = parts.getAsJsonObject(part);
        boolean touches = between.get("from").equals(point) || between.get("to").equals(point);
        if (touches && !part.equals(probe.get("across").getAsString())) {
          lifted.add(part);
        }
      }
    }
    return lifted;
  }

  @Test
  void a_unit_without_a_sheet_is_typed_opened_and_its_blown_link_found_in_five_minutes() {
    Page page = chromium.page(1280, 800, false);
    page.navigate(application.address());
    assertThat(button(page, "New job")).isVisible();
    Instant first = Instant.now();
    page.keyboard().press("n");
    assertThat(page.getByLabel("Unit")).isFocused();
    page.keyboard().type("dive-4");
    page.getByLabel("What it is").fill("Locker heater");
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Type its chain")).click();
    assertThat(page.getByLabel("Chains")).isVisible();
    page.getByLabel("Chains").click();
    page.keyboard().type(HEATER);
    assertThat(page.getByLabel("Circuit", new Page.GetByLabelOptions().setExact(true)))
        .containsText("cutoff");
    assertThat(page.getByLabel("Staircase")).isVisible();
    assertThat(page.getByLabel("Assumed", new Page.GetByLabelOptions().setExact(true)))
        .containsText("Unit opened, 5 min");
    assertThat(button(page, "Use it now")).isEnabled();
    page.keyboard().press("Control+Enter");
    // the job goes on where it was left
    assertThat(page.getByLabel("Unit")).hasValue("dive-4");
    assertThat(page.getByLabel("Circuit sheet")).hasValue("diving-locker-heater");
    page.getByLabel("What the customer sees").selectOption(new SelectOption().setIndex(1));
    button(page, "Open the job").click();
    assertThat(
            page.getByRole(
                AriaRole.HEADING, new Page.GetByRoleOptions().setName(Pattern.compile("DIVE-4"))))
        .isVisible();
    String job = application.address() + "api/jobs/" + page.url().replaceAll(".*/", "");
    JsonArray next = next(page, job);
    for (int read = 1; read <= MOST_READINGS && !next.isEmpty(); read++) {
      JsonObject probe = next.get(0).getAsJsonObject();
      assertThat(probe.get("kind").getAsString()).isEqualTo("measure");
      assertThat(page.getByLabel("Next probe", new Page.GetByLabelOptions().setExact(true)))
          .containsText(probe.get("red").getAsString());
      if (!probe.getAsJsonArray("liftedAt").isEmpty()) {
        // the wire is off, as asked
        page.keyboard().press("w");
      }
      page.keyboard().type(shown(page, probe));
      page.keyboard().press("Enter");
      assertThat(
              page.getByText(
                  read == 1 ? "1 entry" : read + " entries",
                  new Page.GetByTextOptions().setExact(true)))
          .isVisible();
      next = next(page, job);
    }
    assertThat(page.getByText(Pattern.compile("By its own test: cutoff open"))).isVisible();
    System.out.printf(
        "from the first key to the blown link: %d s%n",
        Duration.between(first, Instant.now()).toSeconds());
  }

  @Test
  void a_typed_sheet_is_refined_under_its_job_on_a_phone() {
    Page page = chromium.page(390, 844, false);
    page.navigate(application.address() + "#/sheets/sketch-kettle");
    page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Shorthand")).tap();
    Locator chains = page.getByLabel("Chains");
    assertThat(chains).hasValue(Pattern.compile("Galley kettle"));
    chains.fill(chains.inputValue().replace("2200W", "2400W"));
    button(page, "Save as a new revision").tap();
    assertThat(page.getByText(Pattern.compile("revision 2")).first()).isVisible();
  }
}
