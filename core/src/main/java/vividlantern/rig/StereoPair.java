package vividlantern.rig;

/**
 * Two inputs or two outputs that belong together. Each stays free alone.
 *
 * @param houseLabel what both together are called; left and right have their ports' labels
 * @param feeds what hangs on a pair of outputs; nothing for inputs
 */
public record StereoPair(PairId id, String houseLabel, PortId left, PortId right, Feeds feeds) implements RigPart {

    public enum Feeds {
        MAIN_SPEAKERS,
        SECOND_SPEAKERS,
        HEADPHONES,
        ENGINEER,
        ROOM_SPEAKER,
        NOTHING
    }

    public StereoPair labelled(String newLabel) {
        return new StereoPair(id, newLabel, left, right, feeds);
    }

    public StereoPair feeding(Feeds newFeeds) {
        return new StereoPair(id, houseLabel, left, right, newFeeds);
    }
}
