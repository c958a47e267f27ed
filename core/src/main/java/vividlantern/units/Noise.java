package vividlantern.units;

/**
 * Random numbers that are a pure function of where they are used, so that the same rendering gives the same bytes on any
 * machine: a mix of stream and index by the finalizer of SplitMix64 (Steele, Lea and Flood, 2014).
 */
public final class Noise {

    private Noise() {}

    /** Evenly spread in [0, 1). */
    public static double uniform(long stream, long index) {
        return (mix(mix(stream) + index * 0x9E3779B97F4A7C15L) >>> 11) * 0x1p-53;
    }

    /** Triangular in (-1, 1), as dither of two least steps peak to peak wants it. */
    public static double triangular(long stream, long index) {
        long bits = mix(mix(stream) + index * 0x9E3779B97F4A7C15L);
        return ((bits >>> 32) - (bits & 0xFFFFFFFFL)) * 0x1p-32;
    }

    private static long mix(long value) {
        long z = (value ^ value >>> 30) * 0xBF58476D1CE4E5B9L;
        z = (z ^ z >>> 27) * 0x94D049BB133111EBL;
        return z ^ z >>> 31;
    }
}
