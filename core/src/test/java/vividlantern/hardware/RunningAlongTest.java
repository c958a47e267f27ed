package vividlantern.hardware;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.apache.commons.math3.transform.DftNormalization;
import org.apache.commons.math3.transform.FastFourierTransformer;
import org.apache.commons.math3.transform.TransformType;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A device on a clock of its own is followed to a part in a million, without clicks, at the delay that is stated. */
public final class RunningAlongTest {

    private static final int RATE = 48_000;

    /** Plays a tone by its own clock; its time stamps are off by a third of a frame more or less. */
    private record Other(double ppm, double hz, double jitter, Random random) implements FreeRunning {

        @Override
        public int channels() {
            return 1;
        }

        @Override
        public double capturedBy(long leadingFrame) {
            return leadingFrame * (1 + ppm * 1e-6) + jitter * (random.nextDouble() * 2 - 1);
        }

        @Override
        public void copy(long from, float[][] to, int offset, int frames) {
            for (int n = 0; n < frames; n++) {
                to[0][offset + n] = (float) (0.5 * Math.sin(2 * Math.PI * hz * (from + n) / RATE));
            }
        }
    }

    /** What comes in at the other's input over the last seconds, and how fast its clock is found to be. */
    private record ComesIn(float[] samples, double driftPpm) {}

    private static ComesIn comesIn(Other other, int seconds, int kept, int buffer) {
        float[] all = new float[kept * RATE];
        long from = (long) (seconds - kept) * RATE;
        RunningAlong both = new RunningAlong(
                (in, out, frames, frame) -> {
                    assertThat(in.length).isEqualTo(2);
                    for (int n = 0; n < frames; n++) {
                        if (frame + n >= from && frame + n - from < all.length) {
                            all[(int) (frame + n - from)] = in[1][n];
                        }
                    }
                    return true;
                },
                List.of(other),
                RATE,
                buffer);
        float[][] in = new float[1][buffer];
        float[][] out = new float[1][buffer];
        for (long frame = 0; frame < (long) seconds * RATE; frame += buffer) {
            both.process(in, out, buffer, frame);
        }
        return new ComesIn(all, both.driftPpm(0).orElse(Double.NaN));
    }

    @DataProvider
    public Object[][] clocks() {
        return new Object[][] {
            {0, 997.0, 128}, {11, 997.0, 64}, {-35, 15_000.0, 128}, {200, 19_000.0, 512}, {20, 997.0, 4096}
        };
    }

    @Test(dataProvider = "clocks")
    public void aToneComesInCleanAndAtItsFrequencyByOurClock(double ppm, double hz, int buffer) {
        ComesIn found = comesIn(new Other(ppm, hz, 0.3, new Random(1)), 62, 2, buffer);
        float[] tone = found.samples();
        assertThat(beside(tone, hz * (1 + ppm * 1e-6)))
                .as("all that is not within 10 Hz of the tone, in dB below it")
                .isLessThan(-100);
        assertThat(found.driftPpm()).isCloseTo(ppm, within(1.0));
    }

    /** The power of all but a tone and its near neighbourhood, in dB below the tone; under a Kaiser window. */
    private static double beside(float[] samples, double hz) {
        int size = 1 << 16;
        double beta = 20;
        double[][] values = new double[2][size];
        for (int n = 0; n < size; n++) {
            double x = 2.0 * n / (size - 1) - 1;
            values[0][n] = samples[n] * bessel(beta * Math.sqrt(1 - x * x)) / bessel(beta);
        }
        FastFourierTransformer.transformInPlace(values, DftNormalization.STANDARD, TransformType.FORWARD);
        double tone = 0;
        double rest = 0;
        for (int k = 1; k < size / 2; k++) {
            double power = values[0][k] * values[0][k] + values[1][k] * values[1][k];
            if (Math.abs((double) k * RATE / size - hz) < 10) {
                tone += power;
            } else {
                rest += power;
            }
        }
        return 10 * Math.log10(rest / tone);
    }

    private static double bessel(double x) {
        double sum = 1;
        double term = 1;
        for (int k = 1; k < 60; k++) {
            term *= x / (2 * k) * (x / (2 * k));
            sum += term;
        }
        return sum;
    }

    @Test
    public void itIsLateByWhatIsStated() {
        float[] tone = comesIn(new Other(0, 100, 0, new Random(1)), 20, 1, 128).samples();
        for (int n = 0; n < RATE; n += 97) {
            double then = 19.0 * RATE + n - RunningAlong.DELAY_FRAMES;
            assertThat(tone[n]).isCloseTo((float) (0.5 * Math.sin(2 * Math.PI * 100 * then / RATE)), within(1e-4f));
        }
    }

    @Test
    public void overAnHourItNeitherRunsAwayNorClicks() {
        double ppm = 20;
        ClockFollower clock = new ClockFollower(RATE);
        Random random = new Random(3);
        double worst = 0;
        List<Double> drifts = new ArrayList<>();
        for (long frame = 0; frame < 3600L * RATE; frame += 128) {
            double truly = frame * (1 + ppm * 1e-6);
            clock.take(truly + 0.3 * (random.nextDouble() * 2 - 1), 128);
            if (frame > 60L * RATE) {
                worst = Math.max(worst, Math.abs(clock.position() - truly));
                if (frame % (128 * 10_000) == 0) {
                    drifts.add(clock.driftPpm());
                }
            }
        }
        assertThat(worst).isLessThan(0.1);
        assertThat(drifts)
                .hasSizeGreaterThan(100)
                .allSatisfy(each -> assertThat(each).isCloseTo(ppm, within(1.0)));
    }

    @Test
    public void aClockThatChangesItsPaceIsFollowedAgain() {
        ClockFollower clock = new ClockFollower(RATE);
        double truly = 0;
        for (long frame = 0; frame < 400L * RATE; frame += 128) {
            truly += 128 * (1 + (frame < 100L * RATE ? 5 : 40) * 1e-6);
            clock.take(truly, 128);
        }
        assertThat(clock.driftPpm()).isCloseTo(40, within(1.0));
    }
}
