package vividlantern.rig;

import java.util.List;
import java.util.Optional;

/**
 * A studio's fixed equipment and how it is wired. What is really plugged in where tonight is not known here: that
 * shows in the sound alone.
 *
 * @param celsius the room's temperature, which sets the speed of sound
 */
public record Rig(
        RigId id,
        String name,
        double celsius,
        List<Device> devices,
        List<Port> ports,
        List<Tie> ties,
        List<StereoPair> outputPairs) {

    public Rig {
        devices = List.copyOf(devices);
        ports = List.copyOf(ports);
        ties = List.copyOf(ties);
        outputPairs = List.copyOf(outputPairs);
    }

    public Optional<Port> port(PortId id) {
        return ports.stream().filter(port -> port.id().equals(id)).findFirst();
    }

    public Optional<StereoPair> outputPair(PairId id) {
        return outputPairs.stream().filter(pair -> pair.id().equals(id)).findFirst();
    }

    public Optional<StereoPair> mainSpeakers() {
        return outputPairs.stream()
                .filter(pair -> pair.feeds() == StereoPair.Feeds.MAIN_SPEAKERS)
                .findFirst();
    }

    public Device device(String id) {
        return devices.stream()
                .filter(device -> device.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("There is no device " + id + " in " + name + "."));
    }

    /** The interface that the engine runs on; it leads the clock. */
    public Optional<Device> leadingInterface() {
        return devices.stream()
                .filter(device -> device.kind() == Device.Kind.INTERFACE)
                .findFirst();
    }

    /** The interface's inputs in the order of the engine's channels. */
    public List<Port> engineInputs() {
        return engineChannels(Port.Direction.IN);
    }

    /** The interface's outputs in the order of the engine's channels. */
    public List<Port> engineOutputs() {
        return engineChannels(Port.Direction.OUT);
    }

    /** Where a signal that enters at a port goes on by a tie, if it does. */
    public Optional<PortId> tiedTo(PortId from) {
        return ties.stream().filter(tie -> tie.from().equals(from)).map(Tie::to).findFirst();
    }

    /** What leads into a port by a tie, if anything does. */
    public Optional<PortId> tiedFrom(PortId to) {
        return ties.stream().filter(tie -> tie.to().equals(to)).map(Tie::from).findFirst();
    }

    /** The last port a signal reaches when it enters here and follows the ties. */
    public PortId followTies(PortId entry) {
        PortId at = entry;
        for (int step = 0; step <= ties.size(); step++) {
            Optional<PortId> next = tiedTo(at);
            if (next.isEmpty()) {
                return at;
            }
            at = next.get();
        }
        throw new IllegalStateException("The ties from " + entry + " run in a circle.");
    }

    /** The engine's channel at which a signal that enters here arrives; empty if no tie leads to the interface. */
    public Optional<Integer> engineInput(PortId entry) {
        PortId last = followTies(entry);
        List<Port> inputs = engineInputs();
        for (int channel = 0; channel < inputs.size(); channel++) {
            if (inputs.get(channel).id().equals(last)) {
                return Optional.of(channel);
            }
        }
        return Optional.empty();
    }

    public Optional<Integer> engineOutput(PortId port) {
        List<Port> outputs = engineOutputs();
        for (int channel = 0; channel < outputs.size(); channel++) {
            if (outputs.get(channel).id().equals(port)) {
                return Optional.of(channel);
            }
        }
        return Optional.empty();
    }

    /** The first preamp on the way from here to the interface: where gain and +48 V are set. */
    public Optional<Port> preampFor(PortId entry) {
        Optional<PortId> at = Optional.of(entry);
        while (at.isPresent()) {
            Optional<Port> here = port(at.get()).filter(Port::hasPreamp);
            if (here.isPresent()) {
                return here;
            }
            at = tiedTo(at.get());
        }
        return Optional.empty();
    }

    private List<Port> engineChannels(Port.Direction direction) {
        return leadingInterface()
                .map(leading -> ports.stream()
                        .filter(port -> port.device().equals(leading.id()) && port.direction() == direction)
                        .toList())
                .orElse(List.of());
    }
}
