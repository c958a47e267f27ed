package vividlantern.rig.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vividlantern.basics.Refused;
import vividlantern.rig.GroupId;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPartKey;
import vividlantern.rig.RigParts;
import vividlantern.rig.StereoPair;
import vividlantern.rig.edit.GroupEdit.GroupPorts;
import vividlantern.rig.edit.PairEdit.PairPorts;

/** Makes pairs and groups of ports: a device's neighbours in one go, or those that somebody chose. */
public final class Neighbours {

    private Neighbours() {}

    /** The edits that pair 1 and 2, 3 and 4, …; ports that are in a pair, hidden, or without a neighbour are left as they are. */
    public static List<RigEdit> pair(Rig rig, String device, Port.Direction direction) {
        RigRules.device(rig, device);
        List<Port> ports = rig.ports().stream()
                .filter(port -> port.device().equals(device) && port.direction() == direction && !port.hidden())
                .toList();
        List<RigEdit> edits = new ArrayList<>();
        for (Port left : ports) {
            Optional<Port> right = ports.stream()
                    .filter(port -> port.number() == left.number() + 1)
                    .findFirst();
            if (left.number() % 2 == 1 && right.isPresent() && isFree(rig, left) && isFree(rig, right.get())) {
                edits.add(new PairPorts(
                        new PairId(device + (direction == Port.Direction.IN ? "-in-" : "-out-") + left.number() + "-"
                                + right.get().number()),
                        left.id(),
                        right.get().id(),
                        both(left.houseLabel(), right.get().houseLabel()),
                        StereoPair.Feeds.NOTHING));
            }
        }
        return edits;
    }

    /** The edit that makes chosen ports one thing: two a pair, called by both; more, side by side, a group, called by its ends. */
    public static List<RigEdit> together(Rig rig, List<PortId> chosen) {
        List<Port> ports =
                rig.ports().stream().filter(port -> chosen.contains(port.id())).toList();
        if (ports.size() < 2) {
            throw new Refused("Choose two ports for a pair, or more side by side for a group.", "ports");
        }
        Port first = ports.get(0);
        Port last = ports.get(ports.size() - 1);
        if (ports.size() == 2) {
            String label = both(first.houseLabel(), last.houseLabel());
            PairId pair = new PairId(RigParts.freshId(rig, RigPartKey.Kind.PAIR, label));
            return List.of(new PairPorts(pair, first.id(), last.id(), label, StereoPair.Feeds.NOTHING));
        }
        String label = first.houseLabel() + " to " + last.houseLabel();
        GroupId group = new GroupId(RigParts.freshId(rig, RigPartKey.Kind.GROUP, label));
        return List.of(new GroupPorts(group, first.id(), ports.size(), label));
    }

    private static boolean isFree(Rig rig, Port port) {
        return rig.pairs().stream()
                .noneMatch(pair -> pair.left().equals(port.id()) || pair.right().equals(port.id()));
    }

    /** "Wall 1" and "Wall 2" together are "Wall 1, 2"; what shares no words is joined. */
    private static String both(String left, String right) {
        int word = left.lastIndexOf(' ');
        boolean alike = word > 0 && right.startsWith(left.substring(0, word + 1));
        return alike ? left + ", " + right.substring(word + 1) : left + " | " + right;
    }
}
