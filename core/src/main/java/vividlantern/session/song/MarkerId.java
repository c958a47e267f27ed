package vividlantern.session.song;

/** The identity of a marker; it never changes and is copied unchanged into copies of the session. */
public record MarkerId(String value) {
    @Override
    public String toString() {
        return value;
    }
}
