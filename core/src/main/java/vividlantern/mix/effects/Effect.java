package vividlantern.mix.effects;

import vividlantern.session.Track;

/**
 * A processor on 1 to {@link #MOST_WIRES} wires. It lives as long as its place in the mix, from plan to plan, and takes all its
 * memory when it is made: {@link #process} and {@link #head} allocate nothing, wait for nothing and write no log.
 *
 * <p>What it decides by (a peak, a loudness) it takes from all its wires together, so that a picture in space stays where it is.
 * Its results do not depend on the size of the blocks: what moves is counted in frames, and coefficients change on a grid
 * of {@link #GRID_FRAMES} absolute frames. A state that has become inaudible is set to zero, since denormal numbers are slow.
 */
public interface Effect {

    /** As many as the widest track has channels. */
    int MOST_WIRES = Track.MAX_WIDTH;

    /** Coefficients change at frames that are a multiple of this. */
    int GRID_FRAMES = 32;

    /** A filter's state below this is nothing. */
    double NOTHING = 1e-20;

    /** What an effect shall do. */
    interface Settings {

        /** The kind whose effects can do it. */
        EffectKind<?> kind();

        /** The settings at which the effect lets everything through, to which it fades before it leaves. */
        Settings through();

        /** Whether it holds back by more and less, which is shown. */
        default boolean hasReading() {
            return false;
        }

        /** Whether what it makes may be louder than what came in because of how it is set, so that it has to rise slowly. */
        default boolean mayRaise() {
            return false;
        }

        /** An effect of its kind, not yet sent to these settings. */
        default Effect make(EffectKind.Place place) {
            return kind().make(place, this);
        }

        /** By how many frames it makes later what passes, whether it works or lets through. */
        default int latencyFrames(int sampleRate) {
            return kind().latencyFrames(this, sampleRate);
        }
    }

    /** Where the mixer writes what comes in at a wire, counted from 0, from {@link #inletBegin} on. */
    float[] inlet(int wire);

    /** Where in its inlets a block begins; what waits there from blocks before stands in front. */
    default int inletBegin() {
        return 0;
    }

    /** Goes on towards other settings of its own kind. */
    void head(Settings settings);

    /** The song's frame at the next frame that is worked off; nothing to be done where the song does not matter. */
    default void songAt(long songFrame) {}

    /**
     * Works off frames of the block.
     *
     * @param out a room for each of its wires
     * @param at the first frame, counted from the block's begin
     * @param frame the number of that frame since the device began
     */
    void process(float[][] out, int outBegin, int at, int frames, long frame);

    /** Makes room for the next block; nothing to be done where no samples wait in the inlet. */
    default void endBlock(int frames) {}

    /** Whether it lets everything through and would be missed by nobody. Any thread may ask. */
    boolean isThrough();

    /** What its meter shows since this was last asked, as a factor: the strongest hold-back, 1 for none. */
    default double takeReading() {
        return 1;
    }
}
