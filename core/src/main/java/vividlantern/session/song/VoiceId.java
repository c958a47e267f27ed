package vividlantern.session.song;

/** The identity of a voice of the click; it never changes and is copied unchanged into copies of the session. */
public record VoiceId(String value) {
    @Override
    public String toString() {
        return value;
    }
}
