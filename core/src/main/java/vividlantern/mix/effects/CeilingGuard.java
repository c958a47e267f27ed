package vividlantern.mix.effects;

import java.util.Arrays;
import java.util.List;

/**
 * The limiter in front of an output pair that feeds headphones. No sample leaves it above its ceiling, nor does the signal
 * rise above it between samples, as far as {@link TruePeak} says; what is not finite leaves it as silence.
 *
 * <p>It looks 1 ms ahead: the gain each sample needs for itself and for the way to its neighbours ({@link TruePeak}) is held
 * over the look-ahead (a sliding minimum), let back exponentially but by no more than 60 dB a second, and averaged over the
 * same length. The average at the time a sample leaves holds only values that are at most what this sample needs, so the
 * ceiling is kept without a jump in gain. All wires share one gain. Its delay of {@link #delayFrames} stays when it is off,
 * so that switching it moves nothing in time.
 *
 * <p>Each wire has a room of its delay and a block. The mix is summed straight in behind the delay, and what leaves is read
 * at the room's begin; at rest that is all there is to do.
 */
public final class CeilingGuard implements Effect {

    static final EffectKind<Settings> KIND = new EffectKind<>(
            "ceiling guard",
            Settings.class,
            List.of(new EffectKind.Parameter("ceiling", "dBFS", -60, 0)),
            (settings, sampleRate) -> delayFrames(sampleRate),
            (place, settings) -> new CeilingGuard(place));

    private static final double RELEASE_SECONDS = 0.2;
    /** As everything that performers hear, it rises by no more; from further down it begins at -60 dB. */
    private static final double RISE_DB_A_SECOND = 60;

    private static final double BEGINS_AT = 1e-3;

    /**
     * What it shall do.
     *
     * @param ceiling the level nothing exceeds, as a factor of full scale; infinite switches the guard off
     * @param releaseSeconds in how long it lets go to 37 %
     */
    public record Settings(float ceiling, double releaseSeconds) implements Effect.Settings {

        /** As before headphones. */
        public Settings(float ceiling) {
            this(ceiling, RELEASE_SECONDS);
        }

        public static final Settings OFF = new Settings(Float.POSITIVE_INFINITY);

        @Override
        public EffectKind<Settings> kind() {
            return KIND;
        }

        @Override
        public Settings through() {
            return OFF;
        }

        @Override
        public boolean hasReading() {
            return true;
        }
    }

    private final int ahead;
    private final int delay;
    private final int sampleRate;
    /** By this factor it may rise from frame to frame. */
    private final double rise;

    private final float[][] rooms;
    private final double[] gains;
    private final float[] between;
    private final float[] point;
    private final float[] high;
    private final float[] highOfOne;
    private final double[] needed;
    private final long[] neededAt;
    private final double[] held;

    private double release;
    private float ceiling = Float.POSITIVE_INFINITY;
    private float aim = Float.POSITIVE_INFINITY;
    /** No signal whose samples are below this rises above the aim between them. */
    private float quiet = Float.MAX_VALUE;
    /** How many of the latest frames are known to be so. */
    private int quietFrames;

    private long clock;
    private int first;
    private int waiting;
    private int heldAt;
    private double heldSum;
    private int restingFrames;
    private double last = 1;
    private double leastGain = 1;

    CeilingGuard(EffectKind.Place place) {
        sampleRate = place.sampleRate();
        int maxFrames = place.maxFrames();
        ahead = aheadFrames(sampleRate);
        delay = delayFrames(sampleRate);
        rise = StrictMath.pow(10, RISE_DB_A_SECOND / 20 / sampleRate);
        rooms = new float[place.wires()][delay + maxFrames];
        gains = new double[maxFrames];
        between = new float[maxFrames + 1];
        point = new float[maxFrames + 1];
        high = new float[maxFrames + TruePeak.LINGERS_FRAMES];
        highOfOne = new float[high.length];
        needed = new double[ahead + 2];
        neededAt = new long[ahead + 2];
        held = new double[ahead + 1];
        forget();
    }

    /** Holds nothing back, and nothing waits in it. */
    void forget() {
        for (float[] room : rooms) {
            Arrays.fill(room, 0);
        }
        Arrays.fill(held, 1);
        heldSum = held.length;
        heldAt = 0;
        restingFrames = held.length;
        quietFrames = 0;
        first = 0;
        waiting = 0;
        last = 1;
    }

    /** Its look-ahead of 1 ms and what the peaks between samples are known later. */
    public static int delayFrames(int sampleRate) {
        return aheadFrames(sampleRate) + TruePeak.LATER_FRAMES;
    }

    private static int aheadFrames(int sampleRate) {
        return (int) Math.max(TruePeak.TAPS, Math.round(0.001 * sampleRate));
    }

    @Override
    public float[] inlet(int wire) {
        return rooms[wire];
    }

    @Override
    public int inletBegin() {
        return delay;
    }

    @Override
    public void head(Effect.Settings settings) {
        Settings guard = (Settings) settings;
        head(guard.ceiling(), guard.releaseSeconds());
    }

    /** Goes on towards another ceiling and another release. */
    void head(float wanted, double releaseSeconds) {
        if (wanted < ceiling) {
            restingFrames = 0;
        }
        quietFrames = wanted == ceiling ? quietFrames : 0;
        release = 1 - StrictMath.exp(-1 / (releaseSeconds * sampleRate));
        ceiling = wanted;
        aim = (float) (wanted * TruePeak.MAY_MISS);
        quiet = Math.min(Float.MAX_VALUE, (float) (aim / TruePeak.HIGHEST_RISE));
    }

