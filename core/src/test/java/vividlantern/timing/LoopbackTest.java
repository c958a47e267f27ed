package vividlantern.timing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.engine.Probe;
import vividlantern.engine.ProbeResponse;

/** Delays that are known beforehand are found again to a fraction of a frame, and what cannot be trusted is known as such. */
public final class LoopbackTest {

    @DataProvider
    public Object[][] ways() {
        return new Object[][] {
            {44_100, 407.3, 1.0},
            {48_000, 407.3, 1.0},
            {48_000, 121.75, -0.5},
            {88_200, 3000.01, 0.1},
            {96_000, 811.5, 1.0},
            {176_400, 90.25, 0.7},
            {192_000, 4210.62, 1.0},
        };
    }

    /** What comes back: the sweeps, later by a delay that may move, beside noise. */
    private static float[] comesBack(float[] sent, double delay, double ppm, double gain, double noise) {
        Random random = new Random(7);
        float[] back = new float[sent.length];
        int reach = 24;
        for (int n = 0; n < back.length; n++) {
            double at = n - delay - n * ppm * 1e-6;
            int whole = (int) Math.floor(at);
            double sum = 0;
            for (int k = whole - reach; k <= whole + reach; k++) {
                if (k >= 0 && k < sent.length) {
                    double x = Math.PI * (at - k);
                    double window = Math.cos(x / (2 * reach + 2));
                    sum += sent[k] * (Math.abs(x) < 1e-9 ? 1 : Math.sin(x) / x) * window * window;
                }
            }
            back[n] = (float) (gain * sum + noise * random.nextGaussian());
        }
        return back;
    }

    private static Loopback measure(int rate, int cableGoesInto, float[] back) {
        float[] sent = Sweep.all(rate);
        Probe probe = new Probe(sent, 0);
        int block = 128;
        boolean goesOn = true;
        for (int at = 0; goesOn; at += block) {
            float[][] out = new float[1][block];
            goesOn = probe.process(out, block, at);
            for (int n = 0; n < block && at + n < sent.length; n++) {
                assertThat(out[0][n]).isEqualTo(sent[at + n]);
            }
        }
        float[][] heard = new float[3][sent.length];
        System.arraycopy(back, 0, heard[cableGoesInto], 0, Math.min(back.length, sent.length));
        float[][] first = new float[3][];
        for (int input = 0; input < 3; input++) {
            first[input] = Arrays.copyOf(heard[input], Sweep.spacing(rate));
        }
        return Loopback.of(new ProbeResponse(heard[1], first), rate);
    }

    @Test(dataProvider = "ways")
    public void aDelayIsFoundToATwentiethOfAFrameAtThirtyDecibels(int rate, double delay, double gain) {
        float[] sent = Sweep.all(rate);
        double sweepPower = 0.25 * 0.25 / 2 * 0.4 / 0.75;
        double noise = Math.abs(gain) * Math.sqrt(sweepPower / 1000);
        Loopback found = measure(rate, 1, comesBack(sent, delay, 0, gain, noise));
        assertThat(found.verdict()).isEqualTo(Loopback.Verdict.TRUSTED);
        assertThat(found.frames()).isCloseTo(delay, within(0.05));
        assertThat(found.runs()).hasSize(3).allSatisfy(run -> assertThat(run).isCloseTo(delay, within(0.05)));
        assertThat(found.signalToNoiseDb()).isCloseTo(30, within(0.7));
        assertThat(found.levelDbfs()).isCloseTo(20 * Math.log10(Math.abs(gain) * 0.25), within(0.1));
    }

    @Test
    public void nothingComesBackWithoutACable() {
        Loopback found = measure(48_000, 1, comesBack(new float[Sweep.all(48_000).length], 0, 0, 0, 1e-5));
        assertThat(found.verdict()).isEqualTo(Loopback.Verdict.NO_CABLE);
        assertThat(found.frames()).isZero();
        assertThat(found.sentence(366, 48_000, "Out 9", "In 11", List.of()))
                .isEqualTo("Nothing came back. Plug a cable from Out 9 into In 11, and see that the input is up.");
    }

    @Test
    public void aCableInAnotherPortIsFoundThere() {
        Loopback found = measure(48_000, 2, comesBack(Sweep.all(48_000), 407, 0, 1, 1e-5));
        assertThat(found.verdict()).isEqualTo(Loopback.Verdict.WRONG_PORT);
        assertThat(found.arrivedAt()).isEqualTo(2);
        assertThat(found.sentence(366, 48_000, "Out 9", "In 11", List.of("In 9", "In 11", "In 12")))
                .startsWith("It came in at In 12 instead of In 11.");
    }

    @Test
    public void whatClipsOrIsLostInNoiseIsNotTrusted() {
        float[] hot = comesBack(Sweep.all(48_000), 407, 0, 8, 0);
        for (int n = 0; n < hot.length; n++) {
            hot[n] = Math.max(-1, Math.min(1, hot[n]));
        }
        assertThat(measure(48_000, 1, hot).verdict()).isEqualTo(Loopback.Verdict.TOO_HOT);
        Loopback quiet = measure(48_000, 1, comesBack(Sweep.all(48_000), 407, 0, 0.001, 1e-6));
        assertThat(quiet.verdict()).isEqualTo(Loopback.Verdict.TOO_QUIET);
        assertThat(quiet.levelDbfs()).isCloseTo(-72, within(0.2));
        Loopback noisy = measure(48_000, 1, comesBack(Sweep.all(48_000), 407, 0, 0.5, 0.02));
        assertThat(noisy.verdict()).isEqualTo(Loopback.Verdict.TOO_QUIET);
    }

    @Test
    public void aLoopOverAnotherClockIsKnownByItsDrift() {
        Loopback found = measure(48_000, 1, comesBack(Sweep.all(48_000), 407, 20, 1, 1e-5));
        assertThat(found.verdict()).isEqualTo(Loopback.Verdict.DRIFTING);
        assertThat(found.driftPpm()).isCloseTo(20, within(1.0));
        assertThat(found.sentence(366, 48_000, "Out 9", "In 11", List.of())).contains("different clocks");
    }

    @Test
    public void whatWasFoundIsSaidBesideWhatTheDriverSays() {
        Loopback found = measure(48_000, 1, comesBack(Sweep.all(48_000), 407.3, 0, 1, 1e-5));
        assertThat(found.sentence(366, 48_000, "Out 9", "In 11", List.of()))
                .isEqualTo("407.3 frames, 8.49 ms: 41.3 frames more than the driver says.");
        assertThat(found.sentence(407, 48_000, "Out 9", "In 11", List.of())).endsWith("as the driver says.");
    }
}
