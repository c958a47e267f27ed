package vividlantern.kernel;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorOperators;
import jdk.incubator.vector.VectorSpecies;

/**
 * The kernel in vector instructions of the width this machine prefers.
 *
 * <p>Stereo sums go by tiles: two sides of four vectors (two where gains move) stay in registers through all edges in their
 * order, so that a sum is read and written once. All other sums go four edges at a time by memory. What is left of a block is
 * summed sample by sample, by the same expressions.
 *
 * <p>Three habits keep the compiler of Java 17 from putting every vector on the heap, which costs ten times the arithmetic.
 * All floats are vectors of one width, and there are no vectors of whole numbers. No vector is handed from one method to
 * another. And a vector is carried from one round of a loop to the next only in the tiles: their methods are too long to
 * be inlined anywhere, so they are compiled by themselves; a shorter one that was inlined into its callers lost the class of
 * its vectors there.
 */
final class VectorKernel implements MixKernel {

    private static final VectorSpecies<Float> FLOATS = FloatVector.SPECIES_PREFERRED;
    private static final int WIDTH = FLOATS.length();
    /** So few edges are not worth a tile. */
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
        int done = 0;
        if (to - from > FEW) {
            for (; done + 4 * WIDTH <= frames; done += 4 * WIDTH) {
                tileOfFour(in, leftGain, rightGain, from, to, at + done, left, right, outAt + done);
            }
        }
        if (done < frames) {
            addSide(in, leftGain, from, to, at + done, left, outAt + done, frames - done);
            addSide(in, rightGain, from, to, at + done, right, outAt + done, frames - done);
        }
    }

    private void addSide(float[][] in, float[] gain, int from, int to, int at, float[] out, int outAt, int frames) {
        int edge = from;
        for (; edge + 4 <= to; edge += 4) {
            addFour(in[edge], at, in[edge + 1], at, in[edge + 2], at, in[edge + 3], at, gain, edge, out, outAt, frames);
        }
        for (; edge < to; edge++) {
            addStill(in[edge], at, gain[edge], out, outAt, frames);
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

    @Override
    public void addStill(float[][] in, int[] inAt, float[] gain, float[] out, int outAt, int frames) {
        int edge = 0;
        for (; edge + 4 <= gain.length; edge += 4) {
            addFour(
                    in[edge],
                    inAt[edge],
                    in[edge + 1],
                    inAt[edge + 1],
                    in[edge + 2],
                    inAt[edge + 2],
                    in[edge + 3],
                    inAt[edge + 3],
                    gain,
                    edge,
                    out,
                    outAt,
                    frames);
        }
        for (; edge < gain.length; edge++) {
            addStill(in[edge], inAt[edge], gain[edge], out, outAt, frames);
        }
    }

    @Override
    public void addWeighted(float[] in, int inAt, float[] weights, float[] out, int frames) {
        int tap = 0;
        for (; tap + 4 <= weights.length; tap += 4) {
            int at = inAt + tap;
            addFour(in, at, in, at + 1, in, at + 2, in, at + 3, weights, tap, out, 0, frames);
        }
        for (; tap < weights.length; tap++) {
            addStill(in, inAt + tap, weights[tap], out, 0, frames);
        }
    }

    private static void addFour(
            float[] a,
            int aAt,
            float[] b,
            int bAt,
            float[] c,
            int cAt,
            float[] d,
            int dAt,
            float[] gain,
            int first,
            float[] out,
            int outAt,
            int frames) {
        FloatVector ga = FloatVector.broadcast(FLOATS, gain[first]);
        FloatVector gb = FloatVector.broadcast(FLOATS, gain[first + 1]);
        FloatVector gc = FloatVector.broadcast(FLOATS, gain[first + 2]);
        FloatVector gd = FloatVector.broadcast(FLOATS, gain[first + 3]);
        int done = 0;
        for (; done + WIDTH <= frames; done += WIDTH) {
            FloatVector.fromArray(FLOATS, out, outAt + done)
                    .add(ga.mul(FloatVector.fromArray(FLOATS, a, aAt + done)))
                    .add(gb.mul(FloatVector.fromArray(FLOATS, b, bAt + done)))
                    .add(gc.mul(FloatVector.fromArray(FLOATS, c, cAt + done)))
                    .add(gd.mul(FloatVector.fromArray(FLOATS, d, dAt + done)))
                    .intoArray(out, outAt + done);
        }
        for (; done < frames; done++) {
            out[outAt + done] = out[outAt + done]
                    + gain[first] * a[aAt + done]
                    + gain[first + 1] * b[bAt + done]
                    + gain[first + 2] * c[cAt + done]
                    + gain[first + 3] * d[dAt + done];
        }
    }

    @Override
    public void addStill(float[] in, int inAt, float gain, float[] out, int outAt, int frames) {
        FloatVector gains = FloatVector.broadcast(FLOATS, gain);
        int done = 0;
        for (; done + WIDTH <= frames; done += WIDTH) {
            FloatVector.fromArray(FLOATS, out, outAt + done)
                    .add(gains.mul(FloatVector.fromArray(FLOATS, in, inAt + done)))
                    .intoArray(out, outAt + done);
        }
        for (; done < frames; done++) {
            out[outAt + done] = out[outAt + done] + gain * in[inAt + done];
        }
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
        for (; done < frames; done++) {
            out[outAt + done] += (curve[curveAt + done] * factor + base) * in[inAt + done];
        }
    }

    /** The hash of each sample is a few multiplications of whole numbers, which gain nothing from vectors. */
    @Override
    public void addTriangular(float[] samples, int frames, float peak, long from) {
        plain.addTriangular(samples, frames, peak, from);
    }

    /** What is above zero and what is below it is rounded apart from each other, without asking for a sign. */
    @Override
    public void toSteps(float[] samples, int frames) {
        FloatVector zero = FloatVector.broadcast(FLOATS, 0);
        FloatVector full = FloatVector.broadcast(FLOATS, PlainKernel.STEPS);
        FloatVector minusFull = FloatVector.broadcast(FLOATS, -PlainKernel.STEPS);
        FloatVector step = FloatVector.broadcast(FLOATS, 1 / PlainKernel.STEPS);
        int done = 0;
        for (; done + WIDTH <= frames; done += WIDTH) {
            FloatVector steps = FloatVector.fromArray(FLOATS, samples, done).mul(full);
            FloatVector above = steps.max(zero).min(full).add(full).sub(full);
            FloatVector below = steps.min(zero).max(minusFull).sub(full).add(full);
            above.add(below).mul(step).intoArray(samples, done);
        }
        for (; done < frames; done++) {
            samples[done] = PlainKernel.toStep(samples[done]);
        }
    }

    @Override
    public void raiseToMagnitudes(float[] samples, float[] peaks, int frames) {
        int done = 0;
        for (; done + WIDTH <= frames; done += WIDTH) {
            FloatVector.fromArray(FLOATS, samples, done)
                    .abs()
                    .max(FloatVector.fromArray(FLOATS, peaks, done))
                    .intoArray(peaks, done);
        }
        for (; done < frames; done++) {
            peaks[done] = Math.max(peaks[done], Math.abs(samples[done]));
        }
    }

    @Override
    public int lanes() {
        return WIDTH;
    }

    @Override
    public boolean raisePeaks(float[][] wires, int from, int to, int at, int frames, float[] peaks, float limit) {
        boolean above = false;
        for (int wire = from; wire < to; wire++) {
            above |= raisePeaks(wires[wire], at, frames, peaks, (wire - from) * WIDTH, limit);
        }
        return above;
    }

    private static boolean raisePeaks(float[] samples, int at, int frames, float[] peaks, int lane, float limit) {
        FloatVector limits = FloatVector.broadcast(FLOATS, limit);
        boolean within = true;
        int done = 0;
        for (; done + 4 * WIDTH <= frames; done += 4 * WIDTH) {
            FloatVector a = FloatVector.fromArray(FLOATS, samples, at + done).abs();
            FloatVector b =
                    FloatVector.fromArray(FLOATS, samples, at + done + WIDTH).abs();
            FloatVector c = FloatVector.fromArray(FLOATS, samples, at + done + 2 * WIDTH)
                    .abs();
            FloatVector d = FloatVector.fromArray(FLOATS, samples, at + done + 3 * WIDTH)
                    .abs();
            FloatVector largest = a.max(b).max(c.max(d));
            within &= largest.compare(VectorOperators.LE, limits).allTrue();
            FloatVector.fromArray(FLOATS, peaks, lane).max(largest).intoArray(peaks, lane);
        }
        for (; done + WIDTH <= frames; done += WIDTH) {
            FloatVector largest =
                    FloatVector.fromArray(FLOATS, samples, at + done).abs();
            within &= largest.compare(VectorOperators.LE, limits).allTrue();
            FloatVector.fromArray(FLOATS, peaks, lane).max(largest).intoArray(peaks, lane);
        }
        for (; done < frames; done++) {
            float here = Math.abs(samples[at + done]);
            within &= here <= limit;
            peaks[lane] = Math.max(peaks[lane], here);
        }
        return !within;
    }

    @Override
    public boolean anyAbove(float[] left, float[] right, int at, int frames, float limit) {
        FloatVector limits = FloatVector.broadcast(FLOATS, limit);
        int done = 0;
        for (; done + 2 * WIDTH <= frames; done += 2 * WIDTH) {
            FloatVector a = FloatVector.fromArray(FLOATS, left, at + done).abs();
            FloatVector b =
                    FloatVector.fromArray(FLOATS, left, at + done + WIDTH).abs();
            FloatVector c = FloatVector.fromArray(FLOATS, right, at + done).abs();
            FloatVector d =
                    FloatVector.fromArray(FLOATS, right, at + done + WIDTH).abs();
            if (!a.max(b).max(c.max(d)).compare(VectorOperators.LE, limits).allTrue()) {
                return true;
            }
        }
        return plain.anyAbove(left, right, at + done, frames - done, limit);
    }
}
