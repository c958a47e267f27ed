package vividlantern.rig.edit;

import java.util.List;
import java.util.Optional;
import vividlantern.basics.Ids;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.rig.GroupId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPartKey;
import vividlantern.rig.WideGroup;

/** Changes of the wide groups. */
public sealed interface GroupEdit extends RigEdit {

    GroupId group();

    /** Makes a group of 3 to 8 ports of one device, one after the other from a first one on. */
    record GroupPorts(GroupId group, PortId first, int count, String houseLabel) implements GroupEdit {

        @Override
        public Rig applyTo(Rig rig) {
            Ids.requireNew(group.value(), rig.group(group).isPresent(), "group");
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
                        "\"" + other.get().houseLabel() + "\" already has some of these ports. Ungroup it first.",
                        "first");
            }
            WideGroup made = new WideGroup(group, Texts.name(houseLabel, "A group", "houseLabel"), ports);
            return RigRules.with(rig, RigPartKey.of(made), made);
        }

        @Override
        public String summary(Rig rig) {
            return rig.label(first) + " and the next " + (count - 1) + " are a group, " + houseLabel;
        }
    }

    /** Calls a group of ports by the name that the house uses. */
    record LabelGroup(GroupId group, String houseLabel) implements GroupEdit {

        @Override
        public Rig applyTo(Rig rig) {
            WideGroup labelled = RigRules.group(rig, group).labelled(Texts.name(houseLabel, "A group", "houseLabel"));
            return RigRules.with(rig, RigPartKey.of(labelled), labelled);
        }

        @Override
        public String summary(Rig rig) {
            return RigRules.group(rig, group).houseLabel() + " is called " + houseLabel;
        }
    }

    /** Takes a group of ports apart; the ports stay. */
    record UngroupPorts(GroupId group) implements GroupEdit {

        @Override
        public Rig applyTo(Rig rig) {
            return RigRules.without(rig, RigPartKey.of(RigRules.group(rig, group)));
        }

        @Override
        public String summary(Rig rig) {
            return RigRules.group(rig, group).houseLabel() + " ungrouped";
        }
    }
}
