package vividlantern.bench;

import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import vividlantern.format.Documents;
import vividlantern.rig.Device;
import vividlantern.rig.LatencyProfile;
import vividlantern.rig.Port;
import vividlantern.rig.edit.DeviceEdit.AddDevice;
import vividlantern.rig.edit.PortRun;

/** How a large studio feels in the browser: opening its rig, drawing and dragging on the grid, scrolling a long input list. */
final class SheetLoad {

    private static final int STEPS = 60;
    private static final int INPUTS = 120;
    private static final int PRESSES = 10;
    private static final double SETTLES_MS = 2000;

    /** Notes how long each frame took, from now on until it is read. */
    private static final String WATCH_FRAMES = """
            () => {
              window.frames_ = []
              let last = performance.now()
              const step = (now) => { window.frames_.push(now - last); last = now; window.watching_ = requestAnimationFrame(step) }
              window.watching_ = requestAnimationFrame(step)
            }""";

    private static final String READ_FRAMES = """
            () => {
              cancelAnimationFrame(window.watching_)
              const all = window.frames_.slice(1).sort((a, b) => a - b)
              return [all[Math.floor(all.length / 2)], all[Math.floor(all.length * 0.95)], all.length]
            }""";

    private final Started running;
    private final Browser browser;

    private SheetLoad(Started running, Browser browser) {
        this.running = running;
        this.browser = browser;
    }

    /** What is done with a browser. */
    @FunctionalInterface
    interface InBrowser {
        void done(Browser browser) throws Exception;
    }

    /** Does something with a browser of its own. */
    static void inBrowser(InBrowser work) throws Exception {
        try (Playwright playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")))) {
            work.done(playwright
                    .chromium()
                    .launch(new BrowserType.LaunchOptions()
                            .setExecutablePath(Path.of("/usr/bin/chromium"))
                            .setArgs(List.of("--no-sandbox", "--disable-gpu"))));
        }
    }

    static void print(Started running) throws Exception {
        inBrowser(browser -> {
            SheetLoad load = new SheetLoad(running, browser);
            String large = load.session("Grid of 256", 240, 128);
            load.rig(large);
            load.grid(load.session("Grid of 128", 128, 64), "128 ports by 64 tracks");
            load.grid(large, "240 ports by 128 tracks");
            load.scrolling(large);
            load.work(large);
        });
    }

    static void printMixes(Started running) throws Exception {
        LargeMix.bring(running, 128, 128, 32);
        inBrowser(browser -> new SheetLoad(running, browser).mixes());
    }

    /** Five performers on the step Monitoring: choosing a way, and pointing from buffer to buffer. */
    static void printMonitoring(Started running) throws Exception {
        inBrowser(browser -> {
            Page page = new SheetLoad(running, browser).page("low-water", "monitoring");
            page.getByText("late by").first().waitFor();
            double millis = millisUntil(
                    page,
                    () -> page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Voice direct"))
                            .click(),
                    "document.querySelector('main').innerText.includes('hears it twice')");
            page.evaluate(WATCH_FRAMES);
            for (int step = 0; step < STEPS; step++) {
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Buffer of"))
                        .nth(step % 6)
                        .hover();
            }
            List<?> frames = (List<?>) page.evaluate(READ_FRAMES);
            Figures.say(
                    "Monitoring of five performers: %.0f ms from a press to both ways and their curve; pointing from buffer to buffer"
                            + " a frame takes %.1f ms in the middle, %.1f ms at 95 %%",
                    millis, number(frames.get(0)), number(frames.get(1)));
            page.close();
        });
    }

