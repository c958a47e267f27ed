package vividlantern.mix;

import java.util.Arrays;
import java.util.concurrent.atomic.AtomicIntegerArray;
import java.util.concurrent.atomic.AtomicReferenceArray;
import vividlantern.kernel.MixKernel;
import vividlantern.mix.effects.Samples;

/**
 * Sample peaks of every source and of whatever else is shown, and what effects hold back by, window by window of round(fs/25) frames, handed from the audio thread to
 * one reader by a ring of arrays that are made beforehand. A reader that is late misses windows, never sees half of one.
 */
public final class Meters {

    private static final int SLOTS = 16;

    /** A converter clips from here on: 1 - 2^-23. */
    static final float CLIP = 1 - 0x1p-23f;

    private static final float BELOW_CLIP = Math.nextDown(CLIP);

    /**
     * What one window held, as factors of full scale.
     *
     * @param clips samples of each source at full scale
     * @param readings the strongest hold-back of each effect that is read, 1 for none
     * @param gains where each of the {@link Gains} stood at the window's end
     */
    public static final class Window {

        private long frame;
        private final float[] sourcePeaks;
        private final int[] clips;
        private final float[] pairPeaks;
        private final float[] readings;
        private final float[] gains;

        private Window(int sources, int pairs, int read, int slots) {
            sourcePeaks = new float[sources];
            clips = new int[sources];
            pairPeaks = new float[2 * pairs];
            readings = new float[read];
            gains = new float[2 * slots];
        }

        /** The frame after its last one. */
        public long frame() {
            return frame;
        }

        /** Whether there is such a source; a session may be ahead of what runs by one that is new. */
        boolean has(int source) {
            return source >= 0 && source < sourcePeaks.length;
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

        /** The peak of one of a pair's two wires. */
        float wirePeak(int wire) {
            return pairPeaks[wire];
        }

        /** By which factor an effect held back. */
        public float reading(int effect) {
            return readings[effect];
        }

        /** How loud an edge passes what it reads: its gains to both sides, their powers added. */
        double gain(int slot) {
            return 2 * slot < gains.length ? Math.hypot(gains[2 * slot], gains[2 * slot + 1]) : 0;
        }

        private void copyFrom(Window other) {
            frame = other.frame;
            System.arraycopy(other.sourcePeaks, 0, sourcePeaks, 0, sourcePeaks.length);
            System.arraycopy(other.clips, 0, clips, 0, clips.length);
            System.arraycopy(other.pairPeaks, 0, pairPeaks, 0, pairPeaks.length);
            System.arraycopy(other.readings, 0, readings, 0, readings.length);
            System.arraycopy(other.gains, 0, gains, 0, gains.length);
        }
    }

    private final MixKernel kernel;
    private final int sources;
    private final int pairs;
    private final int slots;
    /** Peaks of this window so far, {@link MixKernel#lanes} values each. */
    private final float[] sourceLanes;

    private final float[] pairLanes;
    private final int[] clips;
    private final AtomicIntegerArray broken;
    private final float[] readings;
    private final AtomicReferenceArray<Window> free = new AtomicReferenceArray<>(SLOTS);
    private final AtomicReferenceArray<Window> full = new AtomicReferenceArray<>(SLOTS);
    private int writeAt;
    private int readAt;

    /**
     * @param read how many effects are read
     * @param slots how many edges have gains
     * @param broken where samples of the engine's inputs are counted that were not finite
     */
    Meters(MixKernel kernel, int sources, int pairs, int read, int slots, AtomicIntegerArray broken) {
        this.kernel = kernel;
        this.slots = slots;
        this.sources = sources;
        this.pairs = pairs;
        sourceLanes = new float[sources * kernel.lanes()];
        pairLanes = new float[2 * pairs * kernel.lanes()];
        clips = new int[sources];
        this.broken = broken;
        readings = new float[read];
        Arrays.fill(readings, 1);
        for (int slot = 0; slot < SLOTS; slot++) {
            free.set(slot, newWindow());
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
        return new Window(sources, pairs, readings.length, slots);
    }

    /** Takes the samples of all sources, the first wires; what is not finite in them is silenced and counted. */
    void sources(float[][] wires, int at, int frames) {
        if (!kernel.raisePeaks(wires, 0, sources, at, frames, sourceLanes, BELOW_CLIP)) {
            return;
        }
        for (int source = 0; source < sources; source++) {
            int silenced = Samples.silenceWhatIsNotFinite(wires[source], at, frames);
            if (silenced > 0 && source < broken.length()) {
                broken.addAndGet(source, silenced);
            }
            clips[source] += clips(wires[source], at, frames);
        }
        Samples.silenceWhatIsNotFinite(sourceLanes, 0, sourceLanes.length);
        kernel.raisePeaks(wires, 0, sources, at, frames, sourceLanes, BELOW_CLIP);
    }

    private static int clips(float[] samples, int from, int frames) {
        int clips = 0;
        for (int n = from; n < from + frames; n++) {
            clips += Math.abs(samples[n]) >= CLIP ? 1 : 0;
        }
        return clips;
    }

    /** Takes what leaves by the pairs, two wires each from a wire on; what is not finite in them is silenced. */
    void pairs(float[][] wires, int first, int at, int frames) {
        int end = first + 2 * pairs;
        if (kernel.raisePeaks(wires, first, end, at, frames, pairLanes, Float.MAX_VALUE)) {
            for (int wire = first; wire < end; wire++) {
                Samples.silenceWhatIsNotFinite(wires[wire], at, frames);
            }
            Samples.silenceWhatIsNotFinite(pairLanes, 0, pairLanes.length);
            kernel.raisePeaks(wires, first, end, at, frames, pairLanes, Float.MAX_VALUE);
        }
    }

    /** Takes by which factor an effect held back. */
    void reading(int effect, double gain) {
        readings[effect] = Math.min(readings[effect], (float) gain);
    }

    void endWindow(long frame, Gains gains) {
        Window window = free.getAndSet(writeAt, null);
        if (window != null) {
            window.frame = frame;
            peaks(sourceLanes, window.sourcePeaks);
            peaks(pairLanes, window.pairPeaks);
            System.arraycopy(clips, 0, window.clips, 0, sources);
            System.arraycopy(readings, 0, window.readings, 0, readings.length);
            gains.reached(window.gains);
            full.set(writeAt, window);
            writeAt = (writeAt + 1) % SLOTS;
        }
        Arrays.fill(sourceLanes, 0);
        Arrays.fill(pairLanes, 0);
        Arrays.fill(clips, 0);
        Arrays.fill(readings, 1);
    }

    private void peaks(float[] lanes, float[] peaks) {
        int width = kernel.lanes();
        for (int at = 0; at < peaks.length; at++) {
            float largest = 0;
            for (int lane = at * width; lane < (at + 1) * width; lane++) {
                largest = Math.max(largest, lanes[lane]);
            }
            peaks[at] = largest;
        }
    }

    /** Takes over what another state's meters have gathered of this window. */
    void goOnFrom(Meters old) {
        int shared = Math.min(sources, old.sources);
        System.arraycopy(old.sourceLanes, 0, sourceLanes, 0, shared * kernel.lanes());
        System.arraycopy(old.clips, 0, clips, 0, shared);
        int sharedPairs = Math.min(pairs, old.pairs);
        System.arraycopy(old.pairLanes, 0, pairLanes, 0, 2 * sharedPairs * kernel.lanes());
        System.arraycopy(old.readings, 0, readings, 0, Math.min(readings.length, old.readings.length));
    }
}
