package vividlantern.session;

/** What a mic or DI box needs of +48 V. */
public enum PhantomWish {
    OFF,
    ON,
    /** It would be harmed: no switch that reaches it may be on. */
    NEVER;

    @Override
    public String toString() {
        return switch (this) {
            case OFF -> "off";
            case ON -> "+48 V";
            case NEVER -> "never";
        };
    }
}
