package org.jollychain.e2e;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.ReducedMotion;
import com.microsoft.playwright.options.RequestOptions;
import java.net.URI;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Debian's Chromium without a window; it notes what pages complain of and every host they ask. */
final class Chromium implements AutoCloseable {

  private static final Set<String> LOOPBACK = Set.of("127.0.0.1", "localhost");

  private final Playwright playwright =
      Playwright.create(
          new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
  private final Browser browser =
      playwright
          .chromium()
          .launch(
              new BrowserType.LaunchOptions()
                  .setExecutablePath(Path.of("/usr/bin/chromium"))
                  .setArgs(
                      List.of(
                          "--no-sandbox",
                          "--disable-gpu",
                          "--disable-quic",
                          "--no-first-run",
                          "--disable-background-networking",
                          "--disable-component-update",
                          "--disable-sync")));
  private final List<String> complaints = new ArrayList<>();

  private static final double PATIENCE_MS = Integer.getInteger("jolly.patience", 120_000);

  // a machine that does other work beside it may take long to start the application anew
  static {
    PlaywrightAssertions.setDefaultAssertionTimeout(PATIENCE_MS);
  }

  private final List<String> requestsElsewhere = new ArrayList<>();

  private static final int PHONE = 500;

  private final String address;

  /**
   * @param address of the demo that its pages are signed in to
   */
  Chromium(String address) {
    this.address = address;
  }

  /** A page of the station's lead. */
  Page page(int width, int height, boolean dark) {
    Page page = pageOfNobody(width, height, dark);
    signIn(page, "imke");
    return page;
  }

  /** The same, that keeps nothing for when the server is away. */
  Page pageWithoutWorker() {
    Page page = page(1280, 800, false);
    page.addInitScript("delete Navigator.prototype.serviceWorker");
    return page;
  }

  /** One of the station's people comes in. */
  void signIn(Page page, String login) {
    APIResponse in =
        page.context()
            .request()
            .post(
                address + "api/session/demo",
                RequestOptions.create().setData(Map.of("login", login)));
    if (!in.ok()) {
      throw new IllegalStateException(login + " cannot come in: " + in.text());
    }
  }

  /** A page that nobody signed in to. */
  Page pageOfNobody(int width, int height, boolean dark) {
    BrowserContext context =
        browser.newContext(
            new Browser.NewContextOptions()
                .setViewportSize(width, height)
                .setLocale("en-GB")
                .setTimezoneId("UTC")
                .setReducedMotion(ReducedMotion.REDUCE)
                .setHasTouch(width < PHONE)
                .setColorScheme(dark ? ColorScheme.DARK : ColorScheme.LIGHT));
    context.setDefaultTimeout(PATIENCE_MS);
    Page page = context.newPage();
    page.onPageError(complaints::add);
    page.onConsoleMessage(
        m -> {
          if (m.text().contains("Content Security Policy")) {
            complaints.add(m.text());
          }
        });
    page.onRequest(
        r -> {
          String host = URI.create(r.url()).getHost();
          if (!r.url().startsWith("data:") && !LOOPBACK.contains(host)) {
            requestsElsewhere.add(r.url());
          }
        });
    return page;
  }

  /** Script errors and breaches of the content policy. */
  List<String> complaints() {
    return complaints;
  }

  List<String> requestsElsewhere() {
    return requestsElsewhere;
  }

  @Override
  public void close() {
    browser.close();
    playwright.close();
  }
}
