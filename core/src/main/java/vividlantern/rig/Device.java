package vividlantern.rig;

import java.util.Optional;

/**
 * A box of the rig that has ports.
 *
 * @param position its place among the rig's devices
 * @param fullScaleDbu the level of a sine that just reaches 0 dBFS; meaningless for boxes without converters
 * @param latency frames that its converters and driver take; zero for boxes without converters
 * @param driftPpm how far its own clock runs from the leading one, in parts per million
 * @param retired taken out of the rig; its ports keep their names for what still speaks of them, and are not offered
 * @param driver what it can run at; empty for what is no interface
 * @param amp what it does to what goes to headphones; empty where nobody has said it, and for what is no headphone amp
 */
public record Device(
        String id,
        double position,
        String name,
        Kind kind,
        double fullScaleDbu,
        LatencyProfile latency,
        Clock clock,
        double driftPpm,
        boolean retired,
        Optional<Driver> driver,
        Optional<Amp> amp)
        implements RigPart {

    /** A device of which nobody has said that it amplifies. */
    public Device(
            String id,
            double position,
            String name,
            Kind kind,
            double fullScaleDbu,
            LatencyProfile latency,
            Clock clock,
            double driftPpm,
            boolean retired,
            Optional<Driver> driver) {
        this(id, position, name, kind, fullScaleDbu, latency, clock, driftPpm, retired, driver, Optional.empty());
    }

    public enum Kind {
        INTERFACE("interface"),
        EXPANDER("expander"),
        PREAMP("preamp"),
        WALL_BOX("wall box"),
        PATCH_BAY("patch bay"),
        HEADPHONE_AMP("headphone amp"),
        SPEAKERS("speakers"),
        OUTBOARD("outboard"),
        /** Plays by itself, into the computer; its outputs are what the engine takes in. */
        SOUND_MODULE("sound module");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** Whether it has converters, and so a clock. */
        public boolean converts() {
            return this == INTERFACE || this == EXPANDER || this == SOUND_MODULE;
        }

        /** Whether the computer knows it as an audio device of its own. */
        public boolean isOfTheComputer() {
            return this == INTERFACE || this == SOUND_MODULE;
        }
    }

    /** Whose clock a device's converters run by. */
    public enum Clock {
        LEADS("leading"),
        FOLLOWS("following"),
        /** By one of its own, tied to no other: it drifts. */
        OWN("its own"),
        NONE("none");

        private final String words;

        Clock(String words) {
            this.words = words;
        }

        String words() {
            return words;
        }
    }

    public Device named(String newName) {
        return new Device(id, position, newName, kind, fullScaleDbu, latency, clock, driftPpm, retired, driver, amp);
    }

    public Device measured(double newFullScaleDbu, LatencyProfile newLatency) {
        return new Device(id, position, name, kind, newFullScaleDbu, newLatency, clock, driftPpm, retired, driver, amp);
    }

    public Device clocked(Clock newClock, double newDriftPpm) {
        return new Device(id, position, name, kind, fullScaleDbu, latency, newClock, newDriftPpm, retired, driver, amp);
    }

    public Device drivenBy(Driver newDriver) {
        return new Device(
                id, position, name, kind, fullScaleDbu, latency, clock, driftPpm, retired, Optional.of(newDriver), amp);
    }

    public Device retired(boolean out) {
        return new Device(id, position, name, kind, fullScaleDbu, latency, clock, driftPpm, out, driver, amp);
    }

    public Device amplifying(Optional<Amp> newAmp) {
        return new Device(id, position, name, kind, fullScaleDbu, latency, clock, driftPpm, retired, driver, newAmp);
    }
}
