package vividlantern.mix.effects;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.IntFunction;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.session.chain.Chain;
import vividlantern.session.chain.EffectId;
import vividlantern.session.chain.EffectNumber;
import vividlantern.session.chain.EffectType;
import vividlantern.session.chain.EffectValue;
import vividlantern.session.chain.Inserted;
import vividlantern.session.song.NoteValue;
import vividlantern.session.song.TempoMap;

/** The reverb and the echo of a chain die away as they are set, are as loud as what is sent, and move without a click. */
public class ComesBackTest {

    private static final int RATE = 48_000;
    private static final int BLOCK = 64;

    private static EffectValue at(EffectNumber number, double value) {
        return new EffectValue(number, value);
    }

    private static Inserted effect(EffectType type, EffectValue... numbers) {
        return Inserted.of(new EffectId("any"), type).with(List.of(numbers));
    }

    private static Inserted reverb(int room, double seconds, double highs, double preDelayMs) {
        return effect(
                EffectType.REVERB,
                at(EffectNumber.ROOM, room),
                at(EffectNumber.DECAY, seconds),
                at(EffectNumber.HIGHS, highs),
                at(EffectNumber.PRE_DELAY, preDelayMs),
                at(EffectNumber.MIX, 100));
    }

    private static Effect.Settings settings(Inserted effect, double tempo) {
        return EffectKinds.settings(
                effect, Chain.EMPTY, 2, TempoMap.steady(tempo, 4, 4).curve());
    }

    /** What leaves on two wires if something comes in on the first; the effect may be another one at each block. */
    private static float[][] run(IntFunction<Inserted> effect, float[] in, int sideIn, double tempo) {
        Effect made = settings(effect.apply(0), tempo).make(new EffectKind.Place(2, RATE, BLOCK));
        made.head(settings(effect.apply(0), tempo));
        float[][] out = new float[2][in.length];
        for (int begin = 0; begin < in.length; begin += BLOCK) {
            made.head(settings(effect.apply(begin / BLOCK), tempo));
            System.arraycopy(in, begin, made.inlet(0), 0, BLOCK);
            for (int n = 0; n < BLOCK; n++) {
                made.inlet(1)[n] = sideIn * in[begin + n];
            }
            made.songAt(begin);
            made.process(out, begin, 0, BLOCK, begin);
        }
        return out;
    }

    private static float[] impulseAfterTheFade(double seconds) {
        float[] in = new float[(int) (seconds * RATE) / BLOCK * BLOCK];
        in[RATE / 10] = 1;
        return in;
    }

    private static double energy(float[] samples) {
        return IntStream.range(0, samples.length)
                .mapToDouble(n -> samples[n] * samples[n])
                .sum();
    }

    @DataProvider
    public Object[][] decays() {
        return new Object[][] {
            {1, 0.3}, {1, 2.5}, {2, 0.5}, {2, 1.1}, {2, 4.0}, {3, 0.8}, {3, 6.0},
        };
    }

    /** All tones alike, from -5 to -35 dB of what is still to come, taken twice. */
    @Test(dataProvider = "decays")
    public void aReverbDiesAwayInTheSecondsItIsSetTo(int room, double seconds) {
        float[] left = run(block -> reverb(room, seconds, 100, 0), impulseAfterTheFade(2 * seconds + 1), 0, 120)[0];
        double all = energy(left);
        double still = all;
        int from = 0;
        int to = 0;
        for (int n = 0; n < left.length; n++) {
            still -= left[n] * left[n];
            from = still > all * Math.pow(10, -0.5) ? n : from;
            to = still > all * Math.pow(10, -3.5) ? n : to;
        }
        assertThat(2.0 * (to - from) / RATE).isCloseTo(seconds, within(0.1 * seconds));
    }

    @DataProvider
    public Object[][] sounds() {
        List<Object[]> sounds = new ArrayList<>();
        for (int room = 1; room <= 3; room++) {
            for (double seconds : new double[] {0.2, 1.1, 8}) {
                for (double highs : new double[] {10, 35, 100}) {
                    sounds.add(new Object[] {room, seconds, highs});
                }
            }
        }
        return sounds.toArray(Object[][]::new);
    }

    /** An impulse is all tones alike, as noise is. */
    @Test(dataProvider = "sounds")
    public void aReverbIsAsLoudAsWhatIsSentHoweverItDiesAway(int room, double seconds, double highs) {
        float[][] out = run(block -> reverb(room, seconds, highs, 0), impulseAfterTheFade(seconds + 1), 0, 120);
        assertThat(10 * Math.log10(energy(out[0]) + energy(out[1]))).isCloseTo(0, within(1.5));
    }

    /** 200 ms are 9600 frames. */
    @Test
    public void aPreDelayIsExact() {
        float[] at = run(block -> reverb(2, 1.1, 35, 0), impulseAfterTheFade(1), 0, 120)[0];
        float[] later = run(block -> reverb(2, 1.1, 35, 200), impulseAfterTheFade(1), 0, 120)[0];
        for (int n = 9600; n < later.length; n++) {
            assertThat(later[n]).isEqualTo(at[n - 9600]);
        }
        assertThat(energy(later)).isPositive();
    }

    /** What came in leaves by what the mix leaves of it. */
    @Test
    public void aMixTakesAsMuchOfWhatCameInAsItAdds() {
        for (EffectType type : new EffectType[] {EffectType.REVERB, EffectType.ECHO}) {
            float[] in = impulseAfterTheFade(0.2);
            float[] half = run(block -> effect(type, at(EffectNumber.MIX, 40)), in, 0, 120)[0];
            assertThat(half[RATE / 10]).isCloseTo(0.6f, within(1e-6f));
        }
    }

