package vividlantern.rig;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vividlantern.basics.PartList;

/**
 * A studio's fixed equipment and how it is wired. What is really plugged in where tonight is not known here: that
 * shows in the sound alone.
 *
 * @param revision grows by one with every change
 * @param celsius the room's temperature, which sets the speed of sound
 * @param devices in their order, those taken out among them
 * @param ports by device, inputs before outputs, by number
 * @param pairs of inputs and of outputs
 * @param groups of more than two inputs or outputs
 * @param mics the locker
 */
public record Rig(
        RigId id,
        long revision,
        String name,
        double celsius,
        List<Device> devices,
        List<Port> ports,
        List<Tie> ties,
        List<StereoPair> pairs,
        List<WideGroup> groups,
        List<Mic> mics) {

    public Rig {
        devices = PartList.of(
                devices.stream()
                        .sorted(Comparator.comparingDouble(Device::position).thenComparing(Device::id))
                        .toList(),
                Device::id);
        RigPorts inOrder = new RigPorts(devices, ports);
        ports = inOrder;
        ties = new Ties(ties);
        pairs = PartList.of(
                pairs.stream()
                        .sorted(Comparator.<StereoPair>comparingInt(pair -> inOrder.placeOf(pair.left()))
                                .thenComparing(pair -> pair.id().value()))
                        .toList(),
                StereoPair::id);
        groups = groups.stream()
                .sorted(Comparator.comparing(group -> group.id().value()))
                .toList();
        mics = mics.stream()
                .sorted(Comparator.comparing(Mic::kind).thenComparing(Mic::name))
                .toList();
    }

    /** A rig with nothing in it. */
    public static Rig empty(RigId id, String name) {
        return new Rig(id, 0, name, 20, List.of(), List.of(), List.of(), List.of(), List.of(), List.of());
    }

    public Rig atRevision(long newRevision) {
        return new Rig(id, newRevision, name, celsius, devices, ports, ties, pairs, groups, mics);
    }

    public Optional<Port> port(PortId id) {
        return inOrder().find(id);
    }

    private RigPorts inOrder() {
        return (RigPorts) ports;
    }

    /** Ports by their house labels, as in "Wall 1 | Wall 2"; one that is gone by its id. */
    public String labels(List<PortId> ids) {
        return ids.stream().map(this::label).collect(Collectors.joining(" | "));
    }

    /** What a port is called in this house; one that is gone by its id. */
    public String label(PortId id) {
        return port(id).map(Port::houseLabel).orElse(id.value());
    }

    public Optional<StereoPair> outputPair(PairId id) {
        return pair(id).filter(pair -> goes(pair, Port.Direction.OUT));
    }

    public Optional<WideGroup> group(GroupId id) {
        return groups.stream().filter(group -> group.id().equals(id)).findFirst();
    }

    /** Groups of inputs. */
    public List<WideGroup> inputGroups() {
        return groups.stream()
                .filter(group -> port(group.ports().get(0))
                        .filter(port -> port.direction() == Port.Direction.IN)
                        .isPresent())
                .toList();
    }

    public Optional<StereoPair> pair(PairId id) {
        return PartList.find(pairs, id);
    }

    public List<StereoPair> outputPairs() {
        return pairs(Port.Direction.OUT);
    }

    public List<StereoPair> inputPairs() {
        return pairs(Port.Direction.IN);
    }

    private List<StereoPair> pairs(Port.Direction direction) {
        return pairs.stream().filter(pair -> goes(pair, direction)).toList();
    }

    private boolean goes(StereoPair pair, Port.Direction direction) {
        return port(pair.left()).filter(port -> port.direction() == direction).isPresent();
    }

    /** A pair's sockets as the maker numbered them: "Line out 3, 4". */
    public String panelName(StereoPair pair) {
        return panelNames(List.of(pair.left(), pair.right()));
    }

    /** Sockets side by side as the maker numbered them: "Line out 3", "Line out 3, 4", "Line out 3 to 7". */
    public String panelNames(List<PortId> ids) {
        List<String> names = ids.stream()
                .map(id -> port(id).map(Port::panelName).orElse(id.value()))
                .toList();
        String first = names.get(0);
        if (names.size() == 1) {
            return first;
        }
        String last = names.get(names.size() - 1);
        int shared = 0;
        while (shared < Math.min(first.length(), last.length()) && first.charAt(shared) == last.charAt(shared)) {
            shared++;
        }
        int word = first.substring(0, shared).lastIndexOf(' ') + 1;
        return first + (names.size() == 2 ? ", " : " to ") + last.substring(word);
    }

    /** Whether a port is there and not hidden. */
    public boolean isOffered(Port port) {
        return !port.hidden() && !device(port.device()).retired();
    }

    /** Whether a cable can go into a port: an input in sight into which nothing is tied. */
    public boolean isOpen(Port port) {
        return port.direction() == Port.Direction.IN
                && isOffered(port)
                && tiedFrom(port.id()).isEmpty()
                && !isOfSoundModule(port.id());
    }

    /**
     * Whether an engine that runs on this rig can go on with another state of it: the same device leads, the same ports are
     * its channels, and the same sockets and preamps lie before them. What is only said of them does not count: names, the
     * room's temperature, what was measured of a device, what a driver can do besides, devices that lead nowhere.
     */
    public boolean soundsLike(Rig other) {
        return leadingInterface()
                        .map(Device::id)
                        .equals(other.leadingInterface().map(Device::id))
                && waysIn().equals(other.waysIn())
                && ids(engineOutputs()).equals(ids(other.engineOutputs()))
                && clocks(engineDevices()).equals(clocks(other.engineDevices()))
                && clocks(freeRunningDevices()).equals(clocks(other.freeRunningDevices()));
    }

    /** Whether the room and the devices that sound are told to be as in another state: temperature, levels, delays, drift. */
    public boolean measuresLike(Rig other) {
        return celsius == other.celsius && measures().equals(other.measures());
    }

    private List<List<Object>> measures() {
        return Stream.concat(
                        waysIn().stream()
                                .flatMap(List::stream)
                                .map(Port::device)
                                .distinct()
                                .map(this::device),
                        leadingInterface().stream())
                .map(device -> List.<Object>of(device.fullScaleDbu(), device.latency(), device.driftPpm()))
                .toList();
    }

    /** For each of the engine's inputs the ports that a signal passes on its way there, the last one first. */
    private List<List<Port>> waysIn() {
        return engineInputs().stream()
                .map(input -> Stream.iterate(
                                Optional.of(input),
                                Optional::isPresent,
                                port -> comesFrom(port.get().id()).flatMap(this::port))
                        .limit(ports.size())
                        .map(port -> port.get().labelled("").hidden(false))
                        .toList())
                .toList();
    }

    private static List<PortId> ids(List<Port> ports) {
        return ports.stream().map(Port::id).toList();
    }

    private static List<String> clocks(List<Device> devices) {
        return devices.stream()
                .map(device -> device.id() + " " + device.clock())
                .toList();
    }

    /** The mic of the locker that a line of an input list speaks of: the longest name that occurs in it. */
    public Optional<Mic> micIn(String words) {
        String said = words.toLowerCase(Locale.ROOT);
        return mics.stream()
                .filter(mic -> said.contains(mic.name().toLowerCase(Locale.ROOT)))
                .max(Comparator.comparingInt(mic -> mic.name().length()));
    }

    /** What kind of mic a line of an input list speaks of: the locker's, or what its words say. */
    public Optional<Mic.Kind> micKindIn(String words) {
        return micIn(words).map(Mic::kind).or(() -> Mic.Kind.saidIn(words));
    }

    /** Whether +48 V may damage the mic that a line of an input list speaks of. */
    public boolean isHarmedByPhantom(String words) {
        return micKindIn(words).map(Mic.Kind::phantom).equals(Optional.of(Mic.Phantom.DANGEROUS));
    }

    public Optional<StereoPair> mainSpeakers() {
        return thatFeeds(StereoPair.Feeds.MAIN_SPEAKERS);
    }

    public Optional<StereoPair> secondSpeakers() {
        return thatFeeds(StereoPair.Feeds.SECOND_SPEAKERS);
    }

    private Optional<StereoPair> thatFeeds(StereoPair.Feeds what) {
        return outputPairs().stream().filter(pair -> pair.feeds() == what).findFirst();
    }

    /** Whether headphones are plugged in at a port. */
    public boolean isOutlet(Port port) {
        return port.direction() == Port.Direction.OUT && device(port.device()).kind() == Device.Kind.HEADPHONE_AMP;
    }

    public Device device(String id) {
        return PartList.find(devices, id)
                .orElseThrow(() -> new IllegalArgumentException("There is no device " + id + " in " + name + "."));
    }

    /** The interface that the engine runs on: the one that leads the clock, else the first. */
    public Optional<Device> leadingInterface() {
        return RigPorts.leading(devices);
    }

    /** Whether a port is an output of a sound module: nothing is plugged in there. */
    public boolean isOfSoundModule(PortId id) {
        return port(id).map(Port::device)
                .filter(device -> device(device).kind() == Device.Kind.SOUND_MODULE)
                .isPresent();
    }

    /**
     * The ports that a source of a width takes when its first cable goes into one: the pair or the group that begins there,
     * else the following sockets of its device; fewer than asked for where there are no more.
     */
    public List<PortId> runFrom(PortId first, int width) {
        return together(first, width)
                .or(() -> port(first)
                        .map(start -> ports.stream()
                                .filter(port -> port.device().equals(start.device())
                                        && port.direction() == start.direction()
                                        && port.number() >= start.number()
                                        && port.number() < start.number() + width)
                                .map(Port::id)
                                .toList()))
                .orElse(List.of());
    }

    private Optional<List<PortId>> together(PortId first, int width) {
        return Stream.concat(
                        pairs.stream().map(pair -> List.of(pair.left(), pair.right())),
                        groups.stream().map(WideGroup::ports))
                .filter(ports -> ports.size() == width && ports.get(0).equals(first))
                .findFirst();
    }

    /** The inputs of the interfaces in the order of the engine's channels; those on clocks of their own come last. */
    public List<Port> engineInputs() {
        return inOrder().inputs();
    }

    /** The outputs of the interfaces in the order of the engine's channels. */
    public List<Port> engineOutputs() {
        return inOrder().outputs();
    }

    /** Where a signal that enters at a port goes on by a tie, if it does. */
    public Optional<PortId> tiedTo(PortId from) {
        return ((Ties) ties).from(from);
    }

    /** What leads into a port by a tie, if anything does. */
    public Optional<PortId> tiedFrom(PortId to) {
        return ((Ties) ties).to(to);
    }

    /** Where a signal goes on from a port: by its tie, or out of the outboard that it went into. */
    public Optional<PortId> goesOnTo(PortId from) {
        return tiedTo(from).or(() -> returnOf(from));
    }

    /** Where a signal at a port comes from: by its tie, or into the outboard that it comes out of. */
    public Optional<PortId> comesFrom(PortId to) {
        return tiedFrom(to).or(() -> sendOf(to));
    }

    /** The return of an outboard's send. */
    public Optional<PortId> returnOf(PortId send) {
        return acrossOutboard(send, Port.Direction.IN);
    }

    /** The send of an outboard's return. */
    public Optional<PortId> sendOf(PortId comesBack) {
        return acrossOutboard(comesBack, Port.Direction.OUT);
    }

    /** The port of the same number at the other side of outboard. */
    private Optional<PortId> acrossOutboard(PortId id, Port.Direction direction) {
        return port(id).filter(port ->
                        port.direction() == direction && device(port.device()).kind() == Device.Kind.OUTBOARD)
                .flatMap(here -> ports.stream()
                        .filter(port -> port.device().equals(here.device())
                                && port.direction() != direction
                                && port.number() == here.number())
                        .map(Port::id)
                        .findFirst());
    }

    /** Every port a signal passes that enters here, the last one being where it ends. */
    public List<PortId> wayFrom(PortId entry) {
        List<PortId> way = new ArrayList<>(2);
        Optional<PortId> at = Optional.of(entry);
        while (at.isPresent()) {
            if (way.size() > ports.size()) {
                throw new IllegalStateException("The ties from " + entry + " run in a circle.");
            }
            way.add(at.get());
            at = goesOnTo(at.get());
        }
        return way;
    }

    /** The last port a signal reaches when it enters here and follows the ties. */
    public PortId followTies(PortId entry) {
        List<PortId> way = wayFrom(entry);
        return way.get(way.size() - 1);
    }

    /** Where a signal first enters that arrives at a port. */
    public PortId entryOf(PortId port) {
        PortId at = port;
        for (Optional<PortId> before = comesFrom(at); before.isPresent(); before = comesFrom(at)) {
            at = before.get();
        }
        return at;
    }

    /** Whether a signal that leaves here comes back to where it has been. */
    public boolean runsInACircle(PortId from) {
        Set<PortId> passed = new HashSet<>();
        Optional<PortId> at = Optional.of(from);
        while (at.isPresent() && passed.add(at.get())) {
            at = goesOnTo(at.get());
        }
        return at.isPresent();
    }

    /** The engine's channel at which a signal that enters here arrives; empty if no tie leads to the interface. */
    public Optional<Integer> engineInput(PortId entry) {
        return inOrder().inputs().of(followTies(entry));
    }

    /** The engine's channel at which it arrives at a sample rate; digital links carry fewer channels at higher ones. */
    public Optional<Integer> engineInput(PortId entry, int sampleRate) {
        return carries(entry, sampleRate) ? engineInput(entry) : Optional.empty();
    }

    /** Whether every digital link on the way from here has its channel at a sample rate. */
    public boolean carries(PortId entry, int sampleRate) {
        for (PortId at : wayFrom(entry)) {
            Optional<DigitalLink.Channel> link = port(at).flatMap(Port::link);
            if (link.isPresent() && !link.get().isThere(sampleRate)) {
                return false;
            }
        }
        return true;
    }

    /** Whether a signal that enters at a port, or leaves there, does so by the interface that the engine runs on itself. */
    public boolean isAtTheLeadingInterface(PortId port) {
        Optional<String> leading = leadingInterface().map(Device::id);
        return port(port).map(Port::device).equals(leading)
                || port(followTies(port)).map(Port::device).equals(leading);
    }

    /** What the interface that the engine runs on can run at. */
    public Driver driver() {
        return leadingInterface().flatMap(Device::driver).orElse(Driver.USUAL);
    }

    /** Whether the engine can send something out by both sides of a pair. */
    public boolean isDriven(StereoPair pair) {
        return engineOutput(pair.left()).isPresent()
                && engineOutput(pair.right()).isPresent();
    }

    public Optional<Integer> engineOutput(PortId port) {
        return inOrder().outputs().of(port);
    }

    /** The first preamp on the way from here to the interface: where gain and +48 V are set. */
    public Optional<Port> preampFor(PortId entry) {
        return wayFrom(entry).stream()
                .flatMap(id -> port(id).stream())
                .filter(Port::hasPreamp)
                .findFirst();
    }

    /** The first preamps on the ways from several ports. */
    public List<Port> preampsOf(List<PortId> entries) {
        return entries.stream().flatMap(entry -> preampFor(entry).stream()).toList();
    }

    /**
     * What the engine runs on together: the leading interface, then those interfaces and sound modules that follow its
     * clock.
     */
    public List<Device> engineDevices() {
        return RigPorts.running(devices);
    }

    /** The interfaces on clocks of their own: their inputs come after those of {@link #engineDevices}, their outputs are not used. */
    public List<Device> freeRunningDevices() {
        return RigPorts.freeRunning(devices);
    }
}
