package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.CueId;
import vividlantern.session.Session;
import vividlantern.units.Decibels;

/** Sets a cue's level for all. */
public record SetCueLevel(CueId cue, Decibels level) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, cue);
        Decibels set = Rules.fader(level, "A level for all");
        return session.change(cue, each -> each.at(set));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, cue) + ": level for all " + level;
    }
}
