package org.jollychain.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;

/** A technician whom the network leaves, and two who work on one job. */
class OutOfReachTest extends BrowserTest {

  private static Page.GetByRoleOptions named(String name) {
    return new Page.GetByRoleOptions().setName(name);
  }

  @Test
  void what_is_entered_without_the_server_goes_out_once_and_in_order_when_it_is_back() {
    Page page = chromium.page(390, 844, false);
    page.navigate(application.address());
    String id = newJob(page, "REACH-1");
    String job = application.address() + "#/jobs/" + id;
    page.navigate(job);
    page.waitForFunction("() => navigator.serviceWorker.controller !== null");
    page.reload();
    enter(page, "timer heat contact", "0.1");
    assertThat(page.getByText("1 entry ·").first()).isVisible();

    application.crash();
    enter(page, "thermal cut-off", "0.1");
    assertThat(page.getByText("1 entry waits here")).isVisible();
    // the page opens without the server, and with what waits
    page.reload();
    assertThat(page.getByText("The server cannot be reached")).isVisible();
    assertThat(page.getByText("1 entry waits here")).isVisible();
    enter(page, "high limit", "239.1");
    assertThat(page.getByText("2 entries wait here")).isVisible();
    page.getByRole(AriaRole.BUTTON, named("2 waiting")).click();
    assertThat(page.getByLabel("Entries that wait")).containsText("high-limit 239.1");
    page.getByRole(AriaRole.BUTTON, named("2 waiting")).click();

    application.restart();
    assertThat(page.getByText("3 entries ·").first()).isVisible();
    assertThat(page.getByText("wait here")).isHidden();
    page.locator("summary", new Page.LocatorOptions().setHasText("Evidence")).click();
    assertThat(
            page.getByRole(AriaRole.ROW)
                .filter(new com.microsoft.playwright.Locator.FilterOptions().setHasText("V"))
                .nth(2))
        .containsText("239.1");
  }

  private static void enter(Page page, String link, String value) {
    page.getByRole(AriaRole.BUTTON, named(link)).first().click();
    page.getByLabel("Reading").fill(value);
    page.getByRole(AriaRole.BUTTON, named("Log")).click();
    assertThat(page.getByLabel("Reading")).hasValue("");
  }

  @Test
  void two_on_one_job_see_each_others_readings() {
    Page one = chromium.page(1280, 800, false);
    one.navigate(application.address());
    String job = application.address() + "#/jobs/" + newJob(one, "REACH-2");
    one.navigate(job);
    Page two = chromium.page(1280, 800, false);
    two.navigate(job);
    assertThat(two.getByText("0 entries").first()).isVisible();
    enter(one, "high limit", "239.1");
    long since = System.nanoTime();
    assertThat(two.getByText("Changed from elsewhere")).isVisible();
    System.out.printf("the other's reading after %.0f ms%n", (System.nanoTime() - since) / 1e6);
    assertThat(two.getByText("1 entry ·").first()).isVisible();
  }

  @Test
  void opened_once_it_opens_again_without_the_server_on_the_first_reload() {
    Page page = chromium.page(1280, 800, false);
    page.navigate(application.address());
    String id = newJob(page, "REACH-3");
    Page first = chromium.page(1280, 800, false);
    first.navigate(application.address() + "#/jobs/" + id);
    assertThat(first.getByText("0 entries").first()).isVisible();
    // asked anew each time: waitForFunction takes the promise itself for a yes
    first.waitForCondition(
        () ->
            (Boolean)
                first.evaluate(
                    "async (id) => (await caches.has('data'))"
                        + " && (await Promise.all(['jobs/' + id, 'session', 'meters', 'sheets/dryer-timer-240/revisions/1',"
                        + " 'sheets/dryer-timer-240/revisions/1/tests'].map(async (a) =>"
                        + " (await caches.open('data')).match('/api/' + a)))).every((a) => a !== undefined)"
                        + " && (await (await caches.open('shell')).match('/')) !== undefined",
                    id));
    application.crash();
    try {
      first.reload();
      assertThat(first.getByText("The server cannot be reached")).isVisible();
      assertThat(first.getByText("0 entries").first()).isVisible();
      first.navigate(application.address() + "#/people");
      assertThat(first.getByText("does not answer").first()).isVisible();
    } finally {
      application.restart();
    }
  }

  @Test
  void entries_of_two_tabs_go_out_and_none_waits_for_the_other() {
    Page one = chromium.page(1280, 800, false);
    one.navigate(application.address());
    String job = application.address() + "#/jobs/" + newJob(one, "REACH-4");
    one.navigate(job);
    Page two = one.context().newPage();
    two.navigate(job);
    enter(one, "high limit", "239.1");
    enter(two, "thermal cut-off", "0.1");
    enter(one, "timer heat contact", "0.1");
    assertThat(one.getByText("3 entries ·").first()).isVisible();
    assertThat(two.getByText("3 entries ·").first()).isVisible();
    assertThat(two.getByText("wait here")).isHidden();
  }

  @Test
  void signing_out_without_the_server_leaves_nothing_to_read_and_holds_when_it_is_back() {
    Page page = chromium.page(1280, 800, false);
    page.navigate(application.address());
    String id = newJob(page, "REACH-5");
    page.navigate(application.address() + "#/jobs/" + id);
    page.waitForFunction("() => navigator.serviceWorker.controller !== null");
    page.reload();
    enter(page, "timer heat contact", "0.1");
    application.crash();
    try {
      enter(page, "high limit", "239.1");
      assertThat(page.getByText("1 entry waits here")).isVisible();
      page.getByRole(AriaRole.BUTTON, named("Imke")).click();
      page.getByRole(AriaRole.BUTTON, named("Sign out").setExact(true)).click();
      assertThat(page.getByText("Signed out here.")).isVisible();
      org.assertj.core.api.Assertions.assertThat(
              page.evaluate(
                  """
                  async () => {
                    const kept = JSON.stringify({...localStorage}) + JSON.stringify({...sessionStorage});
                    const db = await new Promise((done) => {
                      const asked = indexedDB.open('jolly-chain');
                      asked.onsuccess = () => done(asked.result);
                    });
                    const waiting = await new Promise((done) => {
                      const asked = db.transaction('outbox').objectStore('outbox').getAll();
                      asked.onsuccess = () => done(asked.result);
                    });
                    db.close();
                    const text = waiting.map((w) => w.by + new TextDecoder().decode(w.sealed.data)).join();
                    return [await caches.has('data'), waiting.length, /239|high-limit|REACH/.test(kept + text)].join();
                  }
                  """))
          .isEqualTo("false,1,false");
      page.reload();
      assertThat(page.getByText("0.1")).hasCount(0);
    } finally {
      application.restart();
    }
    page.reload();
    assertThat(page.getByRole(AriaRole.HEADING, named("Who is at work?"))).isVisible();
    page.getByRole(AriaRole.BUTTON, named("Imke lead")).click();
    page.navigate(application.address() + "#/jobs/" + id);
    assertThat(page.getByText("2 entries ·").first()).isVisible();
  }
}
