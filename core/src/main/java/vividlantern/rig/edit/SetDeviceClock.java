package vividlantern.rig.edit;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import vividlantern.history.Refused;
import vividlantern.rig.Device;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPart;
import vividlantern.rig.RigPartKey;
import vividlantern.rig.RigParts;

/**
 * Says whose clock a device runs by. One leads; the one that led before follows from then on.
 *
 * @param driftPpm how far its own clock runs from the leading one, -1000 to 1000 parts per million
 */
public record SetDeviceClock(String device, Device.Clock clock, double driftPpm) implements RigEdit {

    @Override
    public Rig applyTo(Rig rig) {
        Device found = RigRules.device(rig, device);
        if (!found.kind().converts() || clock == Device.Clock.NONE) {
            throw new Refused(found.name() + " has no converters, so no clock.", "clock");
        }
        if (clock == Device.Clock.LEADS && found.kind() != Device.Kind.INTERFACE) {
            throw new Refused(
                    "The engine runs on an interface; its clock leads. " + found.name() + " is none.", "clock");
        }
        RigRules.drift(driftPpm);
        Map<RigPartKey, Optional<RigPart>> parts = new HashMap<>();
        if (clock == Device.Clock.LEADS) {
            rig.devices().stream()
                    .filter(each -> each.clock() == Device.Clock.LEADS)
                    .forEach(
                            each -> parts.put(RigPartKey.of(each), Optional.of(each.clocked(Device.Clock.FOLLOWS, 0))));
        }
        double drift = clock == Device.Clock.OWN ? driftPpm : 0;
        parts.put(RigPartKey.of(found), Optional.of(found.clocked(clock, drift)));
        return RigParts.OF_RIG.replace(rig, parts);
    }

    @Override
    public String summary(Rig rig) {
        String name = RigRules.device(rig, device).name();
        return switch (clock) {
            case LEADS -> name + " leads the clock";
            case FOLLOWS -> name + " follows the clock";
            case OWN -> name + " runs on its own clock";
            case NONE -> name + " has no clock";
        };
    }
}
