package vividlantern.kernel;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.LongVector;
import jdk.incubator.vector.VectorOperators;
import jdk.incubator.vector.VectorSpecies;

/**
 * The kernel in vector instructions of the width this machine prefers.
 *
 * <p>A tile holds two sides of four vectors in registers: it loads what stands in the sum, goes through all edges in their
 * order with four loads, two gains, eight products and eight sums each, and stores. So the sum is read and written once
 * for all edges instead of once for each few. A tile of two vectors and single frames take what is left of a block, by the
 * same expression.
 *
 * <p>All floats are vectors of one width: as soon as a second one is used anywhere, the compiler of Java 17 no longer knows
 * which it meets, and every loop here takes ten times as long. No vector is handed from one method to another, for the same
 * reason: where a call is not inlined, it goes by the heap.
 */
final class VectorKernel implements MixKernel {

    private static final VectorSpecies<Float> FLOATS = FloatVector.SPECIES_PREFERRED;
    private static final VectorSpecies<Integer> INTS = IntVector.SPECIES_PREFERRED;
    private static final VectorSpecies<Long> LONGS = LongVector.SPECIES_PREFERRED;
    private static final LongVector EVERY_OTHER =
            LongVector.zero(LONGS).addIndex(1).mul(2 * SplitMix64.STEP);
    private static final long UPPER_HALF = 0xFFFFFFFF00000000L;
    private static final float MIDDLE = 0x1.8p23f;
    private static final int MIDDLE_BITS = Float.floatToRawIntBits(MIDDLE);
    private static final int WIDTH = FLOATS.length();
    /** So few edges are not worth a tile; and a compiler that sees many such loops puts the vectors of long ones on the heap. */
    private static final int FEW = 2;

    private final PlainKernel plain = new PlainKernel();

    @Override
    public String words() {
        return "vectors of " + WIDTH + " samples";
    }

    @Override
    public void addStill(
            float[][] in,
            float[] leftGain,
            float[] rightGain,
            int from,
            int to,
            int at,
            float[] left,
            float[] right,
            int outAt,
            int frames) {
        if (to - from <= FEW) {
            for (int edge = from; edge < to; edge++) {
                addStill(in[edge], at, leftGain[edge], left, outAt, frames);
                addStill(in[edge], at, rightGain[edge], right, outAt, frames);
            }
            return;
        }
        int done = 0;
        for (; done + 4 * WIDTH <= frames; done += 4 * WIDTH) {
            tileOfFour(in, leftGain, rightGain, from, to, at + done, left, right, outAt + done);
        }
        for (; done + 2 * WIDTH <= frames; done += 2 * WIDTH) {
            tileOfTwo(in, leftGain, rightGain, from, to, at + done, left, right, outAt + done);
        }
        for (; done < frames; done++) {
            left[outAt + done] = frame(in, leftGain, from, to, at + done, left[outAt + done]);
            right[outAt + done] = frame(in, rightGain, from, to, at + done, right[outAt + done]);
        }
    }

    private static void tileOfFour(
            float[][] in,
            float[] leftGain,
            float[] rightGain,
            int from,
            int to,
            int at,
            float[] left,
            float[] right,
            int outAt) {
        FloatVector l0 = FloatVector.fromArray(FLOATS, left, outAt);
        FloatVector l1 = FloatVector.fromArray(FLOATS, left, outAt + WIDTH);
        FloatVector l2 = FloatVector.fromArray(FLOATS, left, outAt + 2 * WIDTH);
        FloatVector l3 = FloatVector.fromArray(FLOATS, left, outAt + 3 * WIDTH);
        FloatVector r0 = FloatVector.fromArray(FLOATS, right, outAt);
        FloatVector r1 = FloatVector.fromArray(FLOATS, right, outAt + WIDTH);
        FloatVector r2 = FloatVector.fromArray(FLOATS, right, outAt + 2 * WIDTH);
        FloatVector r3 = FloatVector.fromArray(FLOATS, right, outAt + 3 * WIDTH);
        for (int edge = from; edge < to; edge++) {
            float[] samples = in[edge];
            FloatVector gl = FloatVector.broadcast(FLOATS, leftGain[edge]);
            FloatVector gr = FloatVector.broadcast(FLOATS, rightGain[edge]);
            FloatVector a = FloatVector.fromArray(FLOATS, samples, at);
            l0 = l0.add(gl.mul(a));
            r0 = r0.add(gr.mul(a));
            FloatVector b = FloatVector.fromArray(FLOATS, samples, at + WIDTH);
            l1 = l1.add(gl.mul(b));
            r1 = r1.add(gr.mul(b));
            FloatVector c = FloatVector.fromArray(FLOATS, samples, at + 2 * WIDTH);
            l2 = l2.add(gl.mul(c));
            r2 = r2.add(gr.mul(c));
            FloatVector d = FloatVector.fromArray(FLOATS, samples, at + 3 * WIDTH);
            l3 = l3.add(gl.mul(d));
            r3 = r3.add(gr.mul(d));
        }
        l0.intoArray(left, outAt);
        l1.intoArray(left, outAt + WIDTH);
        l2.intoArray(left, outAt + 2 * WIDTH);
        l3.intoArray(left, outAt + 3 * WIDTH);
        r0.intoArray(right, outAt);
        r1.intoArray(right, outAt + WIDTH);
        r2.intoArray(right, outAt + 2 * WIDTH);
        r3.intoArray(right, outAt + 3 * WIDTH);
    }

