package vividlantern.mix.effects;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.stream.IntStream;
import org.apache.commons.math3.transform.DftNormalization;
import org.apache.commons.math3.transform.FastFourierTransformer;
import org.apache.commons.math3.transform.TransformType;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.session.cue.Comfort;
import vividlantern.units.Noise;

/** A room is dense soon, rings at no tone of its own, dies away as it says, and rests when it is silent. */
public class RoomReverbTest {

    private static final int BLOCK = 64;
    /** Of normally distributed samples so many are further from zero than their standard deviation. */
    private static final double BEYOND_DEVIATION = 0.3173;

    @DataProvider
    public Object[][] rooms() {
        return new Object[][] {
            {Comfort.Room.SMALL, 44_100, 0.45}, {Comfort.Room.SMALL, 48_000, 0.45}, {Comfort.Room.SMALL, 96_000, 0.45},
            {Comfort.Room.MEDIUM, 44_100, 1}, {Comfort.Room.MEDIUM, 48_000, 1}, {Comfort.Room.MEDIUM, 96_000, 1},
            {Comfort.Room.LARGE, 44_100, 1.97}, {Comfort.Room.LARGE, 48_000, 1.97}, {Comfort.Room.LARGE, 96_000, 1.97},
        };
    }

    /**
     * Echo density (J. Abel, P. Huang, "A simple, robust measure of reverberation echo density", AES 121, 2006): over 20 ms, as many
     * samples lie beyond their deviation as in noise.
     */
    @Test(dataProvider = "rooms")
    public void itIsDenseWithinEightyMilliseconds(Comfort.Room room, int rate, double seconds) {
        float[] left = response(room, rate, 0.2)[0];
        int window = rate / 50;
        int begin = (int) (0.08 * rate) - window / 2;
        double power = energy(left, begin, begin + window) / window;
        int beyond = 0;
        for (int n = begin; n < begin + window; n++) {
            beyond += left[n] * left[n] > power ? 1 : 0;
        }
        assertThat((double) beyond / window / BEYOND_DEVIATION).isGreaterThan(0.85);
    }

    /**
     * The spectrum of what is left after 0.1 s, its decay undone: among some thousand frequencies of noise the strongest lies
     * 10 to 12 dB above the mean around it, a short comb's teeth more than 17.
     */
    @Test(dataProvider = "rooms")
    public void noFrequencyRingsOut(Comfort.Room room, int rate, double seconds) {
        float[] left = response(room, rate, 0.6)[0];
        assertThat(highestPeakDb(left, rate, seconds)).isLessThan(15);
        float[] comb = new float[left.length];
        int apart = rate / 300;
        double remains = Math.pow(10, -3.0 / 300 / seconds);
        for (int echo = 0; echo * apart < comb.length; echo++) {
            comb[echo * apart] = (float) Math.pow(remains, echo);
        }
        assertThat(highestPeakDb(comb, rate, seconds)).isGreaterThan(17);
    }

    /** From -5 to -35 dB of what is still to come, taken twice. */
    @Test(dataProvider = "rooms")
    public void itDiesAwayAsTheRoomSays(Comfort.Room room, int rate, double seconds) {
        float[] left = response(room, rate, 4)[0];
        double all = energy(left, 0, left.length);
        double still = all;
        int from = 0;
        int to = 0;
        for (int n = 0; n < left.length; n++) {
            still -= left[n] * left[n];
            from = still > all * Math.pow(10, -0.5) ? n : from;
            to = still > all * Math.pow(10, -3.5) ? n : to;
        }
        assertThat(2.0 * (to - from) / rate).isCloseTo(seconds, within(0.05 * seconds));
    }

    @Test(dataProvider = "rooms")
    public void asMuchComesBackAsIsSentAndFromBothSidesAlike(Comfort.Room room, int rate, double seconds) {
        float[][] out = response(room, rate, 4);
        double left = energy(out[0], 0, out[0].length);
        double right = energy(out[1], 0, out[1].length);
        assertThat(10 * Math.log10(left + right)).isCloseTo(0, within(0.3));
        assertThat(10 * Math.log10(left / right)).isCloseTo(0, within(0.7));
        double together = 0;
        for (int n = 0; n < out[0].length; n++) {
            together += out[0][n] * out[1][n];
        }
        assertThat(together / Math.sqrt(left * right)).isCloseTo(0, within(0.1));
    }

    /** It comes to rest, is woken again, and gives the same from there on as a new one. */
    @Test
    public void whatHasDiedAwayIsExactlyNothing() {
        RoomReverb room = room(Comfort.Room.SMALL, 48_000);
        int silence = 6 * 48_000 / BLOCK * BLOCK;
        float[] first = run(room, burst(), 0, silence)[0];
        assertThat(Arrays.copyOfRange(first, silence - 48_000, silence)).containsOnly(0f);
        float[] again = run(room, burst(), silence, 48_000)[0];
        assertThat(again).isEqualTo(Arrays.copyOf(first, again.length));
        assertThat(energy(again, 0, again.length)).isGreaterThan(0.1);
    }

    private static float[] burst() {
        float[] burst = new float[480];
        for (int n = 0; n < burst.length; n++) {
            burst[n] = (float) Noise.uniform(7, n) - 0.5f;
        }
        return burst;
    }

    private static RoomReverb room(Comfort.Room room, int rate) {
        RoomReverb.Settings settings = new RoomReverb.Settings(room);
        RoomReverb made = (RoomReverb) settings.make(new EffectKind.Place(2, rate, BLOCK));
        made.head(settings);
        return made;
    }

    private static float[][] response(Comfort.Room room, int rate, double seconds) {
        return run(room(room, rate), new float[] {1}, 0, (int) (seconds * rate) / BLOCK * BLOCK);
    }

    private static float[][] run(RoomReverb room, float[] in, int frame, int frames) {
        float[][] out = new float[2][frames];
        for (int at = 0; at < frames; at += BLOCK) {
            for (int n = 0; n < BLOCK; n++) {
                room.inlet(0)[n] = at + n < in.length ? in[at + n] : 0;
                room.inlet(1)[n] = 0;
            }
            room.process(out, at, 0, BLOCK, frame + at);
        }
        return out;
    }

    private static double energy(float[] samples, int from, int to) {
        double energy = 0;
        for (int n = from; n < to; n++) {
            energy += samples[n] * samples[n];
        }
        return energy;
    }

    private static double highestPeakDb(float[] response, int rate, double seconds) {
        int length = Integer.highestOneBit((int) (0.4 * rate));
        double[] flat = new double[length];
        for (int n = 0; n < length; n++) {
            double window = 0.5 - 0.5 * Math.cos(2 * Math.PI * n / length);
            flat[n] = response[rate / 10 + n] * window * Math.pow(10, 3.0 * n / rate / seconds);
        }
        double[] power = power(flat, (int) (8000.0 * length / rate));
        double highest = 0;
        for (int k = (int) (200.0 * length / rate); k < 0.85 * power.length; k++) {
            int around = Math.max(20, k / 9);
            double mean = Arrays.stream(power, Math.max(1, k - around), Math.min(power.length, k + around))
                    .average()
                    .orElseThrow();
            highest = Math.max(highest, power[k] / mean);
        }
        return 10 * Math.log10(highest);
    }

    private static double[] power(double[] samples, int frequencies) {
        double[][] values = {samples, new double[samples.length]};
        FastFourierTransformer.transformInPlace(values, DftNormalization.STANDARD, TransformType.FORWARD);
        return IntStream.range(0, frequencies)
                .mapToDouble(k -> values[0][k] * values[0][k] + values[1][k] * values[1][k])
                .toArray();
    }
}
