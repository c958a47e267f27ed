package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.InputId;
import vividlantern.session.Session;

/** Says what holds the mic. */
public record SetInputStand(InputId input, String stand) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, input);
        return session.change(input, each -> each.on(Rules.optionalText(stand, "stand")));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, input) + ": " + (stand.isBlank() ? "no stand" : stand);
    }
}
