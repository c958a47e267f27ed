package vividlantern.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Chains of tracks, on their page: put in, set, dragged, switched, copied, taken back one by one. */
public class ChainsIT extends WithDemo {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    @BeforeClass
    public void goThere() {
        goTo("/sessions/low-water/tracks");
    }

    @AfterMethod
    public void takeBack() {
        takeAllBack();
    }

    private void open(String track) {
        button("More for " + track).click();
        page.locator(".n-dropdown-option:visible")
                .filter(new Locator.FilterOptions().setHasText("Chains"))
                .click();
    }

    private void add(String words, String effect) {
        button("Add to what is " + words).click();
        page.locator(".n-dropdown-option:visible")
                .filter(new Locator.FilterOptions().setHasText(effect))
                .first()
                .click();
    }

    private Locator chains(String track) {
        return page.getByLabel("Chains of " + track, new Page.GetByLabelOptions().setExact(true));
    }

    private void type(String label, String value) {
        Locator box = page.getByLabel(label);
        box.fill(value);
        box.press("Enter");
    }

    /** What stands in a track's chain, as in "high-pass true". */
    private List<String> stored(String track, String place) {
        List<String> stored = new ArrayList<>();
        for (JsonNode chains :
                JSON.readTree(program.get("/api/sessions/low-water")).get("chains")) {
            if (chains.get("track").asString().equals(track)) {
                chains.get(place)
                        .get("effects")
                        .forEach(each -> stored.add(each.get("id").asString() + " " + each.get("on")));
            }
        }
        return stored;
    }

    @Test
    public void anEffectIsPutInSetMovedSwitchedAndTakenOutOneByOne() {
        open("Fiddle");
        assertThat(chains("Fiddle")).containsText("clean");
        add("printed", "rumble");
        assertThat(chains("Fiddle")).containsText("high-pass 80 Hz");
        add("heard only", "threshold");
        assertThat(chains("Fiddle")).containsText("compressor 3 : 1");
        type("corner of the high-pass of Fiddle in Hz", "140");
        assertThat(chains("Fiddle")).containsText("high-pass 140 Hz");
        page.getByLabel("Switch the compressor of Fiddle").click();
        assertThat(chains("Fiddle")).containsText("compressor 3 : 1 off");
        org.assertj.core.api.Assertions.assertThat(stored("fiddle", "heard")).containsExactly("compressor false");
        button("Move the high-pass of Fiddle").press("Alt+ArrowRight");
        assertThat(chains("Fiddle")).containsText("clean");
        org.assertj.core.api.Assertions.assertThat(stored("fiddle", "heard"))
                .containsExactly("high-pass true", "compressor false");
        page.getByLabel("Remove the compressor of Fiddle").click();
        assertThat(page.getByLabel("Switch the compressor of Fiddle")).hasCount(0);
        button("Undo: Fiddle, compressor: removed").click();
        assertThat(page.getByLabel("Switch the compressor of Fiddle")).isVisible();
        chains("Fiddle").click();
    }

    /** By keys and by the pointer: the picture, its numbers and the words in the row are one thing. */
    @Test
    public void aBandIsDraggedOnItsCurve() {
        open("Fiddle");
        add("heard only", "two bells");
        assertThat(chains("Fiddle")).containsText("EQ flat");
        org.assertj.core.api.Assertions.assertThat(AccessibilityIT.faults(page)).isEmpty();
        Locator band = page.getByLabel("high mid of the EQ of Fiddle", new Page.GetByLabelOptions().setExact(true));
        band.press("ArrowUp");
        assertThat(chains("Fiddle")).containsText("EQ +0.5 dB at 2.5 kHz");
        band.press("ArrowRight");
        assertThat(chains("Fiddle")).containsText("EQ +0.5 dB at 2.65 kHz");
        var box = band.boundingBox();
        page.mouse().move(box.x + box.width / 2, box.y + box.height / 2);
        page.mouse().down();
        page.mouse().move(box.x + box.width / 2 - 20, box.y + box.height / 2 - 15);
        page.mouse().move(box.x + box.width / 2 - 40, box.y + box.height / 2 - 20);
        page.mouse().up();
        assertThat(page.getByLabel("high mid level of the EQ of Fiddle in dB"))
                .hasValue(Pattern.compile("[6-9].*|1\\d.*"));
        button("Undo: Fiddle, EQ: high mid").click();
        assertThat(page.getByLabel("high mid level of the EQ of Fiddle in dB")).hasValue("0.5");
        chains("Fiddle").click();
    }

    @Test
    public void allChainsAreOffByOneKeyAndOnAgain() {
        open("Bass pickup");
        button("Add to what is printed").click();
        page.locator(".n-dropdown-option:visible")
                .filter(new Locator.FilterOptions().setHasText("Starting points"))
                .first()
                .hover();
        page.getByText("Bass as an amp").click();
        assertThat(chains("Bass pickup")).containsText("drive 35 %");
        chains("Bass pickup").click();
        page.keyboard().press("x");
        assertThat(chains("Bass pickup")).containsText("drive 35 % off");
        assertThat(button("Chains on")).isVisible();
        page.keyboard().press("x");
        assertThat(chains("Bass pickup")).not().containsText("off");
        org.assertj.core.api.Assertions.assertThat(stored("bass-pickup", "printed"))
                .containsExactly("compressor true", "drive true", "speaker true");
    }

    @Test
    public void whatCannotBeIsSaidAndChangesNothing() {
        open("Fiddle");
        add("printed", "rumble");
        type("corner of the high-pass of Fiddle in Hz", "5");
        assertThat(page.getByText("corner of the high-pass of Fiddle: 5 is too low, it begins at 20."))
                .isVisible();
        assertThat(page.getByLabel("corner of the high-pass of Fiddle in Hz")).hasValue("80");
        chains("Fiddle").click();
        open("Click");
        assertThat(button("Add to what is heard only")).isVisible();
        assertThat(page.getByLabel("Add to what is printed")).hasCount(0);
        chains("Click").click();
    }
}