    private static void tileOfTwo(
            float[][] in,
            float[] leftGain,
            float[] rightGain,
            int from,
            int to,
            int at,
            float[] left,
            float[] right,
            int outAt) {
        FloatVector l0 = FloatVector.fromArray(FLOATS, left, outAt);
        FloatVector l1 = FloatVector.fromArray(FLOATS, left, outAt + WIDTH);
        FloatVector r0 = FloatVector.fromArray(FLOATS, right, outAt);
        FloatVector r1 = FloatVector.fromArray(FLOATS, right, outAt + WIDTH);
        for (int edge = from; edge < to; edge++) {
            float[] samples = in[edge];
            FloatVector gl = FloatVector.broadcast(FLOATS, leftGain[edge]);
            FloatVector gr = FloatVector.broadcast(FLOATS, rightGain[edge]);
            FloatVector a = FloatVector.fromArray(FLOATS, samples, at);
            FloatVector b = FloatVector.fromArray(FLOATS, samples, at + WIDTH);
            l0 = l0.add(gl.mul(a));
            l1 = l1.add(gl.mul(b));
            r0 = r0.add(gr.mul(a));
            r1 = r1.add(gr.mul(b));
        }
        l0.intoArray(left, outAt);
        l1.intoArray(left, outAt + WIDTH);
        r0.intoArray(right, outAt);
        r1.intoArray(right, outAt + WIDTH);
    }

    private static float frame(float[][] in, float[] gain, int from, int to, int at, float stands) {
        float sum = stands;
        for (int edge = from; edge < to; edge++) {
            sum = sum + gain[edge] * in[edge][at];
        }
        return sum;
    }

    @Override
    public void addStill(float[][] in, int[] inAt, float[] gain, float[] out, int outAt, int frames) {
        int done = 0;
        for (; done + 4 * WIDTH <= frames; done += 4 * WIDTH) {
            sideOfFour(in, inAt, gain, done, out, outAt + done);
        }
        for (; done + WIDTH <= frames; done += WIDTH) {
            sideOfOne(in, inAt, gain, done, out, outAt + done);
        }
        for (; done < frames; done++) {
            float sum = out[outAt + done];
            for (int edge = 0; edge < gain.length; edge++) {
                sum = sum + gain[edge] * in[edge][inAt[edge] + done];
            }
            out[outAt + done] = sum;
        }
    }

    private static void sideOfFour(float[][] in, int[] inAt, float[] gain, int done, float[] out, int outAt) {
        FloatVector a = FloatVector.fromArray(FLOATS, out, outAt);
        FloatVector b = FloatVector.fromArray(FLOATS, out, outAt + WIDTH);
        FloatVector c = FloatVector.fromArray(FLOATS, out, outAt + 2 * WIDTH);
        FloatVector d = FloatVector.fromArray(FLOATS, out, outAt + 3 * WIDTH);
        for (int edge = 0; edge < gain.length; edge++) {
            float[] samples = in[edge];
            int at = inAt[edge] + done;
            FloatVector gains = FloatVector.broadcast(FLOATS, gain[edge]);
            a = a.add(gains.mul(FloatVector.fromArray(FLOATS, samples, at)));
            b = b.add(gains.mul(FloatVector.fromArray(FLOATS, samples, at + WIDTH)));
            c = c.add(gains.mul(FloatVector.fromArray(FLOATS, samples, at + 2 * WIDTH)));
            d = d.add(gains.mul(FloatVector.fromArray(FLOATS, samples, at + 3 * WIDTH)));
        }
        a.intoArray(out, outAt);
        b.intoArray(out, outAt + WIDTH);
        c.intoArray(out, outAt + 2 * WIDTH);
        d.intoArray(out, outAt + 3 * WIDTH);
    }

