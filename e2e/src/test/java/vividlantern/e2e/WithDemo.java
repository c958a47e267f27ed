package vividlantern.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Files;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;

/** A program of its own with the demo, and a browser in front of it. */
abstract class WithDemo {

    Program program;
    Chromium chromium;
    Page page;

    @BeforeClass
    public void open() throws Exception {
        program = Program.start(Files.createTempDirectory("vivid-lantern-demo"));
        chromium = new Chromium();
        page = chromium.newPerson(ColorScheme.DARK);
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

    /** Takes back everything this person did. */
    final void takeAllBack() {
        while (button("Undo: ").isEnabled()) {
            String before = button("Undo: ").getAttribute("aria-label");
            button("Undo: ").click();
            assertThat(page.getByLabel(before)).hasCount(0);
        }
    }

    final void goTo(String path) {
        page.navigate(program.address() + path);
    }

    final Locator button(String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name))
                .first();
    }

    final Locator row(String name) {
        return page.getByRole(AriaRole.ROW, new Page.GetByRoleOptions().setName(name));
    }

    final Locator text(String words) {
        return page.getByText(words, new Page.GetByTextOptions().setExact(true)).last();
    }
}
