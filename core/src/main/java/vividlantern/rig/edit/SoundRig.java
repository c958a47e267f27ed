package vividlantern.rig.edit;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import vividlantern.basics.Ids;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.rig.Device;
import vividlantern.rig.Mic;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.rig.Tie;
import vividlantern.rig.WideGroup;

/** Whether a rig that comes as a whole, from a document or a copy, is one that edits could have made. */
public final class SoundRig {

    static final int MOST_DEVICES = 256;
    static final int MOST_PORTS = 4096;
    static final int MOST_MICS = 1000;

    private final Rig rig;
    private final Set<PortId> ports;

    private SoundRig(Rig rig) {
        this.rig = rig;
        ports = rig.ports().stream().map(Port::id).collect(Collectors.toSet());
    }

    /** Refuses a rig with anything in it that no edit would have let in. */
    public static void require(Rig rig) {
        SoundRig sound = new SoundRig(rig);
        requireSize(Rig.empty(rig.id(), rig.name()), rig);
        Texts.name(rig.name(), "A rig", "name");
        RigRules.celsius(rig.celsius());
        requireOneOfEach("devices", rig.devices(), Device::id);
        requireOneOfEach("ports", rig.ports(), port -> port.id().value());
        requireOneOfEach("pairs", rig.pairs(), pair -> pair.id().value());
        requireOneOfEach("groups", rig.groups(), group -> group.id().value());
        requireOneOfEach("mics", rig.mics(), mic -> mic.id().value());
        rig.devices().forEach(sound::device);
        rig.ports().forEach(sound::port);
        sound.ties();
        rig.pairs().forEach(sound::pair);
        rig.groups().forEach(sound::group);
        rig.mics().forEach(sound::mic);
    }

    /** Refuses what makes a rig grow beyond what it holds at most. */
    static void requireSize(Rig before, Rig after) {
        requireSize(before.devices(), after.devices(), MOST_DEVICES, "devices");
        requireSize(before.ports(), after.ports(), MOST_PORTS, "ports");
        requireSize(before.mics(), after.mics(), MOST_MICS, "mics");
    }

    private static void requireSize(List<?> before, List<?> after, int most, String what) {
        if (after.size() > most && after.size() > before.size()) {
            throw new Refused(
                    "A rig holds at most " + most + " " + what + ", removed ones included; these would be "
                            + after.size() + ".",
                    what);
        }
    }

    private static <T> void requireOneOfEach(String field, List<T> parts, Function<T, String> id) {
        Set<String> seen = new HashSet<>();
        for (T part : parts) {
            String here = id.apply(part);
            Ids.require(here, field);
            if (!seen.add(here)) {
                throw new Refused("Two of the " + field + " have the id '" + here + "'.", field);
            }
        }
    }

    private void device(Device device) {
        Texts.name(device.name(), "A device", "devices");
        RigRules.fullScale(device.fullScaleDbu());
        RigRules.latency(device.latency());
        RigRules.drift(device.driftPpm());
        RigRules.within(device.position(), -1e9, 1e9, "A device's position", "devices");
        device.driver().ifPresent(RigRules::driver);
        boolean leads = device.clock() == Device.Clock.LEADS;
        boolean clocked = device.clock() != Device.Clock.NONE;
        if (clocked && !device.kind().converts() || leads && device.kind() != Device.Kind.INTERFACE) {
            throw new Refused(device.name() + " has no clock of this kind.", "devices");
        }
        if (leads
                && !device.retired()
                && rig.devices().stream()
                                .filter(each -> each.clock() == Device.Clock.LEADS && !each.retired())
                                .count()
                        > 1) {
            throw new Refused("One device leads the clock; here several do.", "devices");
        }
    }

    private void port(Port port) {
        String device = port.device();
        if (rig.devices().stream().noneMatch(each -> each.id().equals(device))) {
            throw new Refused(port.houseLabel() + " belongs to a device '" + device + "' that is not there.", "ports");
        }
        Texts.name(port.houseLabel(), "A port", "ports");
        Texts.name(port.panelName(), "A port", "ports");
        RigRules.within(port.number(), 1, MOST_PORTS, "A port's number", "ports");
        RigRules.bank(port.bank());
        RigRules.abilities(port.takes(), port.padDb(), port.gain());
        port.link().ifPresent(RigRules::channel);
    }

    private void ties() {
        Set<PortId> ends = new HashSet<>();
        Set<PortId> starts = new HashSet<>();
        for (Tie tie : rig.ties()) {
            Port from = end(tie.from(), tie);
            Port to = end(tie.to(), tie);
            if (from.direction() == Port.Direction.IN && to.direction() == Port.Direction.OUT) {
                throw new Refused(
                        "No cable leads from an input to an output, as from '" + tie.from() + "' to '" + tie.to()
                                + "'.",
                        "ties");
            }
            if (!ends.add(tie.to()) || !starts.add(tie.from())) {
                throw new Refused(
                        "Two ties meet at '" + tie.from() + "' or '" + tie.to() + "'; a port takes one.", "ties");
            }
            if (rig.runsInACircle(tie.from())) {
                throw new Refused("The ties from '" + tie.from() + "' run in a circle.", "ties");
            }
        }
    }

    private Port end(PortId id, Tie tie) {
        return rig.port(id)
                .orElseThrow(() ->
                        new Refused("The tie from '" + tie.from() + "' to '" + tie.to() + "' misses a port.", "ties"));
    }

    private void pair(StereoPair pair) {
        Texts.name(pair.houseLabel(), "A pair", "pairs");
        if (!ports.contains(pair.left()) || !ports.contains(pair.right())) {
            throw new Refused("The pair \"" + pair.houseLabel() + "\" misses a port.", "pairs");
        }
    }

    private void group(WideGroup group) {
        Texts.name(group.houseLabel(), "A group", "groups");
        int channels = group.ports().size();
        if (!ports.containsAll(group.ports()) || channels < WideGroup.LEAST || channels > WideGroup.MOST) {
            throw new Refused("The group \"" + group.houseLabel() + "\" misses a port.", "groups");
        }
    }

    private void mic(Mic mic) {
        RigRules.mic(mic);
    }
}
