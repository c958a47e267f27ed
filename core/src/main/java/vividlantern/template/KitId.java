package vividlantern.template;

/** Names a kit for good. */
public record KitId(String value) {

    @Override
    public String toString() {
        return value;
    }
}
