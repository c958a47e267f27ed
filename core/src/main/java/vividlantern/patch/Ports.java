package vividlantern.patch;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.Cue;
import vividlantern.session.Input;
import vividlantern.session.Session;

/** What is on offer for an input's cable or a cue's output, and who uses it already. */
public final class Ports {

    /**
     * A port an input's cable can go into.
     *
     * @param arrivesAt the panel name of the interface's port to which ties lead it on; "" if it is that port itself
     * @param preamp the port of the preamp on its way
     * @param usedBy the inputs whose cables are in it
     */
    public record OfferedPort(
            PortId id,
            String houseLabel,
            String panelName,
            String arrivesAt,
            Optional<PortId> preamp,
            List<String> usedBy) {}

    /**
     * An output pair that a cue can leave by.
     *
     * @param usedBy the cues that leave by it already
     */
    public record OfferedPair(PairId id, String houseLabel, String panelName, List<String> usedBy) {}

    private Ports() {}

    /** Input ports nobody has tied a cable into, that lead to the interface: those for mics first, else in the rig's order. */
    public static List<OfferedPort> forInputs(Session session, Rig rig) {
        return open(rig).stream()
                .filter(port -> rig.carries(port.id(), session.sampleRate()))
                .map(port -> new OfferedPort(
                        port.id(),
                        port.houseLabel(),
                        port.panelName(),
                        arrivesAt(rig, port),
                        rig.preampFor(port.id()).map(Port::id),
                        session.inputs().stream()
                                .filter(input -> input.port().equals(Optional.of(port.id())))
                                .map(Input::source)
                                .toList()))
                .toList();
    }

    /** Output pairs for cues. The pairs of the main and second speakers and the engineer's own are not among them. */
    public static List<OfferedPair> forCues(Session session, Rig rig) {
        return rig.outputPairs().stream()
                .filter(pair -> rig.engineOutput(pair.left()).isPresent()
                        && rig.engineOutput(pair.right()).isPresent())
                .filter(pair -> pair.feeds() == StereoPair.Feeds.HEADPHONES
                        || pair.feeds() == StereoPair.Feeds.ROOM_SPEAKER
                        || pair.feeds() == StereoPair.Feeds.NOTHING)
                .filter(pair -> !session.main().output().equals(Optional.of(pair.id())))
                .map(pair -> new OfferedPair(
                        pair.id(),
                        pair.houseLabel(),
                        rig.panelName(pair),
                        session.cues().stream()
                                .filter(cue -> cue.output().equals(Optional.of(pair.id())))
                                .map(Cue::name)
                                .toList()))
                .toList();
    }

    /** Finds a port by its house label, its panel name or its id, small and capital letters alike. */
    public static Optional<Port> byName(Rig rig, String name) {
        String wanted = name.strip();
        List<Port> open = open(rig);
        return open.stream()
                .filter(port -> port.houseLabel().equalsIgnoreCase(wanted))
                .findFirst()
                .or(() -> open.stream()
                        .filter(port -> port.panelName().equalsIgnoreCase(wanted))
                        .findFirst())
                .or(() -> open.stream()
                        .filter(port -> port.id().value().equals(wanted))
                        .findFirst());
    }

    /** Ports that inputs can go into and no input does, in the rig's order. */
    public static List<Port> free(Session session, Rig rig) {
        return open(rig).stream()
                .filter(port -> rig.carries(port.id(), session.sampleRate()))
                .filter(port -> session.inputs().stream()
                        .noneMatch(input -> input.port().equals(Optional.of(port.id()))))
                .toList();
    }

    /** The next free port after one, on its device; else the device's first free one. */
    public static Optional<PortId> nextFree(Session session, Rig rig, PortId after) {
        Optional<Port> start = rig.port(after);
        List<Port> free = free(session, rig).stream()
                .filter(port -> start.filter(each -> each.device().equals(port.device()))
                        .isPresent())
                .toList();
        return free.stream()
                .filter(port -> port.number() > start.orElseThrow().number())
                .findFirst()
                .or(() -> free.stream().findFirst())
                .map(Port::id);
    }

    /** Whether a level kind may enter at a port: every port on the way must take it, up to the first preamp, which makes a line of it. */
    public static boolean takes(Rig rig, PortId entry, Port.Signal level) {
        Optional<PortId> at = Optional.of(entry);
        while (at.isPresent()) {
            Port port = rig.port(at.get()).orElseThrow();
            if (!port.takes().contains(level)) {
                return false;
            }
            if (port.hasPreamp()) {
                return true;
            }
            at = rig.tiedTo(port.id());
        }
        return true;
    }

    static List<Port> open(Rig rig) {
        return rig.ports().stream()
                .filter(port -> port.direction() == Port.Direction.IN && rig.isOffered(port))
                .filter(port -> rig.tiedFrom(port.id()).isEmpty())
                .filter(port -> rig.engineInput(port.id()).isPresent())
                .sorted(Comparator.comparing(port -> !port.takes().contains(Port.Signal.MIC)))
                .toList();
    }

    private static String arrivesAt(Rig rig, Port port) {
        PortId end = rig.followTies(port.id());
        return end.equals(port.id()) ? "" : rig.port(end).map(Port::panelName).orElse("");
    }
}
