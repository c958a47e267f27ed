package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.units.Decibels;

/** Sets a track's level before the fader, heard by everybody. */
public record SetTrim(TrackId track, Decibels level) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, track);
        Decibels set = Rules.fader(level, "A trim");
        return session.change(track, each -> each.trimmed(set));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, track) + ": trim " + level;
    }
}
