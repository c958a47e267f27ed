package vividlantern.session;

/** The identity of a track; it never changes and is copied unchanged into copies of the session. */
public record TrackId(String value) {
    @Override
    public String toString() {
        return value;
    }
}
