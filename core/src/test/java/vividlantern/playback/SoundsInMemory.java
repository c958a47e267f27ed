package vividlantern.playback;

import java.io.IOException;
import java.util.HashMap;
import java.util.Map;
import vividlantern.session.song.Media;
import vividlantern.session.song.MediaId;
import vividlantern.sound.MediaReader;

/** A shelf of made-up sounds; one may be made to fail, or to have nothing ready. */
public final class SoundsInMemory implements MediaShelf {

    private final Map<MediaId, float[][]> sounds = new HashMap<>();
    public volatile boolean fails;
    public volatile int opened;
    public volatile int closed;

    /** A sound whose sample at a frame is the frame's number, from 1, as a share of a million; the second channel is its negative. */
    public Media counting(String id, int channels, int frames) {
        float[][] samples = new float[channels][frames];
        for (int channel = 0; channel < channels; channel++) {
            for (int n = 0; n < frames; n++) {
                samples[channel][n] = (channel % 2 == 0 ? 1 : -1) * at(n);
            }
        }
        return keep(id, samples);
    }

    public static float at(long frame) {
        return (frame + 1) / 1_000_000f;
    }

    public Media keep(String id, float[][] samples) {
        return keep(id, samples, 48_000);
    }

    public Media keep(String id, float[][] samples, int sampleRate) {
        sounds.put(new MediaId(id), samples);
        return new Media(new MediaId(id), id + ".wav", samples.length, sampleRate, samples[0].length);
    }

    @Override
    public MediaReader open(Media media, int sampleRate) throws IOException {
        float[][] samples = sounds.get(media.id());
        if (samples == null) {
            throw new IOException("The file of " + media.name() + " is missing.");
        }
        opened++;
        return new MediaReader() {
            @Override
            public void read(long frame, float[][] to, int at, int frames) throws IOException {
                if (fails) {
                    throw new IOException("The disk does not answer.");
                }
                for (int channel = 0; channel < samples.length; channel++) {
                    for (int n = 0; n < frames; n++) {
                        long from = frame + n;
                        to[channel][at + n] =
                                from >= 0 && from < samples[channel].length ? samples[channel][(int) from] : 0;
                    }
                }
            }

            @Override
            public void close() {
                closed++;
            }
        };
    }
}
