package vividlantern.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.options.ColorScheme;
import java.util.Locale;
import java.util.Random;
import java.util.regex.Pattern;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A page that was told of every change shows what a page shows that has just been opened. */
public class SameForAllIT extends WithDemo {

    private static final int EDITS = 150;

    @DataProvider
    public Object[][] seeds() {
        return new Object[][] {{1}, {2}};
    }

    @Test(dataProvider = "seeds")
    public void whoFollowedSeesWhatWhoComesSees(int seed) {
        String path = "/sessions/same-for-all-" + seed;
        program.post("/api/sessions", "{\"name\": \"Same for all " + seed + "\", \"rigId\": \"saltworks\"}");
        goTo(path + "/input-list");
        assertThat(text("Input list")).isVisible();
        Random random = new Random(seed);
        for (int n = 0; n < EDITS; n++) {
            program.post("/api" + path + "/edits", "{\"edits\": [" + edit(random) + "]}");
        }
        program.post(
                "/api" + path + "/edits",
                "{\"edits\": [{\"kind\": \"set-session-names\", \"name\": \"Done " + seed + "\", \"song\": \"\"}]}");
        assertThat(page).hasTitle("Done " + seed + ": Vivid Lantern");
        Page fresh = chromium.newPerson(ColorScheme.DARK);
        for (String step : new String[] {"Tracks", "Cues", "Input list"}) {
            page.locator("nav a")
                    .filter(new com.microsoft.playwright.Locator.FilterOptions()
                            .setHasText(Pattern.compile("^\\s*" + step)))
                    .first()
                    .click();
            fresh.navigate(program.address() + path + "/"
                    + step.toLowerCase(Locale.ROOT).replace(' ', '-'));
            try {
                page.waitForCondition(
                        () -> shown(page).contains(step) && shown(page).equals(shown(fresh)));
            } catch (TimeoutError different) {
                org.assertj.core.api.Assertions.assertThat(shown(page)).isEqualTo(shown(fresh));
            }
        }
        fresh.close();
    }

    private static String shown(Page page) {
        return page.locator("body").innerText();
    }

    /** An edit that may well be refused, as what it speaks of may not be there. */
    private static String edit(Random random) {
        String input = "i" + random.nextInt(8);
        String track = "t" + random.nextInt(8);
        String cue = "c" + random.nextInt(3);
        String performer = "p" + random.nextInt(3);
        int number = 1 + random.nextInt(40);
        return switch (random.nextInt(18)) {
            case 0, 1 ->
                edit("add-input", "input", input, "source", "Source " + number)
                        .replace("}", ", \"number\": " + number + "}");
            case 2 -> edit("remove-input", "input", input);
            case 3 -> edit("move-input", "input", input, "before", "i" + random.nextInt(8));
            case 4 -> edit("set-input-source", "input", input, "source", "Renamed " + number);
            case 5, 6 ->
                edit("add-track", "track", track, "name", "Track " + number)
                        .replace(
                                "}",
                                ", \"width\": 1, \"feeds\": [{\"input\": \"" + input
                                        + "\", \"track\": null, \"port\": null, \"channel\": 0}]}");
            case 7 -> edit("remove-track", "track", track);
            case 8 -> edit("move-track", "track", track, "before", "t" + random.nextInt(8));
            case 9 -> edit("set-fader", "track", track).replace("}", ", \"level\": " + -number + "}");
            case 10 -> edit("add-cue", "cue", cue, "name", "Cue " + number);
            case 11 -> edit("rename-cue", "cue", cue, "name", "Called " + number);
            case 12 -> edit("remove-cue", "cue", cue);
            case 13, 14 -> edit("add-sends", "cue", cue).replace("}", ", \"tracks\": [\"" + track + "\"]}");
            case 15 -> edit("set-send-level", "cue", cue, "track", track).replace("}", ", \"level\": " + -number + "}");
            case 16 -> edit("add-performer", "performer", performer, "name", "Player " + number, "place", "");
            default -> edit("set-cue-listeners", "cue", cue).replace("}", ", \"listeners\": [\"" + performer + "\"]}");
        };
    }

    private static String edit(String kind, String... fields) {
        StringBuilder json = new StringBuilder("{\"kind\": \"" + kind + "\"");
        for (int at = 0; at < fields.length; at += 2) {
            json.append(", \"")
                    .append(fields[at])
                    .append("\": \"")
                    .append(fields[at + 1])
                    .append('"');
        }
        return json.append('}').toString();
    }
}
