package vividlantern.patch;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vividlantern.basics.Refused;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.rig.WideGroup;
import vividlantern.session.Input;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.session.TrackWay.Side;
import vividlantern.session.cue.Cue;

/** What is on offer for an input's cable or a cue's output, and who uses it already. */
public final class Ports {

    /**
     * Where an input's cables can go: a port, or as many side by side as it has channels.
     *
     * @param houseLabel what it is called: of a pair or a group its own name before those of its ports
     * @param arrivesAt the panel names of the interface's ports to which ties lead it on; "" if it is those ports themselves
     * @param preamps the ports of the preamps on its way
     * @param usedBy the inputs whose cables are in it, and what comes into the control room there
     */
    public record OfferedPlace(
            List<PortId> ports,
            String houseLabel,
            String panelName,
            String arrivesAt,
            List<PortId> preamps,
            List<String> usedBy) {}

    /**
     * An output pair that a cue can leave by.
     *
     * @param usedBy the cues that leave by it already
     */
    public record OfferedPair(PairId id, String houseLabel, String panelName, List<String> usedBy) {}

    private Ports() {}

    /**
     * Where an input of a width can go: ports nobody has tied a cable into, that lead to the interface, those for mics
     * first, else in the rig's order. Pairs and groups come before other neighbours.
     */
    public static List<OfferedPlace> forInputs(Session session, Rig rig, int width) {
        return places(rig, there(session, rig), width).stream()
                .map(ports -> new OfferedPlace(
                        ports,
                        label(rig, ports),
                        rig.panelNames(ports),
                        arrivesAt(rig, ports),
                        rig.preampsOf(ports).stream().map(Port::id).toList(),
                        Stream.concat(
                                        session.inputs().stream()
                                                .filter(input -> ports.stream().anyMatch(input::goesInto))
                                                .map(Input::source),
                                        session.inControlRoom().comesInBy(rig).entrySet().stream()
                                                .filter(each -> !Collections.disjoint(each.getValue(), ports))
                                                .map(Map.Entry::getKey))
                                .toList()))
                .toList();
    }

    static List<List<PortId>> places(Rig rig, List<Port> candidates, int width) {
        Set<PortId> open = candidates.stream().map(Port::id).collect(Collectors.toCollection(LinkedHashSet::new));
        return open.stream()
                .map(first -> rig.runFrom(first, width))
                .filter(run -> run.size() == width && open.containsAll(run))
                .sorted(Comparator.comparing(
                        run -> width > 1 && together(rig, run).isEmpty()))
                .toList();
    }

    /** The name of the pair or the group that some ports are. */
    static Optional<String> together(Rig rig, List<PortId> ports) {
        return rig.inputPairs().stream()
                .filter(pair -> List.of(pair.left(), pair.right()).equals(ports))
                .map(StereoPair::houseLabel)
                .findFirst()
                .or(() -> rig.inputGroups().stream()
                        .filter(group -> group.ports().equals(ports))
                        .map(WideGroup::houseLabel)
                        .findFirst());
    }

    private static String label(Rig rig, List<PortId> ports) {
        String labels = rig.labels(ports);
        return together(rig, ports).map(name -> name + ": " + labels).orElse(labels);
    }

    /** Output pairs for the main speakers: those by which no cue leaves. */
    public static List<StereoPair> forMain(Session session, Rig rig) {
        return rig.outputPairs().stream()
                .filter(rig::isDriven)
                .filter(pair -> session.cues().stream().noneMatch(cue -> cue.leavesBy(pair.id())))
                .toList();
    }

    /** Output pairs for cues. The pairs of the main and second speakers and the engineer's own are not among them. */
    public static List<OfferedPair> forCues(Session session, Rig rig) {
        return rig.outputPairs().stream()
                .filter(rig::isDriven)
                .filter(session.main()::leavesFree)
                .map(pair -> new OfferedPair(
                        pair.id(),
                        pair.houseLabel(),
                        rig.panelName(pair),
                        session.cues().stream()
                                .filter(cue -> cue.leavesBy(pair.id()))
                                .map(Cue::name)
                                .toList()))
                .toList();
    }

    /**
     * Outputs by which tracks can be sent out.
     *
     * @param label what they are called: the pair, or one port of it
     * @param usedBy the names of the cues that leave there
     */
    public record OfferedWayOut(PairId pair, Side side, String label, List<String> usedBy) {}

    /** By which outputs tracks can be sent out: the pairs that cues may have, and each of their ports. */
    public static List<OfferedWayOut> waysOut(Session session, Rig rig) {
        List<OfferedWayOut> ways = new ArrayList<>();
        for (OfferedPair offered : forCues(session, rig)) {
            StereoPair pair = rig.pair(offered.id()).orElseThrow();
            ways.add(new OfferedWayOut(pair.id(), Side.BOTH, pair.houseLabel(), offered.usedBy()));
            ways.add(new OfferedWayOut(pair.id(), Side.LEFT, rig.label(pair.left()), offered.usedBy()));
            ways.add(new OfferedWayOut(pair.id(), Side.RIGHT, rig.label(pair.right()), offered.usedBy()));
        }
        return ways;
    }

