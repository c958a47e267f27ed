package vividlantern.session.edit;

import java.util.HashSet;
import java.util.List;
import vividlantern.history.Refused;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;

/** Says which ports the input's cables go into, channel by channel; none at all means that it is not patched. */
public record PatchInput(InputId input, List<PortId> ports) implements Edit {

    public PatchInput {
        ports = List.copyOf(ports);
    }

    public PatchInput(InputId input, PortId port) {
        this(input, List.of(port));
    }

    @Override
    public Session applyTo(Session session, Rig rig) {
        Input was = Rules.known(session, input);
        if (ports.size() > was.width()) {
            throw new Refused(
                    "\"" + was.source() + "\" has one cable a channel, " + was.width() + " in all; " + ports.size()
                            + " ports are too many.",
                    "ports");
        }
        if (new HashSet<>(ports).size() < ports.size()) {
            throw new Refused("Each cable of an input goes into a port of its own.", "ports");
        }
        ports.forEach(id -> Rules.cablePort(rig, id));
        return session.change(input, each -> each.patchedTo(ports));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, input) + ": " + (ports.isEmpty() ? "not patched" : "into " + rig.labels(ports));
    }
}
