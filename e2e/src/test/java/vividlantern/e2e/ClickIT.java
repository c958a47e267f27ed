package vividlantern.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** The song that everybody plays to, on its page: tempos, time signatures, parts, the bar of the click, and who hears it. */
public class ClickIT extends WithDemo {

    @BeforeMethod
    public void goThere() {
        goTo("/sessions/low-water/click");
    }

    @AfterMethod
    public void takeBack() {
        takeAllBack();
    }

    private Locator line() {
        return page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName(Pattern.compile("^Tempo: ")));
    }

    private void write(String label, String text) {
        page.getByTitle(label + ": click to change").click();
        Locator box = page.getByRole(
                AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName(label).setExact(true));
        box.fill(text);
        box.press("Enter");
    }

    private void at(int bar, String what) {
        Locator number = page.getByLabel("Bar at which something begins");
        number.fill(String.valueOf(bar));
        number.blur();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(what).setExact(true))
                .click();
    }

    @Test
    public void theSongIsDrawnAndAPressGoesThere() {
        assertThat(line())
                .hasAccessibleName(
                        "Tempo: 138 from bar 1, 96 from bar 33, 138 from bar 41, 138 from bar 57 moving to the"
                                + " next, 80 from bar 61");
        button("Slow middle · 4/4").click();
        assertThat(page.getByText("bar 33 · 1")).isVisible();
        Assertions.assertThat(AccessibilityIT.seriousFaults(page)).isEmpty();
    }

    @Test
    public void aSongIsWrittenBarByBar() {
        at(25, "time signature");
        write("Time signature at bar 25", "6/8");
        at(25, "tempo");
        write("Tempo at bar 25", "112.25");
        assertThat(line()).hasAccessibleName(Pattern.compile("138 from bar 1, 112\\.25 from bar 25, 96 from bar 33"));
        assertThat(page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("tempo").setExact(true)))
                .isDisabled();
        at(29, "part");
        write("Part at bar 29", "Bridge");
        assertThat(button("Bridge")).isVisible();
        page.getByLabel("The tempo at bar 25 moves to the next").click();
        assertThat(line()).hasAccessibleName(Pattern.compile("from bar 25 moving to the next, 96 from bar 33"));
        page.getByLabel("Remove the time signature at bar 25").click();
        assertThat(page.getByLabel("Time signature at bar 25")).hasCount(0);
    }

    @Test
    public void whatCannotBeCountedIsSaidAndChangesNothing() {
        write("Tempo at bar 1", "5");
        assertThat(page.getByText("A tempo lies between 10 and 600 quarter notes a minute."))
                .isVisible();
        write("Time signature at bar 1", "5/3");
        assertThat(page.getByText("A time signature has 1 to 32 beats")).isVisible();
        write("Time signature at bar 1", "three");
        assertThat(page.getByText("\"three\" is no time signature. Type it as 6/8."))
                .isVisible();
        assertThat(line()).hasAccessibleName(Pattern.compile("^Tempo: 138 from bar 1,"));
    }

    @Test
    public void theBarIsPressedStepByStep() {
        Locator second = page.getByLabel(Pattern.compile("^Beats, step 2: "));
        assertThat(second).hasAccessibleName("Beats, step 2: sounding");
        second.click();
        assertThat(second).hasAccessibleName("Beats, step 2: accented");
        second.click();
        assertThat(second).hasAccessibleName("Beats, step 2: silent");
        button("Undo: Click: changed").click();
        assertThat(second).hasAccessibleName("Beats, step 2: accented");
    }

    @Test
    public void everybodyHearsAsMuchOfItAsTheyWant() {
        Locator voice = page.getByRole(
                AriaRole.SLIDER,
                new Page.GetByRoleOptions().setName("Click in Voice").setExact(true));
        assertThat(voice).hasAttribute("aria-valuetext", "off");
        voice.press("ArrowRight");
        assertThat(voice).hasAttribute("aria-valuetext", "−60.0 dB");
        assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^Click"))))
                .containsText("138 in 3/4, in 3 of 3 cues");
    }
}
