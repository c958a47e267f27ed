package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.units.Pan;

/** Places a track in the main mix. */
public record SetPan(TrackId track, Pan pan) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, track);
        return session.change(track, each -> each.panned(pan));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, track) + ": " + "pan " + pan;
    }
}
