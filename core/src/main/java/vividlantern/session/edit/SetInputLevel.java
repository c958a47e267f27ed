package vividlantern.session.edit;

import java.util.Locale;
import vividlantern.history.Refused;
import vividlantern.rig.Port;
import vividlantern.rig.Rig;
import vividlantern.session.InputId;
import vividlantern.session.Session;

/** Says whether the port is used as a mic, line or instrument input. */
public record SetInputLevel(InputId input, Port.Signal level) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, input);
        if (level == Port.Signal.DIGITAL) {
            throw new Refused("A source comes at mic, line or instrument level.", "level");
        }
        return session.change(input, each -> each.at(level));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, input) + ": " + level.name().toLowerCase(Locale.ROOT) + " level";
    }
}
