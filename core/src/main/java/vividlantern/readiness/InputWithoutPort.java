package vividlantern.readiness;

import java.util.List;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.Session;

/** An input has no port: nobody knows where its cable goes. */
final class InputWithoutPort implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig) {
        return session.inputs().stream()
                .filter(input -> input.port().isEmpty())
                .map(InputWithoutPort::finding)
                .toList();
    }

    private static Finding finding(Input input) {
        return Finding.byHand(
                Keys.of("input-without-port", input.id()),
                Keys.name(input) + ", has no port.",
                "Its cable goes nowhere, so its track stays silent.",
                Keys.about(input),
                "Choose a port in its row, or count up from the row above.");
    }
}
