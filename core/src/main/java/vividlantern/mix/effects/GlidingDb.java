package vividlantern.mix.effects;

/**
 * A level in dB on its way, step by step: it gathers speed and brakes, so that its way has no corner that would click, falls by 12 dB in
 * 33 ms at 48 kHz, and rises no faster than its strip may.
 */
final class GlidingDb {

    /** By so much its speed changes from step to step. */
    private static final double ACCELERATION = 0.005;

    private final RiseBudget rise;
    private double now;
    private double speed;

    GlidingDb(RiseBudget rise) {
        this.rise = rise;
    }

    double now() {
        return now;
    }

    /** Whether it is at a level already. */
    boolean is(double goal) {
        return now == goal;
    }

    /** A step towards a level; gives where it is then. */
    double step(double goal, long frame) {
        double distance = Math.abs(goal - now);
        double braking = Math.sqrt(2 * ACCELERATION * distance);
        boolean turns = speed * (goal - now) < 0;
        double wanted = Math.min(distance, Math.min(braking, (turns ? 0 : Math.abs(speed)) + ACCELERATION));
        if (goal > now) {
            speed = rise.take(frame, wanted);
            now = speed == distance ? goal : now + speed;
        } else {
            speed = -wanted;
            now = wanted == distance ? goal : now - wanted;
        }
        return now;
    }
}
