package vividlantern.session;

/** The identity of a session; it never changes and is copied unchanged into copies of the session. */
public record SessionId(String value) {
    @Override
    public String toString() {
        return value;
    }
}
