package vividlantern.playback;

import java.io.IOException;
import java.util.HashMap;
import java.util.Map;
import vividlantern.click.OwnSounds;
import vividlantern.session.Session;
import vividlantern.session.song.Media;
import vividlantern.session.song.MediaId;
import vividlantern.sound.MediaReader;

/** Reads the short sounds that voices of the click bring along, whole. */
public final class VoiceSounds {

    private VoiceSounds() {}

    /** Those of a session; what was read before at its rate is not read again. What cannot be read is left out. */
    public static OwnSounds of(Session session, MediaShelf shelf, OwnSounds before) {
        int rate = session.sampleRate();
        Map<MediaId, float[]> samples = new HashMap<>();
        session.click().voices().stream()
                .flatMap(voice -> voice.ownSound().stream())
                .forEach(media -> {
                    float[] known =
                            before.sampleRate() == rate ? before.find(media).orElse(null) : null;
                    float[] read = known == null ? read(media, shelf, rate) : known;
                    if (read != null) {
                        samples.put(media.id(), read);
                    }
                });
        return samples.isEmpty() ? OwnSounds.NONE : new OwnSounds(rate, samples);
    }

    private static float[] read(Media media, MediaShelf shelf, int rate) {
        try (MediaReader reader = shelf.open(media, rate)) {
            int frames = (int) media.framesAt(rate);
            float[][] channels = new float[media.channels()][frames];
            reader.read(0, channels, 0, frames);
            float[] one = new float[frames];
            for (float[] channel : channels) {
                for (int n = 0; n < frames; n++) {
                    one[n] += channel[n] / channels.length;
                }
            }
            return one;
        } catch (IOException lost) {
            return null;
        }
    }
}
