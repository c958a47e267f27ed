package vividlantern.session.edit;

import java.util.List;
import vividlantern.history.Refused;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;

/** Adds an instrument track at the end, for one or more outputs of a sound module. */
public record AddInstrument(TrackId track, String name, List<PortId> outputs) implements Edit {

    public AddInstrument {
        outputs = List.copyOf(outputs);
    }

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.newId(track.value(), session.find(track).isPresent());
        if (outputs.isEmpty() || outputs.size() > Track.MAX_WIDTH) {
            throw new Refused(
                    "An instrument track has 1 to " + Track.MAX_WIDTH + " outputs of a sound module.", "outputs");
        }
        List<Feed> feeds = outputs.stream().map(Feed::from).toList();
        Rules.ofKind(rig, Track.Role.INSTRUMENT, feeds);
        return session.plus(
                Track.forInstrument(track, Rules.lastPosition(session), Rules.text(name, "A track", "name"), feeds));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return name + ": instrument track added";
    }
}
