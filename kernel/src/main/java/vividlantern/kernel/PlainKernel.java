package vividlantern.kernel;

/**
 * Plain loops over float arrays, which the compiler turns into vector instructions. Edges are worked off four at a time,
 * which saves most of the traffic on the sum and of the loops' own cost; with more the loop's body grows beyond what the
 * compiler unrolls.
 */
public final class PlainKernel implements MixKernel {

    static final float STEPS = 1 << 23;

    @Override
    public String words() {
        return "plain loops";
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
        addSide(in, leftGain, from, to, at, left, outAt, frames);
        addSide(in, rightGain, from, to, at, right, outAt, frames);
    }

    private void addSide(float[][] in, float[] gain, int from, int to, int at, float[] out, int outAt, int frames) {
        int edge = from;
        for (; edge + 4 <= to; edge += 4) {
            addFour(
                    in[edge],
                    gain[edge],
                    in[edge + 1],
                    gain[edge + 1],
                    in[edge + 2],
                    gain[edge + 2],
                    in[edge + 3],
                    gain[edge + 3],
                    at,
                    out,
                    outAt,
                    frames);
        }
        for (; edge < to; edge++) {
            addStill(in[edge], at, gain[edge], out, outAt, frames);
        }
    }

    private static void addFour(
            float[] a,
            float ga,
            float[] b,
            float gb,
            float[] c,
            float gc,
            float[] d,
            float gd,
            int at,
            float[] out,
            int outAt,
            int frames) {
        for (int n = 0; n < frames; n++) {
            out[outAt + n] = out[outAt + n] + ga * a[at + n] + gb * b[at + n] + gc * c[at + n] + gd * d[at + n];
        }
    }

    @Override
    public void addStill(float[][] in, int[] inAt, float[] gain, float[] out, int outAt, int frames) {
        for (int edge = 0; edge < gain.length; edge++) {
            addStill(in[edge], inAt[edge], gain[edge], out, outAt, frames);
        }
    }

    @Override
    public void addStill(float[] in, int inAt, float gain, float[] out, int outAt, int frames) {
        for (int n = 0; n < frames; n++) {
            out[outAt + n] += gain * in[inAt + n];
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
        for (int n = 0; n < frames; n++) {
            out[outAt + n] += (curve[curveAt + n] * factor + base) * in[inAt + n];
        }
    }

    @Override
    public void addWeighted(float[] in, int inAt, float[] weights, float[] out, int frames) {
        for (int tap = 0; tap < weights.length; tap++) {
            addStill(in, inAt + tap, weights[tap], out, 0, frames);
        }
    }

    @Override
    public void addTriangular(float[] samples, int frames, float peak, long from) {
        for (int n = 0; n < frames; n++) {
            samples[n] += peak * SplitMix64.triangleAsFloat(SplitMix64.mix(from + n * SplitMix64.STEP));
        }
    }

    @Override
    public void toSteps(float[] samples, int frames) {
        for (int n = 0; n < frames; n++) {
            samples[n] = toStep(samples[n]);
        }
    }

    /**
     * Added to 2^23 a float has no room for fractions, which rounds without a branch that music would make unpredictable.
     */
    static float toStep(float sample) {
        float steps = sample * STEPS;
        float large = Math.copySign(STEPS, steps);
        float whole = (steps + large - large) * (1 / STEPS);
        return whole > 1 ? 1 : whole < -1 ? -1 : whole;
    }

    @Override
    public void raiseToMagnitudes(float[] samples, float[] peaks, int frames) {
        for (int n = 0; n < frames; n++) {
            peaks[n] = Math.max(peaks[n], Math.abs(samples[n]));
        }
    }

    @Override
    public int lanes() {
        return 1;
    }

    @Override
    public boolean raisePeaks(float[][] wires, int from, int to, int at, int frames, float[] peaks, float limit) {
        int largest = 0;
        for (int wire = from; wire < to; wire++) {
            int here = largestBits(wires[wire], at, frames);
            peaks[wire - from] = Float.intBitsToFloat(Math.max(here, Float.floatToRawIntBits(peaks[wire - from])));
            largest = Math.max(largest, here);
        }
        return largest > Float.floatToRawIntBits(limit);
    }

    @Override
    public boolean anyAbove(float[] left, float[] right, int at, int frames, float limit) {
        return Math.max(largestBits(left, at, frames), largestBits(right, at, frames)) > Float.floatToRawIntBits(limit);
    }

    /**
     * Positive floats are in the order of their bits, infinity and NaN after all others, and a maximum of integers is one
     * that the compiler turns into vector instructions.
     */
    private static int largestBits(float[] samples, int at, int frames) {
        int largest = 0;
        for (int n = at; n < at + frames; n++) {
            largest = Math.max(largest, Float.floatToRawIntBits(samples[n]) & 0x7FFFFFFF);
        }
        return largest;
    }
}
