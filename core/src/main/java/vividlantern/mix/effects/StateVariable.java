package vividlantern.mix.effects;

import java.util.Arrays;

/**
 * A filter of second order whose frequency may change while it runs, one for all wires: the state-variable filter integrated by the
 * trapezoidal rule (A. Simper, "Solving the continuous SVF equations using trapezoidal integration and equivalent currents", 2013). Its
 * memory below {@link Effect#NOTHING} is none.
 */
final class StateVariable {

    /** What it makes of the spectrum. */
    enum Shape {
        HIGH_PASS,
        LOW_PASS,
        BELL,
        LOW_SHELF,
        HIGH_SHELF
    }

    private static final double HIGHEST_SHARE = 0.45;

    private final double[] first;
    private final double[] second;
    private final Coefficients now = new Coefficients();
    private final Coefficients before = new Coefficients();
    private double g;
    private double damping;

    /** What its samples are worked out by. */
    private static final class Coefficients {

        private double a1;
        private double a2;
        private double a3;
        private double ofIn;
        private double ofBand;
        private double ofLow;

        private void take(Coefficients other) {
            a1 = other.a1;
            a2 = other.a2;
            a3 = other.a3;
            ofIn = other.ofIn;
            ofBand = other.ofBand;
            ofLow = other.ofLow;
        }
    }

    StateVariable(int wires) {
        first = new double[wires];
        second = new double[wires];
        lay(Shape.LOW_PASS, 1, 1, 1);
    }

    /** Where the trapezoidal rule puts a frequency: tan(π·f/fs). */
    static double warped(double hz, int sampleRate) {
        return StrictMath.tan(Math.PI * hz / sampleRate);
    }

    /** A corner as high as it can be: no higher than 0.45 of the sample rate. */
    static double held(double hz, int sampleRate) {
        return Math.min(hz, HIGHEST_SHARE * sampleRate);
    }

    /**
     * Sets it.
     *
     * @param warped {@link #warped} of its frequency
     * @param q its resonance; 0.707 has no bump
     * @param root the square root of the factor of a bell or a shelf; not asked otherwise
     */
    void lay(Shape shape, double warped, double q, double root) {
        before.take(now);
        g = warped;
        damping = 1 / q;
        switch (shape) {
            case HIGH_PASS -> weigh(1, -damping, -1);
            case LOW_PASS -> weigh(0, 0, 1);
            case BELL -> {
                damping = 1 / (q * root);
                weigh(1, damping * (root * root - 1), 0);
            }
            case LOW_SHELF -> {
                g = warped / Math.sqrt(root);
                weigh(1, damping * (root - 1), root * root - 1);
            }
            case HIGH_SHELF -> {
                g = warped * Math.sqrt(root);
                weigh(root * root, damping * (1 - root) * root, 1 - root * root);
            }
        }
        now.a1 = 1 / (1 + g * (g + damping));
        now.a2 = g * now.a1;
        now.a3 = g * now.a2;
    }

    /** Sets it at once to where it was sent last, after it was not heard. */
    void arrive() {
        before.take(now);
    }

    private void weigh(double in, double band, double low) {
        now.ofIn = in;
        now.ofBand = band;
        now.ofLow = low;
    }

    /** Works off frames in place. */
    void process(float[] wire, int number, int at, int frames) {
        double a1 = now.a1;
        double a2 = now.a2;
        double a3 = now.a3;
        double ofIn = now.ofIn;
        double ofBand = now.ofBand;
        double ofLow = now.ofLow;
        double one = first[number];
        double two = second[number];
        for (int n = at; n < at + frames; n++) {
            double in = wire[n];
            double v3 = in - two;
            double v1 = a1 * one + a2 * v3;
            double v2 = two + a2 * one + a3 * v3;
            one = 2 * v1 - one;
            two = 2 * v2 - two;
            wire[n] = (float) (ofIn * in + ofBand * v1 + ofLow * v2);
        }
        first[number] = one;
        second[number] = two;
    }

    /** The same in a step in which it was set otherwise: all of it goes there in lines, so that no corner is heard. */
    void glide(float[] wire, int number, int at, int frames, int intoStep) {
        double one = first[number];
        double two = second[number];
        for (int n = 0; n < frames; n++) {
            double way = (double) (intoStep + n + 1) / RiseBudget.STEP_FRAMES;
            double a1 = between(before.a1, now.a1, way);
            double a2 = between(before.a2, now.a2, way);
            double a3 = between(before.a3, now.a3, way);
            double in = wire[at + n];
            double v3 = in - two;
            double v1 = a1 * one + a2 * v3;
            double v2 = two + a2 * one + a3 * v3;
            one = 2 * v1 - one;
            two = 2 * v2 - two;
            wire[at + n] = (float) (between(before.ofIn, now.ofIn, way) * in
                    + between(before.ofBand, now.ofBand, way) * v1
                    + between(before.ofLow, now.ofLow, way) * v2);
        }
        first[number] = one;
        second[number] = two;
    }

    private static double between(double from, double to, double way) {
        return from + way * (to - from);
    }

    /** One sample of one wire. */
    double pass(int wire, double in) {
        double v3 = in - second[wire];
        double v1 = now.a1 * first[wire] + now.a2 * v3;
        double v2 = second[wire] + now.a2 * first[wire] + now.a3 * v3;
        first[wire] = 2 * v1 - first[wire];
        second[wire] = 2 * v2 - second[wire];
        return now.ofIn * in + now.ofBand * v1 + now.ofLow * v2;
    }

    /** Drops what is inaudible, slow to compute, or no number. */
    void settle() {
        for (int wire = 0; wire < first.length; wire++) {
            boolean nothing = Math.abs(first[wire]) < Effect.NOTHING && Math.abs(second[wire]) < Effect.NOTHING;
            if (nothing || !Double.isFinite(first[wire]) || !Double.isFinite(second[wire])) {
                first[wire] = 0;
                second[wire] = 0;
            }
        }
    }

    void forget() {
        Arrays.fill(first, 0);
        Arrays.fill(second, 0);
    }

    /** |H|² where the trapezoidal rule puts a frequency, set as it is: s = j·{@code warped}/g. */
    double powerAt(double warped) {
        double w = warped / g;
        double real = 1 - w * w;
        double imaginary = damping * w;
        double upReal = now.ofIn * real + now.ofLow;
        double upImaginary = now.ofIn * imaginary + now.ofBand * w;
        return (upReal * upReal + upImaginary * upImaginary) / (real * real + imaginary * imaginary);
    }
}
