package vividlantern.session.chain;

/** The identity of an effect among those of its track. */
public record EffectId(String value) {
    @Override
    public String toString() {
        return value;
    }
}
