package vividlantern.session.edit;

import vividlantern.history.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;

/** Arms a track or takes the arm off. Whether it is heard is another switch. */
public record ArmTrack(TrackId track, boolean armed) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        if (Rules.known(session, track).role() == Track.Role.SPLIT) {
            throw new Refused(
                    Rules.name(session, track) + " is heard, not recorded. Arm the wide track that it is split from.",
                    "track");
        }
        return session.change(track, each -> each.armed(armed));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, track) + ": " + (armed ? "armed" : "not armed");
    }
}