    private static void sideOfOne(float[][] in, int[] inAt, float[] gain, int done, float[] out, int outAt) {
        FloatVector sum = FloatVector.fromArray(FLOATS, out, outAt);
        for (int edge = 0; edge < gain.length; edge++) {
            FloatVector gains = FloatVector.broadcast(FLOATS, gain[edge]);
            sum = sum.add(gains.mul(FloatVector.fromArray(FLOATS, in[edge], inAt[edge] + done)));
        }
        sum.intoArray(out, outAt);
    }

    @Override
    public void addStill(float[] in, int inAt, float gain, float[] out, int outAt, int frames) {
        FloatVector gains = FloatVector.broadcast(FLOATS, gain);
        int done = 0;
        for (; done + WIDTH <= frames; done += WIDTH) {
            FloatVector product = FloatVector.fromArray(FLOATS, in, inAt + done).mul(gains);
            FloatVector.fromArray(FLOATS, out, outAt + done).add(product).intoArray(out, outAt + done);
        }
        plain.addStill(in, inAt + done, gain, out, outAt + done, frames - done);
    }

    @Override
    public void addMoving(
            float[][] in,
            float[][] curve,
            int[] curveAt,
            float[] factor,
            float[] base,
            int from,
            int to,
            int at,
            float[] left,
            float[] right,
            int outAt,
            int frames) {
        if (from == to) {
            return;
        }
        int done = 0;
        for (; done + 2 * WIDTH <= frames; done += 2 * WIDTH) {
            movingTile(in, curve, curveAt, factor, base, from, to, at, done, left, right, outAt + done);
        }
        for (; done < frames; done++) {
            left[outAt + done] =
                    movingFrame(in, curve, curveAt, factor, base, from, to, 0, at, done, left[outAt + done]);
            right[outAt + done] =
                    movingFrame(in, curve, curveAt, factor, base, from, to, 1, at, done, right[outAt + done]);
        }
    }

    private static void movingTile(
            float[][] in,
            float[][] curve,
            int[] curveAt,
            float[] factor,
            float[] base,
            int from,
            int to,
            int at,
            int done,
            float[] left,
            float[] right,
            int outAt) {
        FloatVector l0 = FloatVector.fromArray(FLOATS, left, outAt);
        FloatVector l1 = FloatVector.fromArray(FLOATS, left, outAt + WIDTH);
        FloatVector r0 = FloatVector.fromArray(FLOATS, right, outAt);
        FloatVector r1 = FloatVector.fromArray(FLOATS, right, outAt + WIDTH);
        for (int edge = from; edge < to; edge++) {
            float[] samples = in[edge];
            FloatVector a = FloatVector.fromArray(FLOATS, samples, at + done);
            FloatVector b = FloatVector.fromArray(FLOATS, samples, at + done + WIDTH);
            int side = 2 * edge;
            float[] bend = curve[side];
            int n = curveAt[side] + done;
            FloatVector factors = FloatVector.broadcast(FLOATS, factor[side]);
            FloatVector bases = FloatVector.broadcast(FLOATS, base[side]);
            l0 = l0.add(FloatVector.fromArray(FLOATS, bend, n)
                    .mul(factors)
                    .add(bases)
                    .mul(a));
            l1 = l1.add(FloatVector.fromArray(FLOATS, bend, n + WIDTH)
                    .mul(factors)
                    .add(bases)
                    .mul(b));
            side++;
            bend = curve[side];
            n = curveAt[side] + done;
            factors = FloatVector.broadcast(FLOATS, factor[side]);
            bases = FloatVector.broadcast(FLOATS, base[side]);
            r0 = r0.add(FloatVector.fromArray(FLOATS, bend, n)
                    .mul(factors)
                    .add(bases)
                    .mul(a));
            r1 = r1.add(FloatVector.fromArray(FLOATS, bend, n + WIDTH)
                    .mul(factors)
                    .add(bases)
                    .mul(b));
        }
        l0.intoArray(left, outAt);
        l1.intoArray(left, outAt + WIDTH);
        r0.intoArray(right, outAt);
        r1.intoArray(right, outAt + WIDTH);
    }

