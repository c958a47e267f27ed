package vividlantern.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What is done to preamps while everybody plays, from the input list. */
public class PreampsIT extends WithDemo {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    @BeforeClass
    public void goThere() {
        goTo("/sessions/low-water/input-list");
    }

    @AfterMethod
    public void takeBack() {
        takeAllBack();
    }

    private void write(String source, String was, String is) {
        row(source)
                .getByRole(AriaRole.GRIDCELL, new Locator.GetByRoleOptions().setName(was))
                .dblclick();
        assertThat(page.locator("[data-cell] input").first()).isFocused();
        page.keyboard().press("Control+a");
        page.keyboard().type(is);
        page.keyboard().press("Enter");
    }

    private JsonNode part(String kind, String id) {
        for (JsonNode each :
                JSON.readTree(program.get("/api/sessions/low-water")).get(kind)) {
            if (each.get("id").asString().equals(id)) {
                return each;
            }
        }
        throw new AssertionError("There is no " + id);
    }

    @Test
    public void heldEarsPutTheDifferenceIntoTheTrim() {
        double trim = part("tracks", "lead-voice").get("trim").asDouble();
        button("Hold ears").click();
        write("Lead voice", "31", "37");
        assertThat(row("Lead voice").getByText("37")).isVisible();
        assertThat(part("tracks", "lead-voice").get("trim").asDouble()).isEqualTo(trim - 6);
        assertThat(row("Lead voice").getByText("is 3")).hasCount(0);
        button("Hold ears").click();
    }

    /** From now on the row notes every word that stands in it, however short: a busy machine looks too seldom to see it. */
    private void note(Locator row) {
        row.evaluate("row => { document.body.dataset.noted = '';"
                + " new MutationObserver(() => { document.body.dataset.noted += row.textContent })"
                + ".observe(row, {childList: true, characterData: true, subtree: true}) }");
    }

    @Test
    public void aRowSaysWhileItsSwitchIsThrownAndThenWhatIsWrong() {
        note(row("Cajón rear"));
        write("Cajón rear", "+48 V", "off");
        assertThat(page.locator("body")).hasAttribute("data-noted", Pattern.compile("silent"));
        assertThat(page.getByText("has a small condenser without +48 V")).isVisible();
        assertThat(row("Cajón rear").getByText("silent")).hasCount(0);
    }

    @Test
    public void aPreampSetByHandIsTurnedAndNoted() {
        write("Old Pilot 1", "35", "45");
        Locator found = page.getByText("Old Pilot 1 should be at 45 dB, +48 V on. It was last noted at 35 dB");
        assertThat(found).isVisible();
        page.getByText("Turn by hand").click();
        page.getByLabel("Gain at Old Pilot 1 in dB").fill("45");
        page.getByLabel("Gain at Old Pilot 1 in dB").press("Enter");
        button("It is set now").click();
        assertThat(found).hasCount(0);
        JsonNode noted = JSON.readTree(program.get("/api/sessions/low-water/preamps/turned"));
        assertThat(noted.get(0).get("gainDb").asDouble()).isEqualTo(45);
    }

    @Test
    public void aDeadChannelGoesToASpareInTwoActions() {
        row("Cajón front").getByTitle("Select this row").click();
        button("Move to a spare port").click();
        assertThat(page.getByText("Cajón front goes into Skerry 4 now.")).isVisible();
        assertThat(row("Cajón front").getByText("Skerry 4")).isVisible();
        assertThat(part("inputs", "cajon-front").get("gainDb").asDouble()).isEqualTo(10);
    }
}
