package vividlantern.rig;

/** The identity of a wide group within its rig. */
public record GroupId(String value) {
    @Override
    public String toString() {
        return value;
    }
}
