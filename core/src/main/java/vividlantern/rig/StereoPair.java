package vividlantern.rig;

/** Two outputs that belong together, and what hangs on them. */
public record StereoPair(PairId id, String houseLabel, String panelName, PortId left, PortId right, Feeds feeds) {

    public enum Feeds {
        MAIN_SPEAKERS,
        SECOND_SPEAKERS,
        HEADPHONES,
        ENGINEER,
        ROOM_SPEAKER,
        NOTHING
    }
}
