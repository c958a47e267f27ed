package vividlantern.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;

/** A browser in front of a program with the demo, which all classes share that take back what they did. */
abstract class WithDemo {

    /** Started by the first class that asks, ended with the tests. */
    private static final class Shared {
        private static final Program PROGRAM = start();

        private static Program start() {
            try {
                Program program = Program.start(Files.createTempDirectory("vivid-lantern-demo"));
                Runtime.getRuntime().addShutdownHook(new Thread(program::close));
                return program;
            } catch (IOException failed) {
                throw new UncheckedIOException(failed);
            }
        }
    }

    Program program;
    Chromium chromium;
    Page page;

    @BeforeClass
    public void open() {
        program = Shared.PROGRAM;
        chromium = new Chromium();
        page = chromium.newPerson(ColorScheme.DARK);
    }

    @AfterClass(alwaysRun = true)
    public void close() {
        if (chromium != null) {
            chromium.close();
        }
    }

    /** Takes back everything this person did to a session, at once. */
    final void takeAllBackOf(String session) {
        String undo = "async (session) => (await fetch(`/api/sessions/${session}/undo`, {method: 'POST', headers:"
                + " {'Lantern-Person': localStorage.getItem('lantern-person')}})).ok";
        boolean more = true;
        while (more) {
            more = Boolean.TRUE.equals(page.evaluate(undo, session));
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

    /** Chooses from a list by its name. */
    final void choose(String label, String option) {
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(true))
                .last()
                .click();
        page.locator(".n-base-select-option:visible")
                .filter(new Locator.FilterOptions().setHasText(option))
                .first()
                .click();
    }

    final Locator row(String name) {
        return page.getByRole(AriaRole.ROW, new Page.GetByRoleOptions().setName(name));
    }

    final Locator text(String words) {
        return page.getByText(words, new Page.GetByTextOptions().setExact(true)).last();
    }
}
