package vividlantern.rig.edit;

import static vividlantern.rig.Device.Kind.EXPANDER;
import static vividlantern.rig.Device.Kind.HEADPHONE_AMP;
import static vividlantern.rig.Device.Kind.INTERFACE;
import static vividlantern.rig.Device.Kind.OUTBOARD;
import static vividlantern.rig.Device.Kind.PATCH_BAY;
import static vividlantern.rig.Device.Kind.PREAMP;
import static vividlantern.rig.Device.Kind.SOUND_MODULE;
import static vividlantern.rig.Device.Kind.SPEAKERS;
import static vividlantern.rig.Device.Kind.WALL_BOX;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vividlantern.rig.Device;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.rig.edit.TieEdit.InsertOutboard;
import vividlantern.rig.edit.TieEdit.TakeOutOutboard;
import vividlantern.rig.edit.TieEdit.TiePorts;
import vividlantern.rig.edit.TieEdit.UntiePort;

/** What fixed cables are offered: from which kinds of devices to which, and the edits that fix or remove one. */
public final class Wiring {

    /** The two ends of a cable, as seen from a port: what comes in there, and what goes on from there. */
    public enum End {
        FROM,
        TO
    }

    /**
     * Something that could be at the other end of a cable.
     *
     * @param port the port that it is; empty for nothing, for outboard and for a pair of ports
     * @param chosen whether it is there now
     */
    public record FarEnd(String label, Optional<PortId> port, boolean chosen, List<RigEdit> edits) {

        private static FarEnd other(String label, boolean chosen, List<RigEdit> edits) {
            return new FarEnd(label, Optional.empty(), chosen, edits);
        }
    }

    /**
     * How a port is wired.
     *
     * @param ends the ends of cables that there can be at it
     * @param path all that a signal through it passes, from the first port to the last
     */
    public record Wired(PortId port, List<End> ends, List<PortId> path) {}

    /**
     * A pair in words.
     *
     * @param panelName how its two sockets are numbered together: "Line out 3, 4"
     * @param goesTo where what leaves by it arrives, and at which sockets there if there are several: "Bell, 3 and 4"; "" if it is
     *     not tied
     */
    public record Paired(PairId pair, String panelName, String goesTo) {}

    /** How a rig is wired; ports at which there can be no cable and nothing is tied are not among them. */
    public record Picture(List<Wired> ports, List<Paired> pairs) {}

    /** To what a signal that leaves a device may lead. */
    private static final Map<Device.Kind, Set<Device.Kind>> FROM_OUTPUTS = Map.of(
            INTERFACE, Set.of(HEADPHONE_AMP, SPEAKERS, PATCH_BAY, OUTBOARD),
            OUTBOARD, Set.of(INTERFACE, HEADPHONE_AMP, SPEAKERS, PATCH_BAY));

    /** To what a signal that enters at a device may lead on. */
    private static final Map<Device.Kind, Set<Device.Kind>> FROM_INPUTS = Map.of(
            WALL_BOX, Set.of(PREAMP, EXPANDER, INTERFACE, PATCH_BAY, OUTBOARD),
            PREAMP, Set.of(INTERFACE, PATCH_BAY, OUTBOARD),
            EXPANDER, Set.of(INTERFACE),
            PATCH_BAY, Set.of(INTERFACE, PREAMP, EXPANDER, HEADPHONE_AMP, SPEAKERS, OUTBOARD));

    private static final Set<Device.Kind> HANG_ON_OUTPUTS = Set.of(HEADPHONE_AMP, SPEAKERS, PATCH_BAY, OUTBOARD);

    private Wiring() {}

    public static Picture of(Rig rig) {
        return new Picture(
                rig.ports().stream()
                        .map(port -> new Wired(port.id(), ends(rig, port), path(rig, port.id())))
                        .filter(wired -> !wired.ends().isEmpty() || wired.path().size() > 1)
                        .toList(),
                rig.pairs().stream()
                        .map(pair -> new Paired(pair.id(), rig.panelName(pair), goesTo(rig, pair)))
                        .toList());
    }

    private static List<PortId> path(Rig rig, PortId port) {
        return rig.wayFrom(rig.entryOf(port));
    }

    private static String goesTo(Rig rig, StereoPair pair) {
        List<Port> ends = Stream.of(pair.left(), pair.right())
                .filter(port -> rig.tiedTo(port).isPresent())
                .map(port -> path(rig, port))
                .flatMap(path -> rig.port(path.get(path.size() - 1)).stream())
                .toList();
        if (ends.size() == 2 && ends.get(0).device().equals(ends.get(1).device())) {
            Device device = rig.device(ends.get(0).device());
            return device.name() + sockets(inputsOf(rig, device), ends.get(0), ends.get(1));
        }
        return ends.stream()
                .map(end -> rig.device(end.device()).name() + ", " + end.panelName())
                .collect(Collectors.joining("; "));
    }

    private static List<Port> inputsOf(Rig rig, Device device) {
        return rig.ports().stream()
                .filter(port -> port.device().equals(device.id()) && port.direction() == Port.Direction.IN)
                .toList();
    }

    /** Which two of a device's sockets, if it has more. */
    private static String sockets(List<Port> inputs, Port left, Port right) {
        return inputs.size() > 2 ? ", " + left.number() + " and " + right.number() : "";
    }