    /** A studio with one interface of so many inputs and 16 outputs, and a session there with that many tracks. */
    private String session(String name, int inputs, int tracks) throws Exception {
        String rig = id(running.post("/api/rigs", "{\"name\": \"" + name + "\"}"));
        AddDevice barge = new AddDevice(
                "barge",
                "Barge",
                Device.Kind.INTERFACE,
                18,
                new LatencyProfile(33, 24, 24, 29),
                Device.Clock.LEADS,
                0,
                List.of(run(Port.Direction.IN, inputs), run(Port.Direction.OUT, 16)));
        running.post("/api/rigs/" + rig + "/edits", "{\"edits\": " + Documents.writeRigEdits(List.of(barge)) + "}");
        String session = id(running.post("/api/sessions", "{\"name\": \"" + name + "\", \"rigId\": \"" + rig + "\"}"));
        List<String> edits = new ArrayList<>();
        for (int n = 1; n <= INPUTS; n++) {
            edits.add("{\"kind\": \"add-input\", \"input\": \"i" + n + "\", \"number\": " + n
                    + ", \"source\": \"Source " + n + "\"}");
            edits.add("{\"kind\": \"patch-input\", \"input\": \"i" + n + "\", \"ports\": [\"barge-in-" + n + "\"]}");
        }
        for (int n = 1; n <= tracks; n++) {
            String feed = n <= INPUTS ? "[{\"input\": \"i" + n + "\", \"port\": null}]" : "[]";
            edits.add("{\"kind\": \"add-track\", \"track\": \"t" + n + "\", \"name\": \"Track " + n
                    + "\", \"width\": 1, \"feeds\": " + feed + "}");
        }
        running.post("/api/sessions/" + session + "/edits", "{\"edits\": [" + String.join(",", edits) + "]}");
        return session;
    }

    private static PortRun run(Port.Direction direction, int count) {
        return new PortRun(
                direction,
                count,
                direction == Port.Direction.IN ? "Line in" : "Line out",
                "",
                Set.of(Port.Signal.LINE),
                0,
                0,
                Port.GainRange.NONE,
                false,
                Optional.empty());
    }

    private static String id(String answer) {
        return JsonParser.parseString(answer).getAsJsonObject().get("id").getAsString();
    }

    private Page page(String session, String step) {
        Page page = browser.newPage(new Browser.NewPageOptions().setViewportSize(1280, 800));
        page.navigate(running.address() + "/sessions/" + session + "/" + step);
        return page;
    }

    private void rig(String session) {
        page(session, "input-list").close();
        Page page = page(session, "tracks");
        page.locator("tbody tr").first().waitFor();
        double millis = millisUntil(
                page,
                () -> page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Rig"))
                        .click(),
                "document.querySelectorAll('main tbody tr').length >= 240");
        Figures.say("Opening a rig of 256 ports: %.0f ms from the press to all its rows", millis);
        page.close();
    }

    private void grid(String session, String size) {
        Page page = page(session, "input-list");
        page.locator("tbody tr").nth(9).waitFor();
        double painted = millisUntil(
                page,
                () -> page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Grid"))
                        .click(),
                "document.querySelector('canvas')?.width > 0");
        page.mouse().move(420, 300);
        page.mouse().down();
        page.evaluate(WATCH_FRAMES);
        for (int step = 0; step < STEPS; step++) {
            page.mouse().move(420 + 12 * step % 700, 300 + 7 * step % 400);
        }
        List<?> frames = (List<?>) page.evaluate(READ_FRAMES);
        page.mouse().move(10, 700);
        page.keyboard().press("Escape");
        Figures.say(
                "The grid, %s: first paint %.0f ms; while dragging a frame takes %.1f ms in the middle, %.1f ms at 95 %%",
                size, painted, number(frames.get(0)), number(frames.get(1)));
        page.close();
    }

    private void scrolling(String session) {
        Page page = page(session, "input-list");
        page.locator("tbody tr").nth(9).waitFor();
        page.mouse().move(600, 400);
        page.evaluate(WATCH_FRAMES);
        for (int step = 0; step < STEPS; step++) {
            page.mouse().wheel(0, step < STEPS / 2 ? 100 : -100);
        }
        List<?> frames = (List<?>) page.evaluate(READ_FRAMES);
        Figures.say(
                "Scrolling an input list of %d: a frame takes %.1f ms in the middle, %.1f ms at 95 %%",
                INPUTS, number(frames.get(0)), number(frames.get(1)));
        page.close();
    }

