package vividlantern.hardware;

/**
 * What a device could not wait for since it began to run.
 *
 * @param lateBlocks blocks that were begun more than a buffer after they were due
 * @param missedFrames frames that were left out, so that the rest is in time again
 */
public record Lateness(long lateBlocks, long missedFrames) {

    public static final Lateness NONE = new Lateness(0, 0);
}
