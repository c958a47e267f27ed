package vividlantern.timing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;

/** Two mics at one source, whose delay, polarity and sum are known beforehand. */
public final class TwoMicsTest {

    private static final int RATE = 48_000;
    private static final int FRAMES = 1 << 15;

    private static float[] noise(long seed) {
        Random random = new Random(seed);
        float[] noise = new float[FRAMES];
        for (int n = 0; n < FRAMES; n++) {
            noise[n] = (float) (0.1 * random.nextGaussian());
        }
        return noise;
    }

    private static float[] later(float[] source, int frames, double gain, float[] beside) {
        float[] heard = new float[FRAMES];
        for (int n = 0; n < FRAMES; n++) {
            heard[n] = (float) (gain * (n >= frames ? source[n - frames] : 0)) + (beside == null ? 0 : beside[n]);
        }
        return heard;
    }

    private static TwoMics compare(float[] first, float[] second) {
        return TwoMics.of(first, second, RATE, "Front", "Rear", false);
    }

    @Test
    public void theLaterOneIsFoundAndWhatBothGainInLine() {
        float[] source = noise(1);
        TwoMics found = compare(source, later(source, 33, 1, null));
        assertThat(found.laterFrames()).isCloseTo(33, within(0.01));
        assertThat(found.laterMs()).isCloseTo(0.6875, within(0.001));
        assertThat(found.opposite()).isFalse();
        assertThat(found.correlation()).isCloseTo(1, within(0.01));
        assertThat(found.sumDb()).isCloseTo(0, within(0.1));
        assertThat(found.inLineDb()).isCloseTo(3.01, within(0.02));
        assertThat(found.sentence())
                .startsWith("Rear hears it 0.69 ms later than Front, 33 frames. Together they ")
                .endsWith("in line they would gain 3.0 dB.");
        assertThat(found.doubts()).isEmpty();
        assertThat(compare(later(source, 12, 0.5, null), source).sentence())
                .startsWith("Front hears it 0.25 ms later than Rear, 12 frames.");
    }

    @Test
    public void itsPictureHasItsPeakAtTheLagAndNothingElsewhere() {
        float[] source = noise(7);
        List<Double> byLag = compare(source, later(source, 48, -1, null)).byLag();
        assertThat(byLag).hasSize(401);
        assertThat(byLag.get(200 + 10)).isCloseTo(-1, within(0.01));
        for (int step = 0; step < byLag.size(); step++) {
            if (Math.abs(step - 210) > 1) {
                assertThat(byLag.get(step)).isCloseTo(0, within(0.05));
            }
        }
        assertThat(compare(source, new float[FRAMES]).byLag()).isEmpty();
    }

    @Test
    public void turnedOverTheyCancel() {
        float[] source = noise(2);
        TwoMics found = TwoMics.of(source, later(source, 0, -0.8, null), RATE, "Front", "Rear", true);
        assertThat(found.opposite()).isTrue();
        assertThat(found.laterFrames()).isCloseTo(0, within(0.01));
        assertThat(found.sumDb()).isCloseTo(10 * Math.log10((1 - 0.8) * (1 - 0.8) / (1 + 0.64)), within(0.05));
        assertThat(found.inLineDb()).isCloseTo(10 * Math.log10(1.8 * 1.8 / 1.64), within(0.05));
        assertThat(found.sentence())
                .startsWith("Front and Rear hear it at the same time, the other way round. Together they lose");
        assertThat(found.doubts()).containsExactly("The two sides of one skin or board are opposite by nature.");
    }

    @Test
    public void whatHasTooLittleInCommonIsNotBelieved() {
        float[] source = noise(3);
        TwoMics strangers = compare(source, noise(4));
        assertThat(strangers.believed()).isFalse();
        assertThat(strangers.sentence()).isEqualTo("Front and Rear hear too little of the same to be compared.");
        TwoMics half = compare(source, later(source, 20, 1, noise(5)));
        assertThat(half.correlation()).isCloseTo(Math.sqrt(0.5), within(0.02));
        assertThat(half.believed()).isTrue();
    }

    @Test
    public void aSustainedNoteHasRivals() {
        float[] note = new float[FRAMES];
        for (int n = 0; n < FRAMES; n++) {
            note[n] = (float) (0.2 * Math.sin(2 * Math.PI * 440 * n / RATE));
        }
        TwoMics found = compare(note, later(note, 30, 1, null));
        assertThat(found.doubts()).anyMatch(each -> each.contains("sustained notes have rival peaks"));
    }

    @Test
    public void aSilentMicIsNamed() {
        assertThat(compare(noise(6), new float[FRAMES]).sentence()).isEqualTo("Rear is silent. Let somebody play.");
    }
}
