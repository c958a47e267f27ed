package vividlantern.mix.effects;

/**
 * How high a signal rises between its samples: the largest magnitude at four times the sample rate (ITU-R BS.1770, annex 2).
 * The three points between two samples are weighted sums of {@link #TAPS} samples around them, by a sinc under a Kaiser
 * window (J. F. Kaiser, 1974), flat up to 20 kHz at 48 kHz.
 */
final class TruePeak {

    static final int TAPS = 24;

    /** A point between two samples is known once so many samples after it have come. */
    static final int LATER_FRAMES = TAPS / 2;

    /**
     * What four times the rate can miss of a sine that lies between the points: cos(π/8) at half the sample rate, the worst
     * case (BS.1770, annex 2, appendix 1).
     */
    static final double MAY_MISS = StrictMath.cos(Math.PI / 8);

    private static final double BETA = 5;
    private static final int POINTS = 3;
    private static final float[][] WEIGHTS = weights();

    /** No point between samples is higher than this times the largest of the samples around it. */
    static final double HIGHEST_RISE = highestRise();

    private TruePeak() {}

    /**
     * Raises each of {@code peaks} to the largest magnitude between the sample at {@code at + n} and the one after it.
     * Reads {@link #LATER_FRAMES} samples after the last and one fewer before the first.
     */
    static void between(float[] samples, int at, float[] peaks, int frames) {
        Samples.LOOPS.raiseToWeighted(samples, at - LATER_FRAMES + 1, WEIGHTS, peaks, frames);
    }

    private static float[][] weights() {
        float[][] weights = new float[POINTS][TAPS];
        for (int point = 0; point < POINTS; point++) {
            double place = LATER_FRAMES - 1 + (point + 1) / 4.0;
            double sum = 0;
            double[] exact = new double[TAPS];
            for (int tap = 0; tap < TAPS; tap++) {
                double x = tap - place;
                double edge = 2 * x / TAPS;
                double window = bessel(BETA * StrictMath.sqrt(Math.max(0, 1 - edge * edge))) / bessel(BETA);
                exact[tap] = StrictMath.sin(Math.PI * x) / (Math.PI * x) * window;
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
        return highest;
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
