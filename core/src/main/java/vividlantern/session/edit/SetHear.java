package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.Hear;
import vividlantern.session.Session;
import vividlantern.session.TrackId;

/** Says when a track passes its live input on to listeners. */
public record SetHear(TrackId track, Hear hear) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, track);
        return session.change(track, each -> each.heard(hear));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, track) + ": " + "hear " + hear;
    }
}
