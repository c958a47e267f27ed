package vividlantern.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.KeyboardModifier;
import java.util.List;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Finding one's way among many tracks, and choosing what the engine runs at, with the demo. */
public class TracksIT extends WithDemo {

    @BeforeClass
    public void goThere() {
        goTo("/sessions/low-water/tracks");
    }

    private void choose(String track, String menu, String entry) {
        row(track).getByRole(AriaRole.BUTTON).last().click();
        Page.GetByTextOptions exact = new Page.GetByTextOptions().setExact(true);
        page.getByText(menu, exact).last().hover();
        page.getByText(entry, exact).last().click();
    }

    @Test
    public void aStereoTrackIsOfferedPairsOnly() {
        row("Room").getByTitle("Choose what feeds this track").click();
        assertThat(page.getByText("Room: Input 12, Room left, at Skerry 7 | Input 13, Room right, at Skerry 8")
                        .last())
                .isVisible();
        assertThat(page.getByText("Input 3, Fiddle, at Wall 1")).hasCount(0);
        page.keyboard().press("Escape");
    }

    @Test
    public void outputsOfTheSoundModuleGetTracksThatCanBeArmed() {
        button("Add many").click();
        button("A track for each output of the sound module").click();
        assertThat(row("Piano")).containsText("Kelp 5 | Kelp 6");
        row("Piano").getByLabel("Arm Piano").click();
        assertThat(row("Piano").getByRole(AriaRole.METER))
                .hasAttribute("aria-valuetext", java.util.regex.Pattern.compile("−\\d\\d?\\.\\d dBFS"));
        row("Piano").getByTitle("Choose what feeds this track").click();
        assertThat(page.getByText("Pad, Output 7, 8 · feeds Pad").last()).isVisible();
        page.keyboard().press("Escape");
        button("Undo: ").click();
        button("Undo: ").click();
        assertThat(row("Piano")).hasCount(0);
    }

    @Test
    public void aWideTrackIsSplitIntoTracksThatAreHeardOnly() {
        button("Add many").click();
        page.getByLabel("How wide each is").last().click();
        text("4 wide").click();
        page.getByLabel("How many").last().fill("1");
        page.getByLabel("Pattern").fill("Tree");
        button("Add them").click();
        choose("Tree 4 wide", "Split", "in pairs");
        assertThat(row("Tree 3+4 stereo")).containsText("3, 4 of Tree");
        assertThat(row("Tree 3+4 stereo")).containsText("heard only");
        assertThat(page.getByLabel("Mute Tree", new Page.GetByLabelOptions().setExact(true)))
                .hasAttribute("aria-pressed", "true");
        button("Undo: ").click();
        button("Undo: ").click();
        assertThat(row("Tree")).hasCount(0);
    }

    @Test
    public void theSelectedAreFedFromConsecutivePortsOrAllFromTheSame() {
        button("Add many").click();
        page.getByLabel("How wide each is").last().click();
        text("mono").click();
        page.getByLabel("How many").last().fill("3");
        page.getByLabel("Pattern").fill("Vocals {n}");
        button("Add them").click();
        row("Vocals 1").getByTitle("Choose what feeds this track").click();
        page.getByLabel("What feeds Vocals 1").fill("Skerry 4");
        page.getByText("Skerry 4, Mic input 4 → Optical in 4").last().click();
        assertThat(row("Vocals 1")).containsText("Skerry 4");
        button("Select Vocals 1").click();
        button("Select Vocals 3").click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.SHIFT)));
        button("Count up ports").click();
        assertThat(row("Select Vocals 2")).containsText("Skerry 5");
        assertThat(row("Select Vocals 3")).containsText("Skerry 6");
        button("Feed all from").click();
        page.getByLabel("What feeds all of them").fill("Bouzouki");
        page.getByText("Input 11, Bouzouki, at Wall 8").last().click();
        assertThat(row("Select Vocals 2")).containsText("Wall 8");
        button("Remove").click();
        assertThat(row("Vocals 1")).hasCount(0);
        for (int step = 0; step < 5; step++) {
            button("Undo: ").click();
        }
        assertThat(row("Vocals 1")).hasCount(0);
    }

    @Test
    public void aFolderFoldsAndIsRenamed() {
        choose("Bouzouki", "Folder", "a new one");
        assertThat(page.getByLabel("Fold Folder 1")).isVisible();
        choose("Shaker", "Folder", "Folder 1");
        assertThat(row("Folder 1").getByText("2", new Locator.GetByTextOptions().setExact(true)))
                .isVisible();
        page.getByLabel("Fold Folder 1").click();
        assertThat(row("Shaker")).hasCount(0);
        page.getByLabel("Fold Folder 1").click();
        assertThat(row("Shaker")).isVisible();
        button("Undo: ").click();
        button("Undo: ").click();
        assertThat(page.getByLabel("Fold Folder 1")).hasCount(0);
    }

    @Test
    public void aViewIsKeptByNameAndShownAgain() {
        button("View").click();
        page.getByText("click", new Page.GetByTextOptions().setExact(true))
                .last()
                .click();
        assertThat(button("View, 2 hidden")).isVisible();
        assertThat(row("Click between")).hasCount(0);
        page.getByLabel("Name of the view").fill("Only inputs");
        button("Save view").click();
        assertThat(page.getByTitle("Show Only inputs")).isVisible();
        page.getByText("all", new Page.GetByTextOptions().setExact(true)).last().click();
        assertThat(row("Click between")).isVisible();
        page.getByTitle("Show Only inputs").click();
        assertThat(row("Click between")).hasCount(0);
        page.getByText("all", new Page.GetByTextOptions().setExact(true)).last().click();
        page.keyboard().press("Escape");
    }

    @Test
    public void anotherRateSaysWhatItCostsBeforeItIsChosen() {
        page.getByTitle("Choose the sample rate and the buffer").click();
        button("96 kHz").click();
        assertThat(page.getByText("2 inputs lose their ports")).isVisible();
        assertThat(page.getByText("Room left at Skerry 7 (optical, 4 channels)"))
                .isVisible();
        button("Run at 96 kHz").click();
        assertThat(page.getByText("3.81 ms round trip")).isVisible();
        button("Undo: ").click();
        assertThat(page.getByText("7.63 ms round trip")).isVisible();
    }

    @Test
    public void anInterfaceThatVanishesIsSaidUntilItIsBack() {
        Locator fate = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Stand-ins"))
                .locator(".fate");
        fate.click();
        page.getByText("Cable out").last().click();
        Locator said = page.getByText("The interface does not answer: its cable is out");
        assertThat(said).isVisible();
        fate.click();
        page.getByText("Interface on").last().click();
        assertThat(said).hasCount(0);
        assertThat(page.getByText("7.63 ms round trip")).isVisible();
    }
}
