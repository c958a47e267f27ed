package vividlantern.engine;

import vividlantern.click.Passage;

/**
 * Where the song is: at a device frame it stood at a song frame, and it has moved on since or not. Frames before bar 1
 * are negative.
 *
 * @param passage what of the song is played
 */
public record Transport(long deviceFrame, long songFrame, boolean playing, Passage passage) {

    public static Transport stopped(long deviceFrame, long songFrame) {
        return new Transport(deviceFrame, songFrame, false, Passage.nothing(songFrame));
    }

    /** Playing from a song frame on. */
    public static Transport playing(long deviceFrame, long songFrame) {
        return playing(deviceFrame, songFrame, Passage.from(songFrame, songFrame));
    }

    /** Moving from a song frame on, and playing as much as lies in a passage. */
    public static Transport playing(long deviceFrame, long songFrame, Passage passage) {
        return new Transport(deviceFrame, songFrame, true, passage);
    }

    /** The song's frame at a device frame. */
    public long songFrameAt(long frame) {
        return playing ? movedTo(frame) : songFrame;
    }

    /** The song's frame if it moved on after a stop too: what has begun sounds on by it. */
    long movedTo(long frame) {
        return songFrame + (frame - deviceFrame);
    }

    Transport stopAt(long frame) {
        long song = songFrameAt(frame);
        return new Transport(frame, song, false, passage.endedAt(song));
    }
}
