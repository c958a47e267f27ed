package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.CueId;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.units.Pan;

/** Places a track in a cue, whatever its place on the speakers. */
public record SetSendPan(CueId cue, TrackId track, Pan pan) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, cue);
        Rules.known(session, track);
        return session.change(
                cue, each -> each.withSend(track, send -> send.panned(pan).panAsMain(false)));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, track) + ": " + "pan in " + Rules.name(session, cue) + " " + pan;
    }
}
