package vividlantern.readiness;

import java.util.List;
import java.util.Map;
import vividlantern.patch.FreePorts;
import vividlantern.playback.MediaState;
import vividlantern.rig.Rig;
import vividlantern.session.Backing;
import vividlantern.session.MediaId;
import vividlantern.session.PartKey;
import vividlantern.session.Session;

/** A sound that a backing track plays is not there any more, or is another one. */
final class MediaLost implements Rule {

    private final Map<MediaId, MediaState> states;

    MediaLost(Map<MediaId, MediaState> states) {
        this.states = Map.copyOf(states);
    }

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        return session.backing().stream()
                .filter(backing -> state(backing) != MediaState.THERE)
                .map(backing -> finding(session, backing))
                .toList();
    }

    private MediaState state(Backing backing) {
        return states.getOrDefault(backing.media().id(), MediaState.THERE);
    }

    private Finding finding(Session session, Backing backing) {
        String what = backing.media().name();
        return Finding.byHand(
                Keys.of("media-lost", backing.track(), backing.media().id(), state(backing)),
                state(backing) == MediaState.MISSING
                        ? "The file of " + what + " is missing."
                        : "The file of " + what + " was changed on the disk.",
                session.find(backing.track()).orElseThrow().name()
                        + (state(backing) == MediaState.MISSING ? " is silent." : " may play something else."),
                List.of(PartKey.of(backing)),
                "Take the file in again under Click.");
    }
}
