package vividlantern.kernel;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Whatever it is made of, a kernel gives the bits of plain loops, for any number of edges and any place and length. */
public class TwinTest {

    private static final int ROOM = 700;

    private final MixKernel plain = new PlainKernel();
    private final MixKernel other = Kernels.best();

    @Test
    public void theTestsRunWithTheModuleThatTheProgramRunsWith() {
        assertThat(other.words()).startsWith("vectors of ");
        assertThat(plain.words()).isEqualTo("plain loops");
    }

    @DataProvider
    public Object[][] seeds() {
        Object[][] seeds = new Object[60][];
        for (int seed = 0; seed < seeds.length; seed++) {
            seeds[seed] = new Object[] {seed};
        }
        return seeds;
    }

    @Test(dataProvider = "seeds")
    public void stillEdgesAreSummedAlike(int seed) {
        Random random = new Random(seed);
        int edges = random.nextInt(40);
        float[][] in = rooms(edges, random);
        float[] toLeft = gains(edges, random);
        float[] toRight = gains(edges, random);
        int frames = frames(random);
        int at = random.nextInt(50);
        int outAt = random.nextInt(80);
        int from = edges == 0 ? 0 : random.nextInt(edges);
        float[][] one = rooms(2, new Random(seed));
        float[][] two = rooms(2, new Random(seed));
        plain.addStill(in, toLeft, toRight, from, edges, at, one[0], one[1], outAt, frames);
        other.addStill(in, toLeft, toRight, from, edges, at, two[0], two[1], outAt, frames);
        assertThat(bits(two)).isDeepEqualTo(bits(one));
        if (edges > 0) {
            plain.addStill(in[0], at, toLeft[0], one[0], outAt, frames);
            other.addStill(in[0], at, toLeft[0], two[0], outAt, frames);
            assertThat(bits(two)).isDeepEqualTo(bits(one));
        }
    }

    @Test(dataProvider = "seeds")
    public void edgesFromPlacesOfTheirOwnAreSummedAlike(int seed) {
        Random random = new Random(seed);
        int edges = random.nextInt(100);
        float[][] in = rooms(edges, random);
        int[] inAt = random.ints(edges, 0, 100).toArray();
        float[] gain = gains(edges, random);
        int frames = frames(random);
        float[][] one = rooms(1, new Random(seed));
        float[][] two = rooms(1, new Random(seed));
        plain.addStill(in, inAt, gain, one[0], 33, frames);
        other.addStill(in, inAt, gain, two[0], 33, frames);
        assertThat(bits(two)).isDeepEqualTo(bits(one));
    }

    @Test(dataProvider = "seeds")
    public void weightedSumsNoiseAndStepsAreAlike(int seed) {
        Random random = new Random(seed);
        float[] in = rooms(1, random)[0];
        float[] weights = gains(1 + random.nextInt(100), random);
        int frames = frames(random);
        float[] one = rooms(1, new Random(seed))[0];
        float[] two = one.clone();
        plain.addWeighted(in, 7, weights, one, frames);
        other.addWeighted(in, 7, weights, two, frames);
        assertThat(bits(two)).isEqualTo(bits(one));
        long from = random.nextLong();
        for (int n = 0; n < frames; n++) {
            one[n] += 0.1f * (float) SplitMix64.triangle(SplitMix64.mix(from + n * SplitMix64.STEP));
        }
        other.addTriangular(two, frames, 0.1f, from);
        assertThat(bits(two)).isEqualTo(bits(one));
        one[0] = Float.NaN;
        one[1] = Float.POSITIVE_INFINITY;
        one[2] = -0f;
        two = one.clone();
        plain.toSteps(one, frames);
        other.toSteps(two, frames);
        assertThat(bits(two)).isEqualTo(bits(one));
    }

