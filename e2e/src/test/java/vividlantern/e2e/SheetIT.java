package vividlantern.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.KeyboardModifier;
import java.util.List;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The input list as a sheet: ranges of cells, and sources of more than one channel. */
public class SheetIT extends WithDemo {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final int SOURCE = 0;
    private static final int MIC = 2;
    private static final int PORT = 4;

    @BeforeClass
    public void goThere() {
        goTo("/sessions/low-water/input-list");
        assertThat(row("Fiddle pickup")).isVisible();
    }

    @AfterMethod
    public void takeBack() {
        takeAllBack();
    }

    private Locator cell(int row, int column) {
        return page.locator("[data-cell='" + row + "/" + column + "']");
    }

    private void select(int top, int left, int bottom, int right) {
        cell(top, left).click();
        cell(bottom, right).click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.SHIFT)));
    }

    private JsonNode input(int number) {
        for (JsonNode each :
                JSON.readTree(program.get("/api/sessions/low-water")).get("inputs")) {
            if (each.get("number").asInt() == number) {
                return each;
            }
        }
        throw new AssertionError("There is no input " + number + ".");
    }

    private Locator widthColumn() {
        return page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName("Width"));
    }

    /** What the copy key would put on the clipboard. */
    private String copied() {
        return (String) page.evaluate("() => { const data = new DataTransfer(); document.activeElement.dispatchEvent("
                + "new ClipboardEvent('copy', { clipboardData: data, bubbles: true, cancelable: true }));"
                + " return data.getData('text/plain') }");
    }

    @Test
    public void arrowsWithShiftTakeARectangleThatIsCopied() {
        cell(6, SOURCE).click();
        page.keyboard().press("Shift+ArrowDown");
        page.keyboard().press("Shift+ArrowRight");
        assertThat(page.locator("td.taken")).hasCount(4);
        assertThat(copied()).isEqualTo("Cajón front\tCajón\nCajón rear\tCajón");
        page.keyboard().press("Escape");
        assertThat(page.locator("td.taken")).hasCount(0);
    }

    /** A list as others write it: headings of their own, +48 V as the sheet shows it, a column that means nothing here. */
    @Test
    public void aPastedListSaysWhatEachColumnIsAndTakesAnotherWordForIt() {
        cell(0, SOURCE).click();
        page.evaluate(
                "text => { const data = new DataTransfer(); data.setData('text/plain', text);"
                        + " document.activeElement.dispatchEvent(new ClipboardEvent('paste',"
                        + " { clipboardData: data, bubbles: true, cancelable: true })) }",
                "Ch;Instrument;Musician;Mic or DI;+48 V;Colour;Remembered\n"
                        + "31;Whistle;\u2014;Gannet C;on;red;by the door\n32;Harp;-;;no;;\n");
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        assertThat(dialog).containsText("Columns left out: Colour, Remembered.");
        dialog.getByLabel("What Remembered is").first().click();
        page.locator(".n-base-select-option")
                .getByText("Stand", new Locator.GetByTextOptions().setExact(true))
                .click();
        assertThat(dialog).containsText("Columns left out: Colour.");
        dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Import"))
                .click();
        assertThat(dialog).hasCount(0);
        assertThat(row("Whistle")).containsText("Gannet C");
        assertThat(input(31).get("phantom").asString()).isEqualTo("on");
        assertThat(input(31).get("stand").asString()).isEqualTo("by the door");
    }

    @Test
    public void filledDownTheTopmostCellsStandInAllOfThem() {
        select(6, MIC, 8, MIC);
        page.keyboard().press("Control+d");
        assertThat(cell(8, MIC)).containsText("Gannet D");
        assertThat(input(8).get("mic").asString()).isEqualTo("dynamic, Gannet D");
        assertThat(input(10).get("mic").asString()).as("outside of the range").contains("Heron V");
    }

    @Test
    public void clearedCellsAreEmptyAndTheRowsStay() {
        select(3, MIC, 4, PORT);
        page.keyboard().press("Delete");
        assertThat(cell(4, PORT)).containsText("no port");
        assertThat(input(4).get("mic").asString()).isEmpty();
        assertThat(input(5).get("phantom").asString()).isEqualTo("off");
        assertThat(input(5).get("source").asString()).isEqualTo("Bass");
        assertThat(input(6).get("ports")).hasSize(1);
    }

    @Test
    public void aSourceThatBecomesStereoTakesTheSocketBesideAndMakesAStereoTrack() {
        button("Columns").click();
        widthColumn().check();
        page.keyboard().press("Escape");
        int width = 8;
        button("Add input").click();
        assertThat(cell(13, SOURCE)).isFocused();
        page.keyboard().type("Piano");
        page.keyboard().press("Enter");
        assertThat(cell(13, SOURCE)).containsText("Piano");
        cell(13, PORT).dblclick();
        page.keyboard().type("Skerry 4");
        page.keyboard().press("Enter");
        assertThat(cell(13, PORT)).containsText("Skerry 4");
        cell(13, width).dblclick();
        text("stereo").click();
        assertThat(cell(13, PORT)).containsText("Skerry 4 | Skerry 5");
        cell(13, PORT).dblclick();
        assertThat(page.getByText("Room pair: Skerry 7 | Skerry 8").last()).isVisible();
        page.keyboard().press("Escape");
        button("Make tracks").click();
        text("A stereo track for each stereo source").click();
        assertThat(cell(13, 6)).hasText("Piano");
        button("Columns").click();
        widthColumn().uncheck();
        page.keyboard().press("Escape");
        assertThat(row("Piano")).containsText("stereo");
    }
}
