package vividlantern.rig.edit;

import vividlantern.history.Refused;
import vividlantern.rig.Device;
import vividlantern.rig.Driver;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPartKey;

/** Says what an interface can run at: sample rates of 8 to 384 kHz, buffers of 16 to 4096 frames, direct monitoring or not. */
public record SetDriver(String device, Driver driver) implements RigEdit {

    @Override
    public Rig applyTo(Rig rig) {
        Device found = RigRules.device(rig, device);
        if (found.kind() != Device.Kind.INTERFACE) {
            throw new Refused(found.name() + " is no interface, so it has no driver.", "device");
        }
        RigRules.driver(driver);
        Device driven = found.drivenBy(driver);
        return RigRules.with(rig, RigPartKey.of(driven), driven);
    }

    @Override
    public String summary(Rig rig) {
        return RigRules.device(rig, device).name() + ": what it can run at";
    }
}