    @Override
    public void process(float[][] out, int outBegin, int at, int frames, long frame) {
        boolean may = mayRise(at, frames);
        boolean still = restingFrames >= held.length && !may;
        if (!still) {
            silenceWhatIsNotFinite(at, frames);
            still = findPeaks(at, frames) <= aim && restingFrames >= held.length;
        }
        if (still) {
            for (int wire = 0; wire < rooms.length; wire++) {
                System.arraycopy(rooms[wire], at, out[wire], outBegin + at, frames);
            }
            clock += frames;
            first = 0;
            waiting = 0;
            return;
        }
        for (int n = 0; n < frames; n++) {
            gains[n] = nextGain(between[n] <= aim ? 1 : (double) aim / between[n]);
        }
        for (int wire = 0; wire < rooms.length; wire++) {
            hold(rooms[wire], at, out[wire], outBegin + at, frames);
        }
    }

    private void hold(float[] room, int from, float[] to, int toAt, int frames) {
        for (int n = 0; n < frames; n++) {
            to[toAt + n] = kept(room[from + n] * gains[n]);
        }
    }

    /** Whether a sample that these frames are judged by is so large that the signal may rise above the ceiling near it. */
    private boolean mayRise(int at, int frames) {
        boolean above = false;
        for (int wire = 0; wire < rooms.length; wire += 2) {
            float[] other = rooms[Math.min(wire + 1, rooms.length - 1)];
            above |= Samples.LOOPS.anyAbove(rooms[wire], other, delay + at, frames, quiet);
        }
        boolean may = above || quietFrames < TruePeak.TAPS + TruePeak.LINGERS_FRAMES;
        quietFrames = above ? 0 : quietFrames + frames;
        return may;
    }

    private void silenceWhatIsNotFinite(int at, int frames) {
        for (float[] room : rooms) {
            Samples.silenceWhatIsNotFinite(room, delay + at, frames);
        }
    }

    /** What each frame must be judged by: itself, and the way from the sample before and to the sample after it. */
    private float findPeaks(int at, int frames) {
        Arrays.fill(between, 0, frames + 1, 0);
        for (float[] room : rooms) {
            TruePeak.between(room, ahead + at - 1, between, point, frames + 1);
        }
        findHigh(at, frames);
        for (int n = 0; n < frames; n++) {
            between[n] = Math.max(between[n], between[n + 1]);
        }
        for (float[] room : rooms) {
            raise(between, room, ahead + at, frames);
        }
        float largest = 0;
        for (int n = 0; n < frames; n++) {
            between[n] += TruePeak.UNSEEN * high[n];
            largest = Math.max(largest, between[n]);
        }
        return largest;
    }

    private static void raise(float[] peaks, float[] samples, int at, int frames) {
        for (int n = 0; n < frames; n++) {
            peaks[n] = Math.max(peaks[n], Math.abs(samples[at + n]));
        }
    }

    /** How much of any wire is high at each frame or was shortly before, by maxima over 2, 4, 8 and then all of the frames. */
    private void findHigh(int at, int frames) {
        int lingers = TruePeak.LINGERS_FRAMES;
        int all = frames + lingers;
        Arrays.fill(high, 0, all, 0);
        for (float[] room : rooms) {
            Arrays.fill(highOfOne, 0, all, 0);
            TruePeak.high(room, ahead + at - lingers, highOfOne, all);
            Samples.LOOPS.raiseToMagnitudes(highOfOne, high, all);
        }
        int wide = 1;
        for (; 2 * wide <= lingers + 1; wide *= 2) {
            widen(high, wide, all);
        }
        widen(high, lingers + 1 - wide, all);
    }

    private static void widen(float[] most, int by, int frames) {
        for (int n = 0; n + by < frames; n++) {
            most[n] = Math.max(most[n], most[n + by]);
        }
    }

    @Override
    public void endBlock(int frames) {
        for (float[] room : rooms) {
            System.arraycopy(room, frames, room, 0, delay);
        }
    }

    @Override
    public boolean isThrough() {
        return true;
    }

    @Override
    public double takeReading() {
        double least = leastGain;
        leastGain = 1;
        return least;
    }

    /** Rounding, or a guard just switched on, may leave a sample a hair above: never let it out. */
    private float kept(double sample) {
        return (float) Math.max(-ceiling, Math.min(ceiling, sample));
    }

    /** Each value waits for the one before, so these are comparisons: {@code Math.min} asks for zeros and NaN as well. */
    private double nextGain(double need) {
        double hold = slidingMinimum(need);
        double back = last + (1 - last) * release;
        double highest = (last > BEGINS_AT ? last : BEGINS_AT) * rise;
        back = back < highest ? back : highest;
        back = back > 0.99999 ? 1 : back;
        last = hold < back ? hold : back;
        heldSum += last - held[heldAt];
        held[heldAt] = last;
        heldAt = heldAt + 1 == held.length ? 0 : heldAt + 1;
        restingFrames = last == 1 ? restingFrames + 1 : 0;
        if (restingFrames >= held.length) {
            heldSum = held.length;
        }
        double gain = heldSum / held.length;
        gain = gain < 1 ? gain : 1;
        leastGain = gain < leastGain ? gain : leastGain;
        return gain;
    }

    /** The least of the last look-ahead + 1 values: a queue in which every value is smaller than all after it. */
    private double slidingMinimum(double value) {
        while (waiting > 0 && needed[wrapped(first + waiting - 1)] >= value) {
            waiting--;
        }
        int end = wrapped(first + waiting);
        needed[end] = value;
        neededAt[end] = clock;
        waiting++;
        while (neededAt[first] < clock - ahead) {
            first = wrapped(first + 1);
            waiting--;
        }
        clock++;
        return needed[first];
    }

    private int wrapped(int place) {
        return place < needed.length ? place : place - needed.length;
    }
}
