package vividlantern.mix.effects;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class CeilingGuardTest {

    private static final int RATE = 48_000;
    private static final float CEILING = 0.25f;
    private static final int DELAY = 60;

    @DataProvider
    public Object[][] signals() {
        return new Object[][] {
            {"noise"},
            {"burst"},
            {"sine"},
            {"one sample"},
            {"steps"},
            {"a quarter of the rate"},
            {"high sine"},
            {"clicks"},
            {"noise up to 20 kHz"}
        };
    }

    @Test(dataProvider = "signals")
    public void noSampleLeavesAboveTheCeiling(String kind) {
        float[][] out = run(guard(CEILING), signal(kind, 1), signal(kind, 2), 480);
        assertThat(peak(out[0])).isLessThanOrEqualTo(CEILING);
        assertThat(peak(out[1])).isLessThanOrEqualTo(CEILING);
        assertThat(Math.max(peak(out[0]), peak(out[1])))
                .as("it holds back no more than it must")
                .isGreaterThan(0.5 * CEILING);
    }

    /**
     * Sixteen times the rate by a windowed sinc of 512 samples: an interpolation that the guard knows nothing of.
     */
    @Test(dataProvider = "signals")
    public void theSignalDoesNotRiseAboveTheCeilingBetweenSamplesEither(String kind) {
        float[] in = signal(kind, 1);
        float[][] out = run(guard(CEILING), in, signal(kind, 2), 64);
        assertThat(20 * Math.log10(truePeak(out[0]) / CEILING)).isLessThan(0.05);
    }

    @DataProvider
    public Object[][] rates() {
        return new Object[][] {{44_100}, {48_000}, {96_000}};
    }

    /** Tones from 5/12 of the rate to right below half of it, which begin and end at once. */
    @Test(dataProvider = "rates")
    public void norDoBurstsUpToHalfTheRate(int rate) {
        Random random = new Random(rate);
        for (double share : new double[] {0.42, 0.44, 0.46, 0.47, 0.48, 0.49, 0.495, 0.498, 0.499, 0.4995}) {
            float[] bursts = new float[rate / 2];
            for (int from = 300; from < bursts.length - 1200; from += 1300) {
                double phase = 2 * Math.PI * random.nextDouble();
                double loud = 0.3 + 4 * random.nextDouble();
                int length = 20 + random.nextInt(900);
                for (int n = 0; n < length; n++) {
                    bursts[from + n] = (float) (loud * Math.sin(2 * Math.PI * share * n + phase));
                }
            }
            float[][] out = run(guard(rate, CEILING), bursts, new float[bursts.length], 64);
            assertThat(20 * Math.log10(truePeak(out[0]) / CEILING))
                    .as("%s of %s Hz", share, rate)
                    .isLessThan(0.05);
        }
    }

    @Test
    public void itComesBackNoFasterThanAnythingThatPerformersHear() {
        float[] in = new float[4 * RATE];
        Arrays.fill(in, 0.2f);
        for (int n = 20_000; n < 21_000; n++) {
            in[n] = 100;
        }
        float[][] out = run(guard(CEILING), in, new float[4 * RATE], 480);
        double most = 0;
        for (int n = 21_100; n + 4800 < out[0].length; n++) {
            most = Math.max(most, 20 * Math.log10(out[0][n + 4800] / out[0][n]));
        }
        assertThat(most).as("dB within 100 ms").isBetween(5.9, 6.01);
        assertThat(out[0][4 * RATE - 1]).isCloseTo(0.2f, within(1e-4f));
    }

    @Test
    public void aSineAtAQuarterOfTheRateIsThreeDecibelsHigherThanItsSamples() {
        float[] in = signal("a quarter of the rate", 1);
        assertThat(20 * Math.log10(truePeak(in) / peak(in))).isCloseTo(3.01, within(0.01));
        float[] loud = in.clone();
        for (int n = 0; n < loud.length; n++) {
            loud[n] *= 0.3f;
        }
        float[][] out = run(guard(CEILING), loud, loud.clone(), 64);
        assertThat(peak(out[0])).isLessThan(0.75f * CEILING);
    }

    @Test
    public void whatStaysBelowTheCeilingIsDelayedAndNotChanged() {
        float[] in = signal("sine", 1);
        for (int n = 0; n < in.length; n++) {
            in[n] *= 0.05f;
        }
        CeilingGuard guard = guard(CEILING);
        float[][] out = run(guard, in, new float[RATE], 64);
        assertThat(new CeilingGuard.Settings(CEILING).latencyFrames(RATE)).isEqualTo(DELAY);
        assertThat(CeilingGuard.delayFrames(RATE)).isEqualTo(DELAY);
        for (int n = DELAY; n < RATE; n++) {
            assertThat(out[0][n]).isEqualTo(in[n - DELAY]);
        }
    }

    @Test
    public void theDelayStaysWhenTheGuardIsOff() {
        float[][] out = run(guard(Float.POSITIVE_INFINITY), signal("one sample", 1), new float[RATE], 64);
        assertThat(out[0][1000 + DELAY]).isEqualTo(4f);
    }

    @Test
    public void bothSidesShareOneGain() {
        float[] left = signal("sine", 1);
        float[] right = new float[RATE];
        for (int n = 0; n < RATE; n++) {
            right[n] = left[n] / 8;
        }
        float[][] out = run(guard(CEILING), left, right, 480);
        for (int n = 100; n < RATE; n++) {
            assertThat(out[1][n]).isCloseTo(out[0][n] / 8, within(1e-6f));
        }
    }

    @Test
    public void itLetsGoAfterABurstAndTellsHowMuchItHeldBack() {
        float[] left = new float[2 * RATE];
        for (int n = 0; n < left.length; n++) {
            left[n] = n < 4800 ? 1 : 0.1f;
        }
        CeilingGuard guard = guard(CEILING);
        float[][] out = run(guard, left, new float[2 * RATE], 480);
        // The step up and down rises above its samples by the sinc's own overshoot, 1 to 2 dB.
        assertThat(20 * Math.log10(guard.takeReading())).isBetween(-15.0, -12.7);
        assertThat(guard.takeReading()).isEqualTo(1);
        assertThat(out[0][2 * RATE - 1]).isCloseTo(0.1f, within(1e-4f));
    }

    @Test
    public void itsGainNeverJumps() {
        float[] in = new float[RATE];
        Arrays.fill(in, 0.15f);
        for (int n = 20_000; n < 21_000; n++) {
            in[n] = 0.8f;
        }
        float[][] out = run(guard(CEILING), in, new float[RATE], 480);
        for (int n = 100; n < RATE; n++) {
            double gain = out[0][n] / in[n - DELAY];
            double before = out[0][n - 1] / in[n - 1 - DELAY];
            assertThat(Math.abs(gain - before)).isLessThan(0.05);
        }
    }

    @Test
    public void whatIsNotFiniteLeavesAsSilenceAndTheRestGoesOn() {
        float[] left = new float[4 * RATE];
        float[] right = new float[4 * RATE];
        Arrays.fill(left, 0.1f);
        left[5000] = Float.NaN;
        left[6000] = Float.POSITIVE_INFINITY;
        left[7000] = Float.NEGATIVE_INFINITY;
        left[8000] = Float.MAX_VALUE;
        right[8000] = -Float.MAX_VALUE;
        right[9000] = Float.MIN_VALUE;
        for (float ceiling : new float[] {CEILING, Float.POSITIVE_INFINITY}) {
            float[][] out = run(guard(ceiling), left.clone(), right.clone(), 64);
            assertThat(out[0][5000 + DELAY]).isZero();
            assertThat(out[0][6000 + DELAY]).isZero();
            assertThat(out[0][7000 + DELAY]).isZero();
            assertThat(out[0][4 * RATE - 1]).isCloseTo(0.1f, within(2e-3f));
            for (int n = 0; n < RATE; n++) {
                assertThat(Float.isFinite(out[0][n]) && Float.isFinite(out[1][n]))
                        .isTrue();
                assertThat(Math.abs(out[0][n])).isLessThanOrEqualTo(ceiling);
            }
        }
    }

    private static CeilingGuard guard(float ceiling) {
        return guard(RATE, ceiling);
    }

    private static CeilingGuard guard(int rate, float ceiling) {
        CeilingGuard guard = new CeilingGuard(new EffectKind.Place(2, rate, 480));
        guard.head(new CeilingGuard.Settings(ceiling));
        return guard;
    }

    private static float[][] run(CeilingGuard guard, float[] left, float[] right, int block) {
        float[][] out = new float[2][left.length];
        for (int at = 0; at < left.length; at += block) {
            int frames = Math.min(block, left.length - at);
            System.arraycopy(left, at, guard.inlet(0), guard.inletBegin(), frames);
            System.arraycopy(right, at, guard.inlet(1), guard.inletBegin(), frames);
            guard.process(out, at, 0, frames, at);
            guard.endBlock(frames);
        }
        return out;
    }

    private static double peak(float[] samples) {
        double peak = 0;
        for (float sample : samples) {
            peak = Math.max(peak, Math.abs(sample));
        }
        return peak;
    }

    private static double truePeak(float[] samples) {
        int half = 256;
        double[][] weights = new double[16][2 * half];
        for (int point = 0; point < 16; point++) {
            for (int tap = 0; tap < 2 * half; tap++) {
                double x = tap - half + 1 - point / 16.0;
                double window = Math.pow(Math.cos(Math.PI * x / (2 * half + 1)), 2);
                weights[point][tap] = (x == 0 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x)) * window;
            }
        }
        double peak = 0;
        for (int n = half; n < samples.length - half; n += 1) {
            boolean silent = true;
            for (int near = n - 30; near < n + 30; near++) {
                silent &= Math.abs(samples[near]) < 0.3 * CEILING;
            }
            if (silent) {
                continue;
            }
            for (double[] point : weights) {
                double sum = 0;
                for (int tap = 0; tap < point.length; tap++) {
                    sum += point[tap] * samples[n + tap - half + 1];
                }
                peak = Math.max(peak, Math.abs(sum));
            }
        }
        return peak;
    }

    private static float[] signal(String kind, long seed) {
        Random random = new Random(seed);
        float[] samples = new float[RATE];
        for (int n = 0; n < samples.length; n++) {
            samples[n] = switch (kind) {
                case "noise" -> 2 * random.nextFloat() - 1;
                case "burst" -> n % 9000 < 300 ? 3 * random.nextFloat() : 0.01f;
                case "sine" -> (float) Math.sin(2 * Math.PI * (200 + 50 * seed) * n / RATE);
                case "one sample" -> n == 1000 ? 4 : 0;
                case "a quarter of the rate" -> (float) Math.sin(Math.PI / 2 * n + Math.PI / 4);
                case "high sine" -> (float) Math.sin(2 * Math.PI * (18_000 + 13 * seed) * n / RATE);
                case "noise up to 20 kHz" -> 0;
                case "clicks" -> n % 4800 < 200 ? (float) (Math.exp(-n % 4800 / 40.0) * Math.sin(n % 4800)) : 0;
                default -> n / 5000 % 2 == 0 ? 0.9f : -0.3f;
            };
        }
        return kind.startsWith("noise up") ? upTo20Kilohertz(samples, random) : samples;
    }

    private static float[] upTo20Kilohertz(float[] samples, Random random) {
        float[] white = new float[samples.length + 256];
        for (int n = 0; n < white.length; n++) {
            white[n] = 2 * random.nextFloat() - 1;
        }
        double corner = 20_000.0 / RATE;
        for (int n = 0; n < samples.length; n++) {
            double sum = 0;
            for (int tap = -127; tap <= 127; tap++) {
                double x = 2 * Math.PI * corner * tap;
                double sinc = tap == 0 ? 2 * corner : Math.sin(x) / (Math.PI * tap);
                sum += sinc * Math.pow(Math.cos(Math.PI * tap / 256.0), 2) * white[n + 127 + tap];
            }
            samples[n] = (float) sum;
        }
        return samples;
    }
}
