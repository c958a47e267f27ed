package vividlantern.units;

/** A low-pass for reading between samples: a sinc under Kaiser's window (Smith and Gossett, 1984; Oppenheim and Schafer, 7.5). */
public final class WindowedSinc {

    private WindowedSinc() {}

    /**
     * @param x in samples from the middle
     * @param cutoff as a share of half the sample rate
     * @param reach where it ends, in samples from the middle
     * @param beta the window's shape: the larger, the less passes beyond the cutoff, and the wider is the way there
     */
    public static double at(double x, double cutoff, int reach, double beta) {
        return cutoff * sinc(cutoff * x) * window(x / reach, beta);
    }

    /** The window's shape by which so much is held back beyond the cutoff (above 50 dB). */
    public static double beta(double dB) {
        return 0.1102 * (dB - 8.7);
    }

    /** How far it has to reach to hold so much back beyond a way of so large a share of the sample rate. */
    public static int reach(double dB, double way) {
        return (int) Math.ceil((dB - 7.95) / (2.285 * 2 * Math.PI * way) / 2);
    }

    private static double sinc(double x) {
        return Math.abs(x) < 1e-12 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x);
    }

    private static double window(double x, double beta) {
        return Math.abs(x) >= 1 ? 0 : bessel(beta * Math.sqrt(1 - x * x)) / bessel(beta);
    }

    /** The modified Bessel function of the first kind and order zero, by its series. */
    private static double bessel(double x) {
        double sum = 1;
        double term = 1;
        for (int k = 1; k < 40; k++) {
            term *= x / (2 * k) * (x / (2 * k));
            sum += term;
        }
        return sum;
    }
}
