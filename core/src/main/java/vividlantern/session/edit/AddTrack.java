package vividlantern.session.edit;

import java.util.List;
import vividlantern.history.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;

/** Adds a track at the end, fed channel by channel as given; missing channels are fed by nothing. */
public record AddTrack(TrackId track, String name, int width, List<Feed> feeds) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.newId(track.value(), session.find(track).isPresent());
        if (width < 1 || width > Track.MAX_WIDTH) {
            throw new Refused("A track has 1 to 8 channels; " + width + " is not possible.", "width");
        }
        Rules.ofKind(rig, Track.Role.INPUT, feeds);
        return session.plus(Track.forInputs(
                track,
                Rules.lastPosition(session),
                Rules.text(name, "A track", "name"),
                width,
                Rules.feeds(session, rig, feeds, width)));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return name + ": track added";
    }
}
