package vividlantern.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** From an input list to sound in a performer's ears, the way a person does it. The steps build on one another. */
public class WalkIT {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    /** How many dots of the canvas beside a cue's level are lit. */
    private static final String LIGHT_OF_THE_CUE = """
            () => {
              const canvas = [...document.querySelectorAll('aside .lit canvas')].at(-1)
              const dots = canvas.getContext('2d').getImageData(0, 0, canvas.width, canvas.height).data
              return dots.filter((each) => each > 0).length
            }""";

    private static final Pattern ANY_LEVEL = Pattern.compile("−?\\d+\\.\\d");

    private Path data;
    private Program program;
    private Chromium chromium;
    private Page page;
    private byte[] savedBefore;

    @BeforeClass
    public void open() throws Exception {
        data = Files.createTempDirectory("vivid-lantern-walk");
        program = Program.start(data);
        chromium = new Chromium();
        page = chromium.newPerson(ColorScheme.LIGHT);
    }

    @AfterClass(alwaysRun = true)
    public void close() {
        if (chromium != null) {
            chromium.close();
        }
        if (program != null) {
            program.close();
        }
    }

    @Test
    public void step1HomeShowsTheDemo() {
        page.navigate(program.address());
        link(page, "Low Water").click();
        assertThat(page.getByRole(AriaRole.HEADING, named("Input list").setLevel(1)))
                .isVisible();
    }

    @Test(dependsOnMethods = "step1HomeShowsTheDemo")
    public void step2TheInputListIsEditedByKeyboard() {
        assertThat(page.getByRole(AriaRole.GRID).getByRole(AriaRole.ROW)).hasCount(14);
        cell("Passive DI, Limpet").first().click();
        page.keyboard().type("Active DI, Cockle");
        page.keyboard().press("Enter");
        assertThat(cell("Active DI, Cockle")).hasCount(2);
        page.keyboard().press("Control+z");
        assertThat(cell("Active DI, Cockle")).hasCount(1);
    }

    @Test(dependsOnMethods = "step2TheInputListIsEditedByKeyboard")
    public void step2bPortsAreCountedUpOverSelectedRows() {
        cell("Skerry 1").first().click();
        page.keyboard().press("Enter");
        page.keyboard().type("Skerry 4");
        page.keyboard().press("Enter");
        assertThat(port("Skerry 4")).isVisible();
        cell("Cajón front").first().click();
        page.keyboard().press("Shift+ArrowDown");
        page.keyboard().press("Shift+ArrowDown");
        assertThat(page.getByText("3 selected")).isVisible();
        assertThat(page.getByRole(AriaRole.ROW, new Page.GetByRoleOptions().setSelected(true)))
                .hasCount(3);
        button("Count up ports").click();
        assertThat(port("Skerry 5")).isVisible();
        assertThat(port("Skerry 6")).isVisible();
        page.keyboard().press("Escape");
        button("Undo: ").click();
        button("Undo: ").click();
        assertThat(cell("Skerry 1")).isVisible();
    }

    @Test(dependsOnMethods = "step2bPortsAreCountedUpOverSelectedRows")
    public void step2cAListIsExportedAndImportedUnchangedInMeaning() throws Exception {
        Download download =
                page.waitForDownload(() -> page.getByText("Export", new Page.GetByTextOptions().setExact(true))
                        .click());
        byte[] csv = Files.readAllBytes(download.path());
        assertThat(new String(csv, StandardCharsets.UTF_8)).contains("Cajón front", "Dunlin R", "Old Pilot 1");
        JsonNode before = session();
        page.getByLabel("CSV file to import").setInputFiles(new FilePayload("list.csv", "text/csv", csv));
        Locator preview = page.getByRole(AriaRole.DIALOG);
        assertThat(preview.getByText("changes nothing")).hasCount(13);
        preview.getByText("Cancel").click();
        assertThat(session()).isEqualTo(before);
    }

    @Test(dependsOnMethods = "step2cAListIsExportedAndImportedUnchangedInMeaning")
    public void step2dBadRowsAreExplainedAndGoodOnesTaken() {
        byte[] csv = "Source;Port\nWhistle;Skerry 4\n;Skerry 5\nHarp;Cellar 9\n".getBytes(StandardCharsets.UTF_8);
        page.getByLabel("CSV file to import").setInputFiles(new FilePayload("list.csv", "text/csv", csv));
        Locator preview = page.getByRole(AriaRole.DIALOG);
        assertThat(preview.getByText(Pattern.compile("^adds input 14"))).isVisible();
        assertThat(preview.getByText("The row has no source.")).isVisible();
        assertThat(preview.getByText("There is no port \"Cellar 9\" in Saltworks."))
                .isVisible();
        preview.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Import"))
                .click();
        assertThat(cell("Whistle").first()).isVisible();
        assertThat(session().get("inputs")).hasSize(14);
        button("Undo: ").click();
        assertThat(cell("Whistle")).hasCount(0);
    }

