package vividlantern.kernel;

/**
 * The arithmetic in which a mix spends its time. Every implementation gives the same bits: each sample is summed in the
 * order of the edges, one product and one sum after the other, without fusing them.
 */
public interface MixKernel {

    /** What it is made of, for the log. */
    String words();

    /**
     * Adds samples, each wire's times two gains that stand still, to the two sides of a sum.
     *
     * @param in the samples of each edge
     * @param leftGain the gain of each edge to the left
     * @param rightGain the gain of each edge to the right
     * @param from the first edge
     * @param to the edge after the last
     * @param at the first frame in each of these
     * @param outAt where that frame lies in the two sides
     */
    void addStill(
            float[][] in,
            float[] leftGain,
            float[] rightGain,
            int from,
            int to,
            int at,
            float[] left,
            float[] right,
            int outAt,
            int frames);

    /**
     * Adds samples, each edge's times a gain that stands still, to one side.
     *
     * @param inAt where the first frame lies in the samples of each edge
     * @param gain the gain of each edge; there are as many edges as gains
     */
    void addStill(float[][] in, int[] inAt, float[] gain, float[] out, int outAt, int frames);

    /** Adds samples times one gain that stands still to one side. */
    void addStill(float[] in, int inAt, float gain, float[] out, int outAt, int frames);

    /**
     * Adds samples, each wire's times two gains on their way, to the two sides of a sum. A gain is
     * {@code curve · factor + base}; of each edge stand those of the left side first, then those of the right.
     *
     * @param curveAt where the first frame's value lies on each curve
     */
    void addMoving(
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
            int frames);

    /** Adds samples times a gain on its way, {@code curve · factor + base}, to one side. */
    void addMoving(
            float[] in,
            int inAt,
            float[] curve,
            int curveAt,
            float factor,
            float base,
            float[] out,
            int outAt,
            int frames);

    /**
     * Adds weighted sums of samples to one side: to each frame {@code weights[0] · in[inAt]} and so on, and one place further
     * for the next frame.
     */
    void addWeighted(float[] in, int inAt, float[] weights, float[] out, int frames);

    /**
     * Adds triangular noise of a given peak, hashed by {@link SplitMix64}.
     *
     * @param from what the first sample's noise is hashed from; the next one's is a step further
     */
    void addTriangular(float[] samples, int frames, float peak, long from);

    /** Rounds samples to the nearest of 2^23 steps a full scale, half a step to the even one, and clips them at full scale. */
    void toSteps(float[] samples, int frames);

    /** Raises peaks to the magnitudes of samples, each to that of its own place. */
    void raiseToMagnitudes(float[] samples, float[] peaks, int frames);

    /** How many values in a row stand for one peak in {@link #raisePeaks}; the peak is the largest of them. */
    int lanes();

    /**
     * Raises the peaks of some wires to the magnitudes of their samples; what is not finite counts as larger than all that is.
     *
     * @param from the first wire
     * @param to the wire after the last
     * @param at the first frame in each of them
     * @param peaks {@link #lanes} values for each of these wires
     * @param limit a finite magnitude
     * @return whether a sample has a magnitude above the limit, or is not finite
     */
    boolean raisePeaks(float[][] wires, int from, int to, int at, int frames, float[] peaks, float limit);

    /** Whether a sample of either side has a magnitude above a finite limit, or is not finite. */
    boolean anyAbove(float[] left, float[] right, int at, int frames, float limit);
}
