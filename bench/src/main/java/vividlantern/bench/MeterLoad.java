package vividlantern.bench;

import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;

/** How much of the browser's main thread 64 meters take, 25 times a second, beside the same page with nothing moving. */
final class MeterLoad {

    private static final int TRACKS = 64;
    private static final int SECONDS = 10;

    private MeterLoad() {}

    static void print(Started running) throws Exception {
        StringBuilder edits = new StringBuilder();
        for (int n = 15; n <= TRACKS; n++) {
            edits.append(n == 15 ? "" : ",")
                    .append("{\"kind\": \"add-track\", \"track\": \"more-" + n + "\", \"name\": \"More " + n
                            + "\", \"width\": 1, \"feeds\": [{\"input\": null, \"port\": \"wall-" + (1 + n % 8)
                            + "\"}]}")
                    .append(",{\"kind\": \"arm-track\", \"track\": \"more-" + n + "\", \"armed\": true}");
        }
        running.post("/api/sessions/low-water/edits", "{\"edits\": [" + edits + "]}");
        try (Playwright playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")))) {
            Browser browser = playwright
                    .chromium()
                    .launch(new BrowserType.LaunchOptions()
                            .setExecutablePath(Path.of("/usr/bin/chromium"))
                            .setArgs(List.of("--no-sandbox", "--disable-gpu")));
            Page page = browser.newPage(new Browser.NewPageOptions().setViewportSize(1280, 2400));
            page.navigate(running.address() + "/sessions/low-water/tracks");
            page.locator("tbody tr").nth(TRACKS - 1).waitFor();
            double moving = share(page);
            running.post("/api/live/low-water/commands", "{\"kind\": \"players\", \"who\": \"none\"}");
            page.waitForTimeout(12_000);
            Figures.say(
                    "64 meters with 64 sliders' lights at 25 Hz in Chromium: %.1f %% of the main thread while all play, %.1f %% while all rest",
                    100 * moving, 100 * share(page));
        }
    }

    private static double share(Page page) {
        CDPSession devTools = page.context().newCDPSession(page);
        devTools.send("Performance.enable");
        double before = taskSeconds(devTools);
        page.waitForTimeout(1000.0 * SECONDS);
        return (taskSeconds(devTools) - before) / SECONDS;
    }

    private static double taskSeconds(CDPSession devTools) {
        JsonObject metrics = devTools.send("Performance.getMetrics");
        for (JsonElement metric : metrics.getAsJsonArray("metrics")) {
            if (metric.getAsJsonObject().get("name").getAsString().equals("TaskDuration")) {
                return metric.getAsJsonObject().get("value").getAsDouble();
            }
        }
        throw new IllegalStateException("Chromium tells no task duration.");
    }
}
