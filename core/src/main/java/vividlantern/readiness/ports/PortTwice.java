package vividlantern.readiness.ports;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.ControlRoomSource;
import vividlantern.session.Input;
import vividlantern.session.Session;
import vividlantern.session.edit.InputEdit.PatchInput;

/**
 * Two inputs go into one port, or arrive at one by ties: one of the two cables has no socket. A source of the control room
 * counts as an input does.
 */
public final class PortTwice implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        List<Finding> found = new ArrayList<>();
        Map<PortId, Input> arrived = new HashMap<>();
        for (Input input : session.inputs()) {
            for (int channel = 0; channel < input.ports().size(); channel++) {
                PortId end = rig.followTies(input.ports().get(channel));
                Input first = arrived.putIfAbsent(end, input);
                if (first != null && !first.equals(input)) {
                    found.add(finding(rig, free, first, input, channel));
                }
            }
        }
        for (ControlRoomSource source : session.inControlRoom().sources()) {
            source.ports(rig).stream()
                    .map(rig::followTies)
                    .filter(arrived::containsKey)
                    .findFirst()
                    .ifPresent(end -> found.add(finding(rig, source, arrived.get(end), end)));
        }
        return found;
    }

    private static Finding finding(Rig rig, ControlRoomSource source, Input input, PortId end) {
        return Finding.byHand(
                Keys.of("port-twice", end, "source", source.id(), input.id()),
                Keys.name(input) + ", and the control room's " + source.name() + " both arrive at " + rig.label(end)
                        + ".",
                "One of the two cables has no socket.",
                Keys.about(input),
                "Give the source another port under Monitoring, Set up, or the input under Input list.");
    }

    private static Finding finding(Rig rig, FreePorts free, Input first, Input later, int channel) {
        PortId port = later.ports().get(channel);
        PortId end = rig.followTies(port);
        String key = Keys.of("port-twice", end, first.id(), later.id());
        String both = Keys.name(first) + " and " + Keys.name(later) + " both ";
        String sentence =
                both + (first.goesInto(port) ? "go into " + rig.label(port) : "arrive at " + rig.label(end)) + ".";
        String why = "One of the two cables has no socket, and both tracks record the same.";
        Optional<PortId> next = free.next(port);
        return next.isPresent()
                ? Finding.fixable(
                        key,
                        sentence,
                        why,
                        Keys.about(first, later),
                        "Put " + later.source() + " into " + rig.label(next.get()),
                        List.of(new PatchInput(later.id(), later.portsWith(next.get(), channel))))
                : Finding.byHand(
                        key,
                        sentence,
                        why,
                        Keys.about(first, later),
                        "Choose another port for one; none like it is free.");
    }
}
