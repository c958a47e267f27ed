package vividlantern.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.KeyboardModifier;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** What took an evening is there in seconds next time: whole, in parts, for the next song, elsewhere, and after a kill. */
public class SetUpOnceIT {

    private Path data;
    private Program program;
    private Program other;
    private Chromium chromium;
    private Page page;
    private Path bundle;

    @BeforeClass
    public void open() throws IOException {
        data = Files.createTempDirectory("vivid-lantern-once");
        program = Program.start(data);
        program.post("/api/rigs", "{\"name\": \"Annexe\", \"document\": null}");
        chromium = new Chromium();
        page = chromium.newPerson(ColorScheme.LIGHT);
    }

    @AfterClass(alwaysRun = true)
    public void close() {
        if (chromium != null) {
            chromium.close();
        }
        for (Program each : new Program[] {program, other}) {
            if (each != null) {
                each.close();
            }
        }
    }

    private Locator button(String name) {
        return page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(name).setExact(true))
                .last();
    }

    private Locator link(String name) {
        return page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name)));
    }

    private Locator table(String name) {
        return page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName(name));
    }

    private Locator row(String table, String name) {
        return table(table)
                .getByRole(AriaRole.ROW)
                .filter(new Locator.FilterOptions().setHas(page.getByText(name, exactly())));
    }

    /** The tracks in sight, without what is said under them. */
    private Locator tracks() {
        return table("Tracks").locator("button[aria-label^='Select ']");
    }

    private static Page.GetByTextOptions exactly() {
        return new Page.GetByTextOptions().setExact(true);
    }

    private Locator dialog() {
        return page.getByRole(AriaRole.DIALOG);
    }

    /** Its dialog has fields that the page behind it has too. */
    private void beginFrom(String template) {
        button("New session from " + template).click();
        assertThat(dialog()).isVisible();
    }

    private void goTo(String path) {
        page.navigate(program.address() + path);
    }

    private void select(String label, String option) {
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(true))
                .last()
                .click();
        choose(option);
    }

    private void choose(String option) {
        page.locator(".n-base-select-option")
                .filter(new Locator.FilterOptions().setHasText(option))
                .first()
                .click();
        assertThat(page.locator(".n-base-select-menu:visible")).hasCount(0);
    }

    private void selectTracks(String first, String... more) {
        button("Select " + first).click();
        for (String track : more) {
            button("Select " + track).click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.CONTROL)));
        }
    }

    private void accessible() {
        Assertions.assertThat(AccessibilityIT.faults(page)).isEmpty();
    }

    @Test
    public void step1GroupsMoveTogetherAndAloneWithAlt() {
        goTo("/sessions/low-water/tracks");
        selectTracks("Cajón front", "Cajón rear", "Shaker");
        button("Group").click();
        page.getByLabel("Name").last().fill("Cajón");
        accessible();
        dialog().getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName("Group").setExact(true))
                .click();
        button("Clear selection").click();
        button("Mute Shaker").click();
        assertThat(button("Mute Cajón front")).hasAttribute("aria-pressed", "true");
        button("Mute Shaker").click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.ALT)));
        assertThat(button("Mute Shaker")).hasAttribute("aria-pressed", "false");
        assertThat(button("Mute Cajón front")).hasAttribute("aria-pressed", "true");
        page.keyboard().press("g");
        assertThat(page.getByText("Groups are suspended: each track moves alone."))
                .isVisible();
        button("Mute Cajón front").click();
        assertThat(button("Mute Cajón rear")).hasAttribute("aria-pressed", "true");
        page.keyboard().press("g");
        button("Mute Cajón rear").click();
        assertThat(button("Mute Cajón rear")).hasAttribute("aria-pressed", "false");
    }

    @Test(dependsOnMethods = "step1GroupsMoveTogetherAndAloneWithAlt")
    public void step2ItIsKeptAndTheCardSaysHowItFits() {
        button("Keep as template").click();
        page.getByLabel("Title").fill("Ferry band");
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("drum"))
                .click();
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep as template"))
                .click();
        assertThat(page.getByText("\"Ferry band\" is kept.")).isVisible();
        goTo("/");
        Locator card = page.locator("[data-template='ferry-band']");
        assertThat(card).containsText("Needs 13 mono inputs, 8 with +48 V, 3 output pairs for headphones, 48 kHz.");
        assertThat(card).containsText("Saltworks: all 13 inputs.");
        assertThat(card).containsText("Annexe: 0 of 13 inputs; no place for Accordion treble");
        assertThat(page.locator("[data-template]")).hasCount(7);
        accessible();
    }

    @Test(dependsOnMethods = "step2ItIsKeptAndTheCardSaysHowItFits")
    public void step3ASessionFromItIsTheSameAndOpensWhereItWas() {
        beginFrom("Ferry band");
        page.getByLabel("Name").last().fill("Second evening");
        button("Create session").click();
        assertThat(page.getByRole(
                        AriaRole.HEADING,
                        new Page.GetByRoleOptions().setName("Tracks").setLevel(1)))
                .isVisible();
        assertThat(row("Tracks", "Cajón front")).containsText("Cajón");
        assertThat(tracks()).hasCount(15);
    }

    @Test(dependsOnMethods = "step3ASessionFromItIsTheSameAndOpensWhereItWas")
    public void step3OnARigWithoutPortsNothingIsLost() {
        goTo("/");
        beginFrom("Ferry band");
        page.getByLabel("Name").last().fill("Away");
        select("Rig", "Annexe");
        assertThat(table("Where everything goes").getByRole(AriaRole.ROW)).hasCount(1 + 13 + 3);
        assertThat(table("Where everything goes")).containsText("no free pair feeds headphones");
        button("Create session").click();
        assertThat(page.getByText("13 inputs, all on tracks")).isVisible();
    }

    @Test(dependsOnMethods = "step3OnARigWithoutPortsNothingIsLost")
    public void step4WhatFitsOtherwiseIsMovedByHandAndUndoneAsOne() {
        goTo("/");
        beginFrom("Brass section with click");
        assertThat(row("Where everything goes", "Trumpet 1")).containsText("Wall 1");
        page.getByLabel("Where Trumpet 1 goes: Wall 1").click();
        choose("Wall 4");
        assertThat(row("Where everything goes", "Trumpet 1")).containsText("you chose it");
        assertThat(row("Where everything goes", "Trumpet 2")).containsText("Wall 1");
        accessible();
        button("Create session").click();
        assertThat(page.getByText("6 inputs, all on tracks")).isVisible();
        Locator list = page.getByRole(AriaRole.GRID);
        assertThat(list).containsText("Wall 4");
        page.getByLabel(Pattern.compile("^Undo: Input 1, Trumpet 1")).click();
        assertThat(list).not().containsText("Wall");
    }

    @Test(dependsOnMethods = "step4WhatFitsOtherwiseIsMovedByHandAndUndoneAsOne")
    public void step5AKitIsPutIntoAnotherSessionTwice() {
        goTo("/sessions/low-water/tracks");
        selectTracks("Cajón front", "Cajón rear", "Shaker");
        button("Keep as kit").click();
        page.getByLabel("Title").fill("Cajón");
        accessible();
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep as kit"))
                .click();
        assertThat(page.getByText("is kept: 3 tracks, 3 inputs, sends to 3 cues."))
                .isVisible();
        goTo("/sessions/brass-section-with-click/tracks");
        for (int turn = 0; turn < 2; turn++) {
            button("Add a kit").click();
            button("Choose Cajón").click();
            assertThat(table("Where the inputs go")).containsText("Skerry 1");
            select("Where the sends to Bass and cajón go", "Section");
            assertThat(dialog()).containsText("The sends go to");
            accessible();
            button("Add").click();
            assertThat(dialog()).hasCount(0);
        }
        assertThat(row("Tracks", "Shaker 2")).isVisible();
        assertThat(tracks()).hasCount(8 + 6);
    }

    @Test(dependsOnMethods = "step5AKitIsPutIntoAnotherSessionTwice")
    public void step6SettingsAreCopiedAndKeptByName() {
        goTo("/sessions/low-water/tracks");
        selectTracks("Lead voice", "Bouzouki");
        button("Copy settings").click();
        select("From", "Track Fiddle");
        accessible();
        button("Copy to 2 tracks").click();
        assertThat(dialog()).hasCount(0);
        for (String track : List.of("Fiddle", "Lead voice", "Bouzouki")) {
            assertThat(page.getByRole(
                            AriaRole.SLIDER,
                            new Page.GetByRoleOptions()
                                    .setName(track + " on the speakers")
                                    .setExact(true)))
                    .hasAttribute("aria-valuetext", "−2.0 dB");
        }
        button("Copy settings").click();
        page.getByLabel("Or keep how Lead voice is set, under a name").fill("As the fiddle");
        button("Keep setting").click();
        assertThat(page.getByText("\"As the fiddle\" is kept")).isVisible();
        select("From", "Setting As the fiddle");
        assertThat(dialog()).containsText("It holds level and pan, sends to cues, hear.");
        page.keyboard().press("Escape");
    }

    @Test(dependsOnMethods = "step6SettingsAreCopiedAndKeptByName")
    public void step7ASnapshotBringsBackWhatWasBroken() {
        goTo("/sessions/low-water/history");
        page.getByLabel("Name of the snapshot").fill("Before lunch");
        button("Take snapshot").click();
        assertThat(page.getByLabel("Snapshots")).containsText("Before lunch");
        goTo("/sessions/low-water/tracks");
        button("Solo Bass").click();
        selectTracks("Fiddle", "Fiddle pickup", "Room");
        button("Remove").click();
        assertThat(tracks()).hasCount(12);
        link("History").click();
        assertThat(page.getByLabel("Snapshots")).containsText("Before: Fiddle: track removed");
        button("Compare Before lunch with now").click();
        Locator differences = table("What differs from the snapshot");
        assertThat(differences).containsText("Track Fiddle");
        assertThat(differences).containsText("solo");
        accessible();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("All cues"))
                .click();
        assertThat(button("Restore all cues")).isVisible();
        page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName("Everything"))
                .click();
        button("Restore everything").click();
        assertThat(table("Log")).containsText("Snapshot Before lunch: all of it restored");
        page.getByLabel("Search the log").fill("soloed");
        assertThat(table("Log").getByRole(AriaRole.ROW)).hasCount(1 + 1);
        accessible();
        link("Tracks").click();
        assertThat(tracks()).hasCount(15);
        assertThat(button("Solo Bass")).hasAttribute("aria-pressed", "false");
    }

    @Test(dependsOnMethods = "step7ASnapshotBringsBackWhatWasBroken")
    public void step8TheNextSongGoesOnAndTheListShowsBoth() {
        link("Song list").click();
        page.getByLabel("Key of The Ferryman's Daughter").fill("D");
        page.getByLabel("Key of The Ferryman's Daughter").press("Enter");
        page.getByRole(
                        AriaRole.TEXTBOX,
                        new Page.GetByRoleOptions().setName("Next song").setExact(true))
                .fill("Slack Tide");
        page.getByLabel("Tempo, beats a minute").fill("92");
        accessible();
        button("Go on to the next song").click();
        assertThat(page.getByText("Slack Tide").first()).isVisible();
        assertThat(button("▶ Play")).isEnabled();
        assertThat(tracks()).hasCount(15);
        link("Song list").click();
        Locator rows = table("Songs").getByRole(AriaRole.ROW);
        assertThat(rows).hasCount(1 + 2);
        assertThat(rows.nth(2)).containsText("Slack Tide");
        assertThat(rows.nth(2)).containsText("at the rig now");
        assertThat(page.getByLabel("Key of The Ferryman's Daughter")).hasValue("D");
        button("Move Slack Tide up").click();
        assertThat(rows.nth(1)).containsText("Slack Tide");
    }

    @Test(dependsOnMethods = "step8TheNextSongGoesOnAndTheListShowsBoth")
    public void step9ABundleOpensInAnEmptyFolderAndHasTheRigAtOnce() throws IOException {
        goTo("/sessions/low-water/tracks");
        Download saved = page.waitForDownload(() -> link("Save as bundle").click());
        bundle = Files.createTempFile("vivid-lantern", ".zip");
        saved.saveAs(bundle);
        other = Program.start(Files.createTempDirectory("vivid-lantern-elsewhere"), "--lantern.empty=true");
        page.navigate(other.address());
        assertThat(page.getByText("Nothing here yet")).isVisible();
        accessible();
        button("Import").click();
        page.getByLabel("A bundle or a template").setInputFiles(bundle);
        assertThat(dialog()).containsText("Everything stays as it was.");
        accessible();
        button("Import session").click();
        assertThat(page.getByText("13 inputs, all on tracks")).isVisible();
        assertThat(button("▶ Play")).isEnabled();
        Assertions.assertThat(document(other, "low-water")).isEqualTo(document(program, "low-water"));
        other.close();
    }

    /** The session's document without what counts its changes. */
    private static String document(Program program, String session) {
        return new String(program.get("/api/sessions/" + session + "/document.json"))
                .replaceFirst("\"revision\":\\d+", "\"revision\":0");
    }

    @Test(dependsOnMethods = "step9ABundleOpensInAnEmptyFolderAndHasTheRigAtOnce")
    public void step10AfterAKillAllOfItIsThere() {
        String before = document(program, "low-water");
        program.kill();
        program = Program.start(data);
        Assertions.assertThat(document(program, "low-water")).isEqualTo(before);
        goTo("/");
        assertThat(page.getByText("Slack Tide")).isVisible();
        assertThat(page.locator("[data-template='ferry-band']")).isVisible();
        page.getByLabel("Search sessions").fill("brass");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Low Water")))
                .hasCount(0);
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Brass section with click"))
                        .first())
                .isVisible();
        goTo("/sessions/low-water/history");
        assertThat(page.getByLabel("Snapshots")).containsText("Before lunch");
        goTo("/sessions/low-water/tracks");
        button("Add a kit").click();
        assertThat(dialog()).containsText("Cajón");
    }

    @Test(dependsOnMethods = "step10AfterAKillAllOfItIsThere")
    public void step11AKillWhileATemplateIsKeptLeavesItWholeOrNotThere() {
        String keep = "{\"title\": \"%s\", \"description\": \"\", \"tags\": [], \"picture\": \"boat\","
                + " \"withoutNames\": false, \"page\": null}";
        program.post("/api/sessions/low-water/template", keep.formatted("Sure"));
        Program dying = program;
        CompletableFuture<Void> keeping = CompletableFuture.runAsync(
                () -> dying.post("/api/sessions/low-water/template", keep.formatted("Perhaps")));
        program.kill();
        keeping.handle((kept, gone) -> kept).join();
        program = Program.start(data);
        String cards = new String(program.get("/api/templates"));
        Assertions.assertThat(cards).contains("\"sure\"");
        if (cards.contains("\"perhaps\"")) {
            Assertions.assertThat(new String(program.get("/api/templates/perhaps/document.json")))
                    .contains("Accordion treble");
        }
    }
}
