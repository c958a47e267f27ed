package vividlantern.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.nio.file.Files;
import java.nio.file.Path;

/** Takes a picture of each view, from the demo, while it plays: {@code tools/pictures [FOLDER [day|night|both]]}. */
public final class Pictures {

    private Pictures() {}

    public static void main(String[] arguments) throws Exception {
        Path folder = Path.of(arguments[0]);
        String themes = arguments.length > 1 ? arguments[1] : "kept";
        Files.createDirectories(folder);
        try (Program program = Program.start(Files.createTempDirectory("vivid-lantern-pictures"));
                Chromium chromium = new Chromium()) {
            program.post(
                    "/api/sessions/low-water/template",
                    "{\"title\": \"Five in a room\", \"description\": \"A folk band with click; each has a mix of their own\","
                            + " \"tags\": [\"live\", \"click\"], \"picture\": \"strings\", \"withoutNames\": false}");
            for (ColorScheme scheme : new ColorScheme[] {ColorScheme.LIGHT, ColorScheme.DARK}) {
                String theme = scheme == ColorScheme.LIGHT ? "day" : "night";
                if (themes.equals("kept") || themes.equals("both") || themes.equals(theme)) {
                    take(program, chromium.newPerson(scheme), folder, theme, themes.equals("kept"));
                }
            }
        }
    }

