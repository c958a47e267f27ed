package vividlantern.rig.edit;

import java.util.stream.IntStream;
import vividlantern.history.Refused;
import vividlantern.rig.Device;
import vividlantern.rig.LatencyProfile;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPartKey;

/** Says what a device's converters do: their full scale in dBu and what latency they and the driver report, in frames. */
public record MeasureDevice(String device, double fullScaleDbu, LatencyProfile latency) implements RigEdit {

    private static final int MOST_FRAMES = 100_000;

    @Override
    public Rig applyTo(Rig rig) {
        RigRules.within(fullScaleDbu, -20, 40, "Full scale in dBu", "fullScaleDbu");
        boolean unlikely = IntStream.of(
                        latency.converterIn(), latency.driverIn(), latency.driverOut(), latency.converterOut())
                .anyMatch(frames -> frames < 0 || frames > MOST_FRAMES);
        if (unlikely) {
            throw new Refused("A latency is a number of frames from 0 to " + MOST_FRAMES + ".", "latency");
        }
        Device measured = RigRules.device(rig, device).measured(fullScaleDbu, latency);
        return RigRules.with(rig, RigPartKey.of(measured), measured);
    }

    @Override
    public String summary(Rig rig) {
        return RigRules.device(rig, device).name() + ": full scale " + fullScaleDbu + " dBu";
    }
}
