package vividlantern.sim;

import java.util.HashMap;
import java.util.Map;

/**
 * Cables from the interface's outputs back into its inputs, and what left by the outputs not long ago. The converters' filters
 * make what goes round late by a fraction of a frame.
 */
final class Cables {

    private static final int RING = 1 << 14;
    /** How many samples to each side the fraction of a frame is worked out from. */
    static final int REACH = 16;

    private volatile Map<Integer, Integer> outputOf = Map.of();
    private final float[][] left;
    private final double[] between;

    /** @param fraction of a frame by which it comes later; below 1 */
    Cables(int outputs, double fraction) {
        left = new float[outputs][RING];
        between = new double[2 * REACH];
        for (int at = 0; at < between.length; at++) {
            double x = at - REACH + 1 - fraction;
            double sinc = Math.abs(x) < 1e-12 ? 1 : StrictMath.sin(Math.PI * x) / (Math.PI * x);
            double window = StrictMath.cos(Math.PI * x / (2 * REACH + 1));
            between[at] = sinc * window * window;
        }
    }

    /** Plugs a cable from an output into an input; whatever was in that input is out. */
    synchronized void plug(int output, int input) {
        Map<Integer, Integer> next = new HashMap<>(outputOf);
        next.put(input, output);
        outputOf = Map.copyOf(next);
    }

    /** Pulls all cables out. */
    synchronized void pullOut() {
        outputOf = Map.of();
    }

    boolean isPluggedInto(int input) {
        return outputOf.containsKey(input);
    }

    boolean none() {
        return outputOf.isEmpty();
    }

    /** Takes what leaves by the outputs. */
    void leave(float[][] outputs, int offset, int frames, long frame) {
        for (int output = 0; output < left.length; output++) {
            int begin = (int) frame & RING - 1;
            int toEnd = Math.min(frames, RING - begin);
            System.arraycopy(outputs[output], offset, left[output], begin, toEnd);
            System.arraycopy(outputs[output], offset + toEnd, left[output], 0, frames - toEnd);
        }
    }

    /** Adds what left by an output from a frame on, times a factor. */
    void addLeft(int output, long frame, float factor, float[] samples, int frames) {
        float[] ring = left[output];
        for (int n = 0; n < frames; n++) {
            samples[n] += factor * ring[(int) (frame + n) & RING - 1];
        }
    }

    /** Writes what comes in at an input, of the frames that left from a frame on. */
    void arrive(int input, long frame, float[] samples, int frames) {
        float[] ring = left[outputOf.get(input)];
        for (int n = 0; n < frames; n++) {
            double sum = 0;
            for (int at = 0; at < between.length; at++) {
                sum += between[at] * ring[(int) (frame + n - at + REACH - 1) & RING - 1];
            }
            samples[n] = (float) sum;
        }
    }
}
