package vividlantern.mix;

/**
 * The limiter in front of an output pair that feeds headphones. No sample leaves it above its ceiling.
 *
 * <p>It looks 1 ms ahead: the gain each sample needs is held over the look-ahead (a sliding minimum), let back
 * exponentially, and averaged over the same length. The average at the time a sample leaves holds only values that are
 * at most what this sample needs, so the ceiling is kept without a jump in gain. Both sides share one gain. Its delay of
 * {@link #delayFrames} stays when it is off, so that switching it moves nothing in time.
 */
final class CeilingGuard {

    private static final double RELEASE_SECONDS = 0.2;

    private final int delay;
    private final double release;
    private final float[] leftLine;
    private final float[] rightLine;
    private final double[] needed;
    private final long[] neededAt;
    private final double[] held;

    private float ceiling = Float.POSITIVE_INFINITY;
    private int at;
    private long clock;
    private int first;
    private int waiting;
    private int heldAt;
    private double heldSum;
    private int restingFrames;
    private double last = 1;
    private double leastGain = 1;

    CeilingGuard(int sampleRate) {
        delay = delayFrames(sampleRate);
        release = 1 - StrictMath.exp(-1 / (RELEASE_SECONDS * sampleRate));
        leftLine = new float[delay];
        rightLine = new float[delay];
        needed = new double[delay + 2];
        neededAt = new long[delay + 2];
        held = new double[delay + 1];
        java.util.Arrays.fill(held, 1);
        heldSum = held.length;
        restingFrames = held.length;
    }

    /** Its look-ahead of 1 ms. */
    static int delayFrames(int sampleRate) {
        return (int) Math.round(0.001 * sampleRate);
    }

    /** The level no sample exceeds, as a factor of full scale; infinite switches the guard off. */
    void setCeiling(float newCeiling) {
        if (newCeiling < ceiling) {
            restingFrames = 0;
        }
        ceiling = newCeiling;
    }

    void process(float[] left, float[] right, int offset, int frames) {
        if (restingFrames >= held.length && peak(left, right, offset, frames) <= ceiling) {
            delayOnly(left, right, offset, frames);
            return;
        }
        for (int n = offset; n < offset + frames; n++) {
            float larger = Math.max(Math.abs(left[n]), Math.abs(right[n]));
            double gain = nextGain(larger > ceiling ? (double) ceiling / larger : 1);
            left[n] = kept(swap(leftLine, left[n]) * gain);
            right[n] = kept(swap(rightLine, right[n]) * gain);
            at = at + 1 == delay ? 0 : at + 1;
        }
    }

    /** The strongest reduction since this was last asked, as a factor of 1 or less. */
    double takeLeastGain() {
        double least = leastGain;
        leastGain = 1;
        return least;
    }

    private void delayOnly(float[] left, float[] right, int offset, int frames) {
        int done = 0;
        while (done < frames) {
            int span = Math.min(frames - done, delay - at);
            exchange(leftLine, at, left, offset + done, span);
            exchange(rightLine, at, right, offset + done, span);
            at = at + span == delay ? 0 : at + span;
            done += span;
        }
        clock += frames;
        first = 0;
        waiting = 0;
    }

    private static void exchange(float[] line, int from, float[] samples, int offset, int frames) {
        for (int n = 0; n < frames; n++) {
            float leaving = line[from + n];
            line[from + n] = samples[offset + n];
            samples[offset + n] = leaving;
        }
    }

    private float swap(float[] line, float entering) {
        float leaving = line[at];
        line[at] = entering;
        return leaving;
    }

    /** Rounding, or a guard just switched on, may leave a sample a hair above: never let it out. */
    private float kept(double sample) {
        return (float) Math.max(-ceiling, Math.min(ceiling, sample));
    }

    private double nextGain(double need) {
        double hold = slidingMinimum(need);
        double back = last + (1 - last) * release;
        last = back > 0.99999 ? 1 : back;
        last = Math.min(hold, last);
        heldSum += last - held[heldAt];
        held[heldAt] = last;
        heldAt = heldAt + 1 == held.length ? 0 : heldAt + 1;
        restingFrames = last == 1 ? restingFrames + 1 : 0;
        if (restingFrames >= held.length) {
            heldSum = held.length;
        }
        double gain = Math.min(1, heldSum / held.length);
        leastGain = Math.min(leastGain, gain);
        return gain;
    }

    /** The least of the last delay + 1 values: a queue in which every value is smaller than all after it. */
    private double slidingMinimum(double value) {
        while (waiting > 0 && needed[(first + waiting - 1) % needed.length] >= value) {
            waiting--;
        }
        int end = (first + waiting) % needed.length;
        needed[end] = value;
        neededAt[end] = clock;
        waiting++;
        while (neededAt[first] < clock - delay) {
            first = (first + 1) % needed.length;
            waiting--;
        }
        clock++;
        return needed[first];
    }

    private static float peak(float[] left, float[] right, int offset, int frames) {
        return Math.max(Meters.peak(left, offset, frames), Meters.peak(right, offset, frames));
    }
}
