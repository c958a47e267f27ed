package vividlantern.readiness;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vividlantern.patch.Ports;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Cue;
import vividlantern.session.Input;
import vividlantern.session.PartKey;
import vividlantern.session.Session;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.PatchInput;
import vividlantern.session.edit.SetCueOutput;

/** An input or a cue speaks of a port that the rig has no more, or that leads nowhere. */
final class LostPort implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig) {
        List<Finding> found = new ArrayList<>();
        for (Input input : session.inputs()) {
            input.port()
                    .filter(port -> isLost(rig, port))
                    .ifPresent(port -> found.add(finding(session, rig, input, port)));
        }
        for (Cue cue : session.cues()) {
            cue.output()
                    .filter(pair -> Ports.forCues(session, rig).stream()
                            .noneMatch(each -> each.id().equals(pair)))
                    .ifPresent(pair -> found.add(Finding.fixable(
                            Keys.of("lost-output", cue.id(), pair),
                            "Cue " + cue.name() + " leaves by a pair that is not in " + rig.name() + " any more.",
                            "Nobody hears it.",
                            List.of(PartKey.of(cue.id())),
                            "Take the output away, to choose another",
                            List.of(new SetCueOutput(cue.id(), Optional.empty())))));
        }
        return found;
    }

    static boolean isLost(Rig rig, PortId id) {
        Optional<Port> port = rig.port(id);
        return port.isEmpty()
                || rig.device(port.get().device()).retired()
                || rig.engineInput(id).isEmpty();
    }

    private static Finding finding(Session session, Rig rig, Input input, PortId port) {
        String label = Keys.label(rig, port);
        Optional<PortId> same = Ports.byName(rig, label)
                .map(Port::id)
                .filter(id -> !id.equals(port))
                .filter(id ->
                        session.inputs().stream().noneMatch(each -> each.port().equals(Optional.of(id))));
        List<Edit> edits = List.of(new PatchInput(input.id(), same));
        return Finding.fixable(
                Keys.of("lost-port", input.id(), port),
                Keys.name(input) + ", goes into " + label + ", which does not lead to the interface any more.",
                "Nothing arrives on its track.",
                Keys.about(input),
                same.isPresent() ? "Use the " + label + " that is there now" : "Take the port away, to choose another",
                edits);
    }
}
