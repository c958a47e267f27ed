package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.units.Decibels;

/** Sets a track's level in the main mix. */
public record SetFader(TrackId track, Decibels level) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, track);
        Decibels set = Rules.fader(level, "A fader");
        return session.change(track, each -> each.faded(set));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, track) + ": fader " + level;
    }
}
