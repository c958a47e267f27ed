package vividlantern.session.edit;

import java.util.List;
import vividlantern.history.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.Feed;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;

/** Says what feeds a track, channel by channel. */
public record FeedTrack(TrackId track, List<Feed> feeds) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Track was = Rules.known(session, track);
        if (was.isClick()) {
            throw new Refused("A click track is fed by the click.", "feeds");
        }
        if (was.role() == Track.Role.SPLIT) {
            throw new Refused(
                    was.name() + " is split from a wide track and follows what feeds that. Feed the wide track.",
                    "feeds");
        }
        Rules.ofKind(rig, was.role(), feeds);
        List<Feed> fed = Rules.feeds(session, rig, feeds, was.width());
        return session.change(track, each -> each.fedBy(fed));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, track) + ": fed by " + Rules.words(session, rig, feeds);
    }
}