    @Test(dependsOnMethods = "step2dBadRowsAreExplainedAndGoodOnesTaken")
    public void step3TracksAreSet() {
        goTo("Tracks");
        Locator room = row("Room stereo");
        assertThat(room.getByText("Skerry 7 | Skerry 8")).isVisible();
        page.getByLabel("Mute Fiddle", exactly()).click();
        assertThat(page.getByLabel("Mute Fiddle", exactly())).hasAttribute("aria-pressed", "true");
        type(page.getByLabel("Fiddle on the speakers: −2.0, type a level"), "-11.5");
        assertThat(slider("Fiddle on the speakers")).hasAttribute("aria-valuetext", "−11.5 dB");
        type(page.getByLabel("Fiddle on the speakers: −11.5, type a level"), "much");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("no level");
        page.keyboard().press("Escape");
        slider("Bass on the speakers").focus();
        page.keyboard().press("ArrowLeft");
        assertThat(slider("Bass on the speakers")).hasAttribute("aria-valuetext", "−5.0 dB");
    }

    @Test(dependsOnMethods = "step3TracksAreSet")
    public void step4TheStandInsPlayAndRest() {
        Locator level = row("Accordion treble").getByRole(AriaRole.METER);
        assertThat(level).hasAttribute("aria-valuetext", ANY_LEVEL);
        chooseStandIns("All quiet");
        assertThat(level).hasAttribute("aria-valuetext", Pattern.compile("nothing|−[67]\\d\\.\\d dBFS"));
        chooseStandIns("Accordion alone");
        assertThat(level).hasAttribute("aria-valuetext", Pattern.compile("^−[123]?\\d\\.\\d dBFS"));
        chooseStandIns("All play");
        button("Play").click();
        assertThat(page.getByLabel("Where the song is")).containsText("bar 2");
    }

    @Test(dependsOnMethods = "step4TheStandInsPlayAndRest")
    public void step4bTheKeyboardFindsABarAndAnythingElse() {
        page.keyboard().press("b");
        page.keyboard().type("17");
        page.keyboard().press("Enter");
        assertThat(page.getByLabel("Where the song is")).containsText("bar 17");
        page.keyboard().press("/");
        page.keyboard().type("slow mid");
        page.keyboard().press("Enter");
        assertThat(page.getByLabel("Where the song is")).containsText("bar 33");
        assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
        page.keyboard().press("?");
        assertThat(page.getByRole(AriaRole.DIALOG)).containsText("cut headphones");
        page.keyboard().press("Escape");
        assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
    }

    @Test(dependsOnMethods = "step4bTheKeyboardFindsABarAndAnythingElse")
    public void step5TheVoicesCueIsMadeAnew() {
        goTo("Cues");
        tab("Voice").click();
        button("Remove this cue").click();
        assertThat(tab("Voice")).hasCount(0);
        button("A cue for Voice").click();
        button("A cue for each").click();
        assertThat(page.getByText("Buoy C, booth · Out 7, 8")).isVisible();
        page.getByLabel("Output pair", exactly()).last().click();
        assertThat(page.getByText("Buoy B · Out 5, 6 · taken by Bass and cajón"))
                .isVisible();
        assertThat(page.getByText("Main speakers · Out 1, 2")).hasCount(0);
        page.getByText("Buoy C, booth · Out 7, 8").last().click();
        assertThat(slider("Lead voice in Voice")).isVisible();
        assertThat(page.getByText("not in this mix")).hasCount(0);
        assertThat(slider("Lead voice in Voice")).hasAttribute("aria-valuetext", "off");
        for (String track : new String[] {"Lead voice", "Bouzouki", "Accordion treble", "Bass"}) {
            type(page.getByLabel(track + " in Voice: off, type a level"), "-3");
        }
        drag(slider("Fiddle in Voice"), 220);
        assertThat(slider("Fiddle in Voice")).not().hasAttribute("aria-valuetext", "off");
        assertThat(page.getByRole(AriaRole.SWITCH, named("Ceiling guard"))).isChecked();
        assertThat(slider("Click in Voice")).hasAttribute("aria-valuetext", "off");
        goTo("Tracks");
        assertThat(slider("Click on the speakers")).hasAttribute("aria-valuetext", "off");
        goTo("Cues");
        tab("Voice").click();
    }

