package vividlantern.rig.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;

/** Pairs a device's neighbouring ports in one go: 1 and 2, 3 and 4, … */
public final class Neighbours {

    private Neighbours() {}

    /** The edits that do it; ports that are in a pair, hidden, or without a neighbour are left as they are. */
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
