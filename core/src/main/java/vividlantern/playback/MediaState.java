package vividlantern.playback;

/** How a sound is found that a session speaks of. */
public enum MediaState {
    THERE,
    MISSING,
    CHANGED
}
