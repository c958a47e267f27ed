package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.InputId;
import vividlantern.session.Session;

/** Wants the preamp's pad in or out. */
public record SetInputPad(InputId input, boolean pad) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, input);
        return session.change(input, each -> each.padded(pad));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, input) + ": pad " + (pad ? "in" : "out");
    }
}
