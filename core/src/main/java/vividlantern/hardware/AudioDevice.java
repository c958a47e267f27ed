package vividlantern.hardware;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/** An interface's driver, or its stand-in: it moves samples between its converters and an {@link AudioProcess}. */
public interface AudioDevice {

    /** Whether blocks come at the converters' pace or as fast as they are worked off. */
    enum Pace {
        REAL_TIME,
        UNHURRIED
    }

    /** Hears what the device gives out, block by block. */
    @FunctionalInterface
    interface Listener {

        /** What the converters made of what the process gave. */
        void played(float[][] converted, int frames, long frame);

        /** What left at the sockets: that, and what the device's own matrix added to it. */
        default void left(float[][] atSockets, int frames, long frame) {}
    }

    /**
     * Runs on the calling thread, block after block, until the process says that it is enough.
     *
     * @throws DeviceGone if it does not answer, or stops answering
     */
    void run(AudioProcess process, Listener listener, int bufferFrames, Pace pace);

    /** Whether it would run now. */
    boolean answers();

    /** What it could not wait for since it began to run. Any thread may ask. */
    Lateness lateness();

    /** How much of their time its blocks took, while it runs in real time. */
    Duty duty();

    /** By how many parts in a million devices on clocks of their own are faster, by their ids, as far as that is known by now. */
    default Map<String, Double> drifts() {
        return Map.of();
    }

    /**
     * Sets the device's own matrix, direct monitoring: inputs straight to outputs, past the process. It moves there within
     * some milliseconds. A way that is not named is off.
     */
    void setDirect(List<DirectGain> gains);

    /**
     * Sets a preamp by the id of its port; gains settle on what the preamp can do, towards less. What comes in shows it
     * after the way in at the latest.
     */
    void setPreamp(String port, PreampSetting setting);

    /** How a preamp stands, as the device tells; empty where only a hand can turn it and no program can know. */
    Optional<PreampSetting> preamp(String port);
}