    @Test(dependsOnMethods = "step5TheVoicesCueIsMadeAnew")
    public void step5bHeadphonesAreCutAndLetBack() {
        button("Cut headphones").click();
        page.waitForCondition(() -> lightOfTheCue() == 0);
        button("Headphones are cut").click();
        page.waitForCondition(() -> lightOfTheCue() > 0);
    }

    private int lightOfTheCue() {
        return ((Number) page.evaluate(LIGHT_OF_THE_CUE)).intValue();
    }

    @Test(dependsOnMethods = "step5bHeadphonesAreCutAndLetBack")
    public void step6TheCueIsHeardInTheBrowser() {
        page.evaluate("() => { window.heard = 0; const post = MessagePort.prototype.postMessage;"
                + " MessagePort.prototype.postMessage = function (data, ...more) {"
                + " if (data?.samples) for (const x of data.samples) window.heard = Math.max(window.heard, Math.abs(x));"
                + " return post.call(this, data, ...more) } }");
        button("Listen in this browser").click();
        assertThat(button("Stop listening")).isVisible();
        page.waitForFunction("() => window.heard > 0.01");
        button("Cut headphones").click();
        page.waitForFunction(
                "() => new Promise(done => { window.heard = 0; setTimeout(() => done(window.heard < 0.00003), 250) })");
        button("Headphones are cut").click();
        page.waitForFunction("() => window.heard > 0.01");
        button("Stop listening").click();
    }

    @Test(dependsOnMethods = "step6TheCueIsHeardInTheBrowser")
    public void step7NothingOnTheSpeakersChangesTheCue() throws Exception {
        savedBefore = saveCue();
        goTo("Tracks");
        type(page.getByLabel("Lead voice on the speakers: 0.0, type a level"), "-30");
        page.getByLabel("Mute Bouzouki", exactly()).click();
        page.getByLabel("Solo Cajón front", exactly()).click();
        page.getByLabel("Pan of Bass", exactly()).focus();
        page.keyboard().press("ArrowLeft");
        assertThat(page.getByLabel("Pan of Bass", exactly())).hasAttribute("aria-valuetext", "left 10 %");
        goTo("Cues");
        tab("Voice").click();
        byte[] after = saveCue();
        assertThat(after).isEqualTo(savedBefore);
        assertThat(after).hasSize(44 + 10 * 48_000 * 6);
        int peak = 0;
        for (int at = 44; at < after.length; at += 3) {
            peak = Math.max(peak, Math.abs(after[at] & 0xFF | after[at + 1] << 8 & 0xFF00 | after[at + 2] << 16));
        }
        assertThat(20 * Math.log10(peak / 8388608.0)).isBetween(-30.0, -12.0);
    }

    @Test(dependsOnMethods = "step7NothingOnTheSpeakersChangesTheCue")
    public void step8ASecondBrowserFollowsAndEachUndoesTheirOwn() {
        Page other = chromium.newPerson(ColorScheme.DARK);
        other.navigate(program.address() + "/sessions/low-water/tracks");
        assertThat(other.getByLabel("Mute Shaker", exactly())).hasAttribute("aria-pressed", "false");
        assertThat(other.getByRole(AriaRole.BUTTON, named("Undo: nothing"))).isDisabled();
        goTo("Tracks");
        page.getByLabel("Mute Shaker", exactly()).click();
        assertThat(other.getByLabel("Mute Shaker", exactly())).hasAttribute("aria-pressed", "true");
        other.getByLabel("Mute Room", exactly()).click();
        assertThat(page.getByLabel("Mute Room", exactly())).hasAttribute("aria-pressed", "true");
        button("Undo: Shaker").click();
        assertThat(other.getByLabel("Mute Shaker", exactly())).hasAttribute("aria-pressed", "false");
        other.getByRole(AriaRole.BUTTON, named("Undo: Room")).click();
        assertThat(page.getByLabel("Mute Room", exactly())).hasAttribute("aria-pressed", "false");
        other.context().close();
    }

