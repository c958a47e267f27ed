package vividlantern.timing;

import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import vividlantern.rig.Device;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.Session;

/**
 * Between which ports a cable may be plugged to measure the leading interface.
 *
 * @param outputs what is heard least stands first
 * @param inputs line inputs at which nothing comes in: mics stay where they are
 */
public record CablePorts(List<CablePort> outputs, List<CablePort> inputs) {

    /** One port, as the house calls it. */
    public record CablePort(PortId port, String label) {}

    public static CablePorts of(Session session, Rig rig) {
        Set<PortId> taken = new HashSet<>();
        session.inputs().forEach(input -> input.ports().forEach(port -> taken.addAll(rig.wayFrom(port))));
        return new CablePorts(
                offered(ports(rig, Port.Direction.OUT).sorted(Comparator.comparingInt(port -> loudness(rig, port)))),
                offered(ports(rig, Port.Direction.IN)
                        .filter(port -> port.takes().contains(Port.Signal.LINE))
                        .filter(port -> rig.isOpen(port) && !taken.contains(port.id()))));
    }

    private static Stream<Port> ports(Rig rig, Port.Direction direction) {
        Optional<String> leading = rig.leadingInterface().map(Device::id);
        return rig.ports().stream()
                .filter(port -> port.direction() == direction
                        && rig.isOffered(port)
                        && leading.equals(Optional.of(port.device())));
    }

    private static List<CablePort> offered(Stream<Port> ports) {
        return ports.map(port -> new CablePort(port.id(), port.houseLabel())).toList();
    }

    /** Worst at ears, then at speakers. */
    private static int loudness(Rig rig, Port output) {
        return pairOf(rig, output.id())
                .map(pair -> switch (pair.feeds()) {
                    case NOTHING -> 0;
                    case ROOM_SPEAKER -> 1;
                    case SECOND_SPEAKERS -> 2;
                    case MAIN_SPEAKERS -> 3;
                    case ENGINEER -> 4;
                    case HEADPHONES -> 5;
                })
                .orElse(0);
    }

    /** The pair to which an output belongs. */
    static Optional<StereoPair> pairOf(Rig rig, PortId output) {
        return rig.outputPairs().stream()
                .filter(each -> List.of(each.left(), each.right()).contains(output))
                .findFirst();
    }
}
