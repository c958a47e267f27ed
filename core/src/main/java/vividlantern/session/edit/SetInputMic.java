package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.InputId;
import vividlantern.session.Session;

/** Says which mic or DI box stands there. */
public record SetInputMic(InputId input, String mic) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, input);
        String named = Rules.optionalText(mic, "mic");
        return session.change(input, each -> each.through(named));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, input) + ": mic " + mic;
    }
}