    /** Levels of 128 tracks in 32 cues beside each other: the first of them painted, one typed, a column dragged over, all raised at once. */
    private void mixes() {
        Page page = page("large", "cues");
        page.locator("tbody tr").first().waitFor();
        double painted =
                millisUntil(page, () -> button(page, "all mixes").click(), "document.querySelector('td.level')");
        String first = "document.querySelector('td.level').innerText";
        double typed = 0;
        for (int press = 0; press < PRESSES; press++) {
            String level = String.valueOf(press % 9 + 1);
            page.locator("td.level").first().click();
            page.keyboard().type("-" + level);
            typed = millisUntil(page, () -> page.keyboard().press("Enter"), first + ".includes('" + level + ".0')");
        }
        BoundingBox cell = page.locator("td.level").first().boundingBox();
        page.mouse().move(cell.x + 10, cell.y + 5);
        page.mouse().down();
        page.evaluate(WATCH_FRAMES);
        for (int step = 0; step < STEPS; step++) {
            page.mouse().move(cell.x + 10, cell.y + 5 + 9 * step);
        }
        List<?> frames = (List<?>) page.evaluate(READ_FRAMES);
        page.mouse().up();
        button(page, "Select all rows").click();
        page.getByLabel("Levels of all selected in the mix by, dB").fill("-1");
        double raised = millisUntil(page, () -> page.keyboard().press("Enter"), first + ".includes('2.0')");
        Figures.say(
                "All mixes, 128 x 32: first paint %.0f ms; a level typed again and again %.0f ms in the end; dragging down a column a frame takes %.1f ms in the"
                        + " middle, %.1f ms at 95 %%; 4096 levels raised, from the press to the page %.0f ms",
                painted, typed, number(frames.get(0)), number(frames.get(1)), raised);
        page.close();
    }

    private static Locator button(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    /** What steps and keys cost the browser's own thread, by its clock, which stands while others have the processor. */
    private void work(String session) {
        Page page = page(session, "history");
        CDPSession clock = page.context().newCDPSession(page);
        JsonObject threads = new JsonObject();
        threads.addProperty("timeDomain", "threadTicks");
        clock.send("Performance.enable", threads);
        for (String step : List.of("input-list", "tracks", "cues")) {
            page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("History"))
                    .click();
            page.waitForTimeout(SETTLES_MS);
            double idle = workIn(clock, page, () -> {}, SETTLES_MS);
            double opened = workIn(
                    clock, page, () -> page.locator("a[href$='/" + step + "']").click(), SETTLES_MS);
            Figures.say("Opening %s of the large session: %.0f ms of work", step, opened - idle);
            if (step.equals("tracks")) {
                keys(clock, page, AriaRole.BUTTON, "Mute Track 5", "Enter", idle);
                keys(clock, page, AriaRole.BUTTON, "Solo Track 5", "Enter", idle);
                keys(clock, page, AriaRole.SLIDER, "Track 5 on the speakers", "ArrowLeft", idle);
            }
        }
        page.close();
    }

    private static void keys(CDPSession clock, Page page, AriaRole role, String name, String key, double idle) {
        page.getByRole(role, new Page.GetByRoleOptions().setName(name).setExact(true))
                .focus();
        double all = 0;
        for (int press = 0; press < PRESSES; press++) {
            all += workIn(clock, page, () -> page.keyboard().press(key), SETTLES_MS) - idle;
        }
        Figures.say("A key at \"%s\": %.1f ms of work", name, all / PRESSES);
    }

    /** The milliseconds of work from an act on, for some time. */
    private static double workIn(CDPSession clock, Page page, Runnable act, double millis) {
        double before = taskSeconds(clock);
        act.run();
        page.waitForTimeout(millis);
        return (taskSeconds(clock) - before) * 1000;
    }

    private static double taskSeconds(CDPSession clock) {
        for (JsonElement metric : clock.send("Performance.getMetrics").getAsJsonArray("metrics")) {
            JsonObject one = metric.getAsJsonObject();
            if (one.get("name").getAsString().equals("TaskDuration")) {
                return one.get("value").getAsDouble();
            }
        }
        throw new IllegalStateException("The browser does not say how long its tasks took.");
    }

    /** From a press, or from Enter, until a condition holds and the frame that shows it has been drawn. */
    static double millisUntil(Page page, Runnable press, String holds) {
        page.evaluate("() => { window.pressed_ = window.shown_ = undefined; ['click', 'keydown'].forEach(kind =>"
                + " addEventListener(kind, event => { if (kind === 'click' || event.key === 'Enter')"
                + " window.pressed_ ??= performance.now() }, {capture: true})) }");
        page.evaluate("() => { const look = () => requestAnimationFrame(() => { if (window.pressed_ && (" + holds
                + ")) requestAnimationFrame(() => (window.shown_ = performance.now())); else look() }); look() }");
        press.run();
        page.waitForFunction("() => window.shown_");
        return number(page.evaluate("() => window.shown_ - window.pressed_"));
    }

    private static double number(Object value) {
        return ((Number) value).doubleValue();
    }
}
