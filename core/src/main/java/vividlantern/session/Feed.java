package vividlantern.session;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import vividlantern.rig.PortId;

/**
 * What feeds one channel of a track: a channel of an input of the list, which it follows when that is patched elsewhere; a
 * channel of the wide track that it is split from; or a port that no input names. All empty means nothing is fed there.
 *
 * @param channel which channel of the input or the track it is, from 0
 */
public record Feed(Optional<InputId> input, Optional<TrackId> track, Optional<PortId> port, int channel) {

    public static final Feed NOTHING = new Feed(Optional.empty(), Optional.empty(), Optional.empty(), 0);

    public static Feed from(InputId input, int channel) {
        return new Feed(Optional.of(input), Optional.empty(), Optional.empty(), channel);
    }

    public static Feed from(TrackId track, int channel) {
        return new Feed(Optional.empty(), Optional.of(track), Optional.empty(), channel);
    }

    public static Feed from(PortId port) {
        return new Feed(Optional.empty(), Optional.empty(), Optional.of(port), 0);
    }

    /** What feeds the channels of a track that has all those of an input. */
    public static List<Feed> allOf(Input input) {
        return IntStream.range(0, input.width())
                .mapToObj(channel -> from(input.id(), channel))
                .toList();
    }

    public Feed {
        boolean several =
                input.isPresent() && (track.isPresent() || port.isPresent()) || track.isPresent() && port.isPresent();
        if (several) {
            throw new IllegalArgumentException("A channel is fed by an input, a track or a port, not by several.");
        }
    }

    public boolean comesFrom(InputId other) {
        return input.equals(Optional.of(other));
    }

    /** Whether the channel of an input, or the track, of which it speaks is there. */
    boolean standsIn(Session session) {
        boolean inputThere = input.isEmpty()
                || input.flatMap(session::find)
                        .filter(there -> channel < there.width())
                        .isPresent();
        return inputThere && (track.isEmpty() || track.flatMap(session::find).isPresent());
    }
}
