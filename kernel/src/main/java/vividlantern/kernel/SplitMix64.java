package vividlantern.kernel;

/** The step and the finalizer of SplitMix64 (Steele, Lea and Flood, 2014): numbers that look random, each from its index alone. */
public final class SplitMix64 {

    /** From one index to the next. */
    public static final long STEP = 0x9E3779B97F4A7C15L;

    static final long FIRST = 0xBF58476D1CE4E5B9L;
    static final long SECOND = 0x94D049BB133111EBL;

    private SplitMix64() {}

    public static long mix(long value) {
        long z = (value ^ value >>> 30) * FIRST;
        z = (z ^ z >>> 27) * SECOND;
        return z ^ z >>> 31;
    }

    /** Evenly mixed bits as a number that is triangular in (-1, 1). */
    public static double triangle(long bits) {
        return ((bits >>> 32) - (bits & 0xFFFFFFFFL)) * 0x1p-32;
    }
}