    /** The kept pictures are one a view: the cues and two ways by night, all else by day. */
    private static void take(Program program, Page page, Path folder, String theme, boolean kept) {
        boolean day = theme.equals("day");
        page.navigate(program.address());
        page.getByText("At the rig now").waitFor();
        page.getByText("Saltworks: all 13 inputs.").first().waitFor();
        if (!kept || day) {
            shoot(page, folder, "home-" + theme);
        }
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("New session from Brass section with click"))
                .click();
        page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("Where everything goes"))
                .waitFor();
        page.waitForTimeout(400);
        if (!kept || day) {
            shoot(page, folder, "fit-" + theme);
        }
        page.keyboard().press("Escape");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Low Water"))
                .click();
        page.getByRole(AriaRole.GRID).waitFor();
        if (page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Play"))
                .isVisible()) {
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Play"))
                    .click();
        }
        page.getByText(java.util.regex.Pattern.compile("^bar ([5-9]|\\d\\d)")).waitFor();
        if (!kept || day) {
            shoot(page, folder, "input-list-" + theme);
        }
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Grid").setExact(true))
                .click();
        page.waitForTimeout(600);
        if (!kept || day) {
            shoot(page, folder, "grid-" + theme);
        }
        for (String step : new String[] {"Rig", "Tracks", "Monitoring", "Click", "Cues"}) {
            page.getByLabel("Steps")
                    .getByText(step, new Locator.GetByTextOptions().setExact(true))
                    .click();
            page.getByRole(AriaRole.TABLE).first().waitFor();
            page.waitForTimeout(1200);
            if (!kept || step.equals("Cues") != day) {
                shoot(page, folder, step.toLowerCase(java.util.Locale.ROOT) + "-" + theme);
            }
            if (step.equals("Click")) {
                for (String what : new String[] {"The song", "Guide tracks"}) {
                    page.getByRole(
                                    AriaRole.BUTTON,
                                    new Page.GetByRoleOptions().setName(what).setExact(true))
                            .click();
                    page.waitForTimeout(800);
                    if (!kept || !day) {
                        shoot(page, folder, (what.startsWith("Guide") ? "guides-" : "song-") + theme);
                    }
                }
            }
            if (step.equals("Tracks")) {
                sums(program, page, folder, theme, !kept || day);
                chains(program, page, folder, theme, !kept || !day);
            }
            if (step.equals("Cues")) {
                outlets(page, folder, theme, !kept || day);
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("all mixes"))
                        .click();
                page.waitForTimeout(800);
                if (!kept || day) {
                    shoot(page, folder, "all-mixes-" + theme);
                }
            }
            if (step.equals("Monitoring")) {
                twoWays(page, folder, theme, !kept || !day);
            }
        }
        change(program);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("History"))
                .click();
        page.getByText("Before lunch").first().waitFor();
        page.waitForTimeout(600);
        if (!kept || day) {
            shoot(page, folder, "history-" + theme);
        }
    }

    /** The voice by both ways for a moment. */
    private static void twoWays(Page page, Path folder, String theme, boolean wanted) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Voice direct"))
                .click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Hear both"))
                .click();
        page.getByText("Voice is heard twice").waitFor();
        page.waitForTimeout(600);
        if (wanted) {
            shoot(page, folder, "twice-" + theme);
        }
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Through the engine only"))
                .click();
        page.getByText("late by 4.9 ms").waitFor();
    }

    /** The cajón and the shaker in a folder with one level and one compressor, with some of it in a return and out by an output; taken out again. */
    private static void sums(Program program, Page page, Path folder, String theme, boolean wanted) {
        String inFolder = "{\"kind\": \"set-track-folder\", \"folder\": \"Drums\", \"track\": ";
        program.post(
                "/api/sessions/low-water/edits",
                "{\"edits\": [" + inFolder + "\"cajon-front\"}, " + inFolder + "\"cajon-rear\"}, " + inFolder
                        + "\"shaker\"}, {\"kind\": \"add-sum\", \"track\": \"drums\", \"name\": \"Drums\", \"of\":"
                        + " [\"cajon-front\", \"cajon-rear\", \"shaker\"]}, {\"kind\": \"add-effect\", \"track\": \"drums\","
                        + " \"place\": \"heard\", \"type\": \"compressor\"}, {\"kind\": \"add-return\", \"name\": \"Reverb\","
                        + " \"track\": \"reverb\", \"effect\": \"reverb\"}, {\"kind\": \"send-into\", \"track\": \"drums\","
                        + " \"into\": \"reverb\"}, {\"kind\": \"send-into\", \"track\": \"lead-voice\", \"into\": \"reverb\"},"
                        + " {\"kind\": \"send-out\", \"track\": \"drums\", \"pair\": \"out-9-10\", \"side\": \"left\"}]}");
        page.getByLabel("Chains of Drums").first().click();
        page.getByLabel("Switch the compressor of Drums").waitFor();
        page.waitForTimeout(4000);
        if (wanted) {
            shoot(page, folder, "sums-" + theme);
        }
        page.getByLabel("Chains of Drums").first().click();
        program.post("/api/sessions/low-water/undo", "{}");
    }

    /** A fiddle that is printed through a high-pass and a compressor and heard through an EQ; taken out again. */
    private static void chains(Program program, Page page, Path folder, String theme, boolean wanted) {
        String chain =
                "{\"edits\": [{\"kind\": \"add-effect\", \"track\": \"fiddle\", \"place\": \"printed\", \"type\":"
                        + " \"high-pass\"}, {\"kind\": \"add-effect\", \"track\": \"fiddle\", \"place\": \"printed\", \"type\":"
                        + " \"compressor\"}, {\"kind\": \"add-effect\", \"track\": \"fiddle\", \"place\": \"heard\", \"type\":"
                        + " \"eq\"}, {\"kind\": \"set-effect\", \"track\": \"fiddle\", \"effect\": \"eq\", \"numbers\":"
                        + " [{\"number\": \"high-mid-hz\", \"value\": 3100}, {\"number\": \"high-mid-level\", \"value\": -4},"
                        + " {\"number\": \"low-level\", \"value\": 2}]}]}";
        program.post("/api/sessions/low-water/edits", chain);
        page.getByLabel("Chains of Fiddle").first().click();
        page.getByLabel("Switch the EQ of Fiddle").waitFor();
        page.waitForTimeout(4000);
        if (wanted) {
            shoot(page, folder, "chains-" + theme);
        }
        page.getByLabel("Chains of Fiddle").first().click();
        program.post("/api/sessions/low-water/undo", "{}");
    }

    /** Counted tones for an outlet whose cables are crossed, once somebody has said so. */
    private static void outlets(Page page, Path folder, String theme, boolean wanted) {
        for (String press :
                new String[] {"Step through the outlets", "Buoy B outlet 1", "Play the tones", "The sides are swapped"
                }) {
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(press))
                    .first()
                    .click();
        }
        page.getByText("The sides are swapped.").waitFor();
        page.waitForTimeout(1500);
        if (wanted) {
            shoot(page, folder, "outlets-" + theme);
        }
        page.keyboard().press("Escape");
        page.getByText("What do you hear?").waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));
    }

    /** Some changes, and a snapshot before them. */
    private static void change(Program program) {
        String session = "/api/sessions/low-water";
        program.post(session + "/snapshots", "{\"name\": \"Before lunch\"}");
        for (String edit : new String[] {
            "{\"kind\": \"group-tracks\", \"group\": \"cajon\", \"name\": \"Cajón\", \"tracks\": [\"cajon-front\","
                    + " \"cajon-rear\", \"shaker\"], \"links\": [\"level\", \"mute\"]}",
            "{\"kind\": \"set-fader\", \"track\": \"cajon-front\", \"level\": -3.5}",
            "{\"kind\": \"set-send-level\", \"cue\": \"voice\", \"track\": \"fiddle\", \"level\": -9}",
            "{\"kind\": \"set-pan\", \"track\": \"bouzouki\", \"pan\": -0.4}",
            "{\"kind\": \"set-input-gain\", \"input\": \"fiddle\", \"gainDb\": 31}"
        }) {
            program.post(session + "/edits", "{\"edits\": [" + edit + "]}");
        }
    }

    private static void shoot(Page page, Path folder, String name) {
        page.screenshot(new Page.ScreenshotOptions().setPath(folder.resolve(name + ".png")));
    }
}
