package vividlantern.timing;

import org.apache.commons.math3.transform.DftNormalization;
import org.apache.commons.math3.transform.FastFourierTransformer;
import org.apache.commons.math3.transform.TransformType;

/** Two signals' cross-correlation by way of their spectra (Press et al., Numerical Recipes, 13.2), and its peak between frames. */
final class Spectra {

    private static final int REFINING_STEPS = 48;
    private static final double GOLDEN = (Math.sqrt(5) - 1) / 2;

    private final int length;
    /** Of the second times the conjugate of the first: real and imaginary parts by turns, up to half the rate. */
    private final double[] cross;

    private final double firstEnergy;
    private final double secondEnergy;
    private final int longestLag;

    /** @param longestLag how far the second may come after the first, or before it, in frames */
    Spectra(float[] first, float[] second, int longestLag) {
        int least = Math.max(first.length, second.length) + longestLag + 1;
        int size = Integer.highestOneBit(least);
        length = size == least ? size : 2 * size;
        this.longestLag = longestLag;
        double[][] a = spectrum(first);
        double[][] b = spectrum(second);
        cross = new double[length + 2];
        for (int k = 0; k <= length / 2; k++) {
            cross[2 * k] = a[0][k] * b[0][k] + a[1][k] * b[1][k];
            cross[2 * k + 1] = a[0][k] * b[1][k] - a[1][k] * b[0][k];
        }
        firstEnergy = energy(first);
        secondEnergy = energy(second);
    }

    /** Real parts, then imaginary ones. */
    private double[][] spectrum(float[] samples) {
        double[][] values = new double[2][length];
        for (int n = 0; n < samples.length; n++) {
            values[0][n] = samples[n];
        }
        FastFourierTransformer.transformInPlace(values, DftNormalization.STANDARD, TransformType.FORWARD);
        return values;
    }

    private static double energy(float[] samples) {
        double sum = 0;
        for (float sample : samples) {
            sum += (double) sample * sample;
        }
        return sum;
    }

    double firstEnergy() {
        return firstEnergy;
    }

    double secondEnergy() {
        return secondEnergy;
    }

    /** The correlation at each lag from the most negative to the most positive one. */
    double[] byLag() {
        double[][] values = new double[2][length];
        for (int k = 0; k <= length / 2; k++) {
            values[0][k] = cross[2 * k];
            values[1][k] = cross[2 * k + 1];
            if (k > 0 && k < length / 2) {
                values[0][length - k] = cross[2 * k];
                values[1][length - k] = -cross[2 * k + 1];
            }
        }
        FastFourierTransformer.transformInPlace(values, DftNormalization.STANDARD, TransformType.INVERSE);
        double[] byLag = new double[2 * longestLag + 1];
        for (int lag = -longestLag; lag <= longestLag; lag++) {
            byLag[lag + longestLag] = values[0][Math.floorMod(lag, length)];
        }
        return byLag;
    }

    /** The correlation at a lag that may lie between frames. */
    double at(double lag) {
        double step = 2 * Math.PI * lag / length;
        double turnRe = Math.cos(step);
        double turnIm = Math.sin(step);
        double re = 1;
        double im = 0;
        double sum = cross[0] / 2;
        for (int k = 1; k <= length / 2; k++) {
            double next = re * turnRe - im * turnIm;
            im = re * turnIm + im * turnRe;
            re = next;
            if (k % 1024 == 0) {
                re = Math.cos(step * k);
                im = Math.sin(step * k);
            }
            sum += cross[2 * k] * re - cross[2 * k + 1] * im;
        }
        return 2 * sum / length;
    }

    /** The lag near one at which the correlation is largest, by golden section (Kiefer, 1953). */
    double refine(int lag, boolean positive) {
        double sign = positive ? 1 : -1;
        double low = lag - 1.0;
        double high = lag + 1.0;
        double left = high - GOLDEN * (high - low);
        double right = low + GOLDEN * (high - low);
        double atLeft = sign * at(left);
        double atRight = sign * at(right);
        for (int step = 0; step < REFINING_STEPS && high - low > 1e-4; step++) {
            if (atLeft > atRight) {
                high = right;
                right = left;
                atRight = atLeft;
                left = high - GOLDEN * (high - low);
                atLeft = sign * at(left);
            } else {
                low = left;
                left = right;
                atLeft = atRight;
                right = low + GOLDEN * (high - low);
                atRight = sign * at(right);
            }
        }
        return (low + high) / 2;
    }
}
