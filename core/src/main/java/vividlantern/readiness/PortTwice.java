package vividlantern.readiness;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vividlantern.patch.Ports;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.Session;
import vividlantern.session.edit.PatchInput;

/** Two inputs name one port: one of the two cables has no socket. */
final class PortTwice implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig) {
        List<Finding> found = new ArrayList<>();
        List<Input> inputs = session.inputs();
        for (int at = 0; at < inputs.size(); at++) {
            Input later = inputs.get(at);
            for (int channel = 0; channel < later.ports().size(); channel++) {
                PortId port = later.ports().get(channel);
                int of = channel;
                inputs.subList(0, at).stream()
                        .filter(each -> each.goesInto(port))
                        .findFirst()
                        .ifPresent(first -> found.add(finding(session, rig, first, later, of)));
            }
        }
        return found;
    }

    private static Finding finding(Session session, Rig rig, Input first, Input later, int channel) {
        PortId port = later.ports().get(channel);
        String key = Keys.of("port-twice", port, first.id(), later.id());
        String sentence =
                Keys.name(first) + " and " + Keys.name(later) + " both go into " + Keys.label(rig, port) + ".";
        String why = "One of the two cables has no socket, and both tracks record the same.";
        Optional<PortId> free = Ports.nextFree(session, rig, port);
        return free.isPresent()
                ? Finding.fixable(
                        key,
                        sentence,
                        why,
                        Keys.about(first, later),
                        "Put " + later.source() + " into " + Keys.label(rig, free.get()),
                        List.of(new PatchInput(later.id(), later.portsWith(free.get(), channel))))
                : Finding.byHand(
                        key,
                        sentence,
                        why,
                        Keys.about(first, later),
                        "Choose another port for one; none like it is free.");
    }
}
