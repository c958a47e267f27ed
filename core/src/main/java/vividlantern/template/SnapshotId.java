package vividlantern.template;

/** Names a snapshot within its session for good. */
public record SnapshotId(String value) {

    @Override
    public String toString() {
        return value;
    }
}
