package vividlantern.readiness;

import java.util.List;
import vividlantern.patch.FreePorts;
import vividlantern.rig.Rig;
import vividlantern.session.Channels;
import vividlantern.session.Input;
import vividlantern.session.Session;

/** An input, or a channel of it, has no port: nobody knows where its cable goes. */
final class InputWithoutPort implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        return session.inputs().stream()
                .filter(input -> !input.isPatched())
                .map(InputWithoutPort::finding)
                .toList();
    }

    private static String missing(Input input) {
        int next = input.ports().size();
        boolean some = next > 0;
        return some ? " for its channel " + Channels.word(input.width(), next) : "";
    }

    private static Finding finding(Input input) {
        return Finding.byHand(
                Keys.of("input-without-port", input.id(), input.ports().size()),
                Keys.name(input) + ", has no port" + missing(input) + ".",
                "Its cable goes nowhere, so its track stays silent.",
                Keys.about(input),
                "Choose a port in its row, or count up from the row above.");
    }
}
