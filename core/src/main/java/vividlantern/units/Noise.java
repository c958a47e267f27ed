package vividlantern.units;

import vividlantern.kernel.Kernels;
import vividlantern.kernel.MixKernel;
import vividlantern.kernel.SplitMix64;

/**
 * Random numbers that are a pure function of where they are used, so that the same rendering gives the same bytes on any
 * machine: stream and index mixed by {@link SplitMix64}.
 */
public final class Noise {

    private static final MixKernel KERNEL = Kernels.best();

    private Noise() {}

    /** Evenly spread in [0, 1). */
    public static double uniform(long stream, long index) {
        return (bits(stream, index) >>> 11) * 0x1p-53;
    }

    /** Triangular in (-1, 1), as dither of two least steps peak to peak wants it. */
    public static double triangular(long stream, long index) {
        return SplitMix64.triangle(bits(stream, index));
    }

    /** Adds triangular noise of a given peak to the first samples; the first one stands at {@code index}. */
    public static void addTriangular(float[] samples, int frames, float peak, long stream, long index) {
        KERNEL.addTriangular(samples, frames, peak, SplitMix64.mix(stream) + index * SplitMix64.STEP);
    }

    private static long bits(long stream, long index) {
        return SplitMix64.mix(SplitMix64.mix(stream) + index * SplitMix64.STEP);
    }
}
