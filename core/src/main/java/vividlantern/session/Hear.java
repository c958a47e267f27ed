package vividlantern.session;

/** When a track passes its live input on to listeners. */
public enum Hear {
    OFF,
    ARMED,
    OVERDUB,
    ALWAYS;

    /** Whether the live input is heard. Until there are recordings nothing else can be. */
    public boolean live(boolean armed, boolean playing) {
        return switch (this) {
            case OFF -> false;
            case ARMED -> armed;
            case OVERDUB -> armed && !playing;
            case ALWAYS -> true;
        };
    }

    @Override
    public String toString() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }
}
