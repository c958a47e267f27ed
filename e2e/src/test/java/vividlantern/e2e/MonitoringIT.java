package vividlantern.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.io.IOException;
import java.nio.file.Files;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Who hears what through which way, how late it is, what can be chosen about it, and what a cable says to all that. */
public class MonitoringIT {

    private Program program;
    private Chromium chromium;
    private Page page;

    @BeforeClass
    public void open() throws IOException {
        program = Program.start(Files.createTempDirectory("vivid-lantern-monitoring"));
        chromium = new Chromium();
        page = chromium.newPerson(ColorScheme.LIGHT);
        page.navigate(program.address() + "/sessions/low-water/monitoring");
    }

    @AfterClass(alwaysRun = true)
    public void close() {
        if (chromium != null) {
            chromium.close();
        }
        if (program != null) {
            program.close();
        }
    }

    private Locator button(String name) {
        return page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(name).setExact(true))
                .last();
    }

    private Locator row(String performer) {
        return page.getByRole(
                        AriaRole.TABLE, new Page.GetByRoleOptions().setName("How late performers hear themselves"))
                .getByRole(AriaRole.ROW)
                .filter(new Locator.FilterOptions()
                        .setHas(page.getByRole(
                                AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Show " + performer))));
    }

    private Locator buffer(int frames) {
        return page.getByRole(
                AriaRole.BUTTON,
                new Page.GetByRoleOptions().setName(Pattern.compile("^Buffer of " + frames + " frames")));
    }

    private Locator dialog() {
        return page.getByRole(AriaRole.DIALOG);
    }

    private void accessible() {
        Assertions.assertThat(AccessibilityIT.faults(page)).isEmpty();
    }

    private void choose(String label, String option) {
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(true))
                .last()
                .click();
        option(option);
    }

    private void option(String option) {
        page.locator(".n-base-select-option:visible")
                .filter(new Locator.FilterOptions().setHasText(option))
                .first()
                .click();
        assertThat(page.locator(".n-base-select-menu:visible")).hasCount(0);
    }

    @Test
    public void step1EverybodysDelayStandsAgainstWhatTheyTolerate() {
        assertThat(row("Fiddle")).containsText("late by 2.9 ms");
        assertThat(row("Accordion")).containsText("tight");
        assertThat(row("Fiddle").getByRole(AriaRole.IMG))
                .hasAccessibleName(Pattern.compile(
                        "Fiddle through the engine: 8\\.8[78] ms\\. converter 0\\.69 ms, driver 0\\.50 ms, buffer 2\\.67 ms,"
                                + " ceiling guard 1\\.25 ms.* Tolerates 6 ms\\."));
        assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^Monitoring"))))
                .containsText("3 hear themselves late or twice");
        accessible();
    }

    @Test(dependsOnMethods = "step1EverybodysDelayStandsAgainstWhatTheyTolerate")
    public void step2EachBufferShowsWhatItWouldDoBeforeItIsTaken() {
        buffer(32).hover();
        assertThat(row("Fiddle")).containsText("4.88 ms");
        assertThat(row("Fiddle")).containsText("tight at 32");
        buffer(256).hover();
        assertThat(row("Bass")).containsText("late by 4.2 ms at 256");
        page.mouse().move(640, 20);
        assertThat(row("Bass")).containsText("8.88 ms");
        button("Voice direct").click();
        assertThat(dialog()).containsText("The interface plays Lead voice direct, and the cue plays it again");
        button("Leave it").click();
        assertThat(row("Voice")).containsText("late by 4.9 ms");
        button("Voice direct").click();
        button("Direct only").click();
        assertThat(row("Voice")).containsText("in time");
        assertThat(page.getByText(Pattern.compile("^32 keeps everybody in time and leaves \\d+ % reserve\\.|"
                        + "^\\d+ leaves \\d+ % reserve; .* would still be late|^This computer has too little time")))
                .isVisible();
        buffer(32).click();
        page.mouse().move(640, 20);
        assertThat(buffer(32)).hasAttribute("aria-pressed", "true");
        assertThat(row("Cajón")).containsText("tight");
        accessible();
        page.keyboard().press("l");
        assertThat(buffer(1024)).hasAttribute("aria-pressed", "true");
        assertThat(row("Cajón")).containsText("late by");
        page.keyboard().press("l");
        assertThat(buffer(32)).hasAttribute("aria-pressed", "true");
        buffer(128).click();
        assertThat(row("Bass")).containsText("8.88 ms");
    }

    @Test(dependsOnMethods = "step2EachBufferShowsWhatItWouldDoBeforeItIsTaken")
    public void step3TwoWaysAreDrawnAndOnePressEndsThem() {
        assertThat(row("Voice")).containsText("in time");
        button("Voice through the engine").click();
        button("Hear both").click();
        assertThat(row("Voice")).containsText("hears it twice");
        assertThat(
                        page.getByText(
                                Pattern.compile(
                                        "^The interface plays Lead voice direct, and the cue plays it again 7\\.46 ms later, just as loud\\.")))
                .isVisible();
        assertThat(page.getByRole(
                        AriaRole.IMG, new Page.GetByRoleOptions().setName(Pattern.compile("67, 201 and 335 Hz"))))
                .isVisible();
        accessible();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Readiness")))
                .click();
        assertThat(page.getByText("Voice hears themselves twice.")).isVisible();
        page.keyboard().press("Escape");
        button("Through the engine only").click();
        assertThat(row("Voice")).containsText("late by 4.9 ms");
        button("Show Voice").click();
        Locator level = page.getByRole(
                AriaRole.SLIDER,
                new Page.GetByRoleOptions()
                        .setName("Lead voice direct in Voice")
                        .setExact(true));
        assertThat(level).hasAttribute("aria-valuetext", "off");
        button("Voice direct").click();
        button("Hear both").click();
        button("Hear direct only").click();
        assertThat(level).hasAttribute("aria-valuetext", "−2.0 dB");
        assertThat(page.getByText("No ceiling guard protects this way.")).isVisible();
        accessible();
    }

    @Test(dependsOnMethods = "step3TwoWaysAreDrawnAndOnePressEndsThem")
    public void step4ACableSaysWhatTheDriverDoesNot() {
        button("Measure with a cable").click();
        assertThat(dialog()).containsText("Harbour out 9");
        assertThat(dialog()).containsText("Harbour 11");
        button("Measure").click();
        assertThat(dialog()).containsText("Harbour out 9 goes to a speaker in the room. The sweeps are loud");
        page.getByLabel("Nobody listens at this output").check();
        button("Measure").click();
        assertThat(dialog()).containsText("Nothing came back. Plug a cable from Harbour out 9 into Harbour 11");
        button("Plug in the stand-in's cable").click();
        assertThat(button("Pull out the stand-in's cable")).isVisible();
        button("Measure").click();
        assertThat(dialog()).containsText("407.3 frames, 8.49 ms: 41.3 frames more than the driver says.");
        assertThat(dialog()).containsText("The three runs: 407.30, 407.30, 407.30 frames");
        accessible();
        button("Adopt as recording offset").click();
        assertThat(dialog()).containsText("takes are moved 41.3 frames earlier than the driver says");
        button("Pull out the stand-in's cable").click();
        page.keyboard().press("Escape");
        assertThat(row("Fiddle")).containsText("9.74 ms");
        assertThat(row("Fiddle")).containsText("late by 3.7 ms");
    }

    @Test(dependsOnMethods = "step4ACableSaysWhatTheDriverDoesNot")
    public void step5TwoMicsAreBroughtInLine() {
        choose("Who of the stand-ins plays", "Cajón alone");
        button("Compare two mics").click();
        page.getByLabel("First", new Page.GetByLabelOptions().setExact(true))
                .last()
                .click();
        option("Cajón front");
        page.getByLabel("Second", new Page.GetByLabelOptions().setExact(true))
                .last()
                .click();
        option("Cajón rear");
        Locator shift = dialog().getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName(Pattern.compile("^Shift Cajón (front|rear) by")));
        assertThat(dialog()).containsText(Pattern.compile("(front|rear) hears it \\d\\.\\d\\d ms later"));
        accessible();
        shift.click();
        assertThat(dialog()).containsText(Pattern.compile("No shift of Cajón (front|rear) \\(\\d+ frames\\)"));
        assertThat(dialog()).containsText("hear it at the same time");
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^No shift of")))
                .click();
        assertThat(dialog()).containsText(Pattern.compile("(front|rear) hears it \\d\\.\\d\\d ms later"));
        page.keyboard().press("Escape");
        choose("Who of the stand-ins plays", "All play");
    }

    private Locator controlRoom() {
        return page.getByRole(
                AriaRole.REGION,
                new Page.GetByRoleOptions().setName("Control room").setExact(true));
    }

    private void addSource(String name, int channels, String port) {
        page.getByLabel("Name of another source").fill(name);
        page.getByLabel("Channels of another source").fill(String.valueOf(channels));
        page.getByLabel("Channels of another source").blur();
        choose("First port of another source", port);
        button("Add source").click();
    }

    private void goTo(String step) {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^" + step)))
                .click();
    }

    @Test(dependsOnMethods = "step5TwoMicsAreBroughtInLine")
    public void step6TheControlRoomHearsWhatItWantsAndItsSpeakersKnowOpenMics() {
        button("Set up").click();
        choose("Port of the talkback mic", "none");
        addSource("Surround", 6, "Harbour 11");
        assertThat(dialog())
                .containsText("left = Harbour 11 + 0.7071 · Harbour 13 + 0.7071 · Harbour 15;"
                        + " right = Harbour 12 + 0.7071 · Harbour 13 + 0.7071 · Harbour 16");
        button("Remove source Surround").click();
        addSource("Phone", 2, "Harbour 15");
        assertThat(dialog()).containsText("left = Harbour 15; right = Harbour 16");
        choose("Where the second speakers stand", "booth");
        choose("What happens to the second speakers near an open mic", "dim them");
        choose("Port of the listen mic", "Skerry 7");
        button("Test signal by Harbour out 9").click();
        button("Play the signal").click();
        assertThat(button("Stop the signal")).isVisible();
        accessible();
        button("Stop the signal").click();
        assertThat(button("Play the signal")).isVisible();
        page.keyboard().press("Escape");
        choose("What the control room hears", "cue Accordion and fiddle");
        choose("What the control room hears", "Phone");
        assertThat(controlRoom()).containsText("Phone");
        assertThat(controlRoom()).not().containsText("by itself");
        button("second speakers").click();
        assertThat(controlRoom()).containsText("Dimmed by itself: the mic of Lead voice is open in the booth.");
        goTo("Tracks");
        button("Arm Lead voice").click();
        goTo("Monitoring");
        assertThat(button("second speakers")).hasAttribute("aria-pressed", "true");
        assertThat(controlRoom()).not().containsText("by itself");
        goTo("Tracks");
        button("Arm Lead voice").click();
        goTo("Monitoring");
        assertThat(controlRoom()).containsText("Dimmed by itself");
        button("main speakers").click();
        page.keyboard().press("d");
        assertThat(button("dim 20 dB")).hasAttribute("aria-pressed", "true");
        for (String check : new String[] {"mono", "swap sides", "flip left", "listen mic"}) {
            button(check).click();
            assertThat(button(check)).hasAttribute("aria-pressed", "true");
        }
        accessible();
        button("▶ Play").click();
        assertThat(controlRoom()).containsText("Off by itself while the song plays with tracks armed.");
        button("■ Stop").click();
        assertThat(controlRoom()).not().containsText("Off by itself");
    }

    @Test(dependsOnMethods = "step6TheControlRoomHearsWhatItWantsAndItsSpeakersKnowOpenMics")
    public void step7WhatComesLateIsCountedAndDated() {
        choose("How busy the simulated computer is", "Overloaded");
        assertThat(page.getByText(Pattern.compile("\\d+ blocks came late"))).isVisible();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("see when"))
                .click();
        assertThat(page.getByText(Pattern.compile("The computer was too busy")).first())
                .isVisible();
        choose("How busy the simulated computer is", "Not busy");
        choose("What happens to the simulated interface", "Cable out");
        assertThat(page.getByText(Pattern.compile("its cable is out")).first()).isVisible();
        choose("What happens to the simulated interface", "Interface on");
        assertThat(page.getByText("Nothing sounds until it is back")).hasCount(0);
        page.navigate(program.address() + "/sessions/low-water/monitoring");
        assertThat(row("Fiddle")).containsText("9.74 ms");
    }
}
