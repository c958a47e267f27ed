package vividlantern.click;

import java.util.Map;
import java.util.Optional;
import vividlantern.session.song.Media;
import vividlantern.session.song.MediaId;

/**
 * The samples of sounds that voices of the click bring along, in one channel.
 *
 * @param sampleRate theirs, in Hz
 * @param samples of all that could be read
 */
public record OwnSounds(int sampleRate, Map<MediaId, float[]> samples) {

    public static final OwnSounds NONE = new OwnSounds(0, Map.of());

    public OwnSounds {
        samples = Map.copyOf(samples);
    }

    public Optional<float[]> find(Media media) {
        return Optional.ofNullable(samples.get(media.id()));
    }
}
