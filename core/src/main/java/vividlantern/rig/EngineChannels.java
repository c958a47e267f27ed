package vividlantern.rig;

import java.util.AbstractList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.RandomAccess;

/** Ports in the order of the engine's channels, each with its channel at hand. */
final class EngineChannels extends AbstractList<Port> implements RandomAccess {

    private final List<Port> ports;
    private final Map<PortId, Integer> channels = new HashMap<>();

    EngineChannels(List<Port> inOrder) {
        ports = List.copyOf(inOrder);
        for (Port port : ports) {
            channels.putIfAbsent(port.id(), channels.size());
        }
    }

    Optional<Integer> of(PortId port) {
        return Optional.ofNullable(channels.get(port));
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
