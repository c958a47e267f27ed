package vividlantern.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** 128 inputs, 130 tracks, 12 performers, 32 cues: what is seen is drawn, and all of it is reached. */
public class LargeIT {

    private static final String SESSION = "/sessions/large";
    /** No step draws more rows than this, however long its list is. */
    private static final int DRAWN = 60;

    private Program program;
    private Chromium chromium;
    private Page page;

    @BeforeClass
    public void begin() throws IOException {
        program = Program.start(Files.createTempDirectory("vivid-lantern-large"));
        program.post("/api/sessions", "{\"name\": \"Large\", \"song\": \"All\", \"rigId\": \"saltworks\"}");
        edit(each(12, "{'kind': 'add-performer', 'performer': 'p%1$d', 'name': 'Player %1$d', 'place': ''}"));
        edit(each(128, "{'kind': 'add-input', 'input': 'i%1$d', 'number': %1$d, 'source': 'Source %1$d'}"));
        edit(each(
                128,
                "{'kind': 'add-track', 'track': 't%1$d', 'name': 'Track %1$d', 'width': 1,"
                        + " 'feeds': [{'input': 'i%1$d', 'channel': 0}]}"));
        edit(each(32, "{'kind': 'add-cue', 'cue': 'c%1$d', 'name': 'Cue %1$d'}"));
        String tracks =
                IntStream.rangeClosed(1, 128).mapToObj(n -> "'t" + n + "'").collect(Collectors.joining(","));
        edit(each(32, "{'kind': 'add-sends', 'cue': 'c%1$d', 'tracks': [" + tracks + "]}"));
        chromium = new Chromium();
        page = chromium.newPerson(ColorScheme.LIGHT);
    }

    @AfterClass(alwaysRun = true)
    public void end() {
        if (chromium != null) {
            chromium.close();
        }
        if (program != null) {
            program.close();
        }
    }

    private static String each(int count, String edit) {
        return IntStream.rangeClosed(1, count).mapToObj(edit::formatted).collect(Collectors.joining(","));
    }

    private void edit(String edits) {
        program.post("/api" + SESSION + "/edits", ("{'edits': [" + edits + "]}").replace('\'', '"'));
    }

    private Locator rows() {
        return page.locator("main tr[data-row]");
    }

    @DataProvider
    public Object[][] lists() {
        return new Object[][] {
            {"input-list", 129, "Source 1", "i128"},
            {"tracks", 131, "Track 1", "t128"},
            {"cues", 131, "Track 1", "t128"}
        };
    }

    @Test(dataProvider = "lists")
    public void ofALongListWhatIsSeenIsDrawnAndAllOfItIsReached(String step, int count, String first, String last) {
        page.navigate(program.address() + SESSION + "/" + step);
        assertThat(page.getByText(first, new Page.GetByTextOptions().setExact(true))
                        .first())
                .isVisible();
        assertThat(page.locator("main table[aria-rowcount]").first())
                .hasAttribute("aria-rowcount", String.valueOf(count));
        assertThat(rows().nth(9)).isVisible();
        assertThat(rows().count()).isLessThanOrEqualTo(DRAWN);
        Locator end = page.locator("[data-row='" + last + "']");
        assertThat(end).hasCount(0);
        rows().first()
                .locator("xpath=ancestor::*[contains(@class, 'sheet')]")
                .evaluate("s => s.scrollTop = s.scrollHeight");
        assertThat(end).isVisible();
        assertThat(rows().count()).isLessThanOrEqualTo(DRAWN);
    }

    @Test
    public void ofAllMixesBesideEachOtherWhatIsSeenIsDrawnAndTyped() {
        page.navigate(program.address() + SESSION + "/cues");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("all mixes"))
                .click();
        page.getByRole(
                        AriaRole.GRIDCELL,
                        new Page.GetByRoleOptions()
                                .setName("Track 1 in Cue 2: off")
                                .setExact(true))
                .click();
        for (int n = 0; n < 70; n++) {
            page.keyboard().press("ArrowDown");
        }
        page.keyboard().press("End");
        page.keyboard().type("-20");
        page.keyboard().press("Enter");
        assertThat(page.getByRole(
                        AriaRole.GRIDCELL,
                        new Page.GetByRoleOptions()
                                .setName("Track 71 in Cue 32: −20.0")
                                .setExact(true)))
                .isInViewport();
        assertThat(rows().count()).isLessThanOrEqualTo(DRAWN);
    }

    @Test
    public void aNameLeadsToItsRowWhereverThatIs() {
        page.navigate(program.address() + SESSION + "/input-list");
        assertThat(rows().first()).isVisible();
        for (List<String> wanted : List.of(
                List.of("track 117", "Track Track 117", "t117"),
                List.of("player 11", "Performer Player 11", "p11"),
                List.of("source 99", "Input 99, Source 99", "i99"))) {
            page.keyboard().press("/");
            page.getByLabel("Search commands and names").fill(wanted.get(0));
            page.getByText(wanted.get(1), new Page.GetByTextOptions().setExact(true))
                    .click();
            assertThat(page.locator("[data-row='" + wanted.get(2) + "']")).isInViewport();
        }
    }

    @Test
    public void theKeyboardGoesThroughAllRowsOfTheSheet() {
        page.navigate(program.address() + SESSION + "/input-list");
        page.getByRole(
                        AriaRole.GRIDCELL,
                        new Page.GetByRoleOptions().setName("Source 1").setExact(true))
                .click();
        for (int n = 0; n < 80; n++) {
            page.keyboard().press("ArrowDown");
        }
        Locator there = page.getByRole(
                AriaRole.GRIDCELL,
                new Page.GetByRoleOptions().setName("Source 81").setExact(true));
        assertThat(there).isFocused();
        assertThat(there).isInViewport();
    }

    @DataProvider
    public Object[][] sizes() {
        return new Object[][] {{1280, 800, 1.0}, {1024, 768, 1.0}, {1920, 1080, 1.0}, {1280, 800, 2.0}};
    }

    /** Text of twice the size is a page of half the pixels, as a browser's zoom makes it. */
    @Test(dataProvider = "sizes")
    public void nothingIsOffTheScreen(int width, int height, double zoom) {
        page.setViewportSize((int) (width / zoom), (int) (height / zoom));
        for (String step : List.of("rig", "input-list", "tracks", "monitoring", "click", "cues")) {
            page.navigate(program.address() + SESSION + "/" + step);
            page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1))
                    .last()
                    .waitFor();
            assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Cut headphones")))
                    .isInViewport();
            assertThat((Integer) page.evaluate("document.documentElement.scrollWidth"))
                    .as("%s at %d, %s times", step, width, zoom)
                    .isLessThanOrEqualTo((int) (width / zoom));
        }
        page.setViewportSize(1280, 800);
    }

    @Test
    public void manyFindingsOfAKindAreOne() {
        page.navigate(program.address() + SESSION + "/tracks");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Readiness")))
                .click();
        assertThat(page.getByText("128 inputs have no port.")).isVisible();
        assertThat(page.getByText("Input 77, Source 77, has no port.")).hasCount(0);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Show each"))
                .first()
                .click();
        assertThat(page.getByText("Input 77, Source 77, has no port.")).isVisible();
        page.keyboard().press("Escape");
    }
}
