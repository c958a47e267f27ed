package vividlantern.mix.effects;

/** Lets a signal be later by so many frames; cross-fades over 10 ms when that changes. */
public final class Shift implements Effect {

    /** How late a signal can be made. */
    public static final double MOST_SECONDS = 0.05;

    private static final double FADE_SECONDS = 0.01;

    /** @param frames by how much it is later */
    public record Settings(int frames) implements Effect.Settings {

        @Override
        public Effect make(int sampleRate, int maxFrames) {
            return new Shift(this, sampleRate, maxFrames);
        }

        @Override
        public Settings through() {
            return new Settings(0);
        }
    }

    private final float[][] inlets;
    private final float[][] rings;
    private final int fadeFrames;
    private volatile int goal;
    private int delay;
    private int next;
    private int faded;
    private int writeAt;
    private boolean begun;
    private volatile boolean through;

    Shift(Settings settings, int sampleRate, int maxFrames) {
        int longest = (int) Math.ceil(MOST_SECONDS * sampleRate) + 1;
        inlets = new float[2][maxFrames];
        rings = new float[2][Integer.highestOneBit(longest) * 2];
        fadeFrames = (int) Math.round(FADE_SECONDS * sampleRate);
        goal = settings.frames();
    }

    @Override
    public int latencyFrames() {
        return goal;
    }

    @Override
    public float[] inlet(int side) {
        return inlets[side];
    }

    @Override
    public int inletBegin() {
        return 0;
    }

    @Override
    public void head(Effect.Settings settings) {
        goal = ((Settings) settings).frames();
        if (!begun) {
            begun = true;
            delay = goal;
            next = goal;
        }
        through = rests() && delay == 0;
    }

    private boolean rests() {
        return delay == next && delay == goal;
    }

    @Override
    public void process(float[] left, float[] right, int outBegin, int at, int frames, long frame) {
        int mask = rings[0].length - 1;
        for (int n = 0; n < frames; n++) {
            rings[0][writeAt] = inlets[0][at + n];
            rings[1][writeAt] = inlets[1][at + n];
            if (delay == next && delay != goal) {
                next = goal;
                faded = 0;
            }
            left[outBegin + at + n] = read(rings[0], mask);
            right[outBegin + at + n] = read(rings[1], mask);
            if (delay != next && ++faded == fadeFrames) {
                delay = next;
            }
            writeAt = writeAt + 1 & mask;
        }
        through = rests() && delay == 0;
    }

    private float read(float[] ring, int mask) {
        float now = ring[writeAt - delay & mask];
        if (delay == next) {
            return now;
        }
        float come = (float) faded / fadeFrames;
        return now + come * (ring[writeAt - next & mask] - now);
    }

    @Override
    public boolean isThrough() {
        return through;
    }
}
