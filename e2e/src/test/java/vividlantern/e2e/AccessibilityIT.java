package vividlantern.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.deque.html.axecore.results.Rule;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Each view, in both themes, has no serious fault that axe finds. */
public class AccessibilityIT extends WithDemo {

    @DataProvider
    public Object[][] views() {
        return new Object[][] {
            {"/", ColorScheme.LIGHT},
            {"/", ColorScheme.DARK},
            {"/sessions/low-water/rig", ColorScheme.LIGHT},
            {"/sessions/low-water/rig", ColorScheme.DARK},
            {"/sessions/low-water/input-list", ColorScheme.LIGHT},
            {"/sessions/low-water/input-list", ColorScheme.DARK},
            {"/sessions/low-water/tracks", ColorScheme.LIGHT},
            {"/sessions/low-water/tracks", ColorScheme.DARK},
            {"/sessions/low-water/monitoring", ColorScheme.LIGHT},
            {"/sessions/low-water/monitoring", ColorScheme.DARK},
            {"/sessions/low-water/click", ColorScheme.LIGHT},
            {"/sessions/low-water/click", ColorScheme.DARK},
            {"/sessions/low-water/cues", ColorScheme.LIGHT},
            {"/sessions/low-water/cues", ColorScheme.DARK},
        };
    }

    @Test(dataProvider = "views")
    public void aViewHasNoSeriousFault(String path, ColorScheme scheme) {
        Page page = chromium.newPerson(scheme);
        page.navigate(program.address() + path);
        page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1))
                .first()
                .waitFor();
        page.locator(".sheet, .card, .set-up").first().waitFor();
        assertThat(seriousFaults(page)).isEmpty();
        page.context().close();
    }

    static List<String> seriousFaults(Page page) {
        return new AxeBuilder(page)
                .analyze().getViolations().stream()
                        .filter(rule -> List.of("serious", "critical").contains(rule.getImpact()))
                        .map(AccessibilityIT::words)
                        .toList();
    }

    private static String words(Rule rule) {
        return rule.getId() + ": " + rule.getNodes().get(0).getHtml() + " "
                + rule.getNodes().get(0).getFailureSummary();
    }
}
