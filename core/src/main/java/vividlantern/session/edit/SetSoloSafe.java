package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.TrackId;

/** Keeps a track on the speakers while others are soloed. */
public record SetSoloSafe(TrackId track, boolean soloSafe) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, track);
        return session.change(track, each -> each.soloSafe(soloSafe));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, track) + ": " + (soloSafe ? "solo-safe" : "not solo-safe");
    }
}
