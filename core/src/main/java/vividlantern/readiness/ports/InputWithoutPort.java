package vividlantern.readiness.ports;

import java.util.List;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Elsewhere;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.Channels;
import vividlantern.session.Input;
import vividlantern.session.Session;

/** An input, or a channel of it, has no port: nobody knows where its cable goes. */
public final class InputWithoutPort implements Rule {

    @Override
    public String together(int count) {
        return count + " inputs have no port.";
    }

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        return session.inputs().stream()
                .filter(input -> !input.isPatched())
                .map(input -> finding(rig, free, input).on(Finding.Topic.NO_PORT))
                .toList();
    }

    private static String missing(Input input) {
        int next = input.ports().size();
        boolean some = next > 0;
        return some ? " for its channel " + Channels.word(input.width(), next) : "";
    }

    private static Finding finding(Rig rig, FreePorts free, Input input) {
        return Elsewhere.or(
                "Free a port for it that takes what it sends, or add a device under Rig.",
                free,
                rig,
                input,
                Keys.of("input-without-port", input.id(), input.ports().size()),
                Keys.name(input) + ", has no port" + missing(input) + ".",
                "Its cable goes nowhere, so its track stays silent.");
    }
}
