package vividlantern.ears;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import vividlantern.rig.Device;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.rig.edit.PairEdit.PairPorts;
import vividlantern.rig.edit.PairEdit.UnpairPorts;
import vividlantern.rig.edit.RigEdit;
import vividlantern.rig.edit.TieEdit.TiePorts;

/**
 * An outlet of a headphone amp, and what should arrive there as the rig is described.
 *
 * @param inlets the amp's inputs for left and right that it plays; empty if the amp has fewer than two
 * @param outputs the interface's outputs that lead there; empty if nobody has said it of both
 */
public record Outlet(Port port, Optional<Sides> inlets, Optional<Sides> outputs) {

    /** A port for each side. */
    public record Sides(PortId left, PortId right) {}

    /** All outlets in sight, amp by amp. */
    public static List<Outlet> of(Rig rig) {
        List<Outlet> outlets = new ArrayList<>();
        rig.devices().stream()
                .filter(device -> device.kind() == Device.Kind.HEADPHONE_AMP && !device.retired())
                .sorted(Comparator.comparingDouble(Device::position))
                .forEach(amp -> addOutlets(amp, rig, outlets));
        return outlets;
    }

    /** The outlet at a port, if there is one in sight. */
    public static Optional<Outlet> at(PortId port, Rig rig) {
        return of(rig).stream()
                .filter(outlet -> outlet.port().id().equals(port))
                .findFirst();
    }

    /** Each outlet has two inputs of its own, if there are enough for that; otherwise the first two feed all of them. */
    private static void addOutlets(Device amp, Rig rig, List<Outlet> outlets) {
        List<Port> ins = ports(amp, Port.Direction.IN, rig);
        List<Port> outs = ports(amp, Port.Direction.OUT, rig);
        boolean ownInlets = ins.size() >= 2 * outs.size();
        for (int at = 0; at < outs.size(); at++) {
            int first = ownInlets ? 2 * at : 0;
            Optional<Sides> inlets = first + 1 < ins.size()
                    ? Optional.of(
                            new Sides(ins.get(first).id(), ins.get(first + 1).id()))
                    : Optional.empty();
            outlets.add(new Outlet(outs.get(at), inlets, inlets.flatMap(sides -> outputs(sides, rig))));
        }
    }

    private static List<Port> ports(Device amp, Port.Direction direction, Rig rig) {
        return rig.ports().stream()
                .filter(port -> port.device().equals(amp.id()) && port.direction() == direction && !port.hidden())
                .sorted(Comparator.comparingInt(Port::number))
                .toList();
    }

    private static Optional<Sides> outputs(Sides inlets, Rig rig) {
        return outputBehind(inlets.left(), rig)
                .flatMap(left -> outputBehind(inlets.right(), rig).map(right -> new Sides(left, right)));
    }

    private static Optional<PortId> outputBehind(PortId inlet, Rig rig) {
        PortId begin = inlet;
        for (Optional<PortId> back = rig.comesFrom(inlet); back.isPresent(); back = rig.comesFrom(begin)) {
            begin = back.get();
        }
        return rig.engineOutput(begin).isPresent() ? Optional.of(begin) : Optional.empty();
    }

    String label(Rig rig) {
        return label(port.id(), rig);
    }

    /** How an outlet is called, with its amp's name if the house's own name for it does not hold it; it may be gone. */
    public static String label(PortId outlet, Rig rig) {
        String house = rig.label(outlet);
        return rig.port(outlet)
                .map(port -> rig.device(port.device()).name())
                .filter(amp -> !house.contains(amp))
                .map(amp -> amp + ", " + house)
                .orElse(house);
    }

    /** What changes the description of the rig so that what arrives here should arrive at the inputs of another outlet. */
    List<RigEdit> tiedInto(Sides others, Rig rig) {
        return inlets.flatMap(mine -> rig.tiedFrom(mine.left())
                        .flatMap(left -> rig.tiedFrom(mine.right())
                                .map(right -> List.<RigEdit>of(
                                        new TiePorts(left, others.left()), new TiePorts(right, others.right())))))
                .orElse(List.of());
    }

    /**
     * What changes the description of the rig if the cables to the two sides are crossed: the ties cross, and where the two outputs are a
     * pair its sides change places, so that what is meant for the left arrives there.
     */
    List<RigEdit> crossed(Rig rig) {
        Sides mine = inlets.orElseThrow();
        List<RigEdit> edits = new ArrayList<>(tiedInto(new Sides(mine.right(), mine.left()), rig));
        outputs.flatMap(sides -> pairOf(sides, rig))
                .filter(pair -> !edits.isEmpty())
                .ifPresent(pair -> {
                    edits.add(new UnpairPorts(pair.id()));
                    edits.add(new PairPorts(pair.id(), pair.right(), pair.left(), pair.houseLabel(), pair.feeds()));
                });
        return edits;
    }

    private static Optional<StereoPair> pairOf(Sides sides, Rig rig) {
        Set<PortId> both = Set.of(sides.left(), sides.right());
        return rig.outputPairs().stream()
                .filter(pair -> both.equals(Set.of(pair.left(), pair.right())))
                .findFirst();
    }

    /** Whether counted tones by an output are the low ones, as those by the left of a pair are. */
    static boolean isLow(PortId output, Rig rig) {
        return rig.outputPairs().stream().noneMatch(pair -> pair.right().equals(output));
    }
}
