package vividlantern.kernel;

/** The step and the finalizer of SplitMix64 (Steele, Lea and Flood, 2014): numbers that look random, each from its index alone. */
public final class SplitMix64 {

    /** From one index to the next. */
    public static final long STEP = 0x9E3779B97F4A7C15L;

    private static final long FIRST = 0xBF58476D1CE4E5B9L;
    private static final long SECOND = 0x94D049BB133111EBL;
    private static final float MIDDLE = 0x1.8p23f;
    private static final int MIDDLE_BITS = Float.floatToRawIntBits(MIDDLE);

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

    /**
     * The same, rounded to a float. The difference of the halves is taken in two parts of 16 bits, which stand in the fraction
     * of 1.5 · 2^23, so that only their sum rounds; converting a long would make each number wait for the one before.
     */
    static float triangleAsFloat(long bits) {
        int upper = (int) (bits >>> 32);
        int lower = (int) bits;
        float high = Float.intBitsToFloat(MIDDLE_BITS + (upper >>> 16) - (lower >>> 16)) - MIDDLE;
        float low = Float.intBitsToFloat(MIDDLE_BITS + (upper & 0xFFFF) - (lower & 0xFFFF)) - MIDDLE;
        return (high * 0x1p16f + low) * 0x1p-32f;
    }
}
