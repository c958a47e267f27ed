package vividlantern.rig;

import java.util.AbstractList;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.RandomAccess;
import java.util.stream.Stream;

/** A rig's ports by device, inputs before outputs, by number; found by id, and by the engine's channel. */
final class RigPorts extends AbstractList<Port> implements RandomAccess {

    private final List<Port> ports;
    private final Map<PortId, Integer> places = new HashMap<>();
    private final EngineChannels inputs;
    private final EngineChannels outputs;

    RigPorts(List<Device> devices, List<Port> all) {
        Map<String, Integer> order = new HashMap<>();
        devices.forEach(device -> order.put(device.id(), order.size()));
        ports = all.stream()
                .sorted(Comparator.<Port>comparingInt(port -> order.getOrDefault(port.device(), order.size()))
                        .thenComparing(Port::direction)
                        .thenComparingInt(Port::number)
                        .thenComparing(port -> port.id().value()))
                .toList();
        ports.forEach(port -> places.putIfAbsent(port.id(), places.size()));
        List<Device> running = running(devices);
        inputs = channels(
                Stream.concat(running.stream(), freeRunning(devices).stream()).toList(), Port.Direction.IN);
        outputs = channels(running, Port.Direction.OUT);
    }

    private EngineChannels channels(List<Device> running, Port.Direction direction) {
        Map<String, List<Port>> byDevice = new HashMap<>();
        for (Port port : ports) {
            if (port.direction() == direction) {
                byDevice.computeIfAbsent(port.device(), device -> new ArrayList<>())
                        .add(port);
            }
        }
        return new EngineChannels(running.stream()
                .flatMap(device -> byDevice.getOrDefault(device.id(), List.of()).stream())
                .toList());
    }

    /** The interface that the engine runs on: the one that leads the clock, else the first. */
    static Optional<Device> leading(List<Device> devices) {
        return devices.stream()
                .filter(device -> device.kind() == Device.Kind.INTERFACE && !device.retired())
                .min(Comparator.comparing(device -> device.clock() != Device.Clock.LEADS));
    }

    /** What the engine runs on together. */
    static List<Device> running(List<Device> devices) {
        return leading(devices)
                .map(leading -> Stream.concat(
                                Stream.of(leading),
                                devices.stream()
                                        .filter(device -> !device.equals(leading) && !device.retired())
                                        .filter(device -> device.kind().isOfTheComputer()
                                                && device.clock() == Device.Clock.FOLLOWS))
                        .toList())
                .orElse(List.of());
    }

    /** The interfaces on clocks of their own, whose inputs are resampled to the leading one. */
    static List<Device> freeRunning(List<Device> devices) {
        return leading(devices)
                .map(leading -> devices.stream()
                        .filter(device -> !device.equals(leading) && !device.retired())
                        .filter(device -> device.kind() == Device.Kind.INTERFACE && device.clock() == Device.Clock.OWN)
                        .toList())
                .orElse(List.of());
    }

    Optional<Port> find(PortId id) {
        return Optional.ofNullable(places.get(id)).map(ports::get);
    }

    /** Where a port stands among the others, one that is not there behind all. */
    int placeOf(PortId id) {
        return places.getOrDefault(id, places.size());
    }

    EngineChannels inputs() {
        return inputs;
    }

    EngineChannels outputs() {
        return outputs;
    }

    @Override
    public Port get(int index) {
        return ports.get(index);
    }

    @Override
    public int size() {
        return ports.size();
    }
}
