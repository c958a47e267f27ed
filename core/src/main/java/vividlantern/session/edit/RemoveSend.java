package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.CueId;
import vividlantern.session.Session;
import vividlantern.session.TrackId;

/** Takes a track out of a cue. */
public record RemoveSend(CueId cue, TrackId track) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, cue);
        Rules.known(session, track);
        return session.change(cue, each -> each.withoutSend(track));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, track) + ": out of " + Rules.name(session, cue);
    }
}