    @Test
    public void triangularNumbersAreRoundedOnce() {
        for (long bits : new long[] {0, -1, 0xFFFFFFFFL, 0xFFFFFFFF00000000L, 0x00010000FFFFFFFFL, 1, 0x100000000L}) {
            assertThat(SplitMix64.triangleAsFloat(bits)).isEqualTo((float) SplitMix64.triangle(bits));
        }
        assertThat(SplitMix64.triangleAsFloat(0xFFFFFFFF00000000L)).isEqualTo(1);
        assertThat(SplitMix64.triangleAsFloat(0x8000000000000000L)).isEqualTo(0.5f);
    }

    @Test
    public void samplesGoToTheNearestOfTheStepsOfTwentyFourBit() {
        for (MixKernel kernel : new MixKernel[] {plain, other}) {
            float[] samples = new float[64];
            samples[0] = 1.2f * 0x1p-23f;
            samples[1] = -1.7f * 0x1p-23f;
            samples[2] = 3;
            samples[3] = -3;
            samples[4] = 0.75f;
            kernel.toSteps(samples, samples.length);
            assertThat(samples).startsWith(0x1p-23f, -0x1p-22f, 1, -1, 0.75f, 0);
        }
    }

    @Test
    public void aSumIsTheOneThatIsWrittenDown() {
        float[][] in = {{1, 2, 3}, {10, 20, 30}};
        for (MixKernel kernel : new MixKernel[] {plain, other}) {
            float[] left = {0, 100, 100, 100};
            float[] right = new float[4];
            kernel.addStill(in, new float[] {1, 0.5f}, new float[] {0, 2}, 0, 2, 0, left, right, 1, 3);
            assertThat(left).containsExactly(0, 106, 112, 118);
            assertThat(right).containsExactly(0, 20, 40, 60);
        }
    }

    @Test(dataProvider = "seeds")
    public void movingEdgesAreSummedAlike(int seed) {
        Random random = new Random(seed);
        int edges = 1 + random.nextInt(12);
        float[][] in = rooms(edges, random);
        float[][] curve = rooms(2 * edges, random);
        int[] curveAt = random.ints(2 * edges, 0, 100).toArray();
        float[] factor = gains(2 * edges, random);
        float[] base = gains(2 * edges, random);
        int frames = frames(random);
        float[][] one = rooms(2, new Random(seed));
        float[][] two = rooms(2, new Random(seed));
        plain.addMoving(in, curve, curveAt, factor, base, 0, edges, 7, one[0], one[1], 33, frames);
        other.addMoving(in, curve, curveAt, factor, base, 0, edges, 7, two[0], two[1], 33, frames);
        assertThat(bits(two)).isDeepEqualTo(bits(one));
        plain.addMoving(in[0], 3, curve[1], 5, factor[0], base[0], one[1], 9, frames);
        other.addMoving(in[0], 3, curve[1], 5, factor[0], base[0], two[1], 9, frames);
        assertThat(bits(two)).isDeepEqualTo(bits(one));
        // The same edges one by one, as they go when one of them arrives.
        float[][] three = rooms(2, new Random(seed));
        for (int edge = 0; edge < edges; edge++) {
            for (int side = 0; side < 2; side++) {
                int here = 2 * edge + side;
                other.addMoving(
                        in[edge], 7, curve[here], curveAt[here], factor[here], base[here], three[side], 33, frames);
            }
        }
        plain.addMoving(in[0], 3, curve[1], 5, factor[0], base[0], three[1], 9, frames);
        assertThat(bits(three)).isDeepEqualTo(bits(one));
    }

    @Test(dataProvider = "seeds")
    public void magnitudesRaisePeaksAlike(int seed) {
        Random random = new Random(seed);
        float[][] rooms = rooms(2, random);
        float[] one = rooms[1].clone();
        float[] two = rooms[1].clone();
        int frames = frames(random);
        plain.raiseToMagnitudes(rooms[0], one, frames);
        other.raiseToMagnitudes(rooms[0], two, frames);
        assertThat(bits(two)).isEqualTo(bits(one));
        assertThat(one[0]).isEqualTo(Math.max(Math.abs(rooms[0][0]), rooms[1][0]));
        assertThat(one[frames]).isEqualTo(rooms[1][frames]);
    }

