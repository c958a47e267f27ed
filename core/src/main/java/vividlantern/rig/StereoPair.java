package vividlantern.rig;

/**
 * Two inputs or two outputs that belong together. Each stays free alone.
 *
 * @param houseLabel what both together are called; left and right have their ports' labels
 * @param feeds what hangs on a pair of outputs; nothing for inputs
 */
public record StereoPair(PairId id, String houseLabel, PortId left, PortId right, Feeds feeds) implements RigPart {

    public enum Feeds {
        MAIN_SPEAKERS("main speakers"),
        SECOND_SPEAKERS("second speakers"),
        HEADPHONES("headphones"),
        ENGINEER("the engineer's headphones"),
        ROOM_SPEAKER("a speaker in the room"),
        NOTHING("nothing");

        private final String words;

        Feeds(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** Whether a cue may leave there; the pairs of the speakers in the control room and the engineer's own are not for cues. */
        public boolean isForCues() {
            return this == HEADPHONES || this == ROOM_SPEAKER || this == NOTHING;
        }
    }

    public StereoPair labelled(String newLabel) {
        return new StereoPair(id, newLabel, left, right, feeds);
    }

    public StereoPair feeding(Feeds newFeeds) {
        return new StereoPair(id, houseLabel, left, right, newFeeds);
    }
}
