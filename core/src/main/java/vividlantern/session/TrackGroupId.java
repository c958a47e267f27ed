package vividlantern.session;

/** Names a group of tracks for good. */
public record TrackGroupId(String value) {

    @Override
    public String toString() {
        return value;
    }
}
