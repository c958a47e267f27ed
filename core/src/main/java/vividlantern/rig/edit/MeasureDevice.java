package vividlantern.rig.edit;

import vividlantern.rig.Device;
import vividlantern.rig.LatencyProfile;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPartKey;

/** Says what a device's converters do: their full scale in dBu and what latency they and the driver report, in frames. */
public record MeasureDevice(String device, double fullScaleDbu, LatencyProfile latency) implements RigEdit {

    @Override
    public Rig applyTo(Rig rig) {
        RigRules.fullScale(fullScaleDbu);
        RigRules.latency(latency);
        Device measured = RigRules.device(rig, device).measured(fullScaleDbu, latency);
        return RigRules.with(rig, RigPartKey.of(measured), measured);
    }

    @Override
    public String summary(Rig rig) {
        return RigRules.device(rig, device).name() + ": full scale " + fullScaleDbu + " dBu";
    }
}
