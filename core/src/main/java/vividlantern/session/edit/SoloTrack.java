package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.TrackId;

/** Leaves only the soloed tracks on the speakers. No cue knows of it. */
public record SoloTrack(TrackId track, boolean soloed) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, track);
        return session.change(track, each -> each.soloed(soloed));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, track) + ": " + (soloed ? "soloed" : "solo off");
    }
}
