package vividlantern.session;

/** The identity of a performer; it never changes and is copied unchanged into copies of the session. */
public record PerformerId(String value) {
    @Override
    public String toString() {
        return value;
    }
}
