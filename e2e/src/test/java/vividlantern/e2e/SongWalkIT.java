package vividlantern.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Base64;
import java.util.Map;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.testng.annotations.Test;

/** A song from nothing to what each performer hears of it: its bars, its click, what is played along, and its files. */
public class SongWalkIT {

    private static final int RATE = 48_000;
    private static final int HEADER = 44;
    private static final double FULL_SCALE = 1 << 23;
    private static final String SONG = "/sessions/tide-mill";

    private Path data;
    private Program program;
    private Page page;
    private byte[] saved;

    private Locator button(String name) {
        return page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(name).setExact(true))
                .first();
    }

    private Locator buttonLike(String pattern) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile(pattern)))
                .first();
    }

    private Locator labelled(String name) {
        return page.getByLabel(name, new Page.GetByLabelOptions().setExact(true))
                .first();
    }

    private Locator line() {
        return page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName(Pattern.compile("^Tempo: ")));
    }

    private void tempos(String words) {
        assertThat(line()).hasAccessibleName("Tempo: " + words);
    }

    private void write(String label, String text) {
        page.getByTitle(label + ": click to change").click();
        textbox(label).fill(text);
        textbox(label).press("Enter");
    }

    private Locator textbox(String name) {
        return page.getByRole(
                AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private void number(String label, String text) {
        labelled(label).fill(text);
        labelled(label).blur();
    }

    private void level(String of, String text) {
        buttonLike("^" + of + ": .*, type a level$").click();
        Locator box = labelled(of + ", in dB");
        box.fill(text);
        box.press("Enter");
        assertThat(box).hasCount(0);
    }

    private void select(String label, String option) {
        labelled(label).click();
        option(option).click();
        assertThat(page.locator(".n-base-select-menu:visible")).hasCount(0);
    }

    private Locator option(String words) {
        return page.locator(".n-base-select-menu:visible .n-base-select-option")
                .filter(new Locator.FilterOptions().setHasText(Pattern.compile("^" + words)))
                .first();
    }

    private void at(int bar, String what, String label, String text) {
        number("Bar at which something begins", String.valueOf(bar));
        button(what).click();
        write(label + " at bar " + bar, text);
    }

    private void accessible() {
        Assertions.assertThat(AccessibilityIT.faults(page)).isEmpty();
    }

    /** Shows who hears a voice or a guide. */
    private void whoHears(String track) {
        page.getByRole(
                        AriaRole.GROUP,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^(Voice of the click|Guide track)$")))
                .getByText(track, new Locator.GetByTextOptions().setExact(true))
                .click();
    }

    /** The left samples of a file of 24 bits, of full scale. */
    private static double[] left(byte[] wav) {
        ByteBuffer file = ByteBuffer.wrap(wav).order(ByteOrder.LITTLE_ENDIAN);
        double[] samples = new double[(wav.length - HEADER) / 6];
        for (int n = 0; n < samples.length; n++) {
            int at = HEADER + 6 * n;
            samples[n] = ((file.get(at) & 0xFF) | (file.getShort(at + 1) << 8)) / FULL_SCALE;
        }
        return samples;
    }

    private double[] mix(String cue) {
        return left(program.get("/api" + SONG + "/mixes/" + cue + ".wav?bars=2-5&countIn=false&players=none"));
    }

    private static double peak(double[] samples, int from, int to) {
        return Arrays.stream(samples, from, to).map(Math::abs).max().orElseThrow();
    }

    @Test
    public void fromNothingToWhatEverybodyHears() throws IOException {
        data = Files.createTempDirectory("vivid-lantern-song");
        program = Program.start(data);
        try (Chromium chromium = new Chromium()) {
            page = chromium.newPerson(ColorScheme.DARK);
            step1TheNextSongHasAnEmptyLineToPressOn();
            step2ItsBarsAreTypedDraggedTappedAndTakenBack();
            step3TheBarIsPressedInEachTimeSignatureAndInAPart();
            step4TheBassHasALowVoiceAndOneStrikesASoundOfItsOwn();
            step5TheCajonHearsMuchOfItAndTheVoiceNone();
            step6ItSoundsWhenItIsWanted();
            step7ItsFilesLieOnTheGridAndItsMidiComesBack();
            step8AGuideIsDroppedPlacedAndTappedAlongWith();
            step9EverybodyHearsTheirOwnAndTheFilesProveIt();
            step10AllOfItIsThereAfterAKill();
        } finally {
            program.close();
        }
    }

    private void step1TheNextSongHasAnEmptyLineToPressOn() {
        page.navigate(program.address() + "/sessions/low-water/songs");
        textbox("Next song").fill("Tide Mill");
        textbox("Tempo, beats a minute").fill("112");
        button("Go on to the next song").click();
        page.waitForURL(Pattern.compile(SONG));
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^Click")))
                .click();
        tempos("112 from bar 1");
        BoundingBox box = line().boundingBox();
        page.mouse().click(box.x + box.width * 0.5, box.y + box.height * 0.75);
        assertThat(page.getByText(Pattern.compile("^bar (8|9) · 1$"))).isVisible();
    }

    private void step2ItsBarsAreTypedDraggedTappedAndTakenBack() {
        button("The song").click();
        write("Time signature at bar 1", "6/8 in 2");
        select("Note that the tempo at bar 1 counts", "dotted crotchet");
        number("Beats of pick-up", "0.67");
        at(33, "time signature", "Time signature", "4/4");
        at(33, "tempo", "Tempo", "126");
        select("Note that the tempo at bar 33 counts", "crotchet");
        at(65, "tempo", "Tempo", "92");
        at(61, "tempo", "Tempo", "126");
        labelled("Glide from the tempo at bar 61 to the next").click();
        number("Last bar", "72");
        at(1, "part", "Part", "Verse");
        at(33, "part", "Part", "Bridge");
        at(61, "part", "Part", "Slowing down");
        String written =
                "112 dotted crotchets from bar 1, 126 from bar 33, 126 from bar 61 gliding to the next, 92 from bar 65";
        tempos(written);
        assertThat(page.getByText(Pattern.compile("^72 bars, 1:5"))).isVisible();
        Locator bridge = page.locator("span", new Page.LocatorOptions().setHasText(Pattern.compile(" 126$")))
                .first();
        BoundingBox held = bridge.boundingBox();
        BoundingBox whole = line().boundingBox();
        page.mouse().move(held.x + 2, held.y + held.height / 2);
        page.mouse().down();
        page.mouse().move(whole.x + whole.width * 36.1 / 72, held.y + held.height / 2);
        tempos(written.replace("bar 33", "bar 37"));
        page.mouse().up();
        buttonLike("^Undo: Tempo: moved").click();
        tempos(written);
        page.evaluate("() => { window.beat = 1000; window.clock = performance.now;"
                + " performance.now = () => window.beat }");
        button("Tap a tempo").click();
        for (int beat = 0; beat < 4; beat++) {
            page.locator(".tap").press("Space");
            page.evaluate("() => { window.beat += 400 }");
        }
        assertThat(page.getByText("150.00")).isVisible();
        button("Set the tempo").click();
        assertThat(line()).hasAccessibleName(Pattern.compile("^Tempo: 150 dotted crotchets from bar 1, 126 from"));
        page.evaluate("() => { performance.now = window.clock }");
        buttonLike("^Undo: ").click();
        tempos(written);
        page.keyboard().press("Shift+2");
        assertThat(page.getByText("bar 33 · 1")).isVisible();
        accessible();
    }

    private void step3TheBarIsPressedInEachTimeSignatureAndInAPart() {
        button("The click").click();
        button("6/8").click();
        Locator fourth = page.getByLabel(Pattern.compile("^Beats, step 4: "));
        assertThat(fourth).hasAccessibleName("Beats, step 4: sounding");
        button("4/4").click();
        select("Where the bar is so", "in Bridge");
        Locator third = page.getByLabel(Pattern.compile("^Beats, step 3: "));
        third.click();
        assertThat(third).hasAccessibleName("Beats, step 3: accented");
        select("Where the bar is so", "everywhere");
        assertThat(third).hasAccessibleName("Beats, step 3: sounding");
    }

    private void step4TheBassHasALowVoiceAndOneStrikesASoundOfItsOwn() {
        button("Add a voice").click();
        number("Pitch of Low beats in Hz", "120");
        number("Decay of Low beats in ms", "60");
        whoHears("Low beats");
        level("Low beats in Bass and cajón", "-4");
        button("Hear Low beats").click();
        labelled("Sound of Between beats").click();
        page.waitForFileChooser(() -> option("a WAV file").click())
                .setFiles(new FilePayload("knock.wav", "audio/wav", Sounds.wav(1, 44_100, 4_410)));
        assertThat(page.getByText("knock.wav").first()).isVisible();
        assertThat(labelled("Pitch of Between beats in Hz")).hasCount(0);
        accessible();
    }

    private void step5TheCajonHearsMuchOfItAndTheVoiceNone() {
        whoHears("Click");
        level("Click in Bass and cajón", "0");
        level("Click in Voice", "off");
        level("Click on the speakers", "off");
        whoHears("Click between");
        level("Click between in Bass and cajón", "-12");
        level("Click between in Voice", "off");
        assertThat(page.getByRole(
                        AriaRole.SLIDER,
                        new Page.GetByRoleOptions()
                                .setName("Click between in Voice")
                                .setExact(true)))
                .hasAttribute("aria-valuetext", "off");
    }

    private void step6ItSoundsWhenItIsWanted() {
        select("When the click sounds", "in the count-in only");
        assertThat(labelled("Bars after which the click stops")).hasCount(0);
        select("When the click sounds", "always");
        number("Bars of count-in", "2");
        number("Bars after which the click stops", "60");
        button("The song").click();
        labelled("The click is silent in Slowing down").click();
        assertThat(buttonLike("^Undo: Click: silent in 1 part")).isVisible();
        button("The click").click();
        select("When the click sounds", "while the song plays");
        page.getByText("only while a track is armed").click();
        buttonLike("^Undo: Click: sounds while the song plays, with tracks armed")
                .click();
        assertThat(buttonLike("^Undo: Click: sounds while the song plays,")).isVisible();
    }

    private void step7ItsFilesLieOnTheGridAndItsMidiComesBack() throws IOException {
        button("Save to a file").click();
        labelled("With the count-in before it").click();
        Download all = page.waitForDownload(
                () -> page.getByText("Save the click as WAV, 24 bit").click());
        saved = Files.readAllBytes(all.path());
        // 2 quavers, 32 bars of 2 dotted crotchets at 112, 28 of 4 crotchets at 126, 16 crotchets from 126 to 92, 32 at
        // 92
        double line = 16 * 60 * Math.log(126 / 92.0) / (126 - 92);
        double seconds = (2 / 3.0 + 64) * 60 / 112 + 112 * 60 / 126.0 + line + 32 * 60 / 92.0;
        Assertions.assertThat((saved.length - HEADER) / 6).isEqualTo((int) Math.round(seconds * RATE));
        double[] samples = left(saved);
        for (int count = 0; count < 64; count++) {
            int beat = (int) Math.round((2 / 3.0 + count) * 60 / 112 * RATE);
            Assertions.assertThat(peak(samples, beat, beat + 48))
                    .as("count %s", count)
                    .isGreaterThan(0.1);
        }
        select("What sounds", "Each voice in a file of its own");
        Download each = page.waitForDownload(
                () -> page.getByText("Save the voices as a ZIP, 24 bit").click());
        Assertions.assertThat(each.suggestedFilename()).endsWith("click, voice by voice.zip");
        Download midi = page.waitForDownload(
                () -> page.getByText("Save the tempo as MIDI").click());
        page.keyboard().press("Escape");
        button("Import MIDI").click();
        labelled("A Standard MIDI File with tempos, time signatures and markers")
                .setInputFiles(midi.path());
        assertThat(page.getByText("nothing would change")).isVisible();
        page.keyboard().press("Escape");
    }

    private void step8AGuideIsDroppedPlacedAndTappedAlongWith() {
        button("Guide tracks").click();
        Object dropped = page.evaluateHandle(
                "(base64) => { const data = new DataTransfer(); const bytes = Uint8Array.from(atob(base64), (c) =>"
                        + " c.charCodeAt(0)); data.items.add(new File([bytes], 'Mill tape.wav', {type: 'audio/wav'}));"
                        + " return data }",
                Base64.getEncoder().encodeToString(Sounds.wav(2, 44_100, 20 * 44_100)));
        page.dispatchEvent(".guides .drop", "drop", Map.of("dataTransfer", dropped));
        assertThat(page.getByText("Mill tape.wav, 0:20, stereo, 44.1 kHz")).isVisible();
        number("Where Mill tape ends in its file, in seconds", "16");
        level("Gain of Mill tape", "-3");
        BoundingBox band =
                page.getByTitle(Pattern.compile("^Mill tape, from bar 1:")).boundingBox();
        BoundingBox whole = line().boundingBox();
        page.mouse().move(band.x + 10, band.y + 5);
        page.mouse().down();
        page.mouse().move(band.x + 10 + whole.width / 72.0, band.y + 5);
        assertThat(labelled("Bar at which Mill tape begins")).hasValue("2");
        page.mouse().up();
        page.getByText("loop", new Page.GetByTextOptions().setExact(true))
                .first()
                .click();
        whoHears("Mill tape");
        level("Mill tape in Voice", "-6");
        button("Tap a tempo").click();
        select("Tap along with", "Mill tape");
        button("Play the song from bar 1").click();
        for (int tap = 0; tap < 6; tap++) {
            aBarLater();
            aBarLater();
            page.locator(".tap").press("Space");
        }
        button("A tempo for each bar").click();
        button("Lay the song on it").click();
        assertThat(line()).hasAccessibleName(Pattern.compile("^Tempo: .* from bar 1, .* from bar 2"));
        assertThat(labelled("Seconds at which Mill tape begins")).isVisible();
        buttonLike("^Undo: ").click();
        assertThat(labelled("Bar at which Mill tape begins")).hasValue("2");
        buttonLike("^■|^Stop").click();
        accessible();
    }

    /** Whichever bar comes next: on a busy machine one may pass unseen. */
    private void aBarLater() {
        Locator place = page.getByText(Pattern.compile("^bar \\d+ · "));
        String bar = place.innerText().replaceFirst("·.*", "");
        assertThat(place).not().containsText(bar);
    }

    /** The guide is a sine of −12.2 dBFS that begins with bar 2; where nothing is played the mics hiss at −93 dBFS. */
    private void step9EverybodyHearsTheirOwnAndTheFilesProveIt() {
        page.keyboard().press("Shift+1");
        assertThat(page.getByText(Pattern.compile("^bar 1 · "))).isVisible();
        button("▶ Play").click();
        assertThat(page.getByText(Pattern.compile("^bar ([2-9]|\\d\\d) · "))).isVisible();
        buttonLike("Stop").click();
        double[] voice = mix("voice");
        double[] cajon = mix("bass-cajon");
        int bar = (int) Math.round(2 * 60 / 112.0 * RATE);
        Assertions.assertThat(peak(voice, 5_000, 3 * bar)).isBetween(0.05, 0.25);
        for (int at = 5_000; at + 200 < 3 * bar; at += 200) {
            Assertions.assertThat(peak(voice, at, at + 200))
                    .as("no click at %s", at)
                    .isLessThan(peak(voice, 5_000, 20_000) * 1.02);
        }
        int between = bar / 2 - 3_500;
        Assertions.assertThat(peak(cajon, between, between + 3_000))
                .as("no guide")
                .isLessThan(1e-3);
        Assertions.assertThat(peak(cajon, 60, 1_000)).as("much click").isGreaterThan(0.1);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^Cues")))
                .click();
        accessible();
    }

    private void step10AllOfItIsThereAfterAKill() {
        program.kill();
        program = Program.start(data);
        page.navigate(program.address() + SONG + "/click");
        tempos("112 dotted crotchets from bar 1, 126 from bar 33, 126 from bar 61 gliding to the next, 92 from bar 65");
        button("Guide tracks").click();
        assertThat(page.getByText("Mill tape.wav, 0:20, stereo, 44.1 kHz")).isVisible();
        Assertions.assertThat(program.get("/api" + SONG + "/click.wav?bars=all&countIn=false"))
                .isEqualTo(saved);
    }
}
