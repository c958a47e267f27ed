package vividlantern.session;

import java.util.Optional;
import vividlantern.rig.PortId;

/**
 * What feeds one channel of a track: an input of the list, which it follows when that is patched elsewhere, or a port
 * that no input names. Both empty means nothing is fed there.
 */
public record Feed(Optional<InputId> input, Optional<PortId> port) {

    public static final Feed NOTHING = new Feed(Optional.empty(), Optional.empty());

    public static Feed from(InputId input) {
        return new Feed(Optional.of(input), Optional.empty());
    }

    public static Feed from(PortId port) {
        return new Feed(Optional.empty(), Optional.of(port));
    }

    public Feed {
        if (input.isPresent() && port.isPresent()) {
            throw new IllegalArgumentException("A channel is fed by an input or by a port, not by both.");
        }
    }
}