    /** The ends of fixed cables that there can be at a port. */
    static List<End> ends(Rig rig, Port port) {
        Device.Kind kind = rig.device(port.device()).kind();
        if (port.direction() == Port.Direction.OUT) {
            return FROM_OUTPUTS.containsKey(kind) ? List.of(End.TO) : List.of();
        }
        List<End> ends = new ArrayList<>();
        boolean leadsOn = FROM_INPUTS.containsKey(kind);
        boolean takesCable =
                kind == PATCH_BAY || (leadsOn ? rig.tiedFrom(port.id()).isPresent() : kind != SOUND_MODULE);
        if (takesCable) {
            ends.add(End.FROM);
        }
        if (leadsOn) {
            ends.add(End.TO);
        }
        return ends;
    }

    /** What the other end of a cable at a port could be: nothing first, then outboard to be put into the way, then ports. */
    public static List<FarEnd> farEnds(Rig rig, PortId id, End end) {
        Port port = RigRules.port(rig, id, "port");
        Optional<PortId> there = end == End.TO ? rig.tiedTo(id) : rig.tiedFrom(id);
        Optional<PortId> from = end == End.TO ? Optional.of(id) : there;
        List<FarEnd> offered = new ArrayList<>();
        offered.add(FarEnd.other(
                "not tied",
                there.isEmpty(),
                there.isEmpty()
                        ? List.of()
                        : from.map(each -> List.<RigEdit>of(new UntiePort(each)))
                                .orElse(List.of())));
        if (end == End.FROM) {
            offered.addAll(inserts(rig, port));
        }
        rig.ports().stream()
                .filter(far -> end == End.TO ? mayLead(rig, port, far) : mayLead(rig, far, port))
                .map(far -> new FarEnd(
                        words(rig, port, far, end),
                        Optional.of(far.id()),
                        there.equals(Optional.of(far.id())),
                        List.of(end == End.TO ? new TiePorts(id, far.id()) : new TiePorts(far.id(), id))))
                .forEach(offered::add);
        return offered;
    }

    private static boolean mayLead(Rig rig, Port from, Port to) {
        Device start = rig.device(from.device());
        Device end = rig.device(to.device());
        Map<Device.Kind, Set<Device.Kind>> leads = from.direction() == Port.Direction.OUT ? FROM_OUTPUTS : FROM_INPUTS;
        return !start.id().equals(end.id())
                && !start.retired()
                && !end.retired()
                && to.direction() == Port.Direction.IN
                && leads.getOrDefault(start.kind(), Set.of()).contains(end.kind());
    }

    /** A far end by its label, with its device, and what would have to go for it. */
    private static String words(Rig rig, Port port, Port far, End end) {
        Optional<PortId> there = end == End.TO ? rig.tiedFrom(far.id()) : rig.tiedTo(far.id());
        String instead = there.filter(other -> !other.equals(port.id()))
                .map(other -> " \u00b7 in place of " + rig.label(other))
                .orElse("");
        return far.houseLabel() + " \u00b7 " + rig.device(far.device()).name() + ", " + far.panelName() + instead;
    }

    /** Outboard that is free may go in front of an interface's input; outboard that is there may go. */
    private static List<FarEnd> inserts(Rig rig, Port port) {
        if (rig.device(port.device()).kind() != INTERFACE) {
            return List.of();
        }
        Optional<PortId> send = rig.tiedFrom(port.id()).flatMap(rig::sendOf);
        if (send.isPresent()) {
            return List.of(
                    FarEnd.other("without " + rig.label(send.get()), false, List.of(new TakeOutOutboard(send.get()))));
        }
        return rig.ports().stream()
                .filter(each -> !rig.device(each.device()).retired())
                .filter(each -> rig.tiedFrom(each.id()).isEmpty())
                .filter(each -> rig.returnOf(each.id())
                        .filter(back -> rig.tiedTo(back).isEmpty())
                        .isPresent())
                .map(each -> FarEnd.other(
                        "through " + each.houseLabel() + ", inserted",
                        false,
                        List.of(new InsertOutboard(each.id(), port.id()))))
                .toList();
    }

    /** To what both outputs of a pair could go: nothing first, then two inputs side by side of what outputs feed. */
    public static List<FarEnd> farEndsOfPair(Rig rig, PairId id) {
        StereoPair pair = RigRules.pair(rig, id);
        List<FarEnd> offered = new ArrayList<>();
        List<RigEdit> untie = Stream.of(pair.left(), pair.right())
                .filter(port -> rig.tiedTo(port).isPresent())
                .map(port -> (RigEdit) new UntiePort(port))
                .toList();
        offered.add(FarEnd.other("not tied", untie.isEmpty(), untie));
        rig.devices().stream()
                .filter(device -> HANG_ON_OUTPUTS.contains(device.kind()) && !device.retired())
                .forEach(device -> offered.addAll(besides(rig, pair, device)));
        return offered;
    }

    private static List<FarEnd> besides(Rig rig, StereoPair pair, Device device) {
        List<Port> inputs = inputsOf(rig, device);
        List<FarEnd> ends = new ArrayList<>();
        for (int at = 0; at + 1 < inputs.size(); at += 2) {
            Port left = inputs.get(at);
            Port right = inputs.get(at + 1);
            boolean chosen = rig.tiedTo(pair.left()).equals(Optional.of(left.id()))
                    && rig.tiedTo(pair.right()).equals(Optional.of(right.id()));
            ends.add(FarEnd.other(
                    device.name() + sockets(inputs, left, right),
                    chosen,
                    List.of(new TiePorts(pair.left(), left.id()), new TiePorts(pair.right(), right.id()))));
        }
        return ends;
    }
}
