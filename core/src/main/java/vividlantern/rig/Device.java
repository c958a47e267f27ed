package vividlantern.rig;

/**
 * A box of the rig that has ports.
 *
 * @param fullScaleDbu the level of a sine that just reaches 0 dBFS; meaningless for boxes without converters
 * @param latency frames that its converters and driver take; zero for boxes without converters
 */
public record Device(String id, String name, Kind kind, double fullScaleDbu, LatencyProfile latency) {

    public enum Kind {
        INTERFACE,
        EXPANDER,
        PREAMP,
        WALL_BOX
    }
}
