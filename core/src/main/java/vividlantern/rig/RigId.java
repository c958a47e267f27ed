package vividlantern.rig;

/** The identity of a rig; it never changes. */
public record RigId(String value) {
    @Override
    public String toString() {
        return value;
    }
}
