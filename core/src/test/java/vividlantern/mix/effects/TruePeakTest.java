package vividlantern.mix.effects;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.Test;

/** How high a signal rises between its samples. */
public class TruePeakTest {

    private static final int FRAMES = 4800;

    /** A sine of a quarter of the rate that begins and ends gently, and is sampled beside its crests. */
    private static float[] besideItsCrests(double amplitude) {
        float[] samples = new float[FRAMES];
        for (int n = 0; n < FRAMES; n++) {
            double window = Math.sin(Math.PI * n / FRAMES);
            samples[n] = (float) (amplitude * window * window * Math.sin(Math.PI / 2 * n + Math.PI / 4));
        }
        return samples;
    }

    @Test
    public void aSineBetweenItsSamplesIsSeenAtItsAmplitude() {
        float[] samples = besideItsCrests(0.8);
        float highest = 0;
        for (float sample : samples) {
            highest = Math.max(highest, Math.abs(sample));
        }
        assertThat((double) highest).isCloseTo(0.8 * Math.sqrt(0.5), within(1e-3));
        assertThat(TruePeak.of(samples)).isCloseTo(0.8, within(1e-3));
    }

    @Test
    public void theFirstAndTheLastSampleCountToo() {
        float[] first = new float[100];
        first[0] = -0.5f;
        float[] last = new float[100];
        last[99] = 0.5f;
        assertThat(TruePeak.of(first)).isEqualTo(0.5);
        assertThat(TruePeak.of(last)).isEqualTo(0.5);
        assertThat(TruePeak.of(new float[100])).isZero();
    }
}
