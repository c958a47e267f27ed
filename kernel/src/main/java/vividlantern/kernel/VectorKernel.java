package vividlantern.kernel;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.VectorOperators;
import jdk.incubator.vector.VectorSpecies;

/**
 * The kernel in vector instructions of the width this machine prefers. Edges are worked off four at a time, so that the sum
 * is read and written once for four of them; what is left of a block is summed sample by sample, by the same expression.
 *
 * <p>Three habits keep the compiler of Java 17 from putting every vector on the heap, which costs ten times the arithmetic.
 * All floats are vectors of one width. No vector is handed from one method to another. And no vector is carried from one
 * round of a loop to the next: there it is a {@code FloatVector} of unknown class, which only an object on the heap can be
 * asked for. So sums go by memory between the rounds. Vectors of whole numbers are not used either: reading a float's bits
 * as one fails to be compiled now and then.
 */
final class VectorKernel implements MixKernel {

    private static final VectorSpecies<Float> FLOATS = FloatVector.SPECIES_PREFERRED;
    private static final int WIDTH = FLOATS.length();

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
        int edge = from;
        for (; edge + 4 <= to; edge += 4) {
            addFourToBoth(in, leftGain, rightGain, edge, at, left, right, outAt, frames);
        }
        for (; edge < to; edge++) {
            addStill(in[edge], at, leftGain[edge], left, outAt, frames);
            addStill(in[edge], at, rightGain[edge], right, outAt, frames);
        }
    }

    private static void addFourToBoth(
            float[][] in,
            float[] leftGain,
            float[] rightGain,
            int edge,
            int at,
            float[] left,
            float[] right,
            int outAt,
            int frames) {
        float[] a = in[edge];
        float[] b = in[edge + 1];
        float[] c = in[edge + 2];
        float[] d = in[edge + 3];
        FloatVector al = FloatVector.broadcast(FLOATS, leftGain[edge]);
        FloatVector bl = FloatVector.broadcast(FLOATS, leftGain[edge + 1]);
        FloatVector cl = FloatVector.broadcast(FLOATS, leftGain[edge + 2]);
        FloatVector dl = FloatVector.broadcast(FLOATS, leftGain[edge + 3]);
        FloatVector ar = FloatVector.broadcast(FLOATS, rightGain[edge]);
        FloatVector br = FloatVector.broadcast(FLOATS, rightGain[edge + 1]);
        FloatVector cr = FloatVector.broadcast(FLOATS, rightGain[edge + 2]);
        FloatVector dr = FloatVector.broadcast(FLOATS, rightGain[edge + 3]);
        int done = 0;
        for (; done + WIDTH <= frames; done += WIDTH) {
            FloatVector av = FloatVector.fromArray(FLOATS, a, at + done);
            FloatVector bv = FloatVector.fromArray(FLOATS, b, at + done);
            FloatVector cv = FloatVector.fromArray(FLOATS, c, at + done);
            FloatVector dv = FloatVector.fromArray(FLOATS, d, at + done);
            FloatVector.fromArray(FLOATS, left, outAt + done)
                    .add(al.mul(av))
                    .add(bl.mul(bv))
                    .add(cl.mul(cv))
                    .add(dl.mul(dv))
                    .intoArray(left, outAt + done);
            FloatVector.fromArray(FLOATS, right, outAt + done)
                    .add(ar.mul(av))
                    .add(br.mul(bv))
                    .add(cr.mul(cv))
                    .add(dr.mul(dv))
                    .intoArray(right, outAt + done);
        }
        for (; done < frames; done++) {
            int n = at + done;
            left[outAt + done] = left[outAt + done]
                    + leftGain[edge] * a[n]
                    + leftGain[edge + 1] * b[n]
                    + leftGain[edge + 2] * c[n]
                    + leftGain[edge + 3] * d[n];
            right[outAt + done] = right[outAt + done]
                    + rightGain[edge] * a[n]
                    + rightGain[edge + 1] * b[n]
                    + rightGain[edge + 2] * c[n]
                    + rightGain[edge + 3] * d[n];
        }
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
        for (int edge = from; edge < to; edge++) {
            int l = 2 * edge;
            int r = l + 1;
            addMoving(in[edge], at, curve[l], curveAt[l], factor[l], base[l], left, outAt, frames);
            addMoving(in[edge], at, curve[r], curveAt[r], factor[r], base[r], right, outAt, frames);
        }
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
        for (; done + 2 * WIDTH <= frames; done += 2 * WIDTH) {
            FloatVector largest = FloatVector.fromArray(FLOATS, samples, at + done)
                    .abs()
                    .max(FloatVector.fromArray(FLOATS, samples, at + done + WIDTH)
                            .abs());
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
        for (; done + WIDTH <= frames; done += WIDTH) {
            FloatVector largest = FloatVector.fromArray(FLOATS, left, at + done)
                    .abs()
                    .max(FloatVector.fromArray(FLOATS, right, at + done).abs());
            if (!largest.compare(VectorOperators.LE, limits).allTrue()) {
                return true;
            }
        }
        return plain.anyAbove(left, right, at + done, frames - done, limit);
    }
}
