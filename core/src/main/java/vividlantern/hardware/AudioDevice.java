package vividlantern.hardware;

/** An interface's driver, or its stand-in: it moves samples between its converters and an {@link AudioProcess}. */
public interface AudioDevice {

    /** Whether blocks come at the converters' pace or as fast as they are worked off. */
    enum Pace {
        REAL_TIME,
        UNHURRIED
    }

    /** Hears what the converters gave out, block by block and after all conversion. */
    @FunctionalInterface
    interface Listener {
        void played(float[][] converted, int frames, long frame);
    }

    /** Runs on the calling thread, block after block, until the process says that it is enough. */
    void run(AudioProcess process, Listener listener, int bufferFrames, Pace pace);

    /**
     * Sets a preamp by the id of its port; gains settle on what the preamp can do, towards less.
     *
     * @param pad whether its pad is in, if it has one
     */
    void setPreamp(String port, double gainDb, boolean phantom, boolean pad);
}