    /** 350 ms are 16 800 frames; at 60 a quaver is half a second. Each repeat is duller, and 8 dB down for what is low. */
    @Test
    public void anEchoComesAfterANoteOrSoManyMs() {
        float[] in = impulseAfterTheFade(2);
        Inserted byMs =
                effect(EffectType.ECHO, at(EffectNumber.NOTE, 0), at(EffectNumber.MS, 350), at(EffectNumber.MIX, 100));
        Inserted byNote = effect(
                EffectType.ECHO, at(EffectNumber.NOTE, 1 + NoteValue.QUAVER.ordinal()), at(EffectNumber.MIX, 100));
        for (Inserted echo : List.of(byMs, byNote)) {
            int later = echo == byMs ? 16_800 : 24_000;
            float[] out = run(block -> echo, in, 0, 60)[0];
            int first = RATE / 10 + later;
            assertThat(out[first]).isEqualTo(1f);
            for (int n = 0; n < first; n++) {
                assertThat(out[n]).isZero();
            }
            double again = 0;
            for (int n = first + later; n < Math.min(out.length, first + later + 2000); n++) {
                again += out[n];
            }
            assertThat(again).isCloseTo(Math.pow(10, -8 / 20.0), within(0.001));
        }
    }

    /** Switched and set otherwise at any frame, also while it is off. */
    @Test
    public void theSizeOfBlocksChangesNothingOnTheWay() {
        for (EffectType type : new EffectType[] {EffectType.REVERB, EffectType.ECHO}) {
            float[][] expected = wandering(type, 4000);
            assertThat(wandering(type, 64)).as(type.word()).isDeepEqualTo(expected);
            assertThat(wandering(type, 1)).as(type.word()).isDeepEqualTo(expected);
        }
    }

    private static float[][] wandering(EffectType type, int block) {
        Random random = new Random(5);
        Effect made = settings(effect(type).on(false), 120).make(new EffectKind.Place(2, RATE, 4000));
        float[][] out = new float[2][2 * RATE];
        int next = 0;
        for (int begin = 0; begin < out[0].length; ) {
            if (begin == next) {
                next = begin + 1 + random.nextInt(4000);
                Inserted effect = effect(
                                type,
                                at(EffectNumber.MIX, random.nextInt(101)),
                                type == EffectType.REVERB
                                        ? at(EffectNumber.DECAY, 0.2 + random.nextInt(5))
                                        : at(EffectNumber.FALL, 3 + random.nextInt(30)),
                                type == EffectType.REVERB
                                        ? at(EffectNumber.PRE_DELAY, random.nextInt(200))
                                        : at(EffectNumber.DULL, 500 + random.nextInt(9000)),
                                type == EffectType.REVERB
                                        ? at(EffectNumber.HIGHS, 10 + random.nextInt(90))
                                        : at(EffectNumber.NOTE, random.nextInt(6)))
                        .on(random.nextInt(3) > 0);
                made.head(settings(effect, 120 + random.nextInt(50)));
            }
            int frames = Math.min(Math.min(next, out[0].length) - begin, block - begin % block);
            for (int wire = 0; wire < 2; wire++) {
                for (int n = 0; n < frames; n++) {
                    made.inlet(wire)[n] = (float) (0.2 * Math.sin((begin + n) * (0.01 + 0.02 * wire)));
                }
            }
            made.songAt(begin);
            made.process(out, begin, 0, frames, begin);
            begin += frames;
        }
        return out;
    }

    @DataProvider
    public Object[][] drags() {
        return new Object[][] {
            {EffectType.REVERB, EffectNumber.DECAY, 0.2, 8.0},
            {EffectType.REVERB, EffectNumber.HIGHS, 10.0, 100.0},
            {EffectType.REVERB, EffectNumber.PRE_DELAY, 0.0, 200.0},
            {EffectType.REVERB, EffectNumber.MIX, 0.0, 100.0},
            {EffectType.ECHO, EffectNumber.MS, 10.0, 2000.0},
            {EffectType.ECHO, EffectNumber.FALL, 3.0, 40.0},
            {EffectType.ECHO, EffectNumber.DULL, 500.0, 16_000.0},
        };
    }

    /**
     * A sine of 100 Hz at -12 dBFS while a number is sent from one end of its range to the other: what is above 2 kHz, where a click would
     * be, stays below -80 dBFS.
     */
    @Test(dataProvider = "drags")
    public void aNumberThatMovesIsNoClick(EffectType type, EffectNumber number, double from, double to) {
        float[] in = new float[3 * RATE];
        for (int n = 0; n < in.length; n++) {
            in[n] = (float) (0.25 * Math.sin(2 * Math.PI * 100 * n / RATE));
        }
        EffectValue byMs =
                at(type == EffectType.ECHO ? EffectNumber.NOTE : EffectNumber.MIX, type == EffectType.ECHO ? 0 : 50);
        float[] out = run(block -> effect(type, byMs, at(number, block < 2 * RATE / BLOCK ? from : to)), in, 1, 120)[0];
        float[] ear = run(
                block -> effect(EffectType.HIGH_PASS, at(EffectNumber.HZ, 2000), at(EffectNumber.SLOPE, 24)),
                out,
                0,
                120)[0];
        double peak = 0;
        for (int n = RATE * 3 / 2; n < ear.length; n++) {
            peak = Math.max(peak, Math.abs(ear[n]));
        }
        assertThat(20 * Math.log10(peak)).isLessThan(-80);
    }
}
