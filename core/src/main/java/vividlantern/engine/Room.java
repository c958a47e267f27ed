package vividlantern.engine;

import java.util.function.Consumer;
import vividlantern.hardware.AudioDevice;
import vividlantern.playback.MediaShelf;
import vividlantern.session.song.TempoMap;

/**
 * A device to be run, and what is around it.
 *
 * @param follower learns where the song is
 * @param song learns that the song has another tempo map
 * @param media where the sounds of backing tracks are
 */
public record Room(AudioDevice device, Engine.Follower follower, Consumer<TempoMap> song, MediaShelf media) {}
