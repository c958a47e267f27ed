package vividlantern.click;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static vividlantern.session.ClickPattern.Stroke.ACCENTED;
import static vividlantern.session.ClickPattern.Stroke.SILENT;
import static vividlantern.session.ClickPattern.Stroke.SOUNDING;

import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.Test;
import vividlantern.session.ClickPattern;
import vividlantern.session.NoteValue;
import vividlantern.session.TempoMap;
import vividlantern.session.VoiceId;
import vividlantern.units.Decibels;

/** Each click begins at exactly the frame its beat falls on. */
public class ClickVoiceTest {

    private static final int RATE = 48_000;

    @Test
    public void beatsAtOneHundredTwentyFallEveryHalfSecondTheCountInIncluded() {
        assertThat(onsets(voice(1, false), TempoMap.steady(120, 4, 4), -48_000, 144_000))
                .containsExactly(-48_000L, -24_000L, 0L, 24_000L, 48_000L, 72_000L);
    }

    @Test
    public void positionsComeFromTheExactBeatAndNeverDrift() {
        List<Long> onsets = onsets(voice(1, false), TempoMap.steady(137, 4, 4), 0, 400 * RATE);
        assertThat(onsets).hasSize(914);
        for (int beat = 0; beat < onsets.size(); beat++) {
            assertThat(onsets.get(beat)).isEqualTo(Math.round(60.0 * beat / 137 * RATE));
        }
    }

    @Test
    public void theyFollowARamp() {
        TempoMap map = new TempoMap(
                List.of(
                        new TempoMap.Tempo(0, 90, NoteValue.CROTCHET, true),
                        new TempoMap.Tempo(16, 120, NoteValue.CROTCHET, false)),
                List.of(new TempoMap.Meter(1, 4, 4)));
        List<Long> onsets = onsets(voice(1, false), map, 0, 10 * RATE);
        assertThat(onsets.get(8)).isEqualTo(Math.round(4.932822 * RATE));
        assertThat(onsets.get(16)).isEqualTo(Math.round(9.205826 * RATE));
        assertThat(onsets.get(17)).isEqualTo(Math.round((9.205826 + 0.5) * RATE));
    }

    @Test
    public void theyFollowAChangeOfMeterAndTheAccentStandsOnTheFirstBeat() {
        TempoMap map = new TempoMap(
                List.of(new TempoMap.Tempo(0, 132, NoteValue.CROTCHET, false)),
                List.of(new TempoMap.Meter(1, 7, 8), new TempoMap.Meter(4, 3, 4)));
        ClickVoice click = new ClickVoice(voice(1, false), map.curve(), RATE);
        long barFour = Math.round(4.772727 * RATE);
        assertThat(click.nextStroke(barFour - 10)).isEqualTo(barFour);
        assertThat(click.nextStroke(barFour + 1)).isEqualTo(Math.round((4.772727 + 60 / 132.0) * RATE));
        double accent = peak(click, barFour);
        double plain = peak(click, Math.round((4.772727 + 60 / 132.0) * RATE));
        assertThat(20 * Math.log10(plain)).isCloseTo(-15, within(0.01));
        assertThat(20 * Math.log10(accent)).isCloseTo(-11, within(0.01));
    }

    @Test
    public void theVoiceBetweenBeatsLeavesTheBeatsOut() {
        assertThat(onsets(voice(2, true), TempoMap.steady(120, 4, 4), 0, 96_000))
                .containsExactly(12_000L, 36_000L, 60_000L, 84_000L);
    }

