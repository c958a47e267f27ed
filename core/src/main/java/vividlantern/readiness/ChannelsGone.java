package vividlantern.readiness;

import java.util.List;
import java.util.Optional;
import vividlantern.patch.AtRate;
import vividlantern.patch.Ports;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.Session;
import vividlantern.session.edit.PatchInput;

/** An input comes by a channel that its digital link has not at the session's sample rate. */
final class ChannelsGone implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig) {
        return session.inputs().stream()
                .filter(input -> input.port()
                        .filter(port -> !LostPort.isLost(rig, port))
                        .filter(port -> !rig.carries(port, session.sampleRate()))
                        .isPresent())
                .map(input -> finding(session, rig, input))
                .toList();
    }

    private static Finding finding(Session session, Rig rig, Input input) {
        PortId port = input.port().orElseThrow();
        String key = Keys.of("channels-gone", input.id(), port, session.sampleRate());
        String sentence = Keys.name(input) + ", comes by " + Keys.label(rig, port) + ", which is not there at "
                + session.sampleRate() / 1000.0 + " kHz: " + AtRate.link(rig, port, session.sampleRate()) + ".";
        String why = "Nothing arrives on its track.";
        Optional<PortId> free = Ports.free(session, rig).stream()
                .map(Port::id)
                .filter(id -> Ports.takes(rig, id, input.level()))
                .findFirst();
        return free.isPresent()
                ? Finding.fixable(
                        key,
                        sentence,
                        why,
                        Keys.about(input),
                        "Put it into " + Keys.label(rig, free.get()),
                        List.of(new PatchInput(input.id(), free)))
                : Finding.byHand(key, sentence, why, Keys.about(input), "Choose a lower sample rate.");
    }
}
