package vividlantern.mix;

/** What is happening rather than wanted, as far as it decides what is heard. */
public record LiveState(boolean playing, boolean headphonesCut) {

    public static final LiveState STOPPED = new LiveState(false, false);
    public static final LiveState PLAYING = new LiveState(true, false);
}
