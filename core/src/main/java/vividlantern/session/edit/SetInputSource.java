package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.InputId;
import vividlantern.session.Session;

/** Says what makes the sound. */
public record SetInputSource(InputId input, String source) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, input);
        String named = Rules.text(source, "An input", "source");
        return session.change(input, each -> each.sourced(named));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, input) + ": source " + source;
    }
}
