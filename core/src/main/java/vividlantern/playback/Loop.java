package vividlantern.playback;

import java.io.IOException;
import java.util.Optional;
import vividlantern.session.song.Backing;
import vividlantern.sound.MediaReader;
import vividlantern.sound.RateConverter;

/**
 * A stretch of a sound that is read over and over, at any rate: each frame from 0 on is there. At another rate than the sound's
 * own it is converted round, so that its end goes on in its beginning as it does in the file, and its length is kept to a
 * fraction of a frame.
 */
final class Loop implements MediaReader {

    private final MediaReader sound;
    private final long from;
    private final long once;
    private final Optional<RateConverter> converter;

    private Loop(MediaReader sound, long from, long once, Optional<RateConverter> converter) {
        this.sound = sound;
        this.from = from;
        this.once = once;
        this.converter = converter;
    }

    /** What a backing track plays over and over, from the first frame that it plays on. */
    static Loop of(Backing backing, MediaShelf shelf, int sampleRate) throws IOException {
        int own = backing.media().sampleRate();
        long from = backing.fromFrame(own);
        long once = Math.max(1, backing.toFrame(own) - from);
        MediaReader sound = shelf.open(backing.media(), own);
        return new Loop(
                sound,
                from,
                once,
                own == sampleRate ? Optional.empty() : Optional.of(new RateConverter(own, sampleRate)));
    }

    @Override
    public void read(long frame, float[][] to, int at, int frames) throws IOException {
        if (converter.isPresent()) {
            converter.get().read(round(), frame, to, at, frames);
        } else {
            round(frame, to, at, frames);
        }
    }

    private MediaReader round() {
        return new MediaReader() {
            @Override
            public void read(long frame, float[][] to, int at, int frames) throws IOException {
                round(frame, to, at, frames);
            }

            @Override
            public void close() {
                // the loop closes what it reads
            }
        };
    }

    private void round(long frame, float[][] to, int at, int frames) throws IOException {
        int done = 0;
        while (done < frames) {
            long within = Math.floorMod(frame + done, once);
            int span = (int) Math.min(frames - done, once - within);
            sound.read(from + within, to, at + done, span);
            done += span;
        }
    }

    @Override
    public void close() throws IOException {
        sound.close();
    }
}