    private static float movingFrame(
            float[][] in,
            float[][] curve,
            int[] curveAt,
            float[] factor,
            float[] base,
            int from,
            int to,
            int side,
            int at,
            int done,
            float stands) {
        float sum = stands;
        for (int edge = from; edge < to; edge++) {
            int here = 2 * edge + side;
            float gain = curve[here][curveAt[here] + done] * factor[here] + base[here];
            sum = sum + gain * in[edge][at + done];
        }
        return sum;
    }

    @Override
    public void addMoving(
            float[] in,
            int inAt,
            float[] curve,
            int curveAt,
            float factor,
            float base,
            float[] out,
            int outAt,
            int frames) {
        FloatVector factors = FloatVector.broadcast(FLOATS, factor);
        FloatVector bases = FloatVector.broadcast(FLOATS, base);
        int done = 0;
        for (; done + WIDTH <= frames; done += WIDTH) {
            FloatVector gain = FloatVector.fromArray(FLOATS, curve, curveAt + done)
                    .mul(factors)
                    .add(bases);
            FloatVector product = gain.mul(FloatVector.fromArray(FLOATS, in, inAt + done));
            FloatVector.fromArray(FLOATS, out, outAt + done).add(product).intoArray(out, outAt + done);
        }
        plain.addMoving(in, inAt + done, curve, curveAt + done, factor, base, out, outAt + done, frames - done);
    }

    @Override
    public void addWeighted(float[] in, int inAt, float[] weights, float[] out, int frames) {
        int done = 0;
        for (; done + 2 * WIDTH <= frames; done += 2 * WIDTH) {
            weightedTile(in, inAt + done, weights, out, done);
        }
        for (; done < frames; done++) {
            float sum = out[done];
            for (int tap = 0; tap < weights.length; tap++) {
                sum = sum + weights[tap] * in[inAt + done + tap];
            }
            out[done] = sum;
        }
    }

    private static void weightedTile(float[] in, int inAt, float[] weights, float[] out, int outAt) {
        FloatVector a = FloatVector.fromArray(FLOATS, out, outAt);
        FloatVector b = FloatVector.fromArray(FLOATS, out, outAt + WIDTH);
        for (int tap = 0; tap < weights.length; tap++) {
            FloatVector weight = FloatVector.broadcast(FLOATS, weights[tap]);
            a = a.add(weight.mul(FloatVector.fromArray(FLOATS, in, inAt + tap)));
            b = b.add(weight.mul(FloatVector.fromArray(FLOATS, in, inAt + tap + WIDTH)));
        }
        a.intoArray(out, outAt);
        b.intoArray(out, outAt + WIDTH);
    }

    @Override
    public void addTriangular(float[] samples, int frames, float peak, long from) {
        int done = 0;
        for (; done + WIDTH <= frames; done += WIDTH) {
            triangularTile(samples, done, peak, from + done * SplitMix64.STEP);
        }
        for (; done < frames; done++) {
            samples[done] += peak * (float) SplitMix64.triangle(SplitMix64.mix(from + done * SplitMix64.STEP));
        }
    }

