package vividlantern.e2e;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;

/** Debian's Chromium without a screen. */
final class Chromium implements AutoCloseable {

    private final Playwright playwright;
    private final Browser browser;

    Chromium() {
        PlaywrightAssertions.setDefaultAssertionTimeout(90_000);
        playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
        browser = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(Path.of("/usr/bin/chromium"))
                        .setHeadless(true)
                        .setArgs(List.of(
                                "--no-sandbox",
                                "--disable-gpu",
                                "--disable-quic",
                                "--no-first-run",
                                "--disable-background-networking",
                                "--disable-component-update",
                                "--disable-sync")));
    }

    /** A browser of its own, as a person of its own, at 1280x800. */
    Page newPerson(ColorScheme scheme) {
        BrowserContext context = browser.newContext(new Browser.NewContextOptions()
                .setViewportSize(1280, 800)
                .setColorScheme(scheme)
                .setAcceptDownloads(true));
        context.setDefaultTimeout(90_000);
        return context.newPage();
    }

    @Override
    public void close() {
        playwright.close();
    }
}
