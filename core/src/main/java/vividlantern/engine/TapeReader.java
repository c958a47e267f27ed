package vividlantern.engine;

/** Follows channels of a tape from a frame on, and knows when it was too slow. For one thread. */
final class TapeReader {

    private final Tape tape;
    private final int[] channels;
    private final long begin;
    private final float[][] taken;
    private int done;
    private boolean missed;

    /**
     * @param channels which ones
     * @param frames how much of each
     */
    TapeReader(Tape tape, int[] channels, long begin, int frames) {
        this.tape = tape;
        this.channels = channels.clone();
        this.begin = begin;
        taken = new float[channels.length][frames];
    }

    /** Takes what there is by now; true once it has all that it came for, or has missed something. */
    boolean read() {
        int frames = taken.length == 0 ? 0 : taken[0].length;
        if (missed || done == frames) {
            return true;
        }
        int there = (int) Math.min(frames - done, tape.written() - begin - done);
        missed = !tape.holds(begin + done);
        for (int at = 0; !missed && there > 0 && at < channels.length; at++) {
            missed = !tape.copy(channels[at], begin + done, taken[at], done, there);
        }
        done += missed ? 0 : Math.max(0, there);
        return missed || done == frames;
    }

    /** How much it has of what it came for, from 0 to 1. */
    double share() {
        return (double) done / taken[0].length;
    }

    /** Whether something was written over before it was read. */
    boolean missed() {
        return missed;
    }

    /** The samples of each channel. */
    float[][] taken() {
        return taken;
    }
}
