package vividlantern.mix.effects;

import java.util.Arrays;

/**
 * How high a signal rises between its samples: the largest magnitude at four times the sample rate (ITU-R BS.1770, annex 2).
 * The three points between two samples are weighted sums of {@link #TAPS} samples around them, by a sinc under a Kaiser
 * window (J. F. Kaiser, 1974), flat up to 5/12 of the rate, 20 kHz at 48 kHz.
 *
 * <p>What lies above that it cannot see well. So what there is of it ({@link #high}), times {@link #UNSEEN}, has to be taken as
 * possible on top. The factor is measured: with it white noise, and tones from 0.42 to 0.4995 of the rate that begin
 * and end at any sample, stay below the ceiling at sixteen times the rate, at 44.1, 48 and 96 kHz.
 */
public final class TruePeak {

    static final int TAPS = 24;

    /** A point between two samples is known once so many samples after it have come. */
    static final int LATER_FRAMES = TAPS / 2;

    /**
     * What four times the rate can miss of a sine that lies between the points: cos(π/8) at half the sample rate, the worst
     * case (BS.1770, annex 2, appendix 1).
     */
    static final double MAY_MISS = StrictMath.cos(Math.PI / 8);

    /** How much higher a signal may rise than its points, of what lies above 5/12 of the rate. */
    static final float UNSEEN = 1.2f;

    /** What is high counts for so many frames after it was there. */
    static final int LINGERS_FRAMES = 12;

    private static final double BETA = 5;
    private static final double HIGH_BETA = 6;
    /** Half of the width of what is high, as a share of the rate: 3.5 kHz at 48 kHz below half the rate. */
    private static final double HIGH_SHARE = 3.5 / 48;

    private static final int POINTS = 3;
    private static final float[][] WEIGHTS = weights();
    private static final float[] HIGH = highWeights();

    /** A signal is judged by no more than this times the largest of the samples around it. */
    static final double HIGHEST_RISE = highestRise();

    private TruePeak() {}

    /** The largest magnitude of what was cut out of a signal, at its samples and, as far as it holds what lies around them, between. */
    public static double of(float[] samples) {
        double peak = 0;
        for (float sample : samples) {
            peak = Math.max(peak, Math.abs(sample));
        }
        int points = samples.length - TAPS + 1;
        if (points > 0) {
            float[] peaks = new float[points];
            between(samples, LATER_FRAMES - 1, peaks, new float[points], points);
            for (float between : peaks) {
                peak = Math.max(peak, between);
            }
        }
        return peak;
    }

    /**
     * Raises each of {@code peaks} to the largest magnitude between the sample at {@code at + n} and the one after it.
     * Reads {@link #LATER_FRAMES} samples after the last and one fewer before the first.
     *
     * @param room for as many samples, to work in
     */
    static void between(float[] samples, int at, float[] peaks, float[] room, int frames) {
        for (float[] point : WEIGHTS) {
            Arrays.fill(room, 0, frames, 0);
            Samples.LOOPS.addWeighted(samples, at - LATER_FRAMES + 1, point, room, frames);
            Samples.LOOPS.raiseToMagnitudes(room, peaks, frames);
        }
    }

    /**
     * Adds to each of {@code to} what lies near half the rate around the sample at {@code at + n}, with either sign. Reads
     * {@link #LATER_FRAMES} samples after the last and one fewer before the first.
     */
    static void high(float[] samples, int at, float[] to, int frames) {
        Samples.LOOPS.addWeighted(samples, at - LATER_FRAMES + 1, HIGH, to, frames);
    }

    /** A low-pass whose every other weight is turned over, so that it lies around half the rate. */
    private static float[] highWeights() {
        float[] weights = new float[TAPS];
        for (int tap = 0; tap < TAPS; tap++) {
            double x = tap - (TAPS - 1) / 2.0;
            double low = StrictMath.sin(2 * Math.PI * HIGH_SHARE * x) / (Math.PI * x);
            weights[tap] = (float) ((tap % 2 == 0 ? 1 : -1) * low * window(2 * x / TAPS, HIGH_BETA));
        }
        return weights;
    }

    private static double window(double edge, double beta) {
        return bessel(beta * StrictMath.sqrt(Math.max(0, 1 - edge * edge))) / bessel(beta);
    }

    private static float[][] weights() {
        float[][] weights = new float[POINTS][TAPS];
        for (int point = 0; point < POINTS; point++) {
            double place = LATER_FRAMES - 1 + (point + 1) / 4.0;
            double sum = 0;
            double[] exact = new double[TAPS];
            for (int tap = 0; tap < TAPS; tap++) {
                double x = tap - place;
                exact[tap] = StrictMath.sin(Math.PI * x) / (Math.PI * x) * window(2 * x / TAPS, BETA);
                sum += exact[tap];
            }
            for (int tap = 0; tap < TAPS; tap++) {
                weights[point][tap] = (float) (exact[tap] / sum);
            }
        }
        return weights;
    }

    private static double highestRise() {
        double highest = 1;
        for (float[] weights : WEIGHTS) {
            double sum = 0;
            for (float weight : weights) {
                sum += Math.abs(weight);
            }
            highest = Math.max(highest, sum);
        }
        double high = 0;
        for (float weight : HIGH) {
            high += Math.abs(weight);
        }
        return highest + UNSEEN * high;
    }

    /** The modified Bessel function of the first kind and order 0, by its power series. */
    private static double bessel(double x) {
        double sum = 1;
        double term = 1;
        for (int k = 1; k < 40; k++) {
            term *= (x / 2 / k) * (x / 2 / k);
            sum += term;
        }
        return sum;
    }
}
