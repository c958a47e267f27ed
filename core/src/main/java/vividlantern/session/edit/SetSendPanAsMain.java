package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.CueId;
import vividlantern.session.Session;
import vividlantern.session.TrackId;

/** Lets a send follow the track's own pan, or gives it back its own. */
public record SetSendPanAsMain(CueId cue, TrackId track, boolean asMain) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, cue);
        Rules.known(session, track);
        return session.change(cue, each -> each.withSend(track, send -> send.panAsMain(asMain)));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, track) + ": " + "pan in " + Rules.name(session, cue)
                + (asMain ? " as main" : " of its own");
    }
}
