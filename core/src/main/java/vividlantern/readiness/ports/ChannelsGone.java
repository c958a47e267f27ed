package vividlantern.readiness.ports;

import java.util.List;
import vividlantern.patch.AtRate;
import vividlantern.patch.FreePorts;
import vividlantern.patch.Ports;
import vividlantern.readiness.Elsewhere;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.Session;

/** An input comes by a channel that its digital link has not at the session's sample rate. */
public final class ChannelsGone implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        return session.inputs().stream()
                .flatMap(input -> input.ports().stream()
                        .filter(port -> !Ports.isLost(rig, port))
                        .filter(port -> !rig.carries(port, session.sampleRate()))
                        .limit(1)
                        .map(port -> finding(session, rig, free, input, port)))
                .toList();
    }

    private static Finding finding(Session session, Rig rig, FreePorts free, Input input, PortId port) {
        String key = Keys.of("channels-gone", input.id(), port, session.sampleRate());
        String sentence = Keys.name(input) + ", comes by " + rig.label(port) + ", which is not there at "
                + session.sampleRate() / 1000.0 + " kHz: " + AtRate.link(rig, port, session.sampleRate()) + ".";
        String why = "Nothing arrives on its track.";
        return Elsewhere.or("Choose a lower sample rate.", free, rig, input, key, sentence, why);
    }
}
