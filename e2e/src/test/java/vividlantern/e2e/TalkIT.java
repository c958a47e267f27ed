package vividlantern.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import org.assertj.core.api.Assertions;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** The control room talks to performers, to all or to some, and cuts the headphones of one cue. */
public class TalkIT extends WithDemo {

    /** Longer than a short press. */
    private static final String HELD =
            "async () => { const from = performance.now(); while (performance.now() < from + 400) await new"
                    + " Promise(requestAnimationFrame) }";

    @BeforeMethod
    public void goThere() {
        goTo("/sessions/low-water/cues");
        assertThat(talk(page)).isEnabled();
    }

    @AfterMethod(alwaysRun = true)
    public void takeBack() {
        program.post("/api/live/low-water/commands", "{\"kind\": \"talk\", \"on\": false}");
        takeAllBackOf("low-water");
    }

    private static Locator talk(Page at) {
        return at.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Talk to performers"))
                .getByRole(AriaRole.BUTTON)
                .first();
    }

    private static void isOn(Locator button, boolean on) {
        assertThat(button).hasAttribute("aria-pressed", String.valueOf(on));
    }

    @Test
    public void pressedItStaysOnUntilTheNextPressAndHeldItEndsWhenItIsLetGo() {
        talk(page).click();
        isOn(talk(page), true);
        assertThat(talk(page)).hasAttribute("title", "Accordion and fiddle, Bass and cajón, Voice can hear you");
        assertThat(page.getByText("Dimmed while you talk.")).hasCount(0);
        talk(page).click();
        isOn(talk(page), false);
        page.keyboard().down("t");
        isOn(talk(page), true);
        page.evaluate(HELD);
        page.keyboard().up("t");
        isOn(talk(page), false);
        Assertions.assertThat(AccessibilityIT.faults(page)).isEmpty();
    }

    @Test
    public void someAreChosenAndTheSpeakersSayWhyTheyAreDown() {
        button("Talk to all: choose who hears it").click();
        page.getByLabel("Voice", new Page.GetByLabelOptions().setExact(true)).check();
        button("Talk to 1: choose who hears it").click();
        talk(page).click();
        assertThat(talk(page)).hasAttribute("title", "Voice can hear you");
        page.getByText("Monitoring").first().click();
        assertThat(page.getByText("Dimmed while you talk.")).isVisible();
        talk(page).click();
        assertThat(page.getByText("Dimmed while you talk.")).hasCount(0);
    }

    @Test
    public void theHeadphonesOfOneCueAreCutAndWhoTalksToThemIsTold() {
        Locator panel = page.getByLabel("Headphones of Accordion and fiddle");
        panel.getByText("Cut theirs").click();
        assertThat(page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Accordion and fiddle")))
                .containsText("cut");
        panel.getByText("Talk to them").click();
        isOn(panel.getByText("Talk to them"), true);
        assertThat(panel.getByText("Talk to them")).hasAttribute("title", "Nobody hears you: their headphones are cut");
        panel.getByText("Theirs are cut").click();
        assertThat(panel.getByText("Talk to them")).hasAttribute("title", "Accordion and fiddle can hear you");
        panel.getByText("Talk to them").click();
        isOn(panel.getByText("Talk to them"), false);
    }

    /** An open mic at which nobody sits would go on. */
    @Test
    public void itEndsWithTheWindowInWhichItWasBegun() {
        Page other = chromium.newPerson(ColorScheme.LIGHT);
        other.navigate(program.address() + "/sessions/low-water/tracks");
        assertThat(talk(other)).isEnabled();
        talk(other).click();
        isOn(talk(page), true);
        other.context().close();
        isOn(talk(page), false);
    }

    @Test
    public void withoutAMicItSaysWhatToDo() {
        goTo("/sessions/low-water/monitoring");
        button("Set up").click();
        page.getByLabel("Port of the talkback mic", new Page.GetByLabelOptions().setExact(true))
                .last()
                .click();
        page.locator(".n-base-select-option:visible").getByText("none").click();
        assertThat(page.getByLabel("Talkback mic: 0.0, type a level")).hasCount(0);
        page.keyboard().press("Escape");
        talk(page).click();
        assertThat(page.getByText("There is no talkback mic yet. Choose its port at Monitoring, under Set up."))
                .isVisible();
        isOn(talk(page), false);
    }
}
