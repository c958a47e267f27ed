package vividlantern.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.KeyboardModifier;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Sums and returns on their pages: made of what is selected, of a folder, heard in a cue, taken back. */
public class SumsIT extends WithDemo {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    @BeforeMethod
    public void goThere() {
        goTo("/sessions/low-water/tracks");
    }

    @AfterMethod
    public void takeBack() {
        takeAllBack();
    }

    private Locator rowOf(String track) {
        return page.locator("[data-row='" + track + "']");
    }

    /** The innermost one: an option with more behind it holds those too. */
    private Locator option(String words) {
        return page.locator(".n-dropdown-option-body__label:visible")
                .filter(new Locator.FilterOptions().setHasText(words))
                .last();
    }

    /** Takes one of a menu's options, by those it stands behind, while they may still be unfolding; then the menu is gone. */
    private void fromMenu(String... words) {
        for (String each : List.of(words).subList(0, words.length - 1)) {
            option(each).hover();
        }
        option(words[words.length - 1]).dispatchEvent("click");
        assertThat(page.locator(".n-dropdown-menu:visible")).hasCount(0);
    }

    private void selectDrums() {
        button("Select Cajón front").click();
        button("Select Shaker").click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.SHIFT)));
        assertThat(page.getByText("3 selected")).isVisible();
    }

    /** Where tracks go, as in "cajon-front sum sum-1". */
    private List<String> ways() {
        List<String> ways = new ArrayList<>();
        for (JsonNode way :
                JSON.readTree(program.get("/api/sessions/low-water")).get("ways")) {
            ways.add(way.get("track").asString() + " " + way.get("to").asString() + " "
                    + way.get("sum").asString(""));
        }
        return ways;
    }

    @Test
    public void whatIsSelectedGoesIntoASumWithOneCompressorAndItsReductionIsSeen() {
        selectDrums();
        button("Change all").click();
        fromMenu("Goes to", "a new sum");
        assertThat(rowOf("sum-1")).containsText("Sum 1");
        assertThat(rowOf("sum-1")).containsText("Cajón front, Cajón rear, Shaker");
        assertThat(rowOf("cajon-rear")).containsText("→ Sum 1");
        org.assertj.core.api.Assertions.assertThat(ways())
                .containsExactly("cajon-front sum sum-1", "cajon-rear sum sum-1", "shaker sum sum-1");
        org.assertj.core.api.Assertions.assertThat(AccessibilityIT.faults(page)).isEmpty();
        button("Clear selection").click();
        button("More for Sum 1").click();
        fromMenu("Chains");
        assertThat(page.getByLabel("Add to what is printed")).hasCount(0);
        button("Add to what is heard only").click();
        fromMenu("threshold");
        Locator threshold = page.getByLabel("threshold of the compressor of Sum 1 in dBFS");
        threshold.fill("-60");
        threshold.press("Enter");
        button("Play").click();
        assertThat(page.getByLabel("Held back by the compressor of Sum 1").first())
                .hasAttribute("aria-valuetext", Pattern.compile("−\\d+ dB"));
        button("Stop").click();
        page.getByLabel("Chains of Sum 1", new Page.GetByLabelOptions().setExact(true))
                .click();
    }

    @Test
    public void aFolderHasOneLevelWhichACueMayHear() {
        selectDrums();
        button("Change all").click();
        fromMenu("Folder", "a new one");
        button("Clear selection").click();
        button("Give it one level").click();
        assertThat(button("Select Folder 1")).isVisible();
        button("Fold Folder 1").click();
        button("Level of the folder Folder 1: ").click();
        Locator level = page.getByLabel("Level of the folder Folder 1, in dB");
        level.fill("-6");
        level.press("Enter");
        button("Mute the folder Folder 1").click();
        assertThat(button("Mute the folder Folder 1")).hasAttribute("aria-pressed", "true");
        button("Fold Folder 1").click();
        assertThat(rowOf("cajon-front")).containsText("→ Folder 1");
        assertThat(button("Folder 1 on the speakers: −6.0")).isVisible();
        goTo("/sessions/low-water/cues");
        rowOf("folder-1").getByText("+").click();
        assertThat(rowOf("folder-1")).containsText("follows the speakers");
    }

    @Test
    public void whatGoesNowhereSaysSoAndNoSumRunsInACircle() {
        button("More for Room").click();
        fromMenu("Goes to", "nowhere");
        assertThat(rowOf("room")).containsText("→ nowhere");
        for (String track : List.of("Bouzouki", "Guide")) {
            button("More for " + track).click();
            fromMenu("Goes to", "a new sum");
            assertThat(button("More for Sum " + (track.equals("Guide") ? 2 : 1)))
                    .isVisible();
        }
        button("More for Sum 1").click();
        fromMenu("Goes to", "Sum 2");
        assertThat(rowOf("sum-1")).containsText("→ Sum 2");
        button("More for Sum 2").click();
        fromMenu("Goes to", "Sum 1");
        assertThat(page.getByText("This would run in a circle: Sum 2 → Sum 1 → Sum 2."))
                .isVisible();
        org.assertj.core.api.Assertions.assertThat(ways())
                .containsExactly("bouzouki sum sum-1", "guide sum sum-2", "room nowhere ", "sum-1 sum sum-2");
        button("More for Sum 1").click();
        fromMenu("Remove");
        assertThat(rowOf("bouzouki")).containsText("→ Sum 2");
        button("Undo: Sum 1: track removed").click();
        assertThat(rowOf("bouzouki")).containsText("→ Sum 1");
    }

    /** Voice and accordion share a room; the voice's cue hears it. A level that is off takes the send away. */
    @Test
    public void tracksSendIntoAReturnWhichACueMayHear() {
        button("Select Lead voice").click();
        button("Select Accordion treble")
                .click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.CONTROL)));
        button("Change all").click();
        fromMenu("Send", "into a new return with a reverb");
        assertThat(rowOf("reverb")).containsText("return");
        assertThat(rowOf("reverb")).containsText("Accordion treble, Lead voice");
        assertThat(rowOf("lead-voice")).containsText("into Reverb");
        button("Clear selection").click();
        button("More for Lead voice").click();
        fromMenu("Chains");
        button("Lead voice into Reverb: −12.0, type a level").click();
        Locator level = page.getByLabel("Lead voice into Reverb, in dB");
        level.fill("-20");
        level.press("Enter");
        assertThat(button("Lead voice into Reverb: −20.0, type a level")).isVisible();
        org.assertj.core.api.Assertions.assertThat(sends())
                .containsExactly("accordion-treble post-fader -12.0", "lead-voice post-fader -20.0");
        org.assertj.core.api.Assertions.assertThat(AccessibilityIT.faults(page)).isEmpty();
        goTo("/sessions/low-water/cues");
        page.getByText("Voice", new Page.GetByTextOptions().setExact(true))
                .last()
                .click();
        rowOf("reverb").getByText("+").click();
        assertThat(rowOf("reverb")).containsText("follows the speakers");
        goTo("/sessions/low-water/tracks");
        button("More for Lead voice").click();
        fromMenu("Chains");
        button("Lead voice into Reverb: −20.0, type a level").click();
        level.fill("off");
        level.press("Enter");
        assertThat(rowOf("lead-voice")).not().containsText("into Reverb");
        org.assertj.core.api.Assertions.assertThat(sends()).containsExactly("accordion-treble post-fader -12.0");
    }

    /** A box hangs at one output of the pair; what gets into somebody's cue besides is said at its row, and taken away there. */
    @Test
    public void whatIsSelectedIsSentOutByOneOutput() {
        button("Select Bass pickup").click();
        button("Select Bouzouki").click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.CONTROL)));
        button("Change all").click();
        fromMenu("Send", "out by one port", "Harbour out 9");
        assertThat(rowOf("bass-pickup")).containsText("out by Harbour out 9");
        assertThat(rowOf("bouzouki")).containsText("out by Harbour out 9");
        button("Clear selection").click();
        button("More for Bass pickup").click();
        fromMenu("Chains");
        button("Bass pickup out by Harbour out 9: −20.0, type a level").click();
        Locator level = page.getByLabel("Bass pickup out by Harbour out 9, in dB");
        level.fill("-6");
        level.press("Enter");
        assertThat(button("Bass pickup out by Harbour out 9: −6.0, type a level"))
                .isVisible();
        org.assertj.core.api.Assertions.assertThat(outs())
                .containsExactly("bass-pickup out-9-10 left pre-fader -6.0", "bouzouki out-9-10 left pre-fader -20.0");
        org.assertj.core.api.Assertions.assertThat(AccessibilityIT.faults(page)).isEmpty();
        button("Send Bass pickup out by another output").click();
        fromMenu("out by a pair", "Buoy A");
        assertThat(rowOf("bass-pickup")).containsText("Buoy A");
        Locator finding = page.getByText("Bass pickup is sent out by Buoy A, where cue Accordion and fiddle leaves.");
        assertThat(finding).isVisible();
        button("Send nothing out there").click();
        assertThat(finding).hasCount(0);
        assertThat(rowOf("bass-pickup")).not().containsText("Buoy A");
    }

    private List<String> outs() {
        List<String> outs = new ArrayList<>();
        for (JsonNode way :
                JSON.readTree(program.get("/api/sessions/low-water")).get("ways")) {
            for (JsonNode out : way.get("outs")) {
                outs.add(way.get("track").asString() + " " + out.get("pair").asString() + " "
                        + out.get("side").asString() + " " + out.get("tap").asString() + " "
                        + out.get("level").asString());
            }
        }
        return outs;
    }

    private List<String> sends() {
        List<String> sends = new ArrayList<>();
        for (JsonNode way :
                JSON.readTree(program.get("/api/sessions/low-water")).get("ways")) {
            for (JsonNode send : way.get("sends")) {
                sends.add(way.get("track").asString() + " " + send.get("tap").asString() + " "
                        + send.get("level").asString());
            }
        }
        return sends;
    }
}
