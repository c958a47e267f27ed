package vividlantern.session;

/** The identity of a row of the input list; it never changes and is copied unchanged into copies of the session. */
public record InputId(String value) {
    @Override
    public String toString() {
        return value;
    }
}
