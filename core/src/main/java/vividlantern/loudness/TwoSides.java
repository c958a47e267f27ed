package vividlantern.loudness;

/** A filter of second order on both sides, in the transposed direct form. For one thread. */
final class TwoSides {

    private final double b0;
    private final double b1;
    private final double b2;
    private final double a1;
    private final double a2;
    private final double[] first = new double[2];
    private final double[] second = new double[2];

    /** Of (b0 + b1 z + b2 z²) / (1 + a1 z + a2 z²), where z is the delay of a frame. */
    TwoSides(double b0, double b1, double b2, double a1, double a2) {
        this.b0 = b0;
        this.b1 = b1;
        this.b2 = b2;
        this.a1 = a1;
        this.a2 = a2;
    }

    double pass(int side, double in) {
        double out = b0 * in + first[side];
        first[side] = b1 * in - a1 * out + second[side];
        second[side] = b2 * in - a2 * out;
        return out;
    }

    /** The factor on a sine of so many turns a frame, once it has settled. */
    double gain(double turns) {
        double w = 2 * Math.PI * turns;
        return Math.hypot(b0 + b1 * Math.cos(w) + b2 * Math.cos(2 * w), b1 * Math.sin(w) + b2 * Math.sin(2 * w))
                / Math.hypot(1 + a1 * Math.cos(w) + a2 * Math.cos(2 * w), a1 * Math.sin(w) + a2 * Math.sin(2 * w));
    }
}
