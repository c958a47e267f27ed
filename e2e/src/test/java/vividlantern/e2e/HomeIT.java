package vividlantern.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** At Home sessions, rigs and templates are duplicated, renamed, removed and taken back. */
public class HomeIT extends WithDemo {

    private void act(String name, String action) {
        button("More for " + name).click();
        page.getByText(action, new Page.GetByTextOptions().setExact(true))
                .last()
                .click();
    }

    private Locator heading(String name) {
        return page.getByRole(
                AriaRole.HEADING, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private void confirmDelete() {
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Delete").setExact(true))
                .click();
    }

    private void rename(String name, String to) {
        act(name, "Rename");
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        dialog.getByLabel("Name").fill(to);
        dialog.getByLabel("Name").press("Enter");
        assertThat(heading(to)).hasCount(1);
    }

    @Test
    public void aSessionIsDuplicatedRenamedRemovedAndTakenBack() {
        goTo("/");
        act("Low Water", "Duplicate");
        assertThat(heading("Low Water copy")).hasCount(1);
        rename("Low Water copy", "High Water");
        Page other = chromium.newPerson(ColorScheme.LIGHT);
        heading("High Water").click();
        page.waitForURL("**/input-list");
        other.navigate(page.url());
        assertThat(other.getByText("accordion treble").first()).isVisible();
        goTo("/");
        act("High Water", "Remove");
        assertThat(heading("High Water")).hasCount(0);
        assertThat(other.getByText("it is in the bin")).isVisible();
        button("Take back High Water").click();
        assertThat(heading("High Water")).hasCount(1);
        act("High Water", "Remove");
        button("Delete High Water now").click();
        confirmDelete();
        assertThat(page.getByText("High Water")).hasCount(0);
    }

    @Test
    public void whatIsAtTheRigAndTheLastRigStayAndSayWhy() {
        goTo("/");
        act("Low Water", "Remove");
        assertThat(page.getByText("\"Low Water\" is at the rig.")).isVisible();
        act("Saltworks", "Remove");
        assertThat(page.getByText("laid out for Saltworks")).isVisible();
        act("Saltworks", "Duplicate");
        rename("Saltworks copy", "Boathouse");
        assertThat(page.getByText(Pattern.compile("^Boathouse: ")).first()).isVisible();
        act("Boathouse", "Remove");
        assertThat(heading("Boathouse")).hasCount(0);
        button("Delete Boathouse now").click();
        confirmDelete();
        assertThat(page.getByText("Boathouse")).hasCount(0);
    }
}
