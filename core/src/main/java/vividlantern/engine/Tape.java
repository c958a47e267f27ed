package vividlantern.engine;

/**
 * The last second and more of what the converters gave out, for whoever listens. The audio thread writes without waiting;
 * a reader that is late learns that it has missed something.
 */
public final class Tape {

    private static final int FRAMES = 1 << 16;

    private final float[][] outputs;
    private volatile long written;

    Tape(int outputs) {
        this.outputs = new float[outputs][FRAMES];
    }

    public void record(float[][] converted, int frames, long frame) {
        for (int output = 0; output < outputs.length; output++) {
            int at = (int) (frame & FRAMES - 1);
            int first = Math.min(frames, FRAMES - at);
            System.arraycopy(converted[output], 0, outputs[output], at, first);
            System.arraycopy(converted[output], first, outputs[output], 0, frames - first);
        }
        written = frame + frames;
    }

    /** The first frame that is not there yet. */
    public long written() {
        return written;
    }

    /** Whether everything from a frame on is still there, with room for what is being written now. */
    public boolean holds(long frame) {
        return written - frame < FRAMES / 2;
    }

    public float sample(int output, long frame) {
        return outputs[output][(int) (frame & FRAMES - 1)];
    }
}
