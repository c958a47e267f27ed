package vividlantern.session.edit;

import vividlantern.history.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.InputId;
import vividlantern.session.Session;

/** Says how long the cable is, in metres up to 500; 0 while nobody has said. */
public record SetInputCable(InputId input, double metres) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, input);
        if (!(metres >= 0 && metres <= 500)) {
            throw new Refused("A cable is up to 500 m long; " + metres + " is not.", "metres");
        }
        return session.change(input, each -> each.cabled(metres));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, input) + ": cable of " + metres + " m";
    }
}
