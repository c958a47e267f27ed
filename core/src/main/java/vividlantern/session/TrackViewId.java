package vividlantern.session;

/** The identity of a view; it never changes and is copied unchanged into copies of the session. */
public record TrackViewId(String value) {
    @Override
    public String toString() {
        return value;
    }
}
