package vividlantern.engine;

/**
 * Where the song is: at a device frame it stood at a song frame, and it has moved on since or not. Frames before bar 1
 * are negative.
 *
 * @param stoppedAt no click begins at or after this song frame
 */
public record Transport(long deviceFrame, long songFrame, boolean playing, long stoppedAt) {

    public static Transport stopped(long deviceFrame, long songFrame) {
        return new Transport(deviceFrame, songFrame, false, Long.MIN_VALUE);
    }

    public static Transport playing(long deviceFrame, long songFrame) {
        return new Transport(deviceFrame, songFrame, true, Long.MAX_VALUE);
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
        return new Transport(frame, song, false, song);
    }
}
