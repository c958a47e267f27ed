package vividlantern.rig.edit;

import vividlantern.rig.GroupId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPartKey;
import vividlantern.rig.WideGroup;

/** Calls a group of ports by the name that the house uses. */
public record LabelGroup(GroupId group, String houseLabel) implements RigEdit {

    @Override
    public Rig applyTo(Rig rig) {
        WideGroup labelled = RigRules.group(rig, group).labelled(RigRules.text(houseLabel, "A group", "houseLabel"));
        return RigRules.with(rig, RigPartKey.of(labelled), labelled);
    }

    @Override
    public String summary(Rig rig) {
        return RigRules.group(rig, group).houseLabel() + " is called " + houseLabel;
    }
}
