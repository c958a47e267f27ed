package vividlantern.engine;

/**
 * The last moments of some channels, for whoever listens: a ring that the audio thread writes without waiting. Readers follow it by
 * frames; one that is late learns that it has missed something.
 */
public final class Tape {

    private final float[][] channels;
    private final int frames;
    private volatile long written;

    /** @param frames how many it holds, a power of two */
    Tape(int channels, int frames) {
        this.channels = new float[channels][frames];
        this.frames = frames;
    }

    /** Writes a block. For the audio thread. */
    public void record(float[][] samples, int count, long frame) {
        int at = (int) (frame & frames - 1);
        int first = Math.min(count, frames - at);
        for (int channel = 0; channel < channels.length; channel++) {
            System.arraycopy(samples[channel], 0, channels[channel], at, first);
            System.arraycopy(samples[channel], first, channels[channel], 0, count - first);
        }
        written = frame + count;
    }

    public int channels() {
        return channels.length;
    }

    /** The first frame that is not there yet. */
    public long written() {
        return written;
    }

    /** Whether everything from a frame on is still there, with room for what is being written now. */
    public boolean holds(long frame) {
        return written - frame < frames / 2;
    }

    public float sample(int channel, long frame) {
        return channels[channel][(int) (frame & frames - 1)];
    }

    /**
     * Copies what is there of a channel.
     *
     * @return false if it was written over meanwhile
     */
    boolean copy(int channel, long frame, float[] to, int toAt, int count) {
        int at = (int) (frame & frames - 1);
        int first = Math.min(count, frames - at);
        System.arraycopy(channels[channel], at, to, toAt, first);
        System.arraycopy(channels[channel], 0, to, toAt + first, count - first);
        return holds(frame);
    }
}
