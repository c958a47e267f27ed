package vividlantern.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Files;
import org.assertj.core.api.Assertions;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** An evening's set-up is kept as a template, and is there again in the next session, on this rig and on a smaller one. */
public class TemplatesIT {

    private Program program;
    private Chromium chromium;
    private Page page;

    @BeforeClass
    public void open() throws Exception {
        program = Program.start(Files.createTempDirectory("vivid-lantern-templates"));
        program.post("/api/rigs", "{\"name\": \"Annexe\", \"document\": null}");
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

    private Locator button(String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name))
                .last();
    }

    @Test
    public void whatIsKeptIsThereAgainHereAndAsFarAsItFitsElsewhere() {
        page.navigate(program.address() + "/sessions/low-water/input-list");
        button("Keep as template").click();
        page.getByLabel("Title").fill("Five in a room");
        page.getByLabel("Tags, with commas between them").fill("live, click");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("strings"))
                .click();
        Assertions.assertThat(AccessibilityIT.seriousFaults(page)).isEmpty();
        button("Keep as template").click();
        assertThat(page.getByText("\"Five in a room\" is kept.")).isVisible();

        page.navigate(program.address());
        Locator cards = page.getByLabel("Templates");
        assertThat(cards).containsText("Needs 13 mono inputs, 8 with +48 V, 3 output pairs for headphones, 48 kHz.");
        assertThat(cards).containsText("Saltworks: all 13 inputs.");
        assertThat(cards).containsText("Annexe: 0 of 13 inputs; no place for Accordion treble");
        Assertions.assertThat(AccessibilityIT.seriousFaults(page)).isEmpty();

        button("New session from Five in a room").click();
        assertThat(page.getByText("all 13 inputs", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        page.getByLabel("Name").last().fill("Second evening");
        button("Create session").click();
        assertThat(page.getByText("13 inputs, all on tracks")).isVisible();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Second evening")))
                .isVisible();
        assertThat(page.getByRole(AriaRole.ROW, new Page.GetByRoleOptions().setName("Fiddle pickup")))
                .containsText("Wall 2");

        page.navigate(program.address());
        button("New session from Five in a room").click();
        page.getByLabel("Name").last().fill("Away");
        page.getByLabel("Rig").last().click();
        page.getByText("Annexe", new Page.GetByTextOptions().setExact(true))
                .last()
                .click();
        Locator fit = page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("Where everything goes"));
        assertThat(fit.getByRole(AriaRole.ROW)).hasCount(1 + 13 + 3);
        assertThat(fit).containsText("no free pair feeds headphones");
        Assertions.assertThat(AccessibilityIT.seriousFaults(page)).isEmpty();
        button("Create session").click();
        assertThat(page.getByText("13 inputs, all on tracks")).isVisible();
    }
}
