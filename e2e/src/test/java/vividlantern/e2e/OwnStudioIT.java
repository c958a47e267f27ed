package vividlantern.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.regex.Pattern;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** From nothing to sound: a rig of one's own, a list of twenty inputs, tracks, the printed sheets. */
public class OwnStudioIT {

    private static final JsonMapper JSON = new JsonMapper();
    private static final String SESSION = "/api/sessions/first-light";

    private Program program;
    private Chromium chromium;
    private Page page;

    @BeforeClass
    public void begin() throws Exception {
        program = Program.start(Files.createTempDirectory("vivid-lantern-own"), "--lantern.empty=true");
        chromium = new Chromium();
        page = chromium.newPerson(ColorScheme.LIGHT);
    }

    @AfterClass(alwaysRun = true)
    public void end() {
        if (chromium != null) {
            chromium.close();
        }
        if (program != null) {
            program.close();
        }
    }

    @Test
    public void step1AStudioIsBegunWithItsFirstSession() {
        page.navigate(program.address());
        page.getByLabel("Name", exactly()).fill("First Light");
        page.locator("form .n-select").click();
        page.getByText("New rig…").click();
        page.getByLabel("What the studio is called").fill("Loft");
        button("Create session").click();
        assertThat(page.getByText("Nothing here yet. Add the interface first")).isVisible();
    }

    @Test(dependsOnMethods = "step1AStudioIsBegunWithItsFirstSession")
    public void step2AnInterfaceComesFromTheShelf() {
        add("Interface, 32 inputs", "Skiff");
        assertThat(tab("Skiff")).containsText("48 in · 32 out · leads the clock");
        add("Wall box, 8 sockets", "Stairs");
        choose("Where Wall 1 goes on to", "Skiff 1 · Skiff, Analog in 1");
        assertThat(page.getByRole(AriaRole.ROW, named("Wall 1"))).containsText("→ Skiff 1");
    }

    @Test(dependsOnMethods = "step2AnInterfaceComesFromTheShelf")
    public void step3PortsAreNamedManyAtATimeAndThatIsUndone() {
        button("Select Wall 3").click();
        button("Select Wall 5")
                .click(new Locator.ClickOptions()
                        .setModifiers(java.util.List.of(com.microsoft.playwright.options.KeyboardModifier.SHIFT)));
        button("Name many").click();
        page.getByLabel("Pattern").fill("Landing {n}");
        button("Name them").click();
        assertThat(page.getByText("Landing 3", textExactly())).isVisible();
        button("Undo: ").click();
        assertThat(page.getByText("Landing 3", textExactly())).hasCount(0);
        button("Redo: ").click();
        assertThat(page.getByText("Landing 2", textExactly())).isVisible();
    }

    @Test(dependsOnMethods = "step3PortsAreNamedManyAtATimeAndThatIsUndone")
    public void step4OutputsArePairedAndTheSpeakersFound() {
        tab("Skiff").click();
        button("Pair neighbours").last().click();
        Locator outputs = page.getByRole(AriaRole.TABLE, named("What goes out"));
        assertThat(outputs.getByRole(AriaRole.ROW)).hasCount(16);
        outputs.locator(".n-select").first().click();
        page.getByText("main speakers", textExactly()).last().click();
        outputs.locator(".n-select").nth(1).click();
        page.getByText("headphones", textExactly()).last().click();
        assertThat(outputs.getByText("main speakers")).hasCount(1);
        button("14 for headphones").click();
        assertThat(outputs.getByText("headphones", new Locator.GetByTextOptions().setExact(true)))
                .hasCount(15);
    }

    @Test(dependsOnMethods = "step4OutputsArePairedAndTheSpeakersFound")
    public void step5ALocalCopyIsKeptAndSaysWhatGoingBackWouldChange() {
        button("Copies").click();
        page.getByLabel("Name of the copy").fill("As built");
        button("Keep a copy").click();
        assertThat(page.getByText("As built", textExactly())).isVisible();
        page.keyboard().press("Escape");
        button("Hide Skiff 32").click();
        button("Copies").click();
        button("What would change").first().click();
        assertThat(page.getByText("The port Skiff 32 (Analog in 32) has its place shown, before hidden."))
                .isVisible();
        button("Apply these changes").click();
        assertThat(button("Hide Skiff 32")).hasAttribute("aria-pressed", "false");
    }

    @Test(dependsOnMethods = "step5ALocalCopyIsKeptAndSaysWhatGoingBackWouldChange")
    public void step6TwentySourcesArePastedAndPreviewed() {
        goTo("Input list");
        StringBuilder sources = new StringBuilder();
        for (int n = 1; n <= 18; n++) {
            sources.append("Source ").append(n).append("\n");
        }
        paste(sources + "Room left\nRoom right");
        Locator preview = page.getByRole(AriaRole.DIALOG);
        assertThat(preview.getByText(Pattern.compile("^adds input 20"))).isVisible();
        preview.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Import"))
                .click();
        assertThat(page.getByText("20 inputs, 20 without a track")).isVisible();
        assertThat(page.getByText("no port", textExactly())).hasCount(20);
    }