    /** One pattern a time signature: in 3/4 on one and three and after two, in 4/4 on each beat. At 120 a quaver has 12 000 frames. */
    @Test
    public void aBarFallsAsItsPatternSays() {
        ClickPattern.Voice voice = new ClickPattern.Voice(
                new VoiceId("v"),
                "V",
                ClickPattern.Sound.WOOD,
                1000,
                2,
                false,
                Decibels.of(4),
                List.of(new ClickPattern.BarPattern(
                        3, 4, List.of(SOUNDING, SILENT, SILENT, SOUNDING, ACCENTED, SILENT))));
        TempoMap map = new TempoMap(
                TempoMap.steady(120, 3, 4).tempos(), List.of(new TempoMap.Meter(1, 3, 4), new TempoMap.Meter(2, 2, 4)));
        assertThat(onsets(voice, map, 0, 120_000))
                .containsExactly(0L, 36_000L, 48_000L, 72_000L, 84_000L, 96_000L, 108_000L);
        float[] samples = new float[120_000];
        new ClickVoice(voice, map.curve(), RATE).fill(0, samples, 0, 120_000, Long.MIN_VALUE, Long.MAX_VALUE);
        double plain = peak(samples, 0);
        assertThat(20 * Math.log10(peak(samples, 48_000) / plain))
                .as("the accent")
                .isCloseTo(4, within(0.01));
        assertThat(20 * Math.log10(peak(samples, 72_000) / plain))
                .as("the first of a usual bar")
                .isCloseTo(4, within(0.01));
        assertThat(20 * Math.log10(peak(samples, 36_000) / plain)).isCloseTo(0, within(0.01));
    }

    private static double peak(float[] samples, int from) {
        double peak = 0;
        for (int n = from; n < from + 3000; n++) {
            peak = Math.max(peak, Math.abs(samples[n]));
        }
        return peak;
    }

    @Test
    public void noStrokeBeginsAfterTheSongHasStoppedAndTheLastRingsOut() {
        ClickVoice click =
                new ClickVoice(voice(1, false), TempoMap.steady(120, 4, 4).curve(), RATE);
        float[] samples = new float[RATE];
        click.fill(0, samples, 0, RATE, Long.MIN_VALUE, 24_000);
        assertThat(samples[0]).isNotZero();
        assertThat(samples[1000]).isNotZero();
        for (int n = 24_000; n < RATE; n++) {
            assertThat(samples[n]).isZero();
        }
    }

    @Test
    public void samplesDependOnTheSongsFrameAloneNotOnTheBlocks() {
        ClickPattern.Voice voice = voice(3, false);
        TempoMap map = TempoMap.steady(97.13, 5, 8);
        float[] whole = new float[50_000];
        new ClickVoice(voice, map.curve(), RATE).fill(-9000, whole, 0, whole.length, Long.MIN_VALUE, Long.MAX_VALUE);
        ClickVoice pieces = new ClickVoice(voice, map.curve(), RATE);
        float[] pieced = new float[50_000];
        for (int at = 0; at < 50_000; at += 125) {
            pieces.fill(-9000 + at, pieced, at, 125, Long.MIN_VALUE, Long.MAX_VALUE);
        }
        assertThat(pieced).isEqualTo(whole);
    }

    private static ClickPattern.Voice voice(int steps, boolean between) {
        return new ClickPattern.Voice(
                new VoiceId("v"), "V", ClickPattern.Sound.WOOD, 1000, steps, between, Decibels.of(4));
    }

    /** The frames at which sound begins after silence. */
    private static List<Long> onsets(ClickPattern.Voice voice, TempoMap map, long from, int frames) {
        float[] samples = new float[frames];
        new ClickVoice(voice, map.curve(), RATE).fill(from, samples, 0, frames, Long.MIN_VALUE, Long.MAX_VALUE);
        List<Long> onsets = new ArrayList<>();
        int silent = 1000;
        for (int n = 0; n < frames; n++) {
            if (samples[n] != 0 && silent >= 100) {
                onsets.add(from + n);
            }
            silent = samples[n] == 0 ? silent + 1 : 0;
        }
        return onsets;
    }

    private static double peak(ClickVoice click, long frame) {
        float[] samples = new float[4000];
        click.fill(frame, samples, 0, samples.length, Long.MIN_VALUE, Long.MAX_VALUE);
        double peak = 0;
        for (float sample : samples) {
            peak = Math.max(peak, Math.abs(sample));
        }
        return peak;
    }
}
