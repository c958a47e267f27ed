package vividlantern.mix;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class CeilingGuardTest {

    private static final int RATE = 48_000;
    private static final float CEILING = 0.25f;

    @DataProvider
    public Object[][] signals() {
        return new Object[][] {{"noise"}, {"burst"}, {"sine"}, {"one sample"}, {"steps"}};
    }

    @Test(dataProvider = "signals")
    public void noSampleLeavesAboveTheCeiling(String kind) {
        float[] left = signal(kind, 1);
        float[] right = signal(kind, 2);
        run(guard(CEILING), left, right, 480);
        assertThat(MixRun.peak(left, 0, RATE)).isLessThanOrEqualTo(CEILING);
        assertThat(MixRun.peak(right, 0, RATE)).isLessThanOrEqualTo(CEILING);
        assertThat(Math.max(MixRun.peak(left, 0, RATE), MixRun.peak(right, 0, RATE)))
                .as("it holds back no more than it must")
                .isGreaterThan(0.8 * CEILING);
    }

    @Test
    public void whatStaysBelowTheCeilingIsDelayedByAMillisecondAndNotChanged() {
        float[] left = signal("sine", 1);
        for (int n = 0; n < left.length; n++) {
            left[n] *= 0.05f;
        }
        float[] expected = left.clone();
        float[] right = new float[RATE];
        run(guard(CEILING), left, right, 64);
        assertThat(CeilingGuard.delayFrames(RATE)).isEqualTo(48);
        for (int n = 48; n < RATE; n++) {
            assertThat(left[n]).isEqualTo(expected[n - 48]);
        }
    }

    @Test
    public void theDelayStaysWhenTheGuardIsOff() {
        float[] left = signal("one sample", 1);
        run(guard(Float.POSITIVE_INFINITY), left, new float[RATE], 64);
        assertThat(left[1000 + 48]).isEqualTo(4f);
    }

    @Test
    public void bothSidesShareOneGain() {
        float[] left = signal("sine", 1);
        float[] right = new float[RATE];
        for (int n = 0; n < RATE; n++) {
            right[n] = left[n] / 8;
        }
        run(guard(CEILING), left, right, 480);
        for (int n = 100; n < RATE; n++) {
            assertThat(right[n]).isCloseTo(left[n] / 8, within(1e-6f));
        }
    }

    @Test
    public void itLetsGoAfterABurstAndTellsHowMuchItHeldBack() {
        float[] left = new float[2 * RATE];
        for (int n = 0; n < left.length; n++) {
            left[n] = n < 4800 ? 1 : 0.1f;
        }
        CeilingGuard guard = guard(CEILING);
        run(guard, left, new float[2 * RATE], 480);
        assertThat(MixRun.db(guard.takeLeastGain())).isCloseTo(-12.04, within(0.05));
        assertThat(guard.takeLeastGain()).isEqualTo(1);
        assertThat(left[2 * RATE - 1]).isCloseTo(0.1f, within(1e-4f));
    }

    @Test
    public void itsGainNeverJumps() {
        float[] left = new float[RATE];
        java.util.Arrays.fill(left, 0.2f);
        for (int n = 20_000; n < 21_000; n++) {
            left[n] = 0.8f;
        }
        float[] in = left.clone();
        run(guard(CEILING), left, new float[RATE], 480);
        for (int n = 100; n < RATE; n++) {
            double gain = left[n] / in[n - 48];
            double before = left[n - 1] / in[n - 49];
            assertThat(Math.abs(gain - before)).isLessThan(0.05);
        }
    }

    private static CeilingGuard guard(float ceiling) {
        CeilingGuard guard = new CeilingGuard(RATE);
        guard.setCeiling(ceiling);
        return guard;
    }

    private static void run(CeilingGuard guard, float[] left, float[] right, int block) {
        for (int at = 0; at < left.length; at += block) {
            guard.process(left, right, at, Math.min(block, left.length - at));
        }
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
                default -> n / 5000 % 2 == 0 ? 0.9f : -0.3f;
            };
        }
        return samples;
    }
}
