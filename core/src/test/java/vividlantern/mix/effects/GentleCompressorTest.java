package vividlantern.mix.effects;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.stream.IntStream;
import org.testng.annotations.Test;
import vividlantern.session.cue.Compressor;

/** What a compressor does to steady tones, how fast, and that it lets go no faster than performers' levels may rise. */
public class GentleCompressorTest {

    private static final int RATE = 48_000;
    private static final int BLOCK = 64;

    /** Above -30 dBFS 2 to 1, +6 dB: -10 becomes -20 + 6, -50 becomes -44, at the threshold the knee takes 0.375 dB. */
    @Test
    public void aSteadyToneComesOutWhereTheCurveSays() {
        Compressor compressor = new Compressor(true, -30, 2, 5, 200, 6);
        assertThat(levelAfter(compressor, -10)).isCloseTo(-14, within(0.15));
        assertThat(levelAfter(compressor, -50)).isCloseTo(-44, within(0.05));
        assertThat(levelAfter(compressor, -30)).isCloseTo(-24.375, within(0.1));
        assertThat(compressor.reductionDb(-30)).isCloseTo(-0.375, within(1e-9));
        assertThat(compressor.reductionDb(-33)).isZero();
        assertThat(compressor.reductionDb(-27)).isCloseTo(-1.5, within(1e-9));
    }

    @Test
    public void offItLetsEverythingThroughAsItIs() {
        GentleCompressor compressor = made(new Compressor(false, -60, 8, 1, 30, 24));
        float[] in = tone(0, RATE / 10);
        assertThat(run(compressor, in, 0)).isEqualTo(in);
        assertThat(compressor.isThrough()).isTrue();
    }

    /** 20 dB down to -40 dBFS: 10 dB of reduction are let go, in 0.2 s or, at 60 dB a second, 0.167 s; never faster. */
    @Test
    public void itLetsGoNoFasterThanLevelsMayRise() {
        GentleCompressor compressor = made(new Compressor(true, -40, 2, 1, 30, 0));
        run(compressor, tone(-20, RATE), 0);
        float[] quiet = run(compressor, tone(-40, RATE), RATE);
        double before = 20 * Math.log10(peak(quiet, 0, RATE / 100));
        for (int ms = 10; ms < 400; ms += 10) {
            double now = 20 * Math.log10(peak(quiet, ms * RATE / 1000, RATE / 100));
            assertThat(now - before).isLessThan(0.62);
            before = now;
        }
        assertThat(before).isCloseTo(-40.375, within(0.1));
    }

    /** Switched off while it holds back 15 dB and adds 10, it goes to where it lets through; by no more than it may. */
    @Test
    public void switchedOffItGoesBackGently() {
        GentleCompressor compressor = made(new Compressor(true, -40, 4, 5, 100, 10));
        run(compressor, tone(-20, RATE), 0);
        compressor.head(new GentleCompressor.Settings(new Compressor(false, -40, 4, 5, 100, 10)));
        float[] after = run(compressor, tone(-20, RATE), RATE);
        for (int at = 0; at + RATE / 50 < RATE; at += RATE / 100) {
            double rise = peak(after, at + RATE / 100, RATE / 100) / peak(after, at, RATE / 100);
            assertThat(20 * Math.log10(rise)).isLessThan(0.62);
        }
        assertThat(compressor.isThrough()).isTrue();
        assertThat(after[RATE - 1]).isEqualTo(tone(-20, RATE)[RATE - 1]);
    }

    /** A level that jumps from -60 to -10 dBFS is held to within a dB of its reduction of 15 dB after three attacks. */
    @Test
    public void itFollowsARiseWithinItsAttack() {
        GentleCompressor compressor = made(new Compressor(true, -30, 4, 10, 100, 0));
        run(compressor, tone(-60, RATE), 0);
        float[] loud = run(compressor, tone(-10, RATE), RATE);
        assertThat(20 * Math.log10(peak(loud, 0, RATE / 1000))).isGreaterThan(-20);
        assertThat(20 * Math.log10(peak(loud, 3 * RATE / 100, RATE / 100))).isCloseTo(-25, within(1.0));
    }

    @Test
    public void itsReadingIsWhatItHoldsBackWithoutMakeUp() {
        GentleCompressor compressor = made(new Compressor(true, -30, 2, 5, 200, 12));
        run(compressor, tone(-10, RATE), 0);
        compressor.takeReading();
        run(compressor, tone(-10, RATE), RATE);
        assertThat(20 * Math.log10(compressor.takeReading())).isCloseTo(-10, within(0.2));
    }

    private static double levelAfter(Compressor settings, double dbfs) {
        float[] out = run(made(settings), tone(dbfs, 2 * RATE), 0);
        return 20 * Math.log10(peak(out, RATE, RATE));
    }

    private static GentleCompressor made(Compressor settings) {
        GentleCompressor made =
                (GentleCompressor) new GentleCompressor.Settings(settings).make(new EffectKind.Place(1, RATE, BLOCK));
        made.head(new GentleCompressor.Settings(settings));
        return made;
    }

    private static float[] tone(double dbfs, int frames) {
        float[] tone = new float[frames];
        for (int n = 0; n < frames; n++) {
            tone[n] = (float) (Math.pow(10, dbfs / 20) * Math.sin(2 * Math.PI * 1000 * (n + 0.5) / RATE));
        }
        return tone;
    }

    private static double peak(float[] samples, int from, int frames) {
        return IntStream.range(from, from + frames)
                .mapToDouble(n -> Math.abs(samples[n]))
                .max()
                .orElseThrow();
    }

    private static float[] run(GentleCompressor compressor, float[] in, int frame) {
        float[][] out = new float[1][in.length];
        for (int at = 0; at < in.length; at += BLOCK) {
            int now = Math.min(BLOCK, in.length - at);
            System.arraycopy(in, at, compressor.inlet(0), 0, now);
            compressor.process(out, at, 0, now, frame + at);
        }
        return out[0];
    }
}
