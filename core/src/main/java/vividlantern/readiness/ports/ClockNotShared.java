package vividlantern.readiness.ports;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Device;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.PartKey;
import vividlantern.session.Session;
import vividlantern.timing.Drift;

/** A device on a clock of its own: what comes from it slowly slides against the rest. */
public final class ClockNotShared implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        List<Finding> found = new ArrayList<>();
        for (Device device : rig.devices()) {
            boolean used = session.inputs().stream()
                    .flatMap(input -> input.ports().stream())
                    .anyMatch(port -> passes(rig, port, device));
            if (device.clock() == Device.Clock.OWN && !device.retired() && used) {
                found.add(finding(device));
            }
        }
        return found;
    }

    /** Whether a signal that enters at a port goes through a device. */
    private static boolean passes(Rig rig, PortId entry, Device device) {
        return rig.wayFrom(entry).stream()
                .flatMap(id -> rig.port(id).stream())
                .anyMatch(port -> port.device().equals(device.id()));
    }

    private static Finding finding(Device device) {
        double driftMs = Math.abs(Drift.msAfterFiveMinutes(device.driftPpm()));
        if (device.kind() == Device.Kind.INTERFACE) {
            return Finding.byHand(
                    Keys.of("clock-drifting", device.id(), device.driftPpm()),
                    device.name() + " runs on its own clock, " + device.driftPpm()
                            + " ppm from the interface's, and is resampled.",
                    String.format(Locale.ROOT, "What plays there is off by %.1f ms after five minutes.", driftMs),
                    List.<PartKey>of(),
                    "Start it anew for each take, or let it follow the clock and say so under Rig.");
        }
        return Finding.byHand(
                Keys.of("clock-not-shared", device.id(), device.driftPpm()),
                device.name() + " runs on its own clock, " + device.driftPpm() + " ppm from the interface's.",
                String.format(Locale.ROOT, "In five minutes it drifts by %.1f ms; digital links click.", driftMs),
                List.<PartKey>of(),
                "Let it follow the clock, by word clock or its digital link, and say so under Rig.");
    }
}
