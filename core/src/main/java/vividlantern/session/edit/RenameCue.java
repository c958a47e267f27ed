package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.CueId;
import vividlantern.session.Session;

/** Names a cue. */
public record RenameCue(CueId cue, String name) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, cue);
        String named = Rules.text(name, "A cue", "name");
        return session.change(cue, each -> each.named(named));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, cue) + ": renamed to " + name;
    }
}
