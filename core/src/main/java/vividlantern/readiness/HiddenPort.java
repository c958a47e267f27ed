package vividlantern.readiness;

import java.util.List;
import vividlantern.rig.Port;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.Session;

/** An input uses a port that the rig hides. */
final class HiddenPort implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig) {
        return session.inputs().stream()
                .filter(input -> input.port()
                        .flatMap(rig::port)
                        .filter(Port::hidden)
                        .filter(port -> !LostPort.isLost(rig, port.id()))
                        .isPresent())
                .map(input -> finding(rig, input))
                .toList();
    }

    private static Finding finding(Rig rig, Input input) {
        String label = Keys.label(rig, input.port().orElseThrow());
        return Finding.byHand(
                Keys.of("hidden-port", input.id(), input.port().orElseThrow()),
                Keys.name(input) + ", goes into " + label + ", which is hidden.",
                "Hidden ports are kept from use for a reason: broken, or wired to something else.",
                Keys.about(input),
                "Show the port under Rig, or choose another in the row.");
    }
}
