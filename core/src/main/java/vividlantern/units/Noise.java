package vividlantern.units;

/**
 * Random numbers that are a pure function of where they are used, so that the same rendering gives the same bytes on any
 * machine: a mix of stream and index by the finalizer of SplitMix64 (Steele, Lea and Flood, 2014).
 */
public final class Noise {

    private static final long STEP = 0x9E3779B97F4A7C15L;

    private Noise() {}

    /** Evenly spread in [0, 1). */
    public static double uniform(long stream, long index) {
        return (mix(mix(stream) + index * STEP) >>> 11) * 0x1p-53;
    }

    /** Triangular in (-1, 1), as dither of two least steps peak to peak wants it. */
    public static double triangular(long stream, long index) {
        return triangle(mix(mix(stream) + index * STEP));
    }

    /** Adds triangular noise of a given peak to the first samples; the first one stands at {@code index}. */
    public static void addTriangular(float[] samples, int frames, float peak, long stream, long index) {
        long base = mix(stream) + index * STEP;
        for (int n = 0; n < frames; n++) {
            samples[n] += peak * (float) triangle(mix(base + n * STEP));
        }
    }

    private static double triangle(long bits) {
        return ((bits >>> 32) - (bits & 0xFFFFFFFFL)) * 0x1p-32;
    }

    private static long mix(long value) {
        long z = (value ^ value >>> 30) * 0xBF58476D1CE4E5B9L;
        z = (z ^ z >>> 27) * 0x94D049BB133111EBL;
        return z ^ z >>> 31;
    }
}
