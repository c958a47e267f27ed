package vividlantern.session.song;

import vividlantern.session.Track;

/**
 * A sound from a file, which is kept beside the sessions.
 *
 * @param name what the file was called
 * @param sampleRate the file's own, in Hz
 * @param frames its length at that rate
 */
public record Media(MediaId id, String name, int channels, int sampleRate, long frames) {

    public static final int MOST_CHANNELS = Track.MAX_WIDTH;
    public static final int LOWEST_RATE = 8_000;
    public static final int HIGHEST_RATE = 384_000;

    /** The file's name without what stands behind its last dot. */
    public String title() {
        int dot = name.lastIndexOf('.');
        return dot > 0 ? name.substring(0, dot) : name;
    }

    public double seconds() {
        return (double) frames / sampleRate;
    }

    /** Its length at another rate, to the nearest frame. */
    public long framesAt(int rate) {
        return Math.round((double) frames * rate / sampleRate);
    }
}
