package vividlantern.rig.edit;

import vividlantern.rig.GroupId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPartKey;

/** Takes a group of ports apart; the ports stay. */
public record UngroupPorts(GroupId group) implements RigEdit {

    @Override
    public Rig applyTo(Rig rig) {
        return RigRules.without(rig, RigPartKey.of(RigRules.group(rig, group)));
    }

    @Override
    public String summary(Rig rig) {
        return RigRules.group(rig, group).houseLabel() + " is no group any more";
    }
}
