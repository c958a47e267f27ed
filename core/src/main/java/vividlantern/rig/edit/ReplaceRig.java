package vividlantern.rig.edit;

import java.util.HashSet;
import java.util.Set;
import java.util.SortedMap;
import java.util.stream.Collectors;
import vividlantern.history.Refused;
import vividlantern.rig.Device;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPart;
import vividlantern.rig.RigPartKey;
import vividlantern.rig.RigParts;
import vividlantern.rig.Tie;
import vividlantern.rig.WideGroup;

/** Replaces all that a rig holds, as when going back to a kept copy or taking in a document. Id and revision stay. */
public record ReplaceRig(Rig by) implements RigEdit {

    @Override
    public Rig applyTo(Rig rig) {
        requireSound(by);
        Rig kept = withRetired(rig);
        return RigParts.assemble(rig.id(), rig.revision(), RigParts.OF_RIG.parts(kept));
    }

    /** Ports of today that the other state does not know are retired, never deleted: sessions may speak of them. */
    private Rig withRetired(Rig rig) {
        SortedMap<RigPartKey, RigPart> parts = RigParts.OF_RIG.parts(by);
        rig.devices().stream()
                .filter(device -> !parts.containsKey(RigPartKey.of(device)))
                .forEach(device -> parts.put(RigPartKey.of(device), device.retired(true)));
        rig.ports().stream()
                .filter(port -> !parts.containsKey(RigPartKey.of(port)))
                .forEach(port -> parts.put(RigPartKey.of(port), port.hidden(true)));
        return RigParts.assemble(rig.id(), rig.revision(), parts);
    }

    /** Refuses a rig whose parts speak of others that are not there, or whose ties run in a circle. */
    static void requireSound(Rig rig) {
        Set<String> devices = rig.devices().stream().map(Device::id).collect(Collectors.toSet());
        Set<PortId> ports = rig.ports().stream().map(Port::id).collect(Collectors.toSet());
        Set<PortId> ends = new HashSet<>();
        if (devices.size() < rig.devices().size() || ports.size() < rig.ports().size()) {
            throw new Refused("Two devices or two ports have the same id.", "ports");
        }
        for (Port port : rig.ports()) {
            if (!devices.contains(port.device())) {
                throw new Refused(
                        port.houseLabel() + " belongs to a device '" + port.device() + "' that is not there.", "ports");
            }
        }
        for (Tie tie : rig.ties()) {
            if (!ports.contains(tie.from()) || !ports.contains(tie.to())) {
                throw new Refused("The tie from '" + tie.from() + "' to '" + tie.to() + "' misses a port.", "ties");
            }
            if (!ends.add(tie.to())) {
                throw new Refused("Two ties lead to '" + tie.to() + "'; a port takes one.", "ties");
            }
            if (rig.runsInACircle(tie.from())) {
                throw new Refused("The ties from '" + tie.from() + "' run in a circle.", "ties");
            }
        }
        rig.groups().forEach(group -> {
            int channels = group.ports().size();
            if (!ports.containsAll(group.ports()) || channels < WideGroup.LEAST || channels > WideGroup.MOST) {
                throw new Refused("The group \"" + group.houseLabel() + "\" misses a port.", "groups");
            }
        });
        rig.pairs().forEach(pair -> {
            if (!ports.contains(pair.left()) || !ports.contains(pair.right())) {
                throw new Refused("The pair \"" + pair.houseLabel() + "\" misses a port.", "pairs");
            }
        });
    }

    @Override
    public String summary(Rig rig) {
        return "All of " + rig.name() + " replaced";
    }
}
