package vividlantern.session.edit;

import vividlantern.history.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.units.Decibels;

/** Sets the preamp gain that is wanted, in dB from 0 to 80. */
public record SetInputGain(InputId input, double gainDb) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, input);
        if (!(gainDb >= 0 && gainDb <= 80)) {
            throw new Refused("A preamp gain lies between 0 and 80 dB; " + gainDb + " does not.", "gainDb");
        }
        return session.change(input, each -> each.amplified(gainDb));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, input) + ": gain " + Decibels.of(gainDb);
    }
}
