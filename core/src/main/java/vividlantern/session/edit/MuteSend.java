package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.CueId;
import vividlantern.session.Session;
import vividlantern.session.TrackId;

/** Silences a track in one cue, or lets it back. */
public record MuteSend(CueId cue, TrackId track, boolean muted) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, cue);
        Rules.known(session, track);
        return session.change(cue, each -> each.withSend(track, send -> send.muted(muted)));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, track) + ": " + (muted ? "muted in " : "back in ") + Rules.name(session, cue);
    }
}
