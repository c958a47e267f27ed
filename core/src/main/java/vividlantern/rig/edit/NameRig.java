package vividlantern.rig.edit;

import vividlantern.rig.Rig;
import vividlantern.rig.RigPartKey;
import vividlantern.rig.RigSettings;

/** Calls the rig something else. */
public record NameRig(String name) implements RigEdit {

    @Override
    public Rig applyTo(Rig rig) {
        RigSettings named = new RigSettings(RigRules.text(name, "A rig", "name"), rig.celsius());
        return RigRules.with(rig, RigPartKey.SETTINGS, named);
    }

    @Override
    public String summary(Rig rig) {
        return rig.name() + " is called " + name;
    }
}
