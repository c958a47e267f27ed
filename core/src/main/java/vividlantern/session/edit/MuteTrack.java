package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.TrackId;

/** Silences a track on the speakers, or lets it back. */
public record MuteTrack(TrackId track, boolean muted) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, track);
        return session.change(track, each -> each.muted(muted));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, track) + ": " + (muted ? "muted" : "mute off");
    }
}
