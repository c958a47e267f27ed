package vividlantern.engine;

import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;

/**
 * Samples that go out by one output, in the place of what would leave there. What comes in meanwhile is on the tape of inputs. All its
 * memory is taken beforehand.
 */
public final class Probe {

    private static final int NOWHERE = -1;

    private final float[] sent;
    private final int output;
    private final CountDownLatch begun = new CountDownLatch(1);
    private volatile long begin;
    private volatile boolean ended;
    private int at;

    public Probe(float[] sent, int output) {
        this.sent = sent.clone();
        this.output = output;
    }

    /** Sends nothing, and only says when it began. */
    static Probe silent() {
        return new Probe(new float[0], NOWHERE);
    }

    /** Goes on by a block, after the mixer; false once it is done. For the audio thread. */
    public boolean process(float[][] out, int frames, long frame) {
        if (at == 0) {
            begin = frame;
            begun.countDown();
        }
        int span = ended ? 0 : Math.min(frames, sent.length - at);
        if (span <= 0) {
            return false;
        }
        for (int n = 0; n < frames; n++) {
            out[output][n] = n < span ? sent[at + n] : 0;
        }
        at += span;
        return at < sent.length;
    }

    /** Ends it with the next block. */
    void end() {
        ended = true;
    }

    /** Waits a while for its first block. */
    boolean hasBegun(long millis) throws InterruptedException {
        return begun.await(millis, TimeUnit.MILLISECONDS);
    }

    /** The engine's frame at which its first sample left. */
    long begin() {
        return begin;
    }
}
