package vividlantern.engine;

/**
 * Where the song is: at a device frame it stood at a song frame, and it has moved on since or not. Frames before bar 1
 * are negative.
 *
 * @param startedAt no click that begins before this song frame sounds: the song was not there yet
 * @param stoppedAt no click begins at or after this song frame
 */
public record Transport(long deviceFrame, long songFrame, boolean playing, long startedAt, long stoppedAt) {

    public static Transport stopped(long deviceFrame, long songFrame) {
        return new Transport(deviceFrame, songFrame, false, songFrame, Long.MIN_VALUE);
    }

    /** Playing from a song frame on. */
    public static Transport playing(long deviceFrame, long songFrame) {
        return new Transport(deviceFrame, songFrame, true, songFrame, Long.MAX_VALUE);
    }

    /** Moving before the song begins: silent until the given song frame, playing from there on. */
    public static Transport coming(long deviceFrame, long songFrame, long startsAt) {
        return new Transport(deviceFrame, songFrame, true, startsAt, Long.MAX_VALUE);
    }

    /** The song's frame at a device frame. */
    public long songFrameAt(long frame) {
        return playing ? songFrame + (frame - deviceFrame) : songFrame;
    }

    /** Where clicks that have begun go on sounding after a stop, and are silent else. */
    long clickFrameAt(long frame) {
        return songFrame + (frame - deviceFrame);
    }

    Transport stopAt(long frame) {
        long song = songFrameAt(frame);
        return new Transport(frame, song, false, startedAt, song);
    }
}
