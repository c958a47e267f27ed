package vividlantern.mix.effects;

import java.util.Arrays;

/**
 * By how many dB the effects of one strip may raise, step by step, all of them together: 60 dB a second, or the strip's share of it
 * where other gains lie before or behind it on the way to a performer. Who stands first in the strip takes first; whatever one leaves is
 * there for the next, so that a gain that moves alone moves at the full pace.
 *
 * <p>Belongs to the audio thread, but for {@link #among}.
 */
public final class RiseBudget {

    /** From frame to frame in steps of so many absolute frames. */
    static final int STEP_FRAMES = 16;

    private static final double DB_A_SECOND = 60;

    private final double dbAStep;
    private final long[] steps;
    private final double[] left;
    private volatile int among = 1;

    /** @param maxFrames the longest block: effects work it off one after the other, each all of its steps */
    public RiseBudget(int sampleRate, int maxFrames) {
        dbAStep = DB_A_SECOND * STEP_FRAMES / sampleRate;
        steps = new long[maxFrames / STEP_FRAMES + 2];
        left = new double[steps.length];
        Arrays.fill(steps, -1);
    }

    /** Shares the pace among so many gains, one after the other. From any thread. */
    public void among(int gains) {
        among = gains;
    }

    /** Takes what is left of a step, at most so many dB; the step is that in which a frame lies. */
    double take(long frame, double wantedDb) {
        long step = Math.floorDiv(frame, (long) STEP_FRAMES);
        int at = (int) Math.floorMod(step, (long) steps.length);
        if (steps[at] != step) {
            steps[at] = step;
            left[at] = dbAStep / among;
        }
        double taken = Math.min(wantedDb, left[at]);
        left[at] -= taken;
        return taken;
    }
}