    @Test(dataProvider = "seeds")
    public void peaksAreTheLargestMagnitudes(int seed) {
        Random random = new Random(seed);
        float[][] wires = rooms(5, random);
        int frames = frames(random);
        for (MixKernel kernel : new MixKernel[] {plain, other}) {
            float[] lanes = new float[3 * kernel.lanes()];
            boolean above = kernel.raisePeaks(wires, 1, 4, 20, frames, lanes, 0.5f);
            float all = 0;
            for (int wire = 1; wire < 4; wire++) {
                float peak = largest(wires[wire], 20, frames);
                float seen = largest(lanes, (wire - 1) * kernel.lanes(), kernel.lanes());
                assertThat(seen).isEqualTo(peak);
                all = Math.max(all, peak);
            }
            assertThat(above).isEqualTo(all > 0.5f);
            float either = Math.max(largest(wires[0], 9, frames), largest(wires[1], 9, frames));
            assertThat(kernel.anyAbove(wires[0], wires[1], 9, frames, either)).isFalse();
            assertThat(kernel.anyAbove(wires[0], wires[1], 9, frames, Math.nextDown(either)))
                    .isTrue();
        }
    }

    @Test
    public void whatIsNotFiniteIsAboveEveryLimitWhereverItStands() {
        float[] calm = new float[ROOM];
        for (MixKernel kernel : new MixKernel[] {plain, other}) {
            for (float odd : new float[] {Float.NaN, Float.POSITIVE_INFINITY, Float.NEGATIVE_INFINITY}) {
                for (int place = 10; place < 10 + 70; place++) {
                    float[] samples = new float[ROOM];
                    samples[place] = odd;
                    assertThat(kernel.anyAbove(calm, samples, 10, 70, Float.MAX_VALUE))
                            .isTrue();
                    float[] lanes = new float[kernel.lanes()];
                    assertThat(kernel.raisePeaks(new float[][] {samples}, 0, 1, 10, 70, lanes, Float.MAX_VALUE))
                            .isTrue();
                }
            }
            assertThat(kernel.anyAbove(calm, calm, 10, 70, 0)).isFalse();
        }
    }

    private static int frames(Random random) {
        int[] usual = {1, 16, 32, 37, 64, 128, 256};
        return random.nextBoolean() ? usual[random.nextInt(usual.length)] : 1 + random.nextInt(300);
    }

    private static float[][] rooms(int count, Random random) {
        float[][] rooms = new float[count][ROOM];
        for (float[] room : rooms) {
            for (int n = 0; n < ROOM; n++) {
                room[n] = random.nextFloat() - 0.5f;
            }
        }
        return rooms;
    }

    private static float[] gains(int count, Random random) {
        float[] gains = new float[count];
        for (int at = 0; at < count; at++) {
            gains[at] = random.nextInt(5) == 0 ? 0 : 2 * random.nextFloat() - 1;
        }
        return gains;
    }

    private static float largest(float[] samples, int at, int frames) {
        float largest = 0;
        for (int n = at; n < at + frames; n++) {
            largest = Math.max(largest, Math.abs(samples[n]));
        }
        return largest;
    }

    private static int[][] bits(float[][] rooms) {
        int[][] bits = new int[rooms.length][];
        for (int room = 0; room < bits.length; room++) {
            bits[room] = bits(rooms[room]);
        }
        return bits;
    }

    private static int[] bits(float[] samples) {
        int[] bits = new int[samples.length];
        for (int n = 0; n < bits.length; n++) {
            bits[n] = Float.floatToRawIntBits(samples[n]);
        }
        return bits;
    }
}
