package vividlantern.session;

/** Names a source of the control room within its session. */
public record SourceId(String value) {

    @Override
    public String toString() {
        return value;
    }
}
