package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.InputId;
import vividlantern.session.Session;

/** Turns an input's polarity over as it comes in, or back. */
public record SetInputPolarity(InputId input, boolean flipped) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, input);
        return session.change(input, each -> each.flipped(flipped));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, input) + ": polarity " + (flipped ? "turned over" : "as it comes");
    }
}
