package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.CueId;
import vividlantern.session.Session;

/** Puts the ceiling guard before a cue's output pair, or takes it away. */
public record SetCueGuard(CueId cue, boolean guarded) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, cue);
        return session.change(cue, each -> each.guarded(guarded));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, cue) + ": ceiling guard " + (guarded ? "on" : "off");
    }
}