    @Test(dependsOnMethods = "step6TwentySourcesArePastedAndPreviewed")
    public void step7PortsAreCountedUpAndTracksMadeInOneGoEach() {
        button("Select all rows").click();
        page.locator("[data-cell='0/4']").click();
        page.keyboard().press("Enter");
        page.keyboard().type("Skiff 3 ");
        page.keyboard().press("Enter");
        assertThat(page.getByText("no port", textExactly())).hasCount(19);
        button("Count up ports").click();
        assertThat(page.getByText("no port", textExactly())).hasCount(0);
        button("Make tracks").click();
        assertThat(page.getByText("20 inputs, all on tracks")).isVisible();
        JsonNode session = session();
        assertThat(session.get("tracks")).hasSize(2 + 19);
        assertThat(session.get("inputs").get(19).get("ports").get(0).asString()).isEqualTo("skiff-in-22");
        button("Readiness").click();
        page.getByRole(AriaRole.DIALOG)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Send it to"))
                .click();
        button("Arm the 19 that are fed").click();
        assertThat(page.getByRole(AriaRole.DIALOG)).containsText("Skiff's delay was not measured");
        page.keyboard().press("Escape");
        assertThat(button("Readiness · 1")).isVisible();
    }

    @Test(dependsOnMethods = "step7PortsAreCountedUpAndTracksMadeInOneGoEach")
    public void step8APasteOverCellsSaysWhatItWillDo() {
        page.locator("[data-cell='2/2']").click();
        paste("Gannet D\nTern S");
        Locator preview = page.getByRole(AriaRole.DIALOG);
        assertThat(preview.getByText(Pattern.compile("^changes input 4"))).isVisible();
        preview.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Import"))
                .click();
        assertThat(page.locator("[data-cell='3/2']")).hasText("Tern S");
    }

    @Test(dependsOnMethods = "step8APasteOverCellsSaysWhatItWillDo")
    public void step9ADoublePortIsSaidInItsRowAndMended() {
        page.locator("[data-cell='5/4']").click();
        page.keyboard().press("Enter");
        page.keyboard().type("Skiff 3 ");
        page.keyboard().press("Enter");
        assertThat(page.getByText("both go into Skiff 3").first()).isVisible();
        button("Readiness").click();
        page.getByRole(AriaRole.DIALOG)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Put Source 6 into"))
                .click();
        page.keyboard().press("Escape");
        assertThat(page.getByText("both go into Skiff 3")).hasCount(0);
    }

    @Test(dependsOnMethods = "step9ADoublePortIsSaidInItsRowAndMended")
    public void step10TheSheetsArePrinted() throws Exception {
        button("Print and gear list").click();
        assertThat(page.getByText("not in the locker").first()).isVisible();
        Download sheets =
                page.waitForDownload(() -> page.getByText("Print all sheets").click());
        byte[] pdf = Files.readAllBytes(sheets.path());
        assertThat(new String(pdf, 0, 5, StandardCharsets.US_ASCII)).isEqualTo("%PDF-");
        page.keyboard().press("Escape");
    }

    @Test(dependsOnMethods = "step10TheSheetsArePrinted")
    public void step11TheStandInsAreHeardInTheNewStudio() {
        page.getByText("Take the rig").click();
        goTo("Tracks");
        Locator level = page.getByRole(AriaRole.ROW, named("Source 2")).getByRole(AriaRole.METER);
        assertThat(level).hasAttribute("aria-valuetext", java.util.regex.Pattern.compile("−\\d\\d?\\.\\d dBFS"));
    }

    @Test(dependsOnMethods = "step11TheStandInsAreHeardInTheNewStudio")
    public void step12APatchBayLeadsAnOutputOnAndOutboardIsInserted() {
        goTo("Rig");
        add("Patch bay, 16 points", "Bay");
        add("Headphone amp, 4 outlets", "Bell");
        add("Outboard, 1 channel", "Press");
        tab("Bay").click();
        choose("What is tied into Patch 1", "Skiff out 3 · Skiff, Line out 3");
        choose("Where Patch 1 goes on to", "Bell 1 · Bell, Stereo in 1");
        button("Select Patch 1").first().click();
        Locator way = page.getByText("Signal path:");
        assertThat(way).containsText("Skiff out 3 (Line out 3) → Patch 1 (Point 1) → Bell 1 (Stereo in 1)");
        tab("Skiff").click();
        choose("What is tied into Skiff 1", "through Press 1, inserted");
        button("Select Skiff 1").first().click();
        assertThat(way)
                .containsText(
                        "Wall 1 (Socket 1) → Press 1 (Send in 1) → Press out 1 (Line out 1) → Skiff 1 (Analog in 1)");
        choose("What is tied into Skiff 1", "without Press 1");
        assertThat(way).containsText("Wall 1 (Socket 1) → Skiff 1 (Analog in 1)");
    }

