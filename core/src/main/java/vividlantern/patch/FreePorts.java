package vividlantern.patch;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Session;

/** The ports that inputs can go into and no input does, in one state of a session: worked out when first asked for, then kept. */
public final class FreePorts {

    private final Session session;
    private final Rig rig;
    private final Map<Integer, List<List<PortId>>> places = new HashMap<>();
    private List<Port> ports;

    public FreePorts(Session session, Rig rig) {
        this.session = session;
        this.rig = rig;
    }

    /** One by one, those for mics first, else in the rig's order. */
    public List<Port> ports() {
        if (ports == null) {
            ports = Ports.free(session, rig);
        }
        return ports;
    }

    /** Where an input of a width can go. */
    public List<List<PortId>> places(int width) {
        return places.computeIfAbsent(width, wide -> Ports.places(rig, ports(), wide));
    }

    /** The next free port after one, on its device; else the device's first free one. */
    public Optional<PortId> next(PortId after) {
        Optional<Port> start = rig.port(after);
        if (start.isEmpty()) {
            return Optional.empty();
        }
        List<Port> there = ports().stream()
                .filter(port -> port.device().equals(start.get().device()))
                .toList();
        return there.stream()
                .filter(port -> port.number() > start.get().number())
                .findFirst()
                .or(() -> there.stream().findFirst())
                .map(Port::id);
    }
}
