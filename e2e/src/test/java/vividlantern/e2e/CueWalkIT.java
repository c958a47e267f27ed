package vividlantern.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Six performers who hear nothing yet, three pairs for headphones: from no cue to a talk between takes. */
public class CueWalkIT extends WithDemo {

    private static final String LOW_WATER = "/api/sessions/low-water";
    private static final JsonMapper JSON = JsonMapper.builder().build();

    @BeforeMethod
    public void takeAllCuesAway() {
        goTo("/sessions/low-water/cues");
        Assertions.assertThat(page.evaluate("async () => (await fetch('" + LOW_WATER + "/edits', {method: 'POST',"
                        + " headers: {'Content-Type': 'application/json', 'Lantern-Person':"
                        + " localStorage.getItem('lantern-person')}, body: JSON.stringify({edits: ["
                        + "...['accordion-fiddle', 'bass-cajon', 'voice'].map((cue) => ({kind: 'remove-cue', cue})),"
                        + " {kind: 'add-performer', performer: 'bouzouki', name: 'Bouzouki', place: 'booth'}]})})).ok"))
                .isEqualTo(true);
    }

    @AfterMethod(alwaysRun = true)
    public void takeBack() {
        takeAllBackOf("low-water");
    }

    private JsonNode cue(String id) {
        for (JsonNode each : JSON.readTree(program.get(LOW_WATER)).get("cues")) {
            if (each.get("id").asString().equals(id)) {
                return each;
            }
        }
        throw new AssertionError("There is no cue " + id + ".");
    }

    private double level(String cue, String track) {
        for (JsonNode send : cue(cue).get("sends")) {
            if (send.get("trackId").asString().equals(track)) {
                return send.get("level").asDouble();
            }
        }
        throw new AssertionError(track + " is not in " + cue + ".");
    }

