package vividlantern.rig.edit;

import java.util.ArrayList;
import java.util.List;
import vividlantern.basics.Refused;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.edit.TieEdit.TiePorts;

/** Ties many ports in one go: the first to a port, the others to those that follow it on its device. */
public final class TieInOrder {

    private TieInOrder() {}

    /** The edits that do it, ports and far ends in the order of their numbers. */
    public static List<RigEdit> edits(Rig rig, List<PortId> from, PortId first) {
        Port start = RigRules.port(rig, first, "first");
        List<Port> begin =
                rig.ports().stream().filter(port -> from.contains(port.id())).toList();
        List<PortId> ends = rig.ports().stream()
                .filter(port -> port.device().equals(start.device())
                        && port.direction() == start.direction()
                        && port.number() >= start.number())
                .map(Port::id)
                .limit(begin.size())
                .toList();
        if (begin.isEmpty() || ends.size() < begin.size()) {
            throw new Refused(
                    "From " + start.houseLabel() + " on there is room for " + ends.size() + " of " + begin.size()
                            + " ties. Begin further up, or select fewer.",
                    "first");
        }
        List<RigEdit> edits = new ArrayList<>();
        for (int at = 0; at < begin.size(); at++) {
            edits.add(new TiePorts(begin.get(at).id(), ends.get(at)));
        }
        return edits;
    }
}
