package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.CueId;
import vividlantern.session.Session;

/** Takes a cue away, and its sends with it. */
public record RemoveCue(CueId cue) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, cue);
        return session.withCues(
                session.cues().stream().filter(each -> !each.id().equals(cue)).toList());
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, cue) + ": cue removed";
    }
}
