package vividlantern.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** The song that everybody plays to, on its page: tempos, time signatures, parts, the bar of the click, and who hears it. */
public class ClickIT extends WithDemo {

    @BeforeMethod
    public void goThere() {
        goTo("/sessions/low-water/click");
    }

    @AfterMethod
    public void takeBack() {
        takeAllBackOf("low-water");
    }

    /** Shows what is set of the song: "The click", "The song", "Guide tracks". */
    private void show(String what) {
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(what).setExact(true))
                .click();
    }

    /** Shows who hears a voice or a guide. */
    private void voice(String name) {
        page.getByRole(
                        AriaRole.GROUP,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^(Voice of the click|Guide track)$")))
                .getByText(name, new Locator.GetByTextOptions().setExact(true))
                .click();
    }

    private Locator line() {
        return page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName(Pattern.compile("^Tempo: ")));
    }

    private void write(String label, String text) {
        page.getByTitle(label + ": click to change").click();
        Locator box = page.getByRole(
                AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName(label).setExact(true));
        box.fill(text);
        box.press("Enter");
    }

    private void at(int bar, String what) {
        Locator number = page.getByLabel("Bar at which something begins");
        number.fill(String.valueOf(bar));
        number.blur();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(what).setExact(true))
                .click();
    }

    @Test
    public void theSongIsDrawnAndAPressGoesThere() {
        assertThat(line())
                .hasAccessibleName(
                        "Tempo: 138 from bar 1, 96 from bar 33, 138 from bar 41, 138 from bar 57 gliding to the"
                                + " next, 80 from bar 61");
        button("Slow middle · 4/4").click();
        assertThat(page.getByText("bar 33 · 1")).isVisible();
        Assertions.assertThat(AccessibilityIT.faults(page)).isEmpty();
    }

    @Test
    public void aSongIsWrittenBarByBar() {
        show("The song");
        at(25, "time signature");
        write("Time signature at bar 25", "6/8 in 2");
        assertThat(button("6/8 in 2")).isVisible();
        button("6/8 in 2").click();
        assertThat(page.getByText("bar 25 · 1 (1)")).isVisible();
        at(25, "tempo");
        write("Tempo at bar 25", "112.25");
        assertThat(line()).hasAccessibleName(Pattern.compile("138 from bar 1, 112\\.25 from bar 25, 96 from bar 33"));
        assertThat(page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("tempo").setExact(true)))
                .isDisabled();
        at(29, "part");
        write("Part at bar 29", "Bridge");
        assertThat(button("Bridge")).isVisible();
        page.getByLabel("Glide from the tempo at bar 25 to the next").click();
        assertThat(line()).hasAccessibleName(Pattern.compile("from bar 25 gliding to the next, 96 from bar 33"));
        page.getByLabel("Remove the time signature at bar 25").click();
        assertThat(page.getByLabel("Time signature at bar 25")).hasCount(0);
    }

    @Test
    public void whatCannotBeCountedIsSaidAndChangesNothing() {
        show("The song");
        write("Tempo at bar 1", "5");
        assertThat(page.getByText("A tempo lies between 10 and 600 quarter notes a minute."))
                .isVisible();
        write("Time signature at bar 1", "5/3");
        assertThat(page.getByText("A time signature has 1 to 32 beats")).isVisible();
        write("Time signature at bar 1", "three");
        assertThat(page.getByText("\"three\" is no time signature. Type it as 6/8, or 6/8 in 2."))
                .isVisible();
        assertThat(line()).hasAccessibleName(Pattern.compile("^Tempo: 138 from bar 1,"));
    }

    @Test
    public void theBarIsPressedStepByStep() {
        Locator second = page.getByLabel(Pattern.compile("^Beats, step 2: "));
        assertThat(second).hasAccessibleName("Beats, step 2: sounding");
        second.click();
        assertThat(second).hasAccessibleName("Beats, step 2: accented");
        second.click();
        assertThat(second).hasAccessibleName("Beats, step 2: silent");
        button("Undo: Click: Beats changed").click();
        assertThat(second).hasAccessibleName("Beats, step 2: accented");
    }

    @Test
    public void everybodyHearsAsMuchOfItAsTheyWant() {
        Locator voice = page.getByRole(
                AriaRole.SLIDER,
                new Page.GetByRoleOptions().setName("Click in Voice").setExact(true));
        assertThat(voice).hasAttribute("aria-valuetext", "off");
        voice.press("ArrowRight");
        assertThat(voice).hasAttribute("aria-valuetext", "−60.0 dB");
        assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^Click"))))
                .containsText("138 in 3/4, in 3 of 3 cues");
    }

    @Test
    public void theSongBeginsAndEndsWhereItIsWritten() {
        show("The song");
        number("Beats of pick-up", "1");
        number("Last bar", "40");
        assertThat(page.getByText(Pattern.compile("^61 bars, 1:3"))).isVisible();
        write("Part at bar 33", "Bridge");
        page.getByLabel("Bridge needs a click").click();
        assertThat(button("Readiness")).isVisible();
        page.getByLabel("The click is silent in Bridge").click();
        button("Readiness").click();
        assertThat(page.getByText("Bridge needs a click, and it is silent there."))
                .isVisible();
        button("Let it sound there").click();
        assertThat(page.getByText("Bridge needs a click, and it is silent there."))
                .hasCount(0);
        page.keyboard().press("Escape");
    }

    private void number(String label, String text) {
        Locator box = page.getByLabel(label);
        box.fill(text);
        box.blur();
    }

    @Test
    public void barsAreTakenOutCopiedAndMoved() {
        show("The song");
        number("First of the bars", "17");
        number("Last of the bars", "32");
        button("Remove bars").click();
        assertThat(page.getByText(Pattern.compile("^45 bars,"))).isVisible();
        assertThat(line()).hasAccessibleName(Pattern.compile("138 from bar 1, 96 from bar 17, 138 from bar 25"));
        button("Undo: Bars 17 to 32").click();
        number("Bar before which they go", "1");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Copy").setExact(true))
                .click();
        assertThat(page.getByText(Pattern.compile("^77 bars,"))).isVisible();
        assertThat(button("Second strain 2")).isVisible();
        number("First of the bars", "60");
        number("Last of the bars", "74");
        button("Remove bars").click();
        assertThat(page.getByText("A line of tempo runs into bar 75.")).isVisible();
    }

    /** From bar to bar, and with Shift from beat to beat; taken back at once, since it is one drag. */
    @Test
    public void aTempoIsDraggedAlongTheBars() {
        Locator tempo = page.getByTitle("Drag to another bar, with Shift to another beat")
                .first();
        BoundingBox box = tempo.boundingBox();
        BoundingBox whole = line().boundingBox();
        double bar = whole.width / 61;
        double y = box.y + box.height / 2;
        page.mouse().move(box.x + 2, y);
        page.mouse().down();
        page.mouse().move(whole.x + 28.1 * bar, y);
        assertThat(line()).hasAccessibleName(Pattern.compile("138 from bar 1, 96 from bar 29, 138 from bar 41"));
        page.mouse().move(whole.x + 24.1 * bar, y);
        assertThat(line()).hasAccessibleName(Pattern.compile("138 from bar 1, 96 from bar 25, 138 from bar 41"));
        page.mouse().up();
        button("Undo: Tempo: moved").click();
        assertThat(line()).hasAccessibleName(Pattern.compile("138 from bar 1, 96 from bar 33, 138 from bar 41"));
    }

    @Test
    public void aPartHasItsOwnBarAndAVoiceItsOwnTrack() {
        page.getByLabel("Where the bar is so").click();
        page.getByText("in Second strain", new Page.GetByTextOptions().setExact(true))
                .last()
                .click();
        Locator second = page.getByLabel(Pattern.compile("^Beats, step 2: "));
        second.click();
        assertThat(second).hasAccessibleName("Beats, step 2: accented");
        button("as everywhere").click();
        assertThat(second).hasAccessibleName("Beats, step 2: sounding");
        button("Add a voice").click();
        assertThat(page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("A bar of Low beats")))
                .isVisible();
        voice("Low beats");
        Locator bass = page.getByRole(
                AriaRole.SLIDER,
                new Page.GetByRoleOptions()
                        .setName("Low beats in Bass and cajón")
                        .setExact(true));
        bass.press("ArrowRight");
        assertThat(bass).hasAttribute("aria-valuetext", "−60.0 dB");
        button("Remove voice Low beats").click();
        assertThat(bass).hasCount(0);
        Assertions.assertThat(AccessibilityIT.faults(page)).isEmpty();
    }

    /** A stereo sound at 44.1 kHz: it gets a track, a place, a trim and somebody who hears it. */
    @Test
    public void aSoundIsPlayedAlong() {
        show("Guide tracks");
        assertThat(page.getByText("Sketch from home.wav, 1:32, mono, 48 kHz")).isVisible();
        page.getByLabel("A WAV file")
                .setInputFiles(new FilePayload("Tide.wav", "audio/wav", Sounds.wav(2, 44_100, 88_200)));
        assertThat(page.getByText("Tide.wav, 0:02, stereo, 44.1 kHz")).isVisible();
        assertThat(page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName("Loudness of Tide.wav")))
                .isVisible();
        number("Bar at which Tide begins", "9");
        number("Where Tide ends in its file, in seconds", "1.5");
        voice("Tide");
        Locator voice = page.getByRole(
                AriaRole.SLIDER,
                new Page.GetByRoleOptions().setName("Tide in Voice").setExact(true));
        voice.press("ArrowRight");
        assertThat(voice).hasAttribute("aria-valuetext", "−60.0 dB");
        assertThat(page.getByTitle("Tide, from bar 9")).isVisible();
        assertThat(button("Undo: Tide")).isVisible();
        Assertions.assertThat(AccessibilityIT.faults(page)).isEmpty();
        page.getByLabel("A WAV file")
                .setInputFiles(new FilePayload("broken.wav", "audio/wav", "no sound".getBytes(StandardCharsets.UTF_8)));
        assertThat(page.getByText("This sound was not taken in. It is cut off, or no WAV file."))
                .isVisible();
        button("Remove Tide").click();
        assertThat(page.getByText("Tide.wav, 0:02, stereo, 44.1 kHz")).hasCount(0);
    }

    /** Five taps half a second apart, by a clock that the test turns. */
    @Test
    public void aTempoIsTapped() {
        page.evaluate("() => { window.beat = 1000; performance.now = () => window.beat }");
        button("Tap a tempo").click();
        Locator tap = button("Tap here");
        for (int beat = 0; beat < 3; beat++) {
            tap.press("Space");
            page.evaluate("() => { window.beat += 500 }");
        }
        assertThat(page.getByText("1 more", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        tap.press("Space");
        assertThat(page.getByText("120.00")).isVisible();
        Assertions.assertThat(AccessibilityIT.faults(page)).isEmpty();
        button("Set the tempo").click();
        assertThat(line()).hasAccessibleName(Pattern.compile("^Tempo: 120 from bar 1, 96 from bar 33"));
    }

    /** What goes out as MIDI comes back as it was; what another program wrote is looked at first. */
    @Test
    public void aSongComesFromMidi() {
        byte[] own = page.request()
                .get(program.address() + "/api/sessions/low-water/click.mid")
                .body();
        button("Import MIDI").click();
        Locator file = page.getByLabel("A Standard MIDI File");
        file.setInputFiles(new FilePayload("own.mid", "audio/midi", own));
        assertThat(page.getByText("nothing would change")).isVisible();
        byte[] other = {
            'M', 'T', 'h', 'd', 0, 0, 0, 6, 0, 0, 0, 1, 0, 96, 'M', 'T', 'r', 'k', 0, 0, 0, 11, //
            0, -1, 0x51, 3, 7, -95, 32, 0, -1, 0x2F, 0
        };
        file.setInputFiles(new FilePayload("other.mid", "audio/midi", other));
        assertThat(page.getByText("120 crotchets a minute from quarter 0").last())
                .isVisible();
        Assertions.assertThat(AccessibilityIT.faults(page)).isEmpty();
        file.setInputFiles(new FilePayload("cut.mid", "audio/midi", Arrays.copyOf(other, 25)));
        assertThat(page.getByText("This MIDI file was not taken in. It is cut off."))
                .isVisible();
        file.setInputFiles(new FilePayload("other.mid", "audio/midi", other));
        button("Take it in").click();
        assertThat(line()).hasAccessibleName("Tempo: 120 from bar 1");
    }

    @Test
    public void theClickIsSavedAndTheClockIsReadAcrossTheRoom() {
        button("Save to a file").click();
        assertThat(page.getByText("Save the click as WAV, 24 bit"))
                .hasAttribute("href", "/api/sessions/low-water/click.wav?bars=all&countIn=true");
        page.getByLabel("The whole song").click();
        number("First bar", "33");
        number("Last bar of the file", "40");
        assertThat(page.getByText("Save the click as WAV, 24 bit"))
                .hasAttribute("href", "/api/sessions/low-water/click.wav?bars=33-40&countIn=true");
        Assertions.assertThat(AccessibilityIT.faults(page)).isEmpty();
        page.keyboard().press("Escape");
        page.keyboard().press("Shift+3");
        button("Big clock").click();
        Locator clock = page.getByRole(AriaRole.DIALOG, new Page.GetByRoleOptions().setName("Big clock"));
        assertThat(clock).containsText("Slow middle");
        assertThat(clock).containsText("8 bars left, then Return");
        Assertions.assertThat(AccessibilityIT.faults(page)).isEmpty();
        button("Close").click();
    }
}
