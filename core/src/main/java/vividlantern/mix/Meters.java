package vividlantern.mix;

import java.util.concurrent.atomic.AtomicReferenceArray;

/**
 * Sample peaks of every source and output pair, window by window of round(fs/25) frames, handed from the audio thread to
 * one reader by a ring of arrays that are made beforehand. A reader that is late misses windows, never sees half of one.
 */
public final class Meters {

    private static final int SLOTS = 16;

    /** A converter clips from here on: 1 - 2^-23. */
    private static final float CLIP = 1 - 0x1p-23f;

    /**
     * What one window held, as factors of full scale.
     *
     * @param clips samples of each source at full scale
     * @param guardGains the strongest hold-back of each pair's guard, 1 for none
     */
    public static final class Window {

        private long frame;
        private final float[] sourcePeaks;
        private final int[] clips;
        private final float[] pairPeaks;
        private final float[] guardGains;

        private Window(int sources, int pairs) {
            sourcePeaks = new float[sources];
            clips = new int[sources];
            pairPeaks = new float[2 * pairs];
            guardGains = new float[pairs];
        }

        /** The frame after its last one. */
        public long frame() {
            return frame;
        }

        public float sourcePeak(int source) {
            return sourcePeaks[source];
        }

        public int clips(int source) {
            return clips[source];
        }

        /** The larger of a pair's two sides. */
        public float pairPeak(int pair) {
            return Math.max(pairPeaks[2 * pair], pairPeaks[2 * pair + 1]);
        }

        public float guardGain(int pair) {
            return guardGains[pair];
        }

        private void copyFrom(Window other) {
            frame = other.frame;
            System.arraycopy(other.sourcePeaks, 0, sourcePeaks, 0, sourcePeaks.length);
            System.arraycopy(other.clips, 0, clips, 0, clips.length);
            System.arraycopy(other.pairPeaks, 0, pairPeaks, 0, pairPeaks.length);
            System.arraycopy(other.guardGains, 0, guardGains, 0, guardGains.length);
        }
    }

    private final Window gathering;
    private final AtomicReferenceArray<Window> free = new AtomicReferenceArray<>(SLOTS);
    private final AtomicReferenceArray<Window> full = new AtomicReferenceArray<>(SLOTS);
    private int writeAt;
    private int readAt;

    Meters(int sources, int pairs) {
        gathering = new Window(sources, pairs);
        java.util.Arrays.fill(gathering.guardGains, 1);
        for (int slot = 0; slot < SLOTS; slot++) {
            free.set(slot, new Window(sources, pairs));
        }
    }

    /** Copies the next window that is ready into the given one; false if there is none. */
    public boolean read(Window into) {
        Window window = full.getAndSet(readAt, null);
        if (window == null) {
            return false;
        }
        into.copyFrom(window);
        free.set(readAt, window);
        readAt = (readAt + 1) % SLOTS;
        return true;
    }

    /** An empty window of the right size for {@link #read}. */
    public Window newWindow() {
        return new Window(gathering.sourcePeaks.length, gathering.guardGains.length);
    }

    void source(int source, float[] samples, int offset, int frames) {
        float here = peak(samples, offset, frames);
        if (here >= CLIP) {
            for (int n = offset; n < offset + frames; n++) {
                gathering.clips[source] += Math.abs(samples[n]) >= CLIP ? 1 : 0;
            }
        }
        gathering.sourcePeaks[source] = Math.max(gathering.sourcePeaks[source], here);
    }

    void pair(int pair, float[] left, float[] right, int offset, int frames, double guardGain) {
        gathering.pairPeaks[2 * pair] = Math.max(gathering.pairPeaks[2 * pair], peak(left, offset, frames));
        gathering.pairPeaks[2 * pair + 1] = Math.max(gathering.pairPeaks[2 * pair + 1], peak(right, offset, frames));
        gathering.guardGains[pair] = Math.min(gathering.guardGains[pair], (float) guardGain);
    }

    /**
     * The largest magnitude. Positive floats are in the order of their bits, and a maximum of integers is one that the
     * compiler turns into vector instructions.
     */
    static float peak(float[] samples, int offset, int frames) {
        int largest = 0;
        for (int n = offset; n < offset + frames; n++) {
            largest = Math.max(largest, Float.floatToRawIntBits(samples[n]) & 0x7FFFFFFF);
        }
        return Float.intBitsToFloat(largest);
    }

    void endWindow(long frame) {
        gathering.frame = frame;
        Window window = free.getAndSet(writeAt, null);
        if (window != null) {
            window.copyFrom(gathering);
            full.set(writeAt, window);
            writeAt = (writeAt + 1) % SLOTS;
        }
        java.util.Arrays.fill(gathering.sourcePeaks, 0);
        java.util.Arrays.fill(gathering.clips, 0);
        java.util.Arrays.fill(gathering.pairPeaks, 0);
        java.util.Arrays.fill(gathering.guardGains, 1);
    }

    void adoptSources(Meters old) {
        int shared = Math.min(gathering.sourcePeaks.length, old.gathering.sourcePeaks.length);
        System.arraycopy(old.gathering.sourcePeaks, 0, gathering.sourcePeaks, 0, shared);
        System.arraycopy(old.gathering.clips, 0, gathering.clips, 0, shared);
    }

    void adoptPair(int pair, Meters old, int oldPair) {
        System.arraycopy(old.gathering.pairPeaks, 2 * oldPair, gathering.pairPeaks, 2 * pair, 2);
        gathering.guardGains[pair] = old.gathering.guardGains[oldPair];
    }
}
