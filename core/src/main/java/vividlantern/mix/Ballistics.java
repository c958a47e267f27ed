package vividlantern.mix;

/**
 * How a meter moves on a screen: up at once, back by 20 dB in 1.7 s, with the highest peak held for 1.5 s (IEC 60268-18).
 * Levels are in dB; {@link #FLOOR} stands for everything that is too quiet to show.
 */
public final class Ballistics {

    public static final float FLOOR = -120;

    private static final int WINDOWS_PER_SECOND = 25;
    private static final float FALL = 20f / 1.7f / WINDOWS_PER_SECOND;
    private static final int HOLD_WINDOWS = (int) (1.5 * WINDOWS_PER_SECOND);

    private float level = FLOOR;
    private float held = FLOOR;
    private int heldFor;

    /** Takes one window's peak as a factor of full scale. */
    public void take(double peak) {
        float now = peak <= 1e-6 ? FLOOR : (float) (20 * Math.log10(peak));
        level = Math.max(now, Math.max(FLOOR, level - FALL));
        heldFor++;
        if (now >= held || heldFor > HOLD_WINDOWS) {
            held = now >= held ? now : level;
            heldFor = now >= held ? 0 : heldFor;
        }
    }

    public float level() {
        return level;
    }

    public float held() {
        return held;
    }
}
