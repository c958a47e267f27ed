package vividlantern.rig.edit;

import vividlantern.rig.Device;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPartKey;

/** Calls a device something else. */
public record NameDevice(String device, String name) implements RigEdit {

    @Override
    public Rig applyTo(Rig rig) {
        Device named = RigRules.device(rig, device).named(RigRules.text(name, "A device", "name"));
        return RigRules.with(rig, RigPartKey.of(named), named);
    }

    @Override
    public String summary(Rig rig) {
        return RigRules.device(rig, device).name() + " is called " + name;
    }
}
