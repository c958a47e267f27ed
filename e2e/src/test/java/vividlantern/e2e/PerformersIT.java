package vividlantern.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.Test;

/** Who plays is named, placed and removed from the input list and from Monitoring; an input's level stands beside its gain. */
public class PerformersIT extends WithDemo {

    @AfterMethod(alwaysRun = true)
    public void asItWas() {
        takeAllBackOf("low-water");
    }

    private Locator dialog(String name) {
        return page.getByRole(AriaRole.DIALOG, new Page.GetByRoleOptions().setName(name));
    }

    private static Locator in(Locator place, String button) {
        return place.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(button));
    }

    @Test
    public void oneIsAddedPlacedRenamedAndRemoved() {
        goTo("/sessions/low-water/input-list");
        button("Performers").click();
        Locator performers = dialog("Performers");
        performers.getByLabel("Name of another performer").fill("Whistle");
        performers.getByLabel("Where they are").fill("the stairs");
        in(performers, "Add").click();
        Locator row = performers.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("Whistle"));
        assertThat(row).containsText("the stairs");
        assertThat(row).containsText("no cue");
        in(row, "Whistle").first().click();
        performers.getByLabel("Name of Whistle").fill("Tin whistle");
        performers.getByLabel("Name of Whistle").press("Enter");
        assertThat(row).containsText("Tin whistle");
        in(row, "Remove Tin whistle").click();
        assertThat(row).hasCount(0);
    }

    @Test
    public void oneWhoPlaysAndListensIsRemovedOnceItIsAsked() {
        goTo("/sessions/low-water/monitoring");
        button("Performers").click();
        Locator performers = dialog("Performers");
        Locator fiddle = performers
                .getByRole(AriaRole.ROW)
                .filter(new Locator.FilterOptions()
                        .setHas(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Remove Fiddle"))));
        assertThat(fiddle).containsText("Accordion and fiddle at ");
        in(fiddle, "Remove Fiddle").click();
        assertThat(dialog("Remove Fiddle?"))
                .containsText("2 inputs are played by nobody then, and one cue has a listener less.");
        in(dialog("Remove Fiddle?"), "Leave it").click();
        assertThat(dialog("Remove Fiddle?")).hasCount(0);
        assertThat(fiddle).hasCount(1);
        in(fiddle, "Remove Fiddle").click();
        in(dialog("Remove Fiddle?"), "Remove").click();
        assertThat(performers.getByText("Fiddle", new Locator.GetByTextOptions().setExact(true)))
                .hasCount(0);
    }

    @Test
    public void anInputsLevelIsReadBesideItsGain() {
        goTo("/sessions/low-water/input-list");
        assertThat(page.getByRole(
                        AriaRole.METER,
                        new Page.GetByRoleOptions().setName("Level into Fiddle").setExact(true)))
                .hasAttribute("aria-valuetext", Pattern.compile("^−\\d+\\.\\d dBFS$"));
    }

    @Test
    public void whatSomebodyWearsTellsHowLoudItIsAtTheirEarsAndSetsTheCeiling() {
        goTo("/sessions/low-water/cues");
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Voice"))
                .click();
        assertThat(page.getByText("Nobody has said which headphones Voice wears."))
                .isVisible();
        button("Say what they wear").click();
        button("Headphones of all").click();
        page.locator(".n-base-select-option:visible")
                .filter(new Locator.FilterOptions().setHasText("Open, 50 ohm"))
                .first()
                .click();
        assertThat(dialog("Performers")
                        .locator(".n-base-selection-input__content")
                        .filter(new Locator.FilterOptions().setHasText("Open, 50 ohm")))
                .hasCount(5);
        choose("Headphones of Voice", "Closed, 64 ohm");
        choose("Outlet of Voice", "Buoy C outlet 1");
        Assertions.assertThat(AccessibilityIT.faults(page)).isEmpty();
        page.keyboard().press("Escape");
        assertThat(dialog("Performers")).hasCount(0);
        assertThat(page.getByText(Pattern.compile("^Voice: about \\d+ dB\\(A\\)$")))
                .isVisible();
        assertThat(page.getByText("Ceiling −7.5 dBFS, so that a sine reaches 105 dB SPL at most at the ears of Voice"))
                .isVisible();
        goTo("/sessions/low-water/input-list");
        button("Performers").click();
        choose("Outlet of Voice", "Buoy A outlet 1");
        goTo("/sessions/low-water/cues?cue=voice");
        assertThat(page.getByText("Voice is plugged in at Buoy A, and the cue Voice arrives at Buoy C.")
                        .first())
                .isVisible();
    }

    @Test
    public void headphonesOfNoShelfAreDescribed() {
        goTo("/sessions/low-water/cues");
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Voice"))
                .click();
        button("Say what they wear").click();
        choose("Headphones of Voice", "others…");
        page.getByLabel("What these headphones are called").fill("Grandfather’s");
        Locator ohms = page.getByLabel("Impedance of these headphones in Ω");
        ohms.fill("600");
        ohms.press("Enter");
        button("Put them on").click();
        assertThat(dialog("Performers")
                        .locator(".n-base-selection-input__content")
                        .filter(new Locator.FilterOptions().setHasText("Grandfather’s")))
                .isVisible();
        Locator most = page.getByLabel("The most at any ear in dB SPL");
        most.fill("90");
        most.press("Enter");
        page.keyboard().press("Escape");
        assertThat(page.getByText(Pattern.compile("so that a sine reaches 90 dB SPL at most at the ears of Voice")))
                .isVisible();
    }

    /** The cables of Buoy B are crossed: that is heard, noted, mended in the rig, and confirmed. */
    @Test
    public void outletsAreSteppedThroughAndTheRigIsMended() {
        goTo("/sessions/low-water/cues");
        button("Step through the outlets").click();
        Locator steps = dialog("Step through the outlets");
        in(steps, "Buoy B outlet 1").click();
        assertThat(steps)
                .containsText("At Buoy B outlet 1 there should be 5 low tones on the left, 6 high tones on the right.");
        in(steps, "Play the tones").click();
        assertThat(in(steps, "Stop the tones")).isVisible();
        assertThat(page.getByRole(
                        AriaRole.METER,
                        new Page.GetByRoleOptions().setName("Level on the right in the simulated outlet")))
                .hasAttribute("aria-valuetext", Pattern.compile("^−4\\d\\.\\d dBFS$"));
        Assertions.assertThat(AccessibilityIT.faults(page)).isEmpty();
        in(steps, "The sides are swapped").click();
        Locator row = steps.getByRole(AriaRole.ROW)
                .filter(new Locator.FilterOptions()
                        .setHas(page.getByRole(
                                AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Buoy B outlet 1"))));
        assertThat(row).containsText("The sides are swapped.");
        in(row, "Let the rig say so: cross the two sides").click();
        assertThat(steps).containsText("there should be 6 low tones on the left, 5 high tones on the right.");
        in(steps, "Just that").click();
        assertThat(row).containsText("Confirmed: both sides arrive.");
        page.keyboard().press("Escape");
        assertThat(steps).hasCount(0);
        goTo("/sessions/low-water/monitoring");
        assertThat(button("Stop the signal")).hasCount(0);
        page.evaluate("async () => (await fetch('/api/rigs/saltworks/undo', {method: 'POST', headers:"
                + " {'Lantern-Person': localStorage.getItem('lantern-person')}})).ok");
    }

    @Test
    public void twoMixesAreCompared() {
        goTo("/sessions/low-water/cues");
        button("all mixes").click();
        button("Compare two").click();
        Locator compared = dialog("Compare two mixes");
        assertThat(compared.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("Fiddle")))
                .not()
                .hasCount(0);
        choose("The other", "Accordion and fiddle");
        assertThat(compared).containsText("Accordion and fiddle and Accordion and fiddle are the same mix.");
    }
}
