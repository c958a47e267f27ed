package vividlantern.timing;

/**
 * What is sent to measure a delay: a tone that rises evenly over octaves (Farina, 2000), three times, with rests in which the
 * last of it comes back.
 */
public final class Sweep {

    /** How many times it is sent. */
    public static final int RUNS = 3;

    static final double PEAK = 0.25;
    private static final double LOWEST_HZ = 40;
    private static final double HIGHEST_HZ = 20_000;
    private static final double SECONDS = 0.4;
    private static final double REST_SECONDS = 0.35;
    private static final double FADE_SECONDS = 0.005;

    private Sweep() {}

    static int frames(int sampleRate) {
        return (int) Math.round(SECONDS * sampleRate);
    }

    /** From one to the next, in frames. */
    public static int spacing(int sampleRate) {
        return (int) Math.round((SECONDS + REST_SECONDS) * sampleRate);
    }

    static int longestDelay(int sampleRate) {
        return (int) Math.round(REST_SECONDS * sampleRate);
    }

    /** One of them. */
    static float[] once(int sampleRate) {
        int frames = frames(sampleRate);
        double highest = Math.min(HIGHEST_HZ, 0.45 * sampleRate);
        double octaves = Math.log(highest / LOWEST_HZ);
        double fade = FADE_SECONDS * sampleRate;
        float[] sweep = new float[frames];
        for (int n = 0; n < frames; n++) {
            double share = (double) n / frames;
            double phase = 2 * Math.PI * LOWEST_HZ * SECONDS / octaves * Math.expm1(share * octaves);
            double edge = Math.min(1, Math.min(n, frames - 1 - n) / fade);
            sweep[n] = (float) (PEAK * (0.5 - 0.5 * Math.cos(Math.PI * edge)) * Math.sin(phase));
        }
        return sweep;
    }

    /** All of them, with their rests. */
    public static float[] all(int sampleRate) {
        float[] one = once(sampleRate);
        float[] all = new float[RUNS * spacing(sampleRate)];
        for (int run = 0; run < RUNS; run++) {
            System.arraycopy(one, 0, all, run * spacing(sampleRate), one.length);
        }
        return all;
    }
}
