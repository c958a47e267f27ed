package vividlantern.session.song;

/** The identity of a sound that is kept beside the sessions: it follows from what the file holds, so it never changes. */
public record MediaId(String value) {
    @Override
    public String toString() {
        return value;
    }
}
