package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.TrackId;

/** Arms a track or takes the arm off. Whether it is heard is another switch. */
public record ArmTrack(TrackId track, boolean armed) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, track);
        return session.change(track, each -> each.armed(armed));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, track) + ": " + (armed ? "armed" : "not armed");
    }
}