    /**
     * The even frames' hashes stand in one vector and the odd ones' in another, so that their upper halves, and their lower
     * halves, come to lie side by side in the frames' order. The difference of the halves is taken in two parts of 16 bits,
     * which are exact as floats (they stand in the fraction of 1.5 · 2^23), so that their sum is the only step that rounds.
     */
    private static void triangularTile(float[] samples, int at, float peak, long from) {
        LongVector even = EVERY_OTHER.add(from);
        even = even.lanewise(VectorOperators.XOR, even.lanewise(VectorOperators.LSHR, 30));
        even = even.mul(SplitMix64.FIRST);
        even = even.lanewise(VectorOperators.XOR, even.lanewise(VectorOperators.LSHR, 27));
        even = even.mul(SplitMix64.SECOND);
        even = even.lanewise(VectorOperators.XOR, even.lanewise(VectorOperators.LSHR, 31));
        LongVector odd = EVERY_OTHER.add(from + SplitMix64.STEP);
        odd = odd.lanewise(VectorOperators.XOR, odd.lanewise(VectorOperators.LSHR, 30));
        odd = odd.mul(SplitMix64.FIRST);
        odd = odd.lanewise(VectorOperators.XOR, odd.lanewise(VectorOperators.LSHR, 27));
        odd = odd.mul(SplitMix64.SECOND);
        odd = odd.lanewise(VectorOperators.XOR, odd.lanewise(VectorOperators.LSHR, 31));
        IntVector upper = even.lanewise(VectorOperators.LSHR, 32)
                .lanewise(VectorOperators.OR, odd.lanewise(VectorOperators.AND, UPPER_HALF))
                .reinterpretAsInts();
        IntVector lower = even.lanewise(VectorOperators.AND, ~UPPER_HALF)
                .lanewise(VectorOperators.OR, odd.lanewise(VectorOperators.LSHL, 32))
                .reinterpretAsInts();
        FloatVector high = upper.lanewise(VectorOperators.LSHR, 16)
                .sub(lower.lanewise(VectorOperators.LSHR, 16))
                .add(MIDDLE_BITS)
                .reinterpretAsFloats()
                .sub(MIDDLE);
        FloatVector low = upper.and(0xFFFF)
                .sub(lower.and(0xFFFF))
                .add(MIDDLE_BITS)
                .reinterpretAsFloats()
                .sub(MIDDLE);
        FloatVector.fromArray(FLOATS, samples, at)
                .add(high.mul(0x1p16f).add(low).mul(0x1p-32f).mul(peak))
                .intoArray(samples, at);
    }

    @Override
    public void toSteps(float[] samples, int frames) {
        IntVector sign = IntVector.broadcast(INTS, 0x80000000);
        IntVector large = FloatVector.broadcast(FLOATS, PlainKernel.STEPS).reinterpretAsInts();
        int done = 0;
        for (; done + WIDTH <= frames; done += WIDTH) {
            FloatVector steps = FloatVector.fromArray(FLOATS, samples, done).mul(PlainKernel.STEPS);
            FloatVector added = steps.reinterpretAsInts().and(sign).or(large).reinterpretAsFloats();
            steps.add(added)
                    .sub(added)
                    .mul(1 / PlainKernel.STEPS)
                    .min(1)
                    .max(-1)
                    .intoArray(samples, done);
        }
        for (; done < frames; done++) {
            samples[done] = PlainKernel.toStep(samples[done]);
        }
    }

    @Override
    public void raiseToWeighted(float[] in, int inAt, float[][] weights, float[] peaks, int frames) {
        float[] first = weights[0];
        float[] second = weights[1];
        float[] third = weights[2];
        int done = 0;
        for (; done + 2 * WIDTH <= frames; done += 2 * WIDTH) {
            raiseTile(in, inAt + done, first, second, third, peaks, done);
        }
        if (done < frames) {
            raiseRest(in, inAt, first, second, third, peaks, done, frames);
        }
    }

    private static void raiseTile(
            float[] in, int inAt, float[] first, float[] second, float[] third, float[] peaks, int at) {
        FloatVector a0 = FloatVector.zero(FLOATS);
        FloatVector a1 = FloatVector.zero(FLOATS);
        FloatVector b0 = FloatVector.zero(FLOATS);
        FloatVector b1 = FloatVector.zero(FLOATS);
        FloatVector c0 = FloatVector.zero(FLOATS);
        FloatVector c1 = FloatVector.zero(FLOATS);
        for (int tap = 0; tap < first.length; tap++) {
            FloatVector x = FloatVector.fromArray(FLOATS, in, inAt + tap);
            FloatVector y = FloatVector.fromArray(FLOATS, in, inAt + tap + WIDTH);
            FloatVector weight = FloatVector.broadcast(FLOATS, first[tap]);
            a0 = a0.add(weight.mul(x));
            a1 = a1.add(weight.mul(y));
            weight = FloatVector.broadcast(FLOATS, second[tap]);
            b0 = b0.add(weight.mul(x));
            b1 = b1.add(weight.mul(y));
            weight = FloatVector.broadcast(FLOATS, third[tap]);
            c0 = c0.add(weight.mul(x));
            c1 = c1.add(weight.mul(y));
        }
        FloatVector.fromArray(FLOATS, peaks, at)
                .max(a0.abs())
                .max(b0.abs())
                .max(c0.abs())
                .intoArray(peaks, at);
        FloatVector.fromArray(FLOATS, peaks, at + WIDTH)
                .max(a1.abs())
                .max(b1.abs())
                .max(c1.abs())
                .intoArray(peaks, at + WIDTH);
    }

