package vividlantern.click;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static vividlantern.session.song.ClickPattern.Stroke.ACCENTED;
import static vividlantern.session.song.ClickPattern.Stroke.SILENT;
import static vividlantern.session.song.ClickPattern.Stroke.SOUNDING;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.session.song.ClickPattern;
import vividlantern.session.song.Media;
import vividlantern.session.song.MediaId;
import vividlantern.session.song.SongParts;
import vividlantern.session.song.TempoMap;
import vividlantern.session.song.VoiceId;
import vividlantern.units.Decibels;

/** A voice strikes a sound from a file from where it sets in, as loud as the made ones. At 120 a beat has 24 000 frames. */
public class OwnSoundsTest {

    private static final int RATE = 48_000;
    private static final double PEAK = Math.pow(10, -15 / 20.0);
    private static final Media KNOCK = new Media(new MediaId("b1"), "knock.wav", 1, RATE, 30_000);

    /** 1000 frames of all but silence, then a sound of 29 000 frames that begins at half of its peak. */
    private static float[] knock() {
        float[] samples = new float[30_000];
        for (int n = 0; n < samples.length; n++) {
            samples[n] = n < 1000 ? 0.001f : n < 1010 ? 0.1f : 0.2f;
        }
        return samples;
    }

    private static float[] played(List<ClickPattern.Stroke> bar, OwnSounds own, long from, int frames) {
        ClickPattern.Voice voice = new ClickPattern.Voice(
                new VoiceId("v"),
                "V",
                ClickPattern.Sound.WOOD,
                1000,
                1,
                false,
                Decibels.of(6),
                List.of(new ClickPattern.BarPattern(4, 4, bar)),
                Optional.empty(),
                Optional.of(KNOCK),
                Optional.empty());
        float[] samples = new float[frames];
        new ClickVoice(
                        new ClickPattern(0, List.of(voice)),
                        voice,
                        TempoMap.steady(120, 4, 4).curve(),
                        new SongParts(List.of()),
                        RATE,
                        own)
                .fill(from, samples, 0, frames, Passage.ENDLESS);
        return samples;
    }

    private static OwnSounds own() {
        return new OwnSounds(RATE, Map.of(KNOCK.id(), knock()));
    }

    @Test
    public void aSoundOfTheTiniestSamplesIsSilentAndASoftOneAsLoudAsAnyOther() {
        for (float tiny : new float[] {Float.MIN_VALUE, 1e-40f, 5e-8f}) {
            OwnSounds own = new OwnSounds(RATE, Map.of(KNOCK.id(), new float[] {tiny, -tiny, tiny, tiny}));
            for (float sample : played(List.of(SOUNDING, SOUNDING, SOUNDING, SOUNDING), own, 0, 96_000)) {
                assertThat(sample).isZero();
            }
        }
        float[] soft = new float[1000];
        Arrays.fill(soft, 1e-7f);
        float[] heard = played(
                List.of(SOUNDING, SOUNDING, SOUNDING, SOUNDING), new OwnSounds(RATE, Map.of(KNOCK.id(), soft)), 0, 100);
        assertThat((double) heard[10]).isCloseTo(PEAK, within(1e-6));
    }

    @Test
    public void itIsStruckWhereItSetsInAsLoudAsAMadeOneAndLouderOnTheAccent() {
        float[] samples = played(List.of(ACCENTED, SOUNDING, SOUNDING, SOUNDING), own(), 0, 96_000);
        assertThat((double) samples[24_000]).isCloseTo(PEAK / 2, within(1e-6));
        assertThat((double) samples[24_010]).isCloseTo(PEAK, within(1e-6));
        assertThat((double) samples[10]).isCloseTo(PEAK * Math.pow(10, 6 / 20.0), within(1e-6));
        assertThat((double) samples[23_999])
                .as("before the next stroke ends it")
                .isCloseTo(samples[10], within(1e-6));
    }

    @Test
    public void itSoundsOnOverStepsThatAreSilentAndFadesOut() {
        float[] samples = played(List.of(SOUNDING, SILENT, SILENT, SILENT), own(), 0, 96_000);
        assertThat((double) samples[28_500]).isCloseTo(PEAK, within(1e-6));
        assertThat((double) samples[28_880]).isCloseTo(PEAK * 119 / 240, within(1e-6));
        assertThat(samples[29_000]).isZero();
        float[] later = played(List.of(SOUNDING, SILENT, SILENT, SILENT), own(), 25_000, 4_000);
        for (int n = 0; n < later.length; n++) {
            assertThat(later[n]).isEqualTo(samples[25_000 + n]);
        }
    }

    @Test
    public void whatCannotBeReadIsStruckAsItsMadeSound() {
        float[] samples = played(List.of(ACCENTED, SOUNDING, SOUNDING, SOUNDING), OwnSounds.NONE, 24_000, 24_000);
        double largest = 0;
        for (float sample : samples) {
            largest = Math.max(largest, Math.abs(sample));
        }
        assertThat(largest).isCloseTo(PEAK, within(1e-6));
        assertThat(samples[20_000]).as("wood is short").isZero();
    }
}
