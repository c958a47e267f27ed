package vividlantern.session.cue;

/** The identity of a cue; it never changes and is copied unchanged into copies of the session. */
public record CueId(String value) {
    @Override
    public String toString() {
        return value;
    }
}
