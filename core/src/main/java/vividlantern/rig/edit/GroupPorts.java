package vividlantern.rig.edit;

import java.util.List;
import java.util.Optional;
import vividlantern.history.Refused;
import vividlantern.rig.GroupId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPartKey;
import vividlantern.rig.WideGroup;

/** Makes a group of 3 to 8 ports of one device, one after the other from a first one on. */
public record GroupPorts(GroupId group, PortId first, int count, String houseLabel) implements RigEdit {

    @Override
    public Rig applyTo(Rig rig) {
        RigRules.newId(group.value(), rig.group(group).isPresent(), "group");
        RigRules.within(count, WideGroup.LEAST, WideGroup.MOST, "How many channels a group has", "count");
        Port start = RigRules.port(rig, first, "first");
        List<PortId> ports = rig.ports().stream()
                .filter(port -> port.device().equals(start.device()) && port.direction() == start.direction())
                .filter(port -> port.number() >= start.number() && port.number() < start.number() + count)
                .map(Port::id)
                .toList();
        if (ports.size() < count) {
            throw new Refused(
                    "From " + start.houseLabel() + " on there are only " + ports.size() + " ports side by side.",
                    "count");
        }
        Optional<WideGroup> other = rig.groups().stream()
                .filter(each -> each.ports().stream().anyMatch(ports::contains))
                .findFirst();
        if (other.isPresent()) {
            throw new Refused(
                    "\"" + other.get().houseLabel()
                            + "\" has some of these ports already. Take that group apart first.",
                    "first");
        }
        WideGroup made = new WideGroup(group, RigRules.text(houseLabel, "A group", "houseLabel"), ports);
        return RigRules.with(rig, RigPartKey.of(made), made);
    }

    @Override
    public String summary(Rig rig) {
        return rig.label(first) + " and the next " + (count - 1) + " are a group, " + houseLabel;
    }
}
