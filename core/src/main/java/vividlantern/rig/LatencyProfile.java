package vividlantern.rig;

/**
 * The fixed delays of an interface, in frames, without the buffer.
 *
 * <p>One way in is converter + driver + one buffer, one way out likewise; the round trip is both.
 */
public record LatencyProfile(int converterIn, int driverIn, int driverOut, int converterOut) {

    public static final LatencyProfile NONE = new LatencyProfile(0, 0, 0, 0);

    /** What the matrix of direct monitoring takes: a few frames, as converters that work sample by sample hand them on. */
    public static final int MATRIX_FRAMES = 6;

    /** From an input straight to an output, past driver and buffer. */
    public int directFrames() {
        return converterIn + MATRIX_FRAMES + converterOut;
    }

    public int inFrames(int bufferFrames) {
        return converterIn + driverIn + bufferFrames;
    }

    public int outFrames(int bufferFrames) {
        return bufferFrames + driverOut + converterOut;
    }

    public int roundTripFrames(int bufferFrames) {
        return inFrames(bufferFrames) + outFrames(bufferFrames);
    }

    /** The round trip in milliseconds: 128 frames of buffer at 48 kHz with 33 + 24 in and 24 + 29 out → 7.625. */
    public double roundTripMs(int bufferFrames, int sampleRate) {
        return 1000.0 * roundTripFrames(bufferFrames) / sampleRate;
    }
}
