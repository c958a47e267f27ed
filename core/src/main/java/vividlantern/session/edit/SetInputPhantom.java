package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.InputId;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;

/** Says what the mic or DI box needs of +48 V. */
public record SetInputPhantom(InputId input, PhantomWish phantom) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, input);
        return session.change(input, each -> each.powered(phantom));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, input) + ": +48 V " + (phantom == PhantomWish.ON ? "on" : phantom.toString());
    }
}
