package vividlantern.session;

/** How a session holds the parts of a kind. */
public enum PartShape {
    /** One, whose fields are the session's own. */
    SPREAD,
    ONE,
    ONE_OR_NONE,
    MANY,
    /** Many, each within the cue that is named first in its id. */
    WITHIN_CUES
}
