package vividlantern.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Leaving out low and high sound of a cue, on its page. */
public class CueFiltersIT extends WithDemo {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    @BeforeClass
    public void goThere() {
        goTo("/sessions/low-water/cues");
    }

    @AfterMethod
    public void takeBack() {
        takeAllBack();
    }

    private JsonNode cue() {
        for (JsonNode each :
                JSON.readTree(program.get("/api/sessions/low-water")).get("cues")) {
            if (each.get("id").asString().equals("accordion-fiddle")) {
                return each;
            }
        }
        throw new AssertionError("There is no such cue.");
    }

    @Test
    public void aHighPassIsSwitchedOnTypedAndDraggedOnItsCurve() {
        page.getByLabel("High-pass", new com.microsoft.playwright.Page.GetByLabelOptions().setExact(true))
                .click();
        assertThat(page.getByLabel("High-pass at 80 Hz")).isVisible();
        Locator typed = page.getByLabel("High-pass in Hz");
        typed.fill("160");
        typed.press("Enter");
        assertThat(page.getByLabel("High-pass at 160 Hz")).isVisible();
        org.assertj.core.api.Assertions.assertThat(
                        cue().get("highPass").get("hz").asDouble())
                .isEqualTo(160);
        Locator handle = page.getByLabel("High-pass in Accordion and fiddle");
        handle.press("PageUp");
        assertThat(handle).hasAttribute("aria-valuenow", "320");
        handle.press("End");
        assertThat(handle).hasAttribute("aria-valuenow", "1000");
        button("Undo: Accordion and fiddle: high-pass").click();
        assertThat(page.getByLabel("High-pass at 160 Hz")).isVisible();
    }

    @Test
    public void aCompressorIsSwitchedOnAndSetAndItsCurveSaysWhatItDoes() {
        page.getByLabel("Compressor", new com.microsoft.playwright.Page.GetByLabelOptions().setExact(true))
                .click();
        assertThat(page.getByLabel("What comes in at 0 dBFS leaves at −12.0 dBFS"))
                .isVisible();
        Locator threshold = page.getByLabel("Threshold of the compressor in dBFS");
        threshold.fill("-30");
        threshold.press("Enter");
        assertThat(page.getByLabel("What comes in at 0 dBFS leaves at −15.0 dBFS"))
                .isVisible();
        Locator ratio = page.getByLabel("Ratio of the compressor in to 1");
        ratio.fill("9");
        ratio.press("Enter");
        assertThat(page.getByText("A compressor's ratio lies between 1 and 8 to 1; 9 does not."))
                .isVisible();
        org.assertj.core.api.Assertions.assertThat(
                        cue().get("compressor").get("ratio").asDouble())
                .isEqualTo(2);
    }

    @Test
    public void aCornerThatCannotBeIsSaidAndChangesNothing() {
        Locator typed = page.getByLabel("Low-pass in Hz");
        typed.fill("50");
        typed.press("Enter");
        assertThat(page.getByText("A low-pass has its corner between 1000 and 20000 Hz; 50.0 is not."))
                .isVisible();
        org.assertj.core.api.Assertions.assertThat(
                        cue().get("lowPass").get("hz").asDouble())
                .isEqualTo(12_000);
    }
}
