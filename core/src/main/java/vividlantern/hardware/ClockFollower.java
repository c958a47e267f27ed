package vividlantern.hardware;

/**
 * Follows another clock by its time stamps: a delay-locked loop of second order (Adriaensen, Using a DLL to filter time, 2005),
 * wide at first and narrow once it has locked.
 */
public final class ClockFollower {

    private static final double FIRST_HZ = 1;
    private static final double LAST_HZ = 0.02;

    private final int sampleRate;
    private double position;
    private double rate = 1;
    private double seconds;
    private boolean begun;

    public ClockFollower(int sampleRate) {
        this.sampleRate = sampleRate;
    }

    /**
     * Takes a time stamp.
     *
     * @param captured how many frames the other clock has counted
     * @param frames how many ours has since the stamp before
     */
    public void take(double captured, int frames) {
        if (!begun) {
            begun = true;
            position = captured;
            return;
        }
        double step = (double) frames / sampleRate;
        seconds += step;
        double hertz = Math.max(LAST_HZ, Math.min(FIRST_HZ, 1 / (1 + seconds)));
        double omega = 2 * Math.PI * hertz * step;
        double error = captured - (position + frames * rate);
        position += frames * rate + Math.sqrt(2) * omega * error;
        rate += omega * omega * error / frames;
    }

    /** The other clock's frame now, its stamps' jitter smoothed. */
    public double position() {
        return position;
    }

    /** Its frames for one of ours. */
    public double rate() {
        return rate;
    }

    /** By how many parts in a million it is faster. */
    public double driftPpm() {
        return (rate - 1) * 1e6;
    }

    /** Whether it has followed long enough for its drift to be told. */
    public boolean isSettled() {
        return seconds > 30;
    }
}
