package vividlantern.bench;

import com.google.gson.JsonParser;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.Arrays;

/** What is set up once and used again, at 64 tracks and 16 cues, in a folder of 500 sessions and 100 templates. */
final class SetUpFigures {

    private static final int ROUNDS = 7;
    private static final int INPUTS = 64;
    private static final int CUES = 16;
    /** So many rows are in sight at 1280x800. */
    private static final int SHOWN = 18;

    private static final int SESSIONS = 500;
    private static final int TEMPLATES = 100;
    private static final int LINES = 1000;
    private static final String LARGE = "/api/sessions/large";
    private static final String KEPT =
            "\"description\": \"\", \"tags\": [], \"picture\": \"boat\", \"withoutNames\": false, \"page\": null}";
    private static final String FIT = "\"fit\": {\"rigId\": \"large\", \"ports\": [], \"pairs\": []}}";

    private final Started running;

    private SetUpFigures(Started running) {
        this.running = running;
    }

    static void print(Started running) throws Exception {
        LargeMix.bring(running, INPUTS, INPUTS, CUES);
        SetUpFigures figures = new SetUpFigures(running);
        figures.beginning();
        figures.snapshots();
        figures.goingBack();
        figures.home();
    }

    private interface Work {
        void done() throws Exception;
    }

    private static double median(Work work) throws Exception {
        double[] millis = new double[ROUNDS];
        for (int round = -2; round < ROUNDS; round++) {
            long begun = System.nanoTime();
            work.done();
            if (round >= 0) {
                millis[round] = (System.nanoTime() - begun) / 1e6;
            }
        }
        Arrays.sort(millis);
        return millis[ROUNDS / 2];
    }

    private void beginning() throws Exception {
        running.post(LARGE + "/template", "{\"title\": \"Large one\", " + KEPT);
        double stored = median(() -> running.post(
                "/api/templates/large-one/sessions", "{\"name\": \"Again\", \"song\": \"\", \"after\": null, " + FIT));
        double[] usable = new double[ROUNDS];
        double[] whole = new double[ROUNDS];
        SheetLoad.inBrowser(browser -> {
            for (int round = 0; round < ROUNDS; round++) {
                usable[round] = pressed(browser, SHOWN);
                whole[round] = pressed(browser, INPUTS);
            }
        });
        double first = usable[0];
        Arrays.sort(usable);
        Arrays.sort(whole);
        Figures.say(
                "A session from a template of %d tracks and %d cues, from the press to the rows in sight: %.0f ms (first), %.0f ms (median), to all rows %.0f ms (median); the answer alone %.0f ms (median)",
                INPUTS, CUES, first, usable[ROUNDS / 2], whole[ROUNDS / 2], stored);
    }

    private double pressed(Browser browser, int rows) {
        Page page = browser.newPage(new Browser.NewPageOptions().setViewportSize(1280, 800));
        page.navigate(running.address());
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("New session from Large one"))
                .click();
        page.getByText("all 64 inputs", new Page.GetByTextOptions().setExact(true))
                .waitFor();
        double millis = SheetLoad.millisUntil(
                page,
                () -> page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Create session"))
                        .last()
                        .click(),
                "document.querySelectorAll('[role=grid] tbody tr').length >= " + rows);
        page.close();
        return millis;
    }

    private void snapshots() throws Exception {
        running.post(LARGE + "/snapshots", "{\"name\": \"Mark\"}");
        StringBuilder edits = new StringBuilder();
        for (int n = 1; n <= INPUTS; n++) {
            edits.append(edits.isEmpty() ? "" : ",")
                    .append("{\"kind\": \"set-fader\", \"track\": \"track-")
                    .append(n)
                    .append("\", \"level\": -40}");
        }
        String broken = "{\"edits\": [" + edits + "]}";
        running.post(LARGE + "/edits", broken);
        double compared = median(() -> running.get(LARGE + "/snapshots/mark/differences"));
        double both = median(() -> {
            running.post(LARGE + "/snapshots/mark/restore", "{\"scope\": \"all\", \"cue\": null}");
            running.post(LARGE + "/edits", broken);
        });
        double again = median(() -> running.post(LARGE + "/edits", broken.replace("-40", "-41")));
        Figures.say(
                "A snapshot of it with %d faders moved: compared in %.0f ms, restored and broken again in %.0f ms (%.0f ms nothing changed)",
                INPUTS, compared, both, again);
    }

    private void goingBack() throws Exception {
        for (int line = 0; line < LINES; line++) {
            running.post(
                    LARGE + "/edits",
                    "{\"edits\": [{\"kind\": \"set-pan\", \"track\": \"track-" + (1 + line % INPUTS) + "\", \"pan\": "
                            + (line % 200 - 100) / 100.0 + "}]}");
        }
        long number = JsonParser.parseString(
                        new String(running.get(LARGE + "/log?size=1").body()))
                .getAsJsonArray()
                .get(0)
                .getAsJsonObject()
                .get("number")
                .getAsLong();
        long begun = System.nanoTime();
        running.post(LARGE + "/log/" + (number - LINES) + "/go-back", "");
        Figures.say("Going back %d lines in the log: %.0f ms", LINES, (System.nanoTime() - begun) / 1e6);
        double found = median(() -> running.get(LARGE + "/log?part=track/track-7&word=pan"));
        Figures.say("Searching %d lines for a word and a track: %.0f ms (median)", number, found);
    }

    private void home() throws Exception {
        for (int n = 0; n < SESSIONS; n++) {
            running.post(
                    "/api/sessions", "{\"name\": \"Evening " + n + "\", \"song\": \"\", \"rigId\": \"saltworks\"}");
        }
        for (int n = 0; n < TEMPLATES; n++) {
            running.post("/api/sessions/low-water/template", "{\"title\": \"Band " + n + "\", " + KEPT);
        }
        double listed = median(() -> running.get("/api/sessions?size=30"));
        double cards = median(() -> running.get("/api/templates"));
        double fits = median(() -> running.get("/api/templates/band-7/fits"));
        SheetLoad.inBrowser(browser -> {
            Page page = browser.newPage(new Browser.NewPageOptions().setViewportSize(1280, 800));
            long begun = System.nanoTime();
            page.navigate(running.address());
            page.locator("a.card").nth(29).waitFor();
            page.locator("[data-template]").nth(TEMPLATES).waitFor();
            Figures.say(
                    "Home with %d sessions and %d templates: %.0f ms until they are there; the first 30 sessions %.0f ms, all cards %.0f ms, how one fits two rigs %.0f ms (medians)",
                    SESSIONS, TEMPLATES, (System.nanoTime() - begun) / 1e6, listed, cards, fits);
        });
    }
}
