package vividlantern.engine;

import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;

/**
 * Sends samples out by one output, in the place of what would leave there, and keeps what comes in at an input meanwhile; of
 * the beginning what comes in at every input. All its memory is taken beforehand.
 */
public final class Probe {

    private static final int NOWHERE = -1;

    private final float[] sent;
    private final int output;
    private final int input;
    private final float[] received;
    private final float[][] first;
    private final CountDownLatch done = new CountDownLatch(1);
    private volatile boolean cancelled;
    private int at;
    private float peak;

    /** Sends nothing and keeps what comes in at every input for some frames. */
    static Probe listening(int inputs, int frames) {
        return new Probe(new float[frames], NOWHERE, 0, inputs, frames);
    }

    /** @param firstFrames for how long every input is kept */
    public Probe(float[] sent, int output, int input, int inputs, int firstFrames) {
        this.sent = sent.clone();
        this.output = output;
        this.input = input;
        received = new float[sent.length];
        first = new float[inputs][Math.min(firstFrames, sent.length)];
    }

    /** Goes on by a block, after the mixer; false once it is done. For the audio thread. */
    public boolean process(float[][] in, float[][] out, int frames) {
        int span = Math.min(frames, sent.length - at);
        if (cancelled || span <= 0) {
            done.countDown();
            return false;
        }
        for (int n = 0; output != NOWHERE && n < frames; n++) {
            out[output][n] = n < span ? sent[at + n] : 0;
        }
        System.arraycopy(in[input], 0, received, at, span);
        for (int n = 0; n < span; n++) {
            peak = Math.max(peak, Math.abs(in[input][n]));
        }
        int kept = Math.min(span, first[0].length - at);
        for (int channel = 0; kept > 0 && channel < first.length; channel++) {
            System.arraycopy(in[channel], 0, first[channel], at, kept);
        }
        at += span;
        if (at == sent.length) {
            done.countDown();
            return false;
        }
        return true;
    }

    public void cancel() {
        cancelled = true;
    }

    boolean isCancelled() {
        return cancelled;
    }

    /** Waits a while; whether all of it was sent. */
    boolean await(long millis) throws InterruptedException {
        return done.await(millis, TimeUnit.MILLISECONDS) && !cancelled;
    }

    /** What came in at the input, frame by frame as it was sent. */
    public float[] received() {
        return received;
    }

    public int inputs() {
        return first.length;
    }

    /** What came in at the beginning at an input. */
    public float[] firstReceived(int channel) {
        return first[channel];
    }

    /** The largest sample that came in at the input. */
    public float peak() {
        return peak;
    }
}