    /** The first pair for headphones by which no cue leaves. */
    public static Optional<PairId> freeForHeadphones(Session session, Rig rig) {
        return forCues(session, rig).stream()
                .filter(pair -> pair.usedBy().isEmpty())
                .map(OfferedPair::id)
                .filter(pair -> rig.pair(pair)
                        .filter(each -> each.feeds() == StereoPair.Feeds.HEADPHONES)
                        .isPresent())
                .findFirst();
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

    /**
     * The ports that a line of an input list speaks of: a name for each channel, as in "Wall 1 | Wall 4"; the name of a pair
     * or a group; or the name of the first port, from which the others follow.
     *
     * @throws Refused if a name is none of the rig's
     */
    public static List<PortId> named(Rig rig, String names, int width) {
        String wanted = names.strip();
        if (wanted.isEmpty()) {
            return List.of();
        }
        if (wanted.contains("|")) {
            return Stream.of(wanted.split("\\|")).map(name -> known(rig, name)).toList();
        }
        return Stream.concat(
                        rig.inputPairs().stream()
                                .filter(pair -> pair.houseLabel().equalsIgnoreCase(wanted))
                                .map(pair -> List.of(pair.left(), pair.right())),
                        rig.inputGroups().stream()
                                .filter(group -> group.houseLabel().equalsIgnoreCase(wanted))
                                .map(WideGroup::ports))
                .filter(ports -> ports.size() == width)
                .findFirst()
                .orElseGet(() -> rig.runFrom(known(rig, wanted), width).stream()
                        .takeWhile(port -> rig.port(port).filter(rig::isOpen).isPresent())
                        .toList());
    }

    private static PortId known(Rig rig, String name) {
        return byName(rig, name)
                .map(Port::id)
                .orElseThrow(
                        () -> new Refused("There is no port \"" + name.strip() + "\" in " + rig.name() + ".", "port"));
    }

    /** Ports that inputs can go into and nothing does, nor arrives behind by a tie, in the rig's order. */
    public static List<Port> free(Session session, Rig rig) {
        Set<PortId> arrivedAt = Stream.concat(
                        session.inputs().stream().flatMap(input -> input.ports().stream()),
                        session.inControlRoom().comesInBy(rig).values().stream().flatMap(List::stream))
                .map(rig::followTies)
                .collect(Collectors.toSet());
        return there(session, rig).stream()
                .filter(port -> !arrivedAt.contains(rig.followTies(port.id())))
                .toList();
    }

    /** Where an input of a width can go that no input is. */
    public static List<List<PortId>> freePlaces(Session session, Rig rig, int width) {
        return places(rig, free(session, rig), width);
    }

    private static List<Port> there(Session session, Rig rig) {
        return open(rig).stream()
                .filter(port -> rig.carries(port.id(), session.sampleRate()))
                .toList();
    }

    /** Whether a level kind may enter at a port: every port on the way must take it, up to the first preamp, which makes a line of it. */
    public static boolean takes(Rig rig, PortId entry, Port.Signal level) {
        for (PortId at : rig.wayFrom(entry)) {
            Port port = rig.port(at).orElseThrow();
            if (!port.takes().contains(level)) {
                return false;
            }
            if (port.hasPreamp()) {
                return true;
            }
        }
        return true;
    }

    /** Whether some ports do for an input: they take its level, and give +48 V if it wants that. */
    public static boolean fit(Rig rig, List<PortId> ports, Input input) {
        return ports.stream()
                .allMatch(port -> takes(rig, port, input.level())
                        && (input.phantom() != PhantomWish.ON
                                || rig.preampFor(port).filter(Port::phantom).isPresent()));
    }

    /** Whether a port is gone from the rig, or leads to the interface no more. */
    public static boolean isLost(Rig rig, PortId id) {
        Optional<Port> port = rig.port(id);
        return port.isEmpty()
                || rig.device(port.get().device()).retired()
                || rig.engineInput(id).isEmpty();
    }

    static List<Port> open(Rig rig) {
        return rig.ports().stream()
                .filter(rig::isOpen)
                .filter(port -> rig.engineInput(port.id()).isPresent())
                .sorted(Comparator.comparing(port -> !port.takes().contains(Port.Signal.MIC)))
                .toList();
    }

    private static String arrivesAt(Rig rig, List<PortId> entries) {
        List<PortId> ends = entries.stream().map(rig::followTies).toList();
        return ends.equals(entries) ? "" : rig.panelNames(ends);
    }
}