    @Test(dependsOnMethods = "step12APatchBayLeadsAnOutputOnAndOutboardIsInserted")
    public void step13WhatASessionLosesIsSaidAndMappedAnew() {
        add("Interface, 32 inputs", "Raft");
        tab("Skiff").click();
        button("Remove Skiff").first().click();
        Locator losses = page.getByRole(AriaRole.LIST, named("Sessions that lost something"));
        assertThat(losses).containsText("lost 20: Input 1, Source 1, goes into Skiff 3");
        losses.getByRole(AriaRole.LINK).click();
        Locator sheet = page.getByRole(AriaRole.DIALOG);
        assertThat(sheet.getByText("Source 2: Skiff 4 → Raft 2")).isVisible();
        sheet.getByText("Find new ports for all").click();
        assertThat(sheet.getByText("The rig has changed")).hasCount(0);
        JsonNode inputs = session().get("inputs");
        assertThat(inputs.get(19).get("ports").get(0).asString()).isEqualTo("raft-in-20");
    }

    @Test(dependsOnMethods = "step13WhatASessionLosesIsSaidAndMappedAnew")
    public void step14ASessionIsTakenOutOfACopyAndEverythingGoesBackToIt() {
        page.navigate(program.address());
        button("Copy now").click();
        Locator copy = page.getByRole(AriaRole.ROW)
                .filter(new Locator.FilterOptions().setHasText("1 session: First Light"))
                .first();
        copy.getByText("Look inside").click();
        page.getByRole(AriaRole.DIALOG)
                .getByText("Show", new Locator.GetByTextOptions().setExact(true))
                .click();
        assertThat(page.getByRole(AriaRole.DIALOG)).containsText("Inputs1 ");
        page.getByText("Restore as a new session").click();
        assertThat(page.getByRole(AriaRole.HEADING, named("Input list").setLevel(1)))
                .isVisible();
        page.navigate(program.address());
        assertThat(page.getByRole(AriaRole.HEADING, named("First Light"))).hasCount(2);
        copy.getByText("Restore").click();
        page.getByRole(AriaRole.DIALOG)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Restore"))
                .click();
        assertThat(page.getByText("what stood here before a copy took its place"))
                .isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(60_000));
        assertThat(page.getByRole(AriaRole.HEADING, named("First Light"))).hasCount(1);
    }

    @Test(dependsOnMethods = "step14ASessionIsTakenOutOfACopyAndEverythingGoesBackToIt")
    public void step15WhatHappenedIsListed() {
        page.getByRole(AriaRole.HEADING, named("First Light")).click();
        page.getByRole(AriaRole.LINK, named("History")).click();
        assertThat(page.getByLabel("Sound", new Page.GetByLabelOptions().setExact(true)))
                .containsText("lantern.log");
        assertThat(page.getByRole(AriaRole.TABLE, named("Log"))).containsText("added");
    }

    private void add(String model, String name) {
        button("Add a device").click();
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        dialog.locator(".n-select").click();
        page.keyboard().type(model);
        page.getByText(model, textExactly()).last().click();
        dialog.getByLabel("Name", new Locator.GetByLabelOptions().setExact(true))
                .fill(name);
        dialog.getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName("Add").setExact(true))
                .click();
        assertThat(tab(name)).hasAttribute("aria-selected", "true");
    }

    private void choose(String button, String option) {
        page.getByTitle(button, new Page.GetByTitleOptions().setExact(true)).click();
        page.getByText(option, textExactly()).last().click();
    }

    private void paste(String text) {
        page.evaluate(
                "text => { const data = new DataTransfer(); data.setData('text/plain', text);"
                        + " document.activeElement.dispatchEvent(new ClipboardEvent('paste',"
                        + " { clipboardData: data, bubbles: true, cancelable: true })) }",
                text);
    }

    private void goTo(String step) {
        page.getByLabel("Steps")
                .getByText(step, new Locator.GetByTextOptions().setExact(true))
                .click();
        assertThat(page.getByRole(AriaRole.HEADING, named(step).setLevel(1))).isVisible();
    }

    private JsonNode session() {
        return JSON.readTree(program.get(SESSION));
    }

    private Locator button(String name) {
        return page.getByRole(AriaRole.BUTTON, named(name));
    }

    private Locator tab(String name) {
        return page.getByRole(AriaRole.TAB, named(name));
    }

    private static Page.GetByRoleOptions named(String name) {
        return new Page.GetByRoleOptions().setName(name);
    }

    private static Page.GetByTextOptions textExactly() {
        return new Page.GetByTextOptions().setExact(true);
    }

    private static Page.GetByLabelOptions exactly() {
        return new Page.GetByLabelOptions().setExact(true);
    }
}
