package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.CueId;
import vividlantern.session.Session;
import vividlantern.session.Tap;
import vividlantern.session.TrackId;

/** Says where a send leaves its track. */
public record SetSendTap(CueId cue, TrackId track, Tap tap) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, cue);
        Rules.known(session, track);
        return session.change(cue, each -> each.withSend(track, send -> send.from(tap)));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, track) + ": " + "send to " + Rules.name(session, cue) + " taken " + tap;
    }
}
