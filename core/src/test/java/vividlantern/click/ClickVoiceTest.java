package vividlantern.click;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static vividlantern.session.song.ClickPattern.Stroke.ACCENTED;
import static vividlantern.session.song.ClickPattern.Stroke.SILENT;
import static vividlantern.session.song.ClickPattern.Stroke.SOUNDING;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.session.song.ClickPattern;
import vividlantern.session.song.Marker;
import vividlantern.session.song.MarkerId;
import vividlantern.session.song.NoteValue;
import vividlantern.session.song.SongParts;
import vividlantern.session.song.TempoMap;
import vividlantern.session.song.VoiceId;
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
        ClickVoice click = click(voice(1, false), map);
        long barFour = Math.round(4.772727 * RATE);
        assertThat(onsets(voice(1, false), map, barFour - 10, 30_000))
                .containsExactly(barFour, Math.round((4.772727 + 60 / 132.0) * RATE));
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
                        3, 4, List.of(SOUNDING, SILENT, SILENT, SOUNDING, ACCENTED, SILENT))),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
        TempoMap map = new TempoMap(
                TempoMap.steady(120, 3, 4).tempos(), List.of(new TempoMap.Meter(1, 3, 4), new TempoMap.Meter(2, 2, 4)));
        assertThat(onsets(voice, map, 0, 120_000))
                .containsExactly(0L, 36_000L, 48_000L, 72_000L, 84_000L, 96_000L, 108_000L);
        float[] samples = new float[120_000];
        click(voice, map).fill(0, samples, 0, 120_000, Passage.ENDLESS);
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
        float[] samples = new float[RATE];
        click(voice(1, false), TempoMap.steady(120, 4, 4)).fill(0, samples, 0, RATE, Passage.ENDLESS.endedAt(24_000));
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
        click(voice, map).fill(-9000, whole, 0, whole.length, Passage.ENDLESS);
        ClickVoice pieces = click(voice, map);
        float[] pieced = new float[50_000];
        for (int at = 0; at < 50_000; at += 125) {
            pieces.fill(-9000 + at, pieced, at, 125, Passage.ENDLESS);
        }
        assertThat(pieced).isEqualTo(whole);
    }

    /** 6/8 at 120 crotchets: a quaver has 12 000 frames, and felt in two a count has 36 000. */
    @Test
    public void feltInTwoTheBeatsAreTheCountsAndBetweenThemLieTheQuavers() {
        TempoMap map = new TempoMap(TempoMap.steady(120, 4, 4).tempos(), List.of(new TempoMap.Meter(1, 6, 8, 2)));
        assertThat(onsets(voice(1, false), map, 0, 100_000)).containsExactly(0L, 36_000L, 72_000L);
        assertThat(onsets(voice(2, true), map, 0, 72_000)).containsExactly(12_000L, 24_000L, 48_000L, 60_000L);
        assertThat(onsets(voice(2, false), map, 0, 30_000))
                .as("what falls on each step does so still")
                .containsExactly(0L, 6_000L, 12_000L, 18_000L, 24_000L);
    }

    @Test
    public void aPartMayHaveAPatternOfItsOwn() {
        MarkerId chorus = new MarkerId("chorus");
        ClickPattern.Voice voice = new ClickPattern.Voice(
                new VoiceId("v"),
                "V",
                ClickPattern.Sound.WOOD,
                1000,
                1,
                false,
                Decibels.of(4),
                List.of(
                        new ClickPattern.BarPattern(2, 4, List.of(SOUNDING, SILENT)),
                        new ClickPattern.BarPattern(2, 4, List.of(SILENT, SOUNDING), Optional.of(chorus))),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
        List<Marker> parts = List.of(
                new Marker(new MarkerId("verse"), "Verse", 1),
                new Marker(chorus, "Chorus", 2),
                new Marker(new MarkerId("end"), "End", 3));
        ClickVoice click = click(new ClickPattern(1, List.of(voice)), TempoMap.steady(120, 2, 4), parts);
        assertThat(onsets(click, Passage.ENDLESS, 0, 144_000)).containsExactly(0L, 72_000L, 96_000L);
    }

    @Test
    public void itIsSilentInAPartButNotInACountInToIt() {
        MarkerId two = new MarkerId("two");
        List<Marker> parts = List.of(new Marker(new MarkerId("one"), "One", 1), new Marker(two, "Two", 2));
        ClickPattern silent = new ClickPattern(1, List.of(voice(1, false)), false, 0, List.of(two), false, false);
        TempoMap map = TempoMap.steady(120, 2, 4);
        assertThat(onsets(click(silent, map, parts), Passage.ENDLESS, 0, 96_000))
                .containsExactly(0L, 24_000L);
        assertThat(onsets(click(silent, map, parts), Passage.from(48_000, 96_000), 48_000, 96_000))
                .containsExactly(48_000L, 72_000L);
    }

    @Test
    public void itMayCountInOnlyOrStopAfterSomeBarsOrWithTheSong() {
        TempoMap map = TempoMap.steady(120, 2, 4);
        Passage counted = Passage.from(-48_000, 0);
        ClickPattern countIn = new ClickPattern(1, List.of(voice(1, false)), true, 0, List.of(), false, false);
        assertThat(onsets(click(countIn, map, List.of()), counted, -48_000, 144_000))
                .containsExactly(-48_000L, -24_000L);
        ClickPattern stops = new ClickPattern(1, List.of(voice(1, false)), false, 1, List.of(), false, false);
        assertThat(onsets(click(stops, map, List.of()), counted, -48_000, 144_000))
                .containsExactly(-48_000L, -24_000L, 0L, 24_000L);
        assertThat(onsets(click(stops, map, List.of()), Passage.from(48_000, 96_000), 48_000, 240_000))
                .as("from bar 3 on, bar 3")
                .containsExactly(48_000L, 72_000L, 96_000L, 120_000L);
        ClickPattern goesOn = new ClickPattern(1, List.of(voice(1, false)));
        assertThat(onsets(click(goesOn, map.endingWith(Optional.of(1)), List.of()), counted, -48_000, 240_000))
                .containsExactly(-48_000L, -24_000L, 0L, 24_000L);
    }

    /** At 120 in 3/4 a beat has 24 000 frames and bar 2 begins at 72 000. */
    @Test
    public void whileTheSongStandsItCountsOnOverAndOverTheBarInWhichItDoes() {
        TempoMap map = new TempoMap(
                List.of(
                        new TempoMap.Tempo(0, 120, NoteValue.CROTCHET, false),
                        new TempoMap.Tempo(6, 60, NoteValue.CROTCHET, false)),
                List.of(new TempoMap.Meter(1, 3, 4)));
        ClickPattern always = new ClickPattern(1, List.of(voice(1, false)), false, 0, List.of(), true, false);
        Passage stopped = Passage.from(0, 0).endedAt(100_000);
        List<Long> onsets = onsets(click(always, map, List.of()), stopped, 100_000, 200_000);
        assertThat(onsets)
                .containsExactly(120_000L, 144_000L, 168_000L, 192_000L, 216_000L, 240_000L, 264_000L, 288_000L);
        assertThat(onsets(click(always, map, List.of()), Passage.nothing(72_000), 72_000, 72_000))
                .as("where it was put, from the first beat on")
                .containsExactly(72_000L, 96_000L, 120_000L);
        ClickVoice pieces = click(always, map, List.of());
        float[] whole = new float[200_000];
        float[] pieced = new float[200_000];
        click(always, map, List.of()).fill(100_000, whole, 0, whole.length, stopped);
        for (int at = 0; at < whole.length; at += 64) {
            pieces.fill(100_000 + at, pieced, at, 64, stopped);
        }
        assertThat(pieced).isEqualTo(whole);
        assertThat(peak(whole, 44_000)).as("bar's first beat").isGreaterThan(peak(whole, 20_000) * 1.5);
    }

    @Test
    public void usuallyItIsSilentWhileTheSongStandsAndInASilentPartAlways() {
        TempoMap map = TempoMap.steady(120, 3, 4);
        MarkerId one = new MarkerId("one");
        List<Marker> parts = List.of(new Marker(one, "One", 1));
        ClickPattern playing = new ClickPattern(1, List.of(voice(1, false)));
        ClickPattern silent = new ClickPattern(1, List.of(voice(1, false)), false, 0, List.of(one), true, false);
        for (ClickPattern click : List.of(playing, silent)) {
            assertThat(onsets(click(click, map, parts), Passage.nothing(0), 0, 200_000))
                    .isEmpty();
        }
    }

    /** A low skin: at 90 Hz, its stroke begins almost twice as high and lasts as long as its decay asks. */
    @Test
    public void aStrokeLastsAsLongAsItsDecayAsks() {
        for (double ms : new double[] {10, 40}) {
            ClickPattern.Voice low = new ClickPattern.Voice(
                    new VoiceId("v"),
                    "V",
                    ClickPattern.Sound.SKIN,
                    100,
                    1,
                    false,
                    Decibels.OFF,
                    List.of(),
                    Optional.of(ms),
                    Optional.empty(),
                    Optional.empty());
            float[] samples = new float[24_000];
            click(low, TempoMap.steady(60, 4, 4)).fill(0, samples, 0, samples.length, Passage.ENDLESS);
            int last = samples.length - 1;
            while (samples[last] == 0) {
                last--;
            }
            assertThat(last).isCloseTo((int) (5 * ms * 48), within(3));
            assertThat(20 * Math.log10(peak(samples, 0))).isCloseTo(-15, within(0.01));
        }
    }

    /**
     * An hour of lines, jumps, odd time signatures and a pick-up, against times added up here by Simpson's rule, which is
     * another way than the formula's.
     */
    @Test
    public void overAnHourEachStrokeFallsWhereTimesAddedUpOtherwiseSayItDoes() {
        List<TempoMap.Tempo> tempos = new ArrayList<>();
        List<TempoMap.Meter> meters = new ArrayList<>();
        int[][] signatures = {{4, 4}, {7, 8}, {5, 4}, {6, 8}, {3, 2}, {11, 16}};
        for (int at = 0; at < 60; at++) {
            meters.add(new TempoMap.Meter(1 + 27 * at, signatures[at % 6][0], signatures[at % 6][1]));
        }
        TempoMap bars = new TempoMap(TempoMap.steady(100, 4, 4).tempos(), meters, 1.5, Optional.empty());
        for (int at = 0; at < 60; at++) {
            double quarter = bars.curve().quarterOf(1 + 27 * at, at % 2);
            tempos.add(new TempoMap.Tempo(at == 0 ? 0 : quarter, 60 + 37 * at % 120, NoteValue.CROTCHET, at % 3 == 1));
        }
        TempoMap map = new TempoMap(tempos, meters, 1.5, Optional.empty());
        List<Long> expected = new ArrayList<>();
        double seconds = 0;
        int bar = 1;
        double quarter = 0;
        while (seconds < 3610) {
            TempoMap.Meter meter = meters.get(Math.min(59, (bar - 1) / 27));
            double beat = 4.0 / meter.noteValue();
            for (int n = 0; n < meter.beats(); n++) {
                expected.add(Math.round(seconds * RATE));
                seconds += secondsOf(tempos, quarter, quarter + beat);
                quarter += beat;
            }
            bar++;
        }
        List<Long> found = onsets(voice(1, false), map, 0, 3600 * RATE);
        assertThat(found).hasSizeGreaterThan(7000).isEqualTo(expected.subList(0, found.size()));
    }

    /** By Simpson's rule, piece by piece where a tempo begins. */
    private static double secondsOf(List<TempoMap.Tempo> tempos, double from, double to) {
        double seconds = 0;
        double at = from;
        while (at < to - 1e-12) {
            int segment = 0;
            while (segment + 1 < tempos.size() && tempos.get(segment + 1).atQuarter() <= at + 1e-12) {
                segment++;
            }
            double end = segment + 1 < tempos.size()
                    ? Math.min(to, tempos.get(segment + 1).atQuarter())
                    : to;
            TempoMap.Tempo here = tempos.get(segment);
            int slices = 64;
            for (int edge = 0; edge <= slices; edge++) {
                double place = at + (end - at) * edge / slices;
                double tempo = here.quartersPerMinute();
                if (here.rampToNext() && segment + 1 < tempos.size()) {
                    TempoMap.Tempo next = tempos.get(segment + 1);
                    double share = (place - here.atQuarter()) / (next.atQuarter() - here.atQuarter());
                    tempo += share * (next.quartersPerMinute() - tempo);
                }
                int weight = edge == 0 || edge == slices ? 1 : edge % 2 == 1 ? 4 : 2;
                seconds += weight * (end - at) / slices / 3 * 60 / tempo;
            }
            at = end;
        }
        return seconds;
    }

    private static ClickPattern.Voice voice(int steps, boolean between) {
        return new ClickPattern.Voice(
                new VoiceId("v"), "V", ClickPattern.Sound.WOOD, 1000, steps, between, Decibels.of(4));
    }

    /** The frames at which sound begins after silence. */
    private static List<Long> onsets(ClickPattern.Voice voice, TempoMap map, long from, int frames) {
        return onsets(click(voice, map), Passage.ENDLESS, from, frames);
    }

    private static ClickVoice click(ClickPattern.Voice voice, TempoMap map) {
        return click(new ClickPattern(1, List.of(voice)), map, List.of());
    }

    private static ClickVoice click(ClickPattern click, TempoMap map, List<Marker> markers) {
        return new ClickVoice(click, click.voices().get(0), map.curve(), new SongParts(markers), RATE, OwnSounds.NONE);
    }

    private static List<Long> onsets(ClickVoice click, Passage played, long from, int frames) {
        float[] samples = new float[frames];
        click.fill(from, samples, 0, frames, played);
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
        click.fill(frame, samples, 0, samples.length, Passage.ENDLESS);
        double peak = 0;
        for (float sample : samples) {
            peak = Math.max(peak, Math.abs(sample));
        }
        return peak;
    }
}
