package vividlantern.playback;

import java.io.IOException;
import vividlantern.session.song.Media;
import vividlantern.sound.MediaReader;

/** Where the sounds of backing tracks are kept. */
@FunctionalInterface
public interface MediaShelf {

    /** Holds nothing. */
    MediaShelf EMPTY = (media, sampleRate) -> {
        throw new IOException(media.name() + " is missing.");
    };

    /**
     * Opens a sound to be read at a rate; it may take as long as converting it.
     *
     * @throws IOException with a sentence, if it is missing or is not what it was
     */
    MediaReader open(Media media, int sampleRate) throws IOException;
}
