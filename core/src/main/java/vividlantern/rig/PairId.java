package vividlantern.rig;

/** The identity of a stereo pair within its rig. */
public record PairId(String value) {
    @Override
    public String toString() {
        return value;
    }
}
