package vividlantern.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.deque.html.axecore.results.Rule;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.util.List;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Each view, in both themes, has no fault that axe finds. */
public class AccessibilityIT extends WithDemo {

    @DataProvider
    public Object[][] views() {
        return Stream.of(
                        "/",
                        "/sessions/low-water/rig",
                        "/sessions/low-water/input-list",
                        "/sessions/low-water/tracks",
                        "/sessions/low-water/monitoring",
                        "/sessions/low-water/click",
                        "/sessions/low-water/cues",
                        "/sessions/low-water/songs",
                        "/sessions/low-water/history")
                .flatMap(path ->
                        Stream.of(ColorScheme.LIGHT, ColorScheme.DARK).map(scheme -> new Object[] {path, scheme}))
                .toArray(Object[][]::new);
    }

    @Test(dataProvider = "views")
    public void aViewHasNoFault(String path, ColorScheme scheme) {
        Page page = chromium.newPerson(scheme);
        page.navigate(program.address() + path);
        page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1))
                .first()
                .waitFor();
        page.locator(".sheet, .card, .set-up").first().waitFor();
        assertThat(faults(page)).isEmpty();
        page.context().close();
    }

    static List<String> faults(Page page) {
        return new AxeBuilder(page)
                .analyze().getViolations().stream().map(AccessibilityIT::words).toList();
    }

    private static String words(Rule rule) {
        return rule.getId() + ": " + rule.getNodes().get(0).getHtml() + " "
                + rule.getNodes().get(0).getFailureSummary();
    }
}
