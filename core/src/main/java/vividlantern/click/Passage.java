package vividlantern.click;

/**
 * A stretch of the song that is played, in frames of the song.
 *
 * @param countedFrom the click sounds from here on
 * @param from the song is played from here on; before it is counted in
 * @param soundsFrom what lies in the song sounds from here on: with what comes before its beginning if all of it is played
 * @param until from here on nothing begins, and what sounds ends: the song stands here
 */
public record Passage(long countedFrom, long from, long soundsFrom, long until) {

    /** All of the song, as if it had always been playing. */
    public static final Passage ENDLESS = new Passage(Long.MIN_VALUE, Long.MIN_VALUE, Long.MIN_VALUE, Long.MAX_VALUE);

    /** From a place on, counted in. */
    public static Passage from(long countedFrom, long from) {
        return new Passage(countedFrom, from, from, Long.MAX_VALUE);
    }

    /** Nothing: the song stands. */
    public static Passage nothing(long at) {
        return new Passage(at, at, Long.MAX_VALUE, at);
    }

    /** Whether the song stands. */
    boolean stands() {
        return until != Long.MAX_VALUE;
    }

    /** With what lies before it, from an earlier frame on. */
    public Passage withWhatComesBefore(long earlier) {
        return new Passage(countedFrom, from, earlier, until);
    }

    /** The same, ended at a frame. */
    public Passage endedAt(long frame) {
        return new Passage(countedFrom, from, soundsFrom, frame);
    }
}
