package vividlantern.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.KeyboardModifier;
import java.util.List;
import org.assertj.core.api.Assertions;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Cue mixes made and changed many at once. */
public class CueMixesIT extends WithDemo {

    private static final String LOW_WATER = "/api/sessions/low-water";

    @BeforeMethod
    public void goThere() {
        goTo("/sessions/low-water/cues");
        assertThat(tab("Accordion and fiddle")).isVisible();
    }

    @AfterMethod(alwaysRun = true)
    public void takeBack() {
        takeAllBackOf("low-water");
    }

    private Locator tab(String cue) {
        return page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName(cue));
    }

    private Locator level(String track, String cue, String shown) {
        return page.getByLabel(track + " in " + cue + ": " + shown + ", type a level");
    }

    private void dropdown(String option) {
        page.locator(".n-dropdown-option").getByText(option).click();
    }

    @Test
    public void selectedSendsMoveTogetherAndAreMutedTappedAndRemoved() {
        button("Select Accordion treble").click();
        button("Select Fiddle").click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.SHIFT)));
        assertThat(page.getByText("3 selected")).isVisible();
        Locator by = page.getByLabel("Levels of all selected in the mix by, dB");
        by.fill("-3");
        by.press("Enter");
        assertThat(level("Accordion treble", "Accordion and fiddle", "−9.0")).isVisible();
        assertThat(level("Accordion bass side", "Accordion and fiddle", "−12.0"))
                .isVisible();
        assertThat(level("Fiddle", "Accordion and fiddle", "−7.0")).isVisible();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Mute").setExact(true))
                .click();
        assertThat(page.getByLabel("Mute Fiddle in Accordion and fiddle")).hasAttribute("aria-pressed", "true");
        assertThat(page.getByLabel("Mute Bass in Accordion and fiddle")).hasAttribute("aria-pressed", "false");
        button("Unmute").click();
        button("Tap and pan…").click();
        dropdown("Tap post-fader");
        assertThat(page.getByText("follows the speakers")).hasCount(3);
        button("Remove from the mix").click();
        button("Clear selection").click();
        assertThat(page.getByText("9 tracks are not in this mix.")).isVisible();
        Assertions.assertThat(AccessibilityIT.faults(page)).isEmpty();
    }

    @Test
    public void aVoiceGetsComfortReverbAndTheMixIsProvedToBeIndependent() {
        tab("Voice").click();
        page.getByLabel("Comfort reverb", new Page.GetByLabelOptions().setExact(true))
                .click();
        assertThat(page.getByText("Nothing goes into it yet.")).isVisible();
        page.getByLabel("Lead voice into the comfort reverb: off, type a level").click();
        page.keyboard().type("-6");
        page.keyboard().press("Enter");
        assertThat(page.getByText("Of Lead voice. No recording has it.")).isVisible();
        button("Room of the comfort reverb").click();
        page.locator(".n-base-select-option").getByText("large room").click();
        assertThat(button("Undo: Voice: comfort reverb large room")).isVisible();
        page.getByLabel("Echo", new Page.GetByLabelOptions().setExact(true)).click();
        button("After which note the echo comes").click();
        page.locator(".n-base-select-option").getByText("after a quaver").click();
        assertThat(button("Undo: Voice: echo after a quaver")).isVisible();
        button("Select Lead voice").click();
        button("Select Bouzouki").click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.SHIFT)));
        button("Comfort reverb of all selected").click();
        page.keyboard().type("-9");
        page.keyboard().press("Enter");
        assertThat(page.getByText("Of Bouzouki, Lead voice. No recording has it."))
                .isVisible();
        button("Clear selection").click();
        button("Prove it is independent").click();
        assertThat(page.getByText("the same bit for bit")).isVisible();
        Assertions.assertThat(AccessibilityIT.faults(page)).isEmpty();
    }

    @Test
    public void enterGoesDownAColumnOfLevelsAndDigitsTypeOverTheNext() {
        level("Accordion treble", "Accordion and fiddle", "−6.0").click();
        page.keyboard().type("-7");
        page.keyboard().press("Enter");
        assertThat(level("Accordion bass side", "Accordion and fiddle", "−9.0")).isFocused();
        page.keyboard().type("-10.5");
        page.keyboard().press("Enter");
        assertThat(level("Accordion treble", "Accordion and fiddle", "−7.0")).isVisible();
        assertThat(level("Accordion bass side", "Accordion and fiddle", "−10.5"))
                .isVisible();
        page.keyboard().press("ArrowDown");
        assertThat(level("Bass", "Accordion and fiddle", "−10.0")).isFocused();
    }

    /** The demo's faders: accordion treble at -4 dB, fiddle at -2, its pickup off, room at -14; the main level at 0. */
    @Test
    public void aCueStartsFromMainAndGoesItsOwnWay() {
        button("Start from main").click();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Start").setExact(true))
                .click();
        assertThat(level("Accordion treble", "Accordion and fiddle", "−4.0")).isVisible();
        assertThat(level("Fiddle", "Accordion and fiddle", "−2.0")).isVisible();
        assertThat(level("Fiddle pickup", "Accordion and fiddle", "off")).isVisible();
        assertThat(level("Room", "Accordion and fiddle", "−14.0")).isVisible();
        button("Undo: ").click();
        assertThat(level("Fiddle", "Accordion and fiddle", "−4.0")).isVisible();
        assertThat(page.getByText("6 tracks are not in this mix.")).isVisible();
    }

    private Locator cell(String track, String cue, String shown) {
        return page.getByRole(
                AriaRole.GRIDCELL,
                new Page.GetByRoleOptions()
                        .setName(track + " in " + cue + ": " + shown)
                        .setExact(true));
    }

    @Test
    public void allMixesAreTypedFilledPastedAndRaisedAsInASpreadsheet() {
        button("all mixes").click();
        assertThat(row("Fiddle pickup")).containsText("heard in no mix");
        cell("Fiddle pickup", "Voice", "not in this mix").click();
        page.keyboard().type("-10");
        page.keyboard().press("Enter");
        assertThat(row("Fiddle pickup")).not().containsText("heard in no mix");
        cell("Fiddle", "Voice", "−12.0").click();
        page.keyboard().type("-13.5");
        page.keyboard().press("Enter");
        assertThat(cell("Fiddle", "Voice", "−13.5")).isVisible();
        cell("Lead voice", "Voice", "−2.0").click();
        page.keyboard().type("-3");
        cell("Bass", "Voice", "−10.0").click();
        assertThat(cell("Lead voice", "Voice", "−3.0")).isVisible();
        assertThat(cell("Bass", "Voice", "−10.0")).isVisible();
        cell("Accordion treble", "Accordion and fiddle", "−6.0").click();
        page.keyboard().press("Shift+ArrowDown");
        page.keyboard().press("Shift+ArrowRight");
        assertThat(page.getByText("4 selected")).isVisible();
        Locator by = page.getByLabel("Levels of all selected in the mix by, dB");
        by.fill("2");
        by.press("Enter");
        assertThat(cell("Accordion treble", "Accordion and fiddle", "−4.0")).isVisible();
        assertThat(cell("Accordion bass side", "Accordion and fiddle", "−7.0")).isVisible();
        assertThat(cell("Accordion treble", "Bass and cajón", "−10.0")).isVisible();
        assertThat(cell("Accordion bass side", "Bass and cajón", "not in this mix"))
                .isVisible();
        cell("Accordion treble", "Accordion and fiddle", "−4.0").click();
        page.keyboard().press("Shift+ArrowDown");
        page.keyboard().press("Control+d");
        assertThat(cell("Accordion bass side", "Accordion and fiddle", "−4.0")).isVisible();
        cell("Bass", "Bass and cajón", "−4.0").click();
        page.evaluate("() => { const data = new DataTransfer(); data.setData('text/plain', '-3\\t-11\\n-7\\toff');"
                + " document.activeElement.dispatchEvent(new ClipboardEvent('paste', {clipboardData: data, bubbles: true,"
                + " cancelable: true})) }");
        assertThat(cell("Bass", "Bass and cajón", "−3.0")).isVisible();
        assertThat(cell("Bass", "Voice", "−11.0")).isVisible();
        assertThat(cell("Bass pickup", "Bass and cajón", "−7.0")).isVisible();
        assertThat(cell("Bass pickup", "Voice", "off")).isVisible();
        page.getByTitle("Select Shaker in all mixes").click();
        assertThat(page.getByText("3 selected")).isVisible();
        page.keyboard().press("Delete");
        assertThat(cell("Shaker", "Bass and cajón", "off")).isVisible();
        assertThat(cell("Shaker", "Voice", "not in this mix")).isVisible();
        Assertions.assertThat(AccessibilityIT.faults(page)).isEmpty();
        page.getByTitle("Show Voice alone").click();
        assertThat(level("Fiddle", "Voice", "−13.5")).isVisible();
    }

    @Test
    public void oneLevelIsTypedForATrackInAllMixes() {
        button("all mixes").click();
        button("Fiddle pickup").click();
        page.keyboard().type("-15");
        page.keyboard().press("Enter");
        for (String cue : List.of("Accordion and fiddle", "Bass and cajón", "Voice")) {
            assertThat(cell("Fiddle pickup", cue, "−15.0")).isVisible();
        }
        button("Undo: ").click();
        assertThat(row("Fiddle pickup")).containsText("heard in no mix");
    }

    @Test
    public void aRowSaysThatItsTrackIsNotHeardBecauseItIsNotArmed() {
        goTo("/sessions/low-water/tracks");
        button("Arm Fiddle").click();
        goTo("/sessions/low-water/cues");
        Locator fiddle = page.locator("tr[data-row='fiddle']");
        assertThat(fiddle).containsText("not armed");
        button("Undo: ").click();
        assertThat(fiddle).not().containsText("not armed");
    }

    @Test
    public void whatPerformersAskForIsAPress() {
        tab("Bass and cajón").click();
        for (int press = 0; press < 3; press++) {
            button("more me").click();
        }
        assertThat(level("Cajón front", "Bass and cajón", "+2.0")).isVisible();
        assertThat(level("Shaker", "Bass and cajón", "−6.0")).isVisible();
        button("less click").click();
        assertThat(level("Click", "Bass and cajón", "−4.0")).isVisible();
        assertThat(level("Click between", "Bass and cajón", "−14.0")).isVisible();
        assertThat(page.getByText("Click, Click between: 2 dB quieter.")).isVisible();
    }

    /** Two of the three pairs for headphones are free, and three performers hear no cue. */
    @Test
    public void whoHasNoCueGetsOneAsFarAsThereAreOutputs() {
        String remove = "async () => (await fetch('" + LOW_WATER + "/edits', {method: 'POST', headers: {'Content-Type':"
                + " 'application/json', 'Lantern-Person': localStorage.getItem('lantern-person')}, body: JSON.stringify({"
                + "edits: [{kind: 'remove-cue', cue: 'bass-cajon'}, {kind: 'remove-cue', cue: 'voice'}]})})).ok";
        Assertions.assertThat(page.evaluate(remove)).isEqualTo(true);
        button("Cues for 3 performers").click();
        button("A cue for each").click();
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        assertThat(dialog).containsText("There is no free output pair for the headphones of Voice. They might share:");
        button("Make 2").click();
        assertThat(tab("Bass")).isVisible();
        tab("Cajón").click();
        assertThat(level("Cajón front", "Cajón", "off")).isVisible();
        assertThat(button("A cue for Voice")).isVisible();
        Assertions.assertThat(AccessibilityIT.faults(page)).isEmpty();
        button("Undo: ").click();
        assertThat(tab("Cajón")).hasCount(0);
        assertThat(button("Cues for 3 performers")).isVisible();
    }
}
