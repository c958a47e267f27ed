package vividlantern.session;

/** Names a line of one's own in the list of what to bring, for good. */
public record BringLineId(String value) {

    @Override
    public String toString() {
        return value;
    }
}
