package org.jollychain.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;

/** Who comes in, what they may, and that nothing typed is lost when a session ends. */
class SignInTest extends BrowserTest {

  private static Page.GetByRoleOptions named(String name) {
    return new Page.GetByRoleOptions().setName(name);
  }

  @Test
  void a_click_is_enough_in_the_demo_and_a_viewer_only_reads() {
    Page page = chromium.pageOfNobody(1280, 800, false);
    page.navigate(application.address() + "#/shop");
    assertThat(page.getByRole(AriaRole.HEADING, named("Who is at work?"))).isVisible();
    assertThat(Accessibility.seriousFindings(page)).isEmpty();
    page.getByRole(AriaRole.BUTTON, named("Tove viewer")).click();
    assertThat(page.getByText("You are signed in as a viewer")).isVisible();
    assertThat(page.getByText("Field meter")).isVisible();
    page.getByRole(AriaRole.BUTTON, named("Keep").setExact(true)).click();
    assertThat(page.getByText("is for a lead; you are signed in as a viewer")).isVisible();
    page.getByRole(AriaRole.BUTTON, named("Tove")).click();
    page.getByRole(AriaRole.BUTTON, named("Sign out").setExact(true)).click();
    assertThat(page.getByRole(AriaRole.HEADING, named("Who is at work?"))).isVisible();
  }

  @Test
  void what_was_entered_when_the_session_had_ended_goes_out_after_signing_in_again() {
    Page page = chromium.page(1280, 800, false);
    page.navigate(application.address());
    String id = newJob(page, "DOOR-1");
    page.navigate(application.address() + "#/jobs/" + id);
    page.getByRole(AriaRole.BUTTON, named("high limit")).first().click();
    page.context().clearCookies();
    page.keyboard().type("0.2");
    page.keyboard().press("Enter");
    assertThat(page.getByRole(AriaRole.HEADING, named("Who is at work?"))).isVisible();
    page.getByRole(AriaRole.BUTTON, named("Imke lead")).click();
    assertThat(page.getByText("1 entry ·").first()).isVisible();
    assertThat(page.getByText("waits here")).isHidden();
  }

  @Test
  void a_lead_sees_who_changed_what() {
    Page page = chromium.page(1280, 800, false);
    page.navigate(application.address() + "#/people");
    role(page, "technician");
    page.navigate(application.address() + "#/history?subject=person");
    assertThat(page.locator("ol li").first()).containsText("imke");
    assertThat(page.locator("ol li").first()).containsText("role: technician");
    assertThat(Accessibility.seriousFindings(page)).isEmpty();
    page.navigate(application.address() + "#/people");
    role(page, "apprentice");
  }

  private static void role(Page page, String role) {
    page.waitForResponse(
        r -> r.url().endsWith("/api/people/ottar") && r.ok(),
        () -> page.getByLabel("Role of Ottar").selectOption(role));
  }
}
