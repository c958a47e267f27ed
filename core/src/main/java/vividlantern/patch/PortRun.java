package vividlantern.patch;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import vividlantern.rig.Device;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.edit.Edit;

/** Free ports one after the other: from one on by number on its device, then by number on the devices that come after it in the rig. */
final class PortRun {

    /**
     * Something that wants ports.
     *
     * @param now the ports that it has
     * @param suits whether a port does for it
     * @param into the edit that gives it ports
     */
    record Wanting(int width, List<PortId> now, Predicate<Port> suits, Function<List<PortId>, Edit> into) {}

    private final Rig rig;
    private final Port start;
    private final List<Port> ports;
    private int at;

    /** @param taken the ports to be passed over; the first one is not, whoever uses it */
    PortRun(Rig rig, Port start, Predicate<Port> taken) {
        this.rig = rig;
        this.start = start;
        List<String> order = rig.devices().stream().map(Device::id).toList();
        int first = order.indexOf(start.device());
        ports = Ports.open(rig).stream()
                .filter(port -> port.device().equals(start.device())
                        ? port.number() >= start.number()
                        : order.indexOf(port.device()) > first)
                .filter(port -> port.id().equals(start.id()) || !taken.test(port))
                .sorted(order(rig))
                .toList();
    }

    /** By device as the rig has them, then by number. */
    static Comparator<Port> order(Rig rig) {
        List<String> order = rig.devices().stream().map(Device::id).toList();
        return Comparator.comparing((Port port) -> order.indexOf(port.device())).thenComparing(Port::number);
    }

    /**
     * Gives each the next ports that suit it, until one finds none. If the first port does not suit the first of them, somebody chose it
     * all the same, and those on its device that take what it takes do too.
     *
     * @param what they are called, several of them
     */
    ManyPlaced give(List<Wanting> all, String what) {
        List<Edit> edits = new ArrayList<>();
        Set<PortId> given = new HashSet<>();
        int placed = 0;
        boolean chosen = !all.get(0).suits().test(start);
        for (Wanting each : all) {
            Predicate<Port> does = each.suits().or(port -> chosen && isLikeTheFirst(port));
            Optional<List<Port>> next = next(each.width(), does);
            if (next.isEmpty()) {
                break;
            }
            List<PortId> ports = next.get().stream().map(Port::id).toList();
            edits.add(each.into().apply(ports));
            ports.forEach(port -> given.add(rig.followTies(port)));
            placed++;
        }
        all.stream()
                .skip(placed)
                .filter(each -> each.now().stream().map(rig::followTies).anyMatch(given::contains))
                .forEach(each -> edits.add(each.into().apply(List.of())));
        return ManyPlaced.of(edits, placed, all.size(), start.houseLabel(), what);
    }

    /** The next so many, all on one device. */
    private Optional<List<Port>> next(int width, Predicate<Port> does) {
        for (int from = at; from + width <= ports.size(); from++) {
            List<Port> together = ports.subList(from, from + width);
            String device = together.get(0).device();
            if (together.stream().allMatch(port -> port.device().equals(device) && does.test(port))) {
                at = from + width;
                return Optional.of(together);
            }
        }
        return Optional.empty();
    }

    private boolean isLikeTheFirst(Port port) {
        return port.device().equals(start.device()) && port.takes().equals(start.takes());
    }
}
