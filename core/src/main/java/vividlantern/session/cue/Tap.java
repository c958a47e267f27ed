package vividlantern.session.cue;

/** Where a send leaves its track: as it comes in, before the fader, or after it. */
public enum Tap {
    INPUT,
    PRE_FADER,
    POST_FADER;

    @Override
    public String toString() {
        return switch (this) {
            case INPUT -> "input";
            case PRE_FADER -> "pre-fader";
            case POST_FADER -> "post-fader";
        };
    }
}
