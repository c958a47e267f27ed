package vividlantern.hardware;

/** An interface's inputs on a clock of its own: what it has captured so far, by its own count of frames. */
public interface FreeRunning {

    int channels();

    /**
     * How many frames it has captured by the time the leading device is at a frame, as its driver's time stamps tell: with the
     * part of a frame, and with their jitter.
     */
    double capturedBy(long leadingFrame);

    /** Copies captured frames, one array a channel. */
    void copy(long from, float[][] to, int offset, int frames);
}