    @Test(dependsOnMethods = "step8ASecondBrowserFollowsAndEachUndoesTheirOwn")
    public void step8bEverythingIsUndoneAndRedone() {
        JsonNode last = withoutRevision(session());
        int undone = 0;
        while (!button("Undo: nothing").isVisible()) {
            String what = button("Undo: ").getAttribute("aria-label");
            button("Undo: ").click();
            assertThat(page.locator("[aria-label=\"" + what.replace("\"", "\\\"") + "\"]"))
                    .hasCount(0);
            undone++;
        }
        assertThat(undone).isGreaterThan(10);
        assertThat(button("Redo: nothing")).hasCount(0);
        assertThat(slider("Fiddle on the speakers")).hasAttribute("aria-valuetext", "−2.0 dB");
        JsonNode first = session();
        assertThat(first.get("cues").get(2).get("id").asString()).isEqualTo("voice");
        assertThat(first.get("cues").get(2).get("sends")).hasSize(7);
        for (int n = 0; n < undone; n++) {
            String what = button("Redo: ").getAttribute("aria-label");
            button("Redo: ").click();
            assertThat(page.locator("[aria-label=\"" + what.replace("\"", "\\\"") + "\"]"))
                    .hasCount(0);
        }
        assertThat(withoutRevision(session())).isEqualTo(last);
    }

    @Test(dependsOnMethods = "step8bEverythingIsUndoneAndRedone")
    public void step9NothingAcknowledgedIsLostWhenTheProcessIsKilled() throws Exception {
        JsonNode before = session();
        program.kill();
        assertThat(page.getByText("The connection to the program is lost.")).isVisible();
        program = Program.start(data);
        assertThat(session()).isEqualTo(before);
        page.navigate(program.address() + "/sessions/low-water/cues");
        tab("Voice").click();
        assertThat(slider("Lead voice in Voice")).hasAttribute("aria-valuetext", "−3.0 dB");
        assertThat(saveCue()).isEqualTo(savedBefore);
    }

    private JsonNode session() {
        return JSON.readTree(program.get("/api/sessions/low-water"));
    }

    private static JsonNode withoutRevision(JsonNode session) {
        return ((tools.jackson.databind.node.ObjectNode) session).without("revision");
    }

    private byte[] saveCue() throws Exception {
        Download download = page.waitForDownload(() -> button("Save as WAV").click());
        return Files.readAllBytes(download.path());
    }

    private void chooseStandIns(String who) {
        page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Stand-ins"))
                .locator(".n-select")
                .first()
                .click();
        page.getByText(who, new Page.GetByTextOptions().setExact(true)).last().click();
    }

    private void goTo(String step) {
        page.getByLabel("Steps")
                .getByText(step, new Locator.GetByTextOptions().setExact(true))
                .click();
        assertThat(page.getByRole(AriaRole.HEADING, named(step).setLevel(1))).isVisible();
    }

    private void type(Locator level, String text) {
        level.click();
        page.keyboard().type(text);
        page.keyboard().press("Enter");
    }

    private void drag(Locator slider, int pixels) {
        var box = slider.boundingBox();
        page.mouse().move(box.x + 10, box.y + box.height / 2);
        page.mouse().down();
        for (int step = 1; step <= 10; step++) {
            page.mouse().move(box.x + 10 + pixels * step / 10.0, box.y + box.height / 2);
        }
        page.mouse().up();
    }

    /** A port's own cell; findings below rows may speak of ports too. */
    private Locator port(String name) {
        return page.getByRole(
                AriaRole.GRIDCELL, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name + "\\b")));
    }

    private Locator cell(String text) {
        return page.getByRole(AriaRole.GRIDCELL, new Page.GetByRoleOptions().setName(text));
    }

    private Locator row(String text) {
        return page.getByRole(AriaRole.ROW, new Page.GetByRoleOptions().setName(text));
    }

    private Locator slider(String name) {
        return page.getByRole(
                AriaRole.SLIDER, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private Locator button(String name) {
        return page.getByRole(AriaRole.BUTTON, named(name));
    }

    private Locator tab(String name) {
        return page.getByRole(AriaRole.TAB, named(name));
    }

    private static Locator link(Page page, String name) {
        return page.getByRole(AriaRole.LINK, named(name));
    }

    private static Page.GetByRoleOptions named(String name) {
        return new Page.GetByRoleOptions().setName(name);
    }

    private static Page.GetByLabelOptions exactly() {
        return new Page.GetByLabelOptions().setExact(true);
    }
}
