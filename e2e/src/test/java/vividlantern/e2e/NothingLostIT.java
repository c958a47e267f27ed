package vividlantern.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** In the wrong moment nothing is lost: without a connection, after somebody else's change, where +48 V would do harm. */
public class NothingLostIT {

    private Path data;
    private Program program;
    private Chromium chromium;
    private Page page;

    @BeforeClass
    public void begin() throws IOException {
        data = Files.createTempDirectory("vivid-lantern-lost");
        program = Program.start(data);
        chromium = new Chromium();
        page = chromium.newPerson(ColorScheme.DARK);
        page.navigate(program.address() + "/sessions/low-water/input-list");
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

    private Locator button(String pattern) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile(pattern)))
                .first();
    }

    private Locator cell(String row, String words) {
        return page.getByRole(AriaRole.ROW, new Page.GetByRoleOptions().setName(Pattern.compile(row)))
                .getByRole(
                        AriaRole.GRIDCELL,
                        new Locator.GetByRoleOptions().setName(words).setExact(true))
                .first();
    }

    private void type(Locator cell, String text) {
        cell.dblclick();
        page.keyboard().press("Control+a");
        page.keyboard().type(text);
        page.keyboard().press("Enter");
    }

    @Test
    public void whatIsTypedWithoutAConnectionIsSentWhenItIsBack() {
        String address = program.address();
        assertThat(cell("Shaker", "Shaker")).isVisible();
        program.kill();
        assertThat(page.getByText("The connection to the program is lost.")).isVisible();
        assertThat(page.getByText("no connection")).isVisible();
        assertThat(button("Play")).isDisabled();
        type(cell("Shaker", "Shaker"), "Egg shaker");
        assertThat(page.getByText("Not saved yet, and sent as soon as it is back: set input source (Egg shaker)."))
                .isVisible();
        type(cell("Bass pickup", "Bass pickup"), "Bass DI");
        assertThat(page.getByText("set input source (Egg shaker); set input source (Bass DI)."))
                .isVisible();
        assertThat(button("^Cut headphones$")).isEnabled();
        program = Program.start(data, URI.create(address).getPort());
        assertThat(page.getByText("Egg shaker")).isVisible();
        assertThat(page.getByText("Bass DI")).isVisible();
        assertThat(page.getByText("The connection to the program is lost.")).hasCount(0);
        assertThat(button("^Undo: Input \\d+, Bass pickup: source Bass DI, your last change here$"))
                .isEnabled();
        button("^Undo: ").click();
        button("^Undo: ").click();
        assertThat(page.getByText("Egg shaker")).hasCount(0);
        assertThat(cell("Shaker", "Shaker")).isVisible();
    }

    @Test(dependsOnMethods = "whatIsTypedWithoutAConnectionIsSentWhenItIsBack")
    public void whereAChangeCannotBeTakenBackTheOneBeforeItIsOffered() {
        String put = "async ([who, edit]) => await fetch('/api/sessions/low-water/edits', {method: 'POST',"
                + " headers: {'Content-Type': 'application/json', 'Lantern-Person': who ||"
                + " localStorage.getItem('lantern-person')}, body: JSON.stringify({edits: [edit]})})";
        page.evaluate("async () => { const put = " + put + ";"
                + " await put(['', {kind: 'set-fader', track: 'bass', level: -9}]);"
                + " await put(['', {kind: 'set-fader', track: 'fiddle', level: -9}]);"
                + " await put(['somebody', {kind: 'set-fader', track: 'fiddle', level: -5}]); }");
        assertThat(button("^Undo: Fiddle: fader")).isEnabled();
        page.getByRole(
                        AriaRole.HEADING,
                        new Page.GetByRoleOptions().setName("Input list").setLevel(1))
                .click();
        page.keyboard().press("Control+z");
        assertThat(page.getByText("somebody changed the same thing since")).isVisible();
        button("^Undo the one before: Bass: fader").click();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^History")))
                .click();
        assertThat(page.getByText("Undone: Bass: fader \u22129.0 dB")).isVisible();
        page.goBack();
    }

    @Test(dependsOnMethods = "whereAChangeCannotBeTakenBackTheOneBeforeItIsOffered")
    public void whereFortyEightVoltsWouldDoHarmTheyAreAskedFor() {
        Locator never = cell("^3 .*Fiddle", "never");
        never.dblclick();
        Locator on = page.locator(".n-base-select-option").filter(new Locator.FilterOptions().setHasText("+48 V"));
        on.click();
        assertThat(page.getByText("Fiddle: +48 V can tear its ribbon.")).isVisible();
        button("^Leave it$").click();
        assertThat(never).isVisible();
        never.dblclick();
        on.click();
        button("^Switch \\+48 V on all the same$").click();
        assertThat(never).hasCount(0);
        button("^Undo: ").click();
        assertThat(never).isVisible();
    }

    @Test(dependsOnMethods = "whereFortyEightVoltsWouldDoHarmTheyAreAskedFor")
    public void aGainThatIsClearedIsNotSet() {
        Locator gain = cell("Shaker", "41");
        gain.click();
        page.keyboard().press("Delete");
        assertThat(button("^Undo: Input 9, Shaker: gain not set")).isEnabled();
        assertThat(gain).hasCount(0);
        button("^Undo: ").click();
        assertThat(gain).isVisible();
    }

    @Test(dependsOnMethods = "aGainThatIsClearedIsNotSet")
    public void aSessionIsCreatedOnceHoweverOftenItIsPressed() {
        page.navigate(program.address());
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Pressed twice");
        Locator create = button("^Create session$");
        assertThat(create).isEnabled();
        create.dblclick();
        page.waitForURL(Pattern.compile("/sessions/pressed-twice/"));
        page.navigate(program.address());
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Pressed twice")))
                .hasCount(1);
    }
}
