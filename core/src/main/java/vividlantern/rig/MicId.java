package vividlantern.rig;

/** The identity of a mic or DI in its rig's locker. */
public record MicId(String value) {
    @Override
    public String toString() {
        return value;
    }
}
