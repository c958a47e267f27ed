package vividlantern.mix.effects;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.session.cue.Corner;

public class PassbandTest {

    private static final int RATE = 48_000;
    private static final Corner OFF = new Corner(false, 1000);

    @DataProvider
    public Object[][] sines() {
        return new Object[][] {{50}, {100}, {200}, {1000}, {4000}, {8000}, {12_000}, {18_000}};
    }

    @Test(dataProvider = "sines")
    public void aSinePassesAsTheCurveSays(double hz) {
        Passband.Settings settings = settings(100, 8000);
        float[] out = run(settings, sine(hz), 64);
        double passed = rms(out, RATE / 2, RATE) / rms(sine(hz), RATE / 2, RATE);
        assertThat(20 * Math.log10(passed)).isCloseTo(20 * Math.log10(settings.gainAt(hz, RATE)), within(0.02));
    }

    @Test
    public void theCornersTakeThreeDecibelsAndAnOctaveBeyondTwelve() {
        Passband.Settings settings = settings(100, 8000);
        assertThat(db(settings.gainAt(100, RATE))).isCloseTo(-3.01, within(0.01));
        assertThat(db(settings.gainAt(50, RATE))).isCloseTo(-12.30, within(0.01));
        assertThat(db(settings.gainAt(25, RATE))).isCloseTo(-24.10, within(0.01));
        assertThat(db(settings.gainAt(8000, RATE))).isCloseTo(-3.01, within(0.01));
        assertThat(db(settings.gainAt(1000, RATE))).isCloseTo(0, within(0.01));
    }

    @Test
    public void whereBothAreOffNotABitChanges() {
        float[] in = sine(440);
        assertThat(run(new Passband.Settings(OFF, OFF), in, 64)).isEqualTo(in);
    }

    @Test
    public void switchingCrossFadesOverTenMillisecondsAndThenItIsThrough() {
        Passband passband = new Passband(new EffectKind.Place(2, RATE, 64));
        float[] in = sine(5000);
        float[] out = in.clone();
        passband.head(settings(20, 500));
        process(passband, in, out, 0, 9600, 64);
        assertThat(passband.isThrough()).isFalse();
        assertThat(rms(out, 4800, 9600)).isLessThan(0.01 * rms(in, 4800, 9600));
        passband.head(settings(20, 500).through());
        assertThat(passband.isThrough()).isFalse();
        process(passband, in, out, 9600, 9600 + 240, 48);
        double half = rms(out, 9600 + 216, 9600 + 264 - 24) / rms(in, 9600 + 216, 9600 + 240);
        assertThat(half).isCloseTo(0.48, within(0.03));
        process(passband, in, out, 9840, 9600 + 480, 48);
        assertThat(passband.isThrough()).isTrue();
        process(passband, in, out, 10_080, 12_000, 64);
        for (int n = 10_080; n < 12_000; n++) {
            assertThat(out[n]).isEqualTo(in[n]);
        }
    }

    @Test
    public void aDragOfTheCornerMakesNoJump() {
        float[] steady = new float[RATE];
        java.util.Arrays.fill(steady, 0.5f);
        Passband passband = new Passband(new EffectKind.Place(2, RATE, 64));
        float[] out = steady.clone();
        passband.head(settings(20, 20_000));
        for (int at = 0; at < RATE; at += 960) {
            double share = (double) at / RATE;
            passband.head(new Passband.Settings(OFF, new Corner(true, 500 * Math.pow(40, share))));
            process(passband, steady, out, at, at + 960, 64);
        }
        for (int n = 4800; n < RATE; n++) {
            assertThat(out[n]).isCloseTo(0.5f, within(1e-4f));
        }
    }

    @Test
    public void theSizeOfBlocksChangesNothing() {
        Passband.Settings settings = settings(150, 6000);
        float[] reference = run(settings, sine(700), 480);
        for (int block : new int[] {1, 31, 32, 37, 64}) {
            assertThat(run(settings, sine(700), block)).isEqualTo(reference);
        }
    }

    @Test
    public void aStateThatDiesAwayBecomesZeroAndABrokenOneIsForgotten() {
        float[] in = new float[2 * RATE];
        in[10] = 1;
        in[RATE] = Float.NaN;
        in[RATE + 100] = 0.5f;
        float[] out = run(settings(100, 8000), in, 64);
        assertThat(out[RATE - 1]).isZero();
        assertThat(out[RATE + 200]).isFinite();
        assertThat(Math.abs(out[RATE + 105])).isGreaterThan(1e-3f);
    }

    private static Passband.Settings settings(double highPassHz, double lowPassHz) {
        return new Passband.Settings(new Corner(true, highPassHz), new Corner(true, lowPassHz));
    }

    private static float[] run(Passband.Settings settings, float[] in, int block) {
        Passband passband = new Passband(new EffectKind.Place(2, RATE, block));
        passband.head(settings);
        float[] out = in.clone();
        process(passband, in, out, 0, in.length, block);
        return out;
    }

    private static void process(Passband passband, float[] in, float[] out, int from, int to, int block) {
        float[][] both = {out, new float[in.length]};
        for (int at = from; at < to; at += block) {
            int frames = Math.min(block, to - at);
            System.arraycopy(in, at, passband.inlet(0), 0, frames);
            passband.process(both, at, 0, frames, at);
            passband.endBlock(frames);
        }
    }

    private static float[] sine(double hz) {
        float[] samples = new float[RATE];
        for (int n = 0; n < RATE; n++) {
            samples[n] = (float) (0.5 * Math.sin(2 * Math.PI * hz * n / RATE));
        }
        return samples;
    }

    private static double db(double gain) {
        return 20 * Math.log10(gain);
    }

    private static double rms(float[] samples, int from, int to) {
        double sum = 0;
        for (int n = from; n < to; n++) {
            sum += samples[n] * (double) samples[n];
        }
        return Math.sqrt(sum / (to - from));
    }
}
