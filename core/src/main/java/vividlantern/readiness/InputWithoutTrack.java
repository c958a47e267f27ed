package vividlantern.readiness;

import java.util.List;
import vividlantern.patch.NewTracks;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.Session;

/** An input feeds no track: it is not recorded. */
final class InputWithoutTrack implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig) {
        return session.inputs().stream()
                .filter(input -> !Keys.feedsATrack(session, input))
                .map(input -> finding(session, input))
                .toList();
    }

    private static Finding finding(Session session, Input input) {
        return Finding.fixable(
                Keys.of("input-without-track", input.id()),
                Keys.name(input) + ", is on no track.",
                "It would not be recorded, and nobody hears it.",
                Keys.about(input),
                "Make a track for it",
                NewTracks.fromInputs(session, List.of(input.id())));
    }
}
