package vividlantern.sound;

import java.io.Closeable;
import java.io.IOException;

/** Reads a sound at the rate for which it was opened, anywhere in it. */
public interface MediaReader extends Closeable {

    /** Reads frames from one on, each channel into an array of its own; beyond the sound's ends there is silence. */
    void read(long frame, float[][] to, int at, int frames) throws IOException;
}
