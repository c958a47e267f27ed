package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.CueId;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.units.Decibels;

/** Sets how much of a track a cue hears. A send that did not exist begins at this level. */
public record SetSendLevel(CueId cue, TrackId track, Decibels level) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, cue);
        Rules.known(session, track);
        Decibels set = Rules.fader(level, "A send");
        return session.change(cue, each -> each.withSend(track, send -> send.at(set)));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, track) + ": send to " + Rules.name(session, cue) + " " + level;
    }
}
