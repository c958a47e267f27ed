package vividlantern.template;

/** Names a setting for good. */
public record SettingId(String value) {

    @Override
    public String toString() {
        return value;
    }
}