    private static void raiseRest(
            float[] in, int inAt, float[] first, float[] second, float[] third, float[] peaks, int from, int to) {
        for (int n = from; n < to; n++) {
            float a = 0;
            float b = 0;
            float c = 0;
            for (int tap = 0; tap < first.length; tap++) {
                float x = in[inAt + n + tap];
                a += first[tap] * x;
                b += second[tap] * x;
                c += third[tap] * x;
            }
            peaks[n] = Math.max(Math.max(peaks[n], Math.abs(a)), Math.max(Math.abs(b), Math.abs(c)));
        }
    }

    @Override
    public int lanes() {
        return WIDTH;
    }

    /** Magnitudes are compared as integers: positive floats are in the order of their bits. */
    @Override
    public boolean raisePeaks(float[][] wires, int from, int to, int at, int frames, float[] peaks, float limit) {
        int limitBits = Float.floatToRawIntBits(limit);
        IntVector magnitude = IntVector.broadcast(INTS, 0x7FFFFFFF);
        IntVector all = IntVector.zero(INTS);
        int rest = 0;
        for (int wire = from; wire < to; wire++) {
            float[] samples = wires[wire];
            int lane = (wire - from) * WIDTH;
            IntVector largest = IntVector.zero(INTS);
            int done = 0;
            for (; done + 4 * WIDTH <= frames; done += 4 * WIDTH) {
                IntVector a = FloatVector.fromArray(FLOATS, samples, at + done)
                        .reinterpretAsInts()
                        .and(magnitude);
                IntVector b = FloatVector.fromArray(FLOATS, samples, at + done + WIDTH)
                        .reinterpretAsInts()
                        .and(magnitude);
                IntVector c = FloatVector.fromArray(FLOATS, samples, at + done + 2 * WIDTH)
                        .reinterpretAsInts()
                        .and(magnitude);
                IntVector d = FloatVector.fromArray(FLOATS, samples, at + done + 3 * WIDTH)
                        .reinterpretAsInts()
                        .and(magnitude);
                largest = largest.max(a.max(b)).max(c.max(d));
            }
            for (; done + WIDTH <= frames; done += WIDTH) {
                IntVector here = FloatVector.fromArray(FLOATS, samples, at + done)
                        .reinterpretAsInts()
                        .and(magnitude);
                largest = largest.max(here);
            }
            all = all.max(largest);
            IntVector before = FloatVector.fromArray(FLOATS, peaks, lane).reinterpretAsInts();
            largest.max(before).reinterpretAsFloats().intoArray(peaks, lane);
            for (; done < frames; done++) {
                int here = Float.floatToRawIntBits(samples[at + done]) & 0x7FFFFFFF;
                rest = Math.max(rest, here);
                peaks[lane] = Float.intBitsToFloat(Math.max(here, Float.floatToRawIntBits(peaks[lane])));
            }
        }
        return rest > limitBits || all.compare(VectorOperators.GT, limitBits).anyTrue();
    }

    @Override
    public boolean anyAbove(float[] left, float[] right, int at, int frames, float limit) {
        IntVector magnitude = IntVector.broadcast(INTS, 0x7FFFFFFF);
        IntVector largest = IntVector.zero(INTS);
        int done = 0;
        for (; done + 2 * WIDTH <= frames; done += 2 * WIDTH) {
            IntVector a = FloatVector.fromArray(FLOATS, left, at + done)
                    .reinterpretAsInts()
                    .and(magnitude);
            IntVector b = FloatVector.fromArray(FLOATS, left, at + done + WIDTH)
                    .reinterpretAsInts()
                    .and(magnitude);
            IntVector c = FloatVector.fromArray(FLOATS, right, at + done)
                    .reinterpretAsInts()
                    .and(magnitude);
            IntVector d = FloatVector.fromArray(FLOATS, right, at + done + WIDTH)
                    .reinterpretAsInts()
                    .and(magnitude);
            largest = largest.max(a.max(b)).max(c.max(d));
        }
        return largest.compare(VectorOperators.GT, Float.floatToRawIntBits(limit))
                        .anyTrue()
                || plain.anyAbove(left, right, at + done, frames - done, limit);
    }
}