    private void open(String cue) {
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(cue)).click();
        assertThat(panel(cue)).isVisible();
    }

    private Locator panel(String cue) {
        return page.getByLabel("Headphones of " + cue);
    }

    private Locator shown(String track, String cue, String level) {
        return page.getByLabel(track + " in " + cue + ": " + level + ", type a level");
    }

    private void type(Locator at, String text) {
        at.click();
        page.keyboard().type(text);
        page.keyboard().press("Enter");
    }

    @Test
    public void fromNoCueToATalkBetweenTakes() {
        eachGetsACueAsFarAsThereAreOutputs();
        theFiddleStartsFromMainWithFarMoreClick();
        allAreRaisedTogether();
        whatTheyAskForIsAPress();
        theVoiceGetsComfort();
        theBassGetsLouder();
        theWayToTheEarsIsKnown();
        oneIsHeardAtTwoPairsInMono();
        noneOfItDependsOnTheSpeakers();
        theControlRoomTalks();
        theFiddleGetsTheSameMix();
    }

    private void eachGetsACueAsFarAsThereAreOutputs() {
        button("Cues for 6 performers").click();
        button("A cue for each").click();
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        assertThat(dialog)
                .containsText("There is no free output pair for the headphones of Cajón, Voice and Bouzouki.");
        assertThat(dialog).containsText("They might share: Cajón with Bass");
        button("Make 3").click();
        open("Bass");
        assertThat(shown("Bass", "Bass", "off")).isVisible();
        assertThat(shown("Click", "Bass", "off")).isVisible();
        button("Readiness").click();
        for (String performer : new String[] {"Cajón", "Voice", "Bouzouki"}) {
            String hearsNothing = performer + " hears no cue, and no output pair for headphones is free.";
            assertThat(page.getByText(hearsNothing)).isVisible();
            button("Let " + performer + " share the cue of").click();
            assertThat(page.getByText(hearsNothing)).hasCount(0);
        }
        Assertions.assertThat(cue("bass").get("listeners").toString()).contains("cajon", "voice", "bouzouki");
    }

    private void theFiddleStartsFromMainWithFarMoreClick() {
        goTo("/sessions/low-water/cues");
        open("Fiddle");
        button("Start from main").click();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Start").setExact(true))
                .click();
        assertThat(shown("Fiddle", "Fiddle", "−2.0")).isVisible();
        type(shown("Click", "Fiddle", "off"), "-20");
        assertThat(shown("Click", "Fiddle", "−20.0")).isVisible();
        Locator handle = page.getByRole(AriaRole.SLIDER, new Page.GetByRoleOptions().setName("Click in Fiddle"))
                .first();
        BoundingBox box = handle.boundingBox();
        page.mouse().move(box.x + box.width / 2, box.y + box.height / 2);
        page.mouse().down();
        for (int step = 1; step <= 5; step++) {
            page.mouse().move(box.x + box.width / 2 + 8 * step, box.y + box.height / 2);
        }
        page.mouse().up();
        assertThat(shown("Click", "Fiddle", "−20.0")).hasCount(0);
        button("Undo: Click").click();
        assertThat(shown("Click", "Fiddle", "−20.0")).isVisible();
        button("Redo: Click").click();
        assertThat(shown("Click", "Fiddle", "−20.0")).hasCount(0);
        Assertions.assertThat(level("fiddle", "click")).isGreaterThan(-15);
    }

    private void allAreRaisedTogether() {
        button("all mixes").click();
        Locator grid = page.getByRole(AriaRole.GRID);
        assertThat(grid).containsText("hears nobody");
        Locator first = page.getByRole(
                AriaRole.GRIDCELL,
                new Page.GetByRoleOptions().setName("Bass in Bass: off").setExact(true));
        first.click();
        page.evaluate("() => { const data = new DataTransfer(); data.setData('text/plain', '-6\\n-8\\n-10\\n-12');"
                + " document.activeElement.dispatchEvent(new ClipboardEvent('paste', {clipboardData: data, bubbles: true,"
                + " cancelable: true})) }");
        assertThat(page.getByRole(AriaRole.GRIDCELL, new Page.GetByRoleOptions().setName("Cajón front in Bass: −10.0")))
                .isVisible();
        page.getByRole(AriaRole.GRIDCELL, new Page.GetByRoleOptions().setName("Bass in Bass: −6.0"))
                .click();
        for (int row = 0; row < 3; row++) {
            page.keyboard().press("Shift+ArrowDown");
        }
        Locator by = page.getByLabel("Levels of all selected in the mix by, dB");
        by.fill("+2");
        by.press("Enter");
        assertThat(page.getByRole(AriaRole.GRIDCELL, new Page.GetByRoleOptions().setName("Cajón rear in Bass: −10.0")))
                .isVisible();
        assertThat(grid).containsText("LUFS");
        button("one mix").click();
    }

    private void whatTheyAskForIsAPress() {
        open("Bass");
        type(shown("Click", "Bass", "off"), "-10");
        assertThat(shown("Click", "Bass", "−10.0")).isVisible();
        for (int press = 0; press < 3; press++) {
            button("less click").click();
        }
        assertThat(shown("Click", "Bass", "−16.0")).isVisible();
        button("more me").click();
        assertThat(shown("Cajón front", "Bass", "−6.0")).isVisible();
    }

    private void theVoiceGetsComfort() {
        type(shown("Lead voice", "Bass", "off"), "-6");
        page.getByLabel("Comfort reverb", new Page.GetByLabelOptions().setExact(true))
                .click();
        type(page.getByLabel("Lead voice into the comfort reverb: off, type a level"), "-6");
        assertThat(page.getByText("Of Lead voice. No recording has it.")).isVisible();
        Assertions.assertThat(cue("fiddle").get("comfort").get("on").asBoolean())
                .isFalse();
    }

    private void theBassGetsLouder() {
        page.getByLabel("Compressor", new Page.GetByLabelOptions().setExact(true))
                .click();
        Locator makeUp = page.getByLabel("Make-up gain of the compressor in dB");
        makeUp.fill("9");
        makeUp.press("Enter");
        assertThat(button("Undo: Bass: compressor")).isVisible();
        button("Measure before and after").click();
        assertThat(panel("Bass"))
                .containsText(
                        Pattern.compile("Without filters and compressor −\\d+\\.\\d LUFS, true peak −\\d+\\.\\d dBTP;"
                                + " with them −\\d+\\.\\d LUFS, true peak −\\d+\\.\\d dBTP: \\d+\\.\\d LU louder\\."));
    }

    private void theWayToTheEarsIsKnown() {
        button("Say what they wear").click();
        button("Headphones of all").click();
        page.locator(".n-base-select-option:visible")
                .filter(new Locator.FilterOptions().setHasText("Closed, 64 ohm"))
                .first()
                .click();
        choose("Outlet of Bass", "Buoy C outlet 1");
        page.keyboard().press("Escape");
        assertThat(page.getByText(Pattern.compile("^Bass: about \\d+ dB\\(A\\)$")))
                .isVisible();
        assertThat(panel("Bass")).containsText("so that a sine reaches 105 dB SPL at most at the ears of");
    }

    private void oneIsHeardAtTwoPairsInMono() {
        choose("Also at", "Live room speaker");
        page.keyboard().press("Escape");
        assertThat(page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Bass")))
                .containsText("Buoy C, booth, Live room speaker");
        button("To which ears it goes").click();
        page.locator(".n-base-select-option:visible").getByText("mono").click();
        assertThat(button("Undo: Bass: mono")).isVisible();
        Assertions.assertThat(cue("bass").get("furtherOutputs")).hasSize(1);
        Assertions.assertThat(cue("bass").get("ears").asString()).isEqualTo("mono");
        panel("Bass").getByText("Cut theirs").click();
        panel("Bass").getByText("Theirs are cut").click();
    }

    private void noneOfItDependsOnTheSpeakers() {
        button("Prove it is independent").click();
        assertThat(panel("Bass")).containsText("the same bit for bit. Peak −");
        Assertions.assertThat(AccessibilityIT.faults(page)).isEmpty();
    }

    private void theFiddleGetsTheSameMix() {
        open("Fiddle");
        button("Copy from…").click();
        page.locator(".n-dropdown-option").getByText("Bass").click();
        assertThat(button("Undo: Fiddle: the mix of Bass")).isVisible();
        assertThat(shown("Cajón front", "Fiddle", "−6.0")).isVisible();
        Assertions.assertThat(cue("fiddle").get("furtherOutputs")).isEmpty();
        button("Link to the main level").click();
        assertThat(panel("Fiddle")).containsText("The main level moves this mix: it follows the speakers.");
    }

    private void theControlRoomTalks() {
        Locator talk = panel("Bass").getByText("Talk to them");
        talk.click();
        assertThat(talk).hasAttribute("aria-pressed", "true");
        assertThat(talk).hasAttribute("title", "Bass can hear you");
        talk.click();
        assertThat(talk).hasAttribute("aria-pressed", "false");
    }
}
