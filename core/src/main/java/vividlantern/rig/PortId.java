package vividlantern.rig;

/** The identity of a port within its rig; it never changes, whatever the port is called. */
public record PortId(String value) {
    @Override
    public String toString() {
        return value;
    }
}
