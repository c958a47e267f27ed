package vividlantern.mix.effects;

/**
 * A processor on a pair of wires. It lives as long as its place in the mix, from plan to plan, and takes all its memory when
 * it is made: {@link #process} and {@link #head} allocate nothing, wait for nothing and write no log.
 *
 * <p>Its results do not depend on the size of the blocks: what moves is counted in frames, and coefficients change on a grid
 * of {@link #GRID_FRAMES} absolute frames. A state that has become inaudible is set to zero, since denormal numbers are slow.
 */
public interface Effect {

    /** Coefficients change at frames that are a multiple of this. */
    int GRID_FRAMES = 32;

    /** A filter's state below this is nothing. */
    double NOTHING = 1e-20;

    /** What an effect shall do; it makes the effect that can. */
    interface Settings {

        /** @param maxFrames the longest block that will be processed */
        Effect make(int sampleRate, int maxFrames);

        /** The settings at which the effect lets everything through, to which it fades before it leaves. */
        Settings through();
    }

    /** By how many frames what leaves is later than what came in, whether it works or lets through. */
    int latencyFrames();

    /** Where the mixer writes what comes in at a side, 0 or 1, from {@link #inletBegin} on. */
    float[] inlet(int side);

    int inletBegin();

    /** Goes on towards other settings of its own kind. */
    void head(Settings settings);

    /**
     * Works off frames of the block.
     *
     * @param at the first frame, counted from the block's begin
     * @param frame the number of that frame since the device began
     */
    void process(float[] left, float[] right, int outBegin, int at, int frames, long frame);

    /** Makes room for the next block; nothing to be done where no samples wait in the inlet. */
    default void endBlock(int frames) {}

    /** Whether it lets everything through and would be missed by nobody. Any thread may ask. */
    boolean isThrough();

    /** What its meter shows since this was last asked, as a factor: the strongest hold-back, 1 for none. */
    default double takeReading() {
        return 1;
    }
}
