package vividlantern.patch;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import vividlantern.history.Refused;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.PatchInput;

/** Gives the selected inputs consecutive ports, starting at the first one's; a stereo or wide one takes several. */
public final class CountUp {

    private CountUp() {}

    /**
     * The edits that do it. Ports run within the first one's device by number; a port that an input outside the selection
     * uses is passed over, so that nothing is patched twice unasked.
     */
    public static List<Edit> from(Session session, Rig rig, List<InputId> selected) {
        List<Input> inputs = selected.stream()
                .map(id -> session.find(id).orElseThrow(() -> new Refused("There is no input '" + id + "'.", "inputs")))
                .sorted(Comparator.comparingInt(Input::number))
                .toList();
        if (inputs.isEmpty()) {
            throw new Refused("Select the inputs to count up over.", "inputs");
        }
        Input first = inputs.get(0);
        Port start = first.port(0)
                .flatMap(rig::port)
                .orElseThrow(() -> new Refused(
                        "Give input " + first.number() + " a port first; counting up starts there.", "inputs"));
        List<PortId> taken = session.inputs().stream()
                .filter(input -> !selected.contains(input.id()))
                .flatMap(input -> input.ports().stream())
                .map(rig::followTies)
                .toList();
        List<Port> run = Ports.open(rig).stream()
                .filter(port -> port.device().equals(start.device()) && port.number() >= start.number())
                .filter(port -> port.id().equals(start.id()) || !taken.contains(rig.followTies(port.id())))
                .sorted(Comparator.comparingInt(Port::number))
                .toList();
        int wanted = inputs.stream().mapToInt(Input::width).sum();
        if (run.size() < wanted) {
            throw new Refused(
                    "From " + start.houseLabel() + " on there are " + run.size() + " free ports for " + wanted
                            + " cables. Start elsewhere or select fewer.",
                    "inputs");
        }
        List<Edit> edits = new ArrayList<>();
        int at = 0;
        for (Input input : inputs) {
            List<PortId> ports =
                    run.subList(at, at + input.width()).stream().map(Port::id).toList();
            edits.add(new PatchInput(input.id(), ports));
            at += input.width();
        }
        return edits;
    }
}
