package vividlantern.session.cue;

import java.util.Locale;

/** To which ears a cue's two sides go. */
public enum Ears {
    STEREO,
    /** Both sides together at both ears, each at half: 0.5·(L+R). */
    MONO,
    /** The same at the left ear alone; the other hears the room. */
    LEFT_ONLY,
    RIGHT_ONLY,
    /** For headphones that are on the wrong way round, or a cable that is. */
    SWAPPED;

    /** What gets to the left ear of gains that are meant for both sides. */
    public double left(double left, double right) {
        return switch (this) {
            case STEREO -> left;
            case MONO, LEFT_ONLY -> 0.5 * (left + right);
            case RIGHT_ONLY -> 0;
            case SWAPPED -> right;
        };
    }

    /** What gets to the right ear. */
    public double right(double left, double right) {
        return switch (this) {
            case STEREO -> right;
            case MONO, RIGHT_ONLY -> 0.5 * (left + right);
            case LEFT_ONLY -> 0;
            case SWAPPED -> left;
        };
    }

    @Override
    public String toString() {
        return switch (this) {
            case LEFT_ONLY -> "left ear only";
            case RIGHT_ONLY -> "right ear only";
            case SWAPPED -> "sides swapped";
            default -> name().toLowerCase(Locale.ROOT);
        };
    }
}
