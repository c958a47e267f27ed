package vividlantern.readiness.ports;

import java.util.List;
import vividlantern.patch.FreePorts;
import vividlantern.patch.Ports;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Port;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.Session;

/** An input uses a port that the rig hides. */
public final class HiddenPort implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        return session.inputs().stream()
                .flatMap(input -> input.ports().stream()
                        .flatMap(port -> rig.port(port).stream())
                        .filter(Port::hidden)
                        .filter(port -> !Ports.isLost(rig, port.id()))
                        .map(port -> finding(input, port)))
                .toList();
    }

    private static Finding finding(Input input, Port port) {
        return Finding.byHand(
                Keys.of("hidden-port", input.id(), port.id()),
                Keys.name(input) + ", goes into " + port.houseLabel() + ", which is hidden.",
                "Hidden ports are kept from use for a reason: broken, or wired to something else.",
                Keys.about(input),
                "Show the port under Rig, or choose another in the row.");
    }
}
