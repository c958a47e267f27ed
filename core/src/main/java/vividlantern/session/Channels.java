package vividlantern.session;

/** What the channels of inputs and tracks are called. */
public final class Channels {

    private Channels() {}

    /** "left" or "right" of a stereo thing, "3 of 5" of a wide one, "" of a mono one. */
    public static String word(int width, int channel) {
        return switch (width) {
            case 1 -> "";
            case 2 -> channel == 0 ? "left" : "right";
            default -> (channel + 1) + " of " + width;
        };
    }

    /** "mono", "stereo", "5 wide". */
    public static String width(int width) {
        return switch (width) {
            case 1 -> "mono";
            case 2 -> "stereo";
            default -> width + " wide";
        };
    }
}
