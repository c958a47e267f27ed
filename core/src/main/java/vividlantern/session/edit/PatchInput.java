package vividlantern.session.edit;

import java.util.Optional;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.InputId;
import vividlantern.session.Session;

/** Says which port the input's cable goes into, or that it is not patched. */
public record PatchInput(InputId input, Optional<PortId> port) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, input);
        port.ifPresent(id -> Rules.inputPort(rig, id));
        return session.change(input, each -> each.patchedTo(port));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, input) + ": "
                + port.map(id -> "into " + Rules.name(rig, id)).orElse("not patched");
    }
}
