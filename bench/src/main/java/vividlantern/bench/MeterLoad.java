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

/**
 * How much of the browser's main thread live levels take, 25 times a second, on the sheets that have most of them, beside the
 * same page with nothing moving.
 */
final class MeterLoad {

    private static final int TRACKS = 64;
    private static final int SECONDS = 10;
    private static final int FRAMES_A_SECOND = 25;

    private MeterLoad() {}

    static void print(Started running) throws Exception {
        fill(running);
        try (Playwright playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")))) {
            Browser browser = playwright
                    .chromium()
                    .launch(new BrowserType.LaunchOptions()
                            .setExecutablePath(Path.of("/usr/bin/chromium"))
                            .setArgs(List.of("--no-sandbox", "--disable-gpu")));
            Page tracks = open(browser, running, "tracks");
            Page cues = open(browser, running, "cues");
            double onTracks = share(tracks);
            double onCues = share(cues);
            running.post("/api/live/low-water/commands", "{\"kind\": \"players\", \"who\": \"none\"}");
            tracks.waitForTimeout(12_000);
            say("Tracks", onTracks, share(tracks));
            say("Cues", onCues, share(cues));
        }
    }

    private static void say(String sheet, double moving, double resting) {
        Figures.say(
                "Levels of %d rows on %s at 1280 x 800 in Chromium: %.1f %% of a core on the main thread while all play (%.2f ms a frame),"
                        + " %.1f %% while all rest",
                TRACKS, sheet, 100 * moving, 1000 * moving / FRAMES_A_SECOND, 100 * resting);
    }

    private static Page open(Browser browser, Started running, String step) {
        Page page = browser.newPage(new Browser.NewPageOptions().setViewportSize(1280, 800));
        page.navigate(running.address() + "/sessions/low-water/" + step);
        page.locator("tbody tr").nth(20).waitFor();
        return page;
    }

    /** Rows for the demo: tracks that all sound, all in its first cue. */
    private static void fill(Started running) throws Exception {
        StringBuilder edits = new StringBuilder();
        for (int n = 15; n <= TRACKS; n++) {
            edits.append("{\"kind\": \"add-track\", \"track\": \"more-" + n + "\", \"name\": \"More " + n
                            + "\", \"width\": 1, \"feeds\": [{\"input\": null, \"port\": \"wall-" + (1 + n % 8)
                            + "\"}]},")
                    .append("{\"kind\": \"arm-track\", \"track\": \"more-" + n + "\", \"armed\": true},")
                    .append("{\"kind\": \"set-send-level\", \"cue\": \"accordion-fiddle\", \"track\": \"more-" + n
                            + "\", \"level\": -20},");
        }
        edits.setLength(edits.length() - 1);
        running.post("/api/sessions/low-water/edits", "{\"edits\": [" + edits + "]}");
    }

    /** How busy the page's thread is while it is in front. */
    private static double share(Page page) {
        page.bringToFront();
        page.waitForTimeout(2000);
        CDPSession devTools = page.context().newCDPSession(page);
        devTools.send("Performance.enable");
        double before = threadSeconds(devTools);
        page.waitForTimeout(1000.0 * SECONDS);
        return (threadSeconds(devTools) - before) / SECONDS;
    }

    private static double threadSeconds(CDPSession devTools) {
        JsonObject metrics = devTools.send("Performance.getMetrics");
        for (JsonElement metric : metrics.getAsJsonArray("metrics")) {
            if (metric.getAsJsonObject().get("name").getAsString().equals("ThreadTime")) {
                return metric.getAsJsonObject().get("value").getAsDouble();
            }
        }
        throw new IllegalStateException("Chromium tells no thread time.");
    }
}
