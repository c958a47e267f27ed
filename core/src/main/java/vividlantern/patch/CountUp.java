package vividlantern.patch;

import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;
import vividlantern.basics.Refused;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.edit.InputEdit.PatchInput;

/**
 * Gives the selected inputs consecutive ports, starting at the first one's, or at the first free port that takes its level if it has
 * none; a stereo or wide one takes several.
 */
public final class CountUp {

    private CountUp() {}

    /**
     * The edits that do it. Ports run within the first one's device by number, then on over the devices after it in the rig, as far as
     * they take the input's level. A port that an input outside the selection uses is passed over, so that nothing is patched twice
     * unasked.
     */
    public static ManyPlaced from(Session session, Rig rig, List<InputId> selected) {
        List<Input> inputs = selected.stream()
                .map(id -> session.find(id).orElseThrow(() -> new Refused("There is no input '" + id + "'.", "inputs")))
                .sorted(Comparator.comparingInt(Input::number))
                .toList();
        if (inputs.isEmpty()) {
            throw new Refused("Select the inputs to count up over.", "inputs");
        }
        List<PortId> taken = session.inputs().stream()
                .filter(input -> !selected.contains(input.id()))
                .flatMap(input -> input.ports().stream())
                .map(rig::followTies)
                .toList();
        Predicate<Port> isTaken = port -> taken.contains(rig.followTies(port.id()));
        PortRun run = new PortRun(rig, start(rig, inputs.get(0), isTaken), isTaken);
        return run.give(
                inputs.stream()
                        .map(input -> new PortRun.Wanting(
                                input.width(),
                                input.ports(),
                                port -> Ports.takes(rig, port.id(), input.level()),
                                ports -> new PatchInput(input.id(), ports)))
                        .toList(),
                "inputs");
    }

    private static Port start(Rig rig, Input first, Predicate<Port> isTaken) {
        return first.port(0)
                .flatMap(rig::port)
                .or(() -> Ports.open(rig).stream()
                        .filter(port -> Ports.takes(rig, port.id(), first.level()) && !isTaken.test(port))
                        .min(PortRun.order(rig)))
                .orElseThrow(() -> new Refused(
                        "No port that takes input " + first.number()
                                + " is free; give it one, and counting up starts there.",
                        "inputs"));
    }
}
