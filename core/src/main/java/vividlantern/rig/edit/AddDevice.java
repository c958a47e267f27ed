package vividlantern.rig.edit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vividlantern.history.Refused;
import vividlantern.rig.Device;
import vividlantern.rig.DigitalLink;
import vividlantern.rig.Driver;
import vividlantern.rig.LatencyProfile;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPart;
import vividlantern.rig.RigPartKey;
import vividlantern.rig.RigParts;
import vividlantern.rig.StereoPair;

/**
 * Adds a device with its ports. Ports are numbered from 1 in each direction, through all runs; their ids are the device's
 * with "-in-" or "-out-" and the number. The first interface of a rig leads its clock.
 */
public record AddDevice(
        String device,
        String name,
        Device.Kind deviceKind,
        double fullScaleDbu,
        LatencyProfile latency,
        Device.Clock clock,
        double driftPpm,
        List<PortRun> runs)
        implements RigEdit {

    private static final int MOST_PORTS = 256;
    private static final int LONGEST_ID = 32;

    public AddDevice {
        runs = List.copyOf(runs);
    }

    @Override
    public Rig applyTo(Rig rig) {
        boolean taken = rig.devices().stream().anyMatch(each -> each.id().equals(device));
        RigRules.newId(device, taken, "device");
        if (device.length() > LONGEST_ID) {
            throw new Refused("A device's id has at most " + LONGEST_ID + " characters.", "device");
        }
        String called = RigRules.text(name, "A device", "name");
        RigRules.latency(latency);
        RigRules.drift(driftPpm);
        runs.forEach(run -> RigRules.abilities(run.takes(), run.padDb(), run.gain()));
        double position =
                rig.devices().stream().mapToDouble(Device::position).max().orElse(0) + 1;
        Device.Clock runsBy = deviceKind.converts() ? clockIn(rig) : Device.Clock.NONE;
        Device added = new Device(
                device,
                position,
                called,
                deviceKind,
                RigRules.fullScale(fullScaleDbu),
                latency,
                runsBy,
                driftPpm,
                false,
                deviceKind == Device.Kind.INTERFACE ? Optional.of(Driver.USUAL) : Optional.empty());
        Map<RigPartKey, Optional<RigPart>> parts = new HashMap<>();
        parts.put(RigPartKey.of(added), Optional.of(added));
        int inputs = 0;
        int outputs = 0;
        for (PortRun run : runs) {
            if (run.count() < 1 || inputs + outputs + run.count() > MOST_PORTS) {
                throw new Refused(
                        "A device has at most " + MOST_PORTS + " ports, and a run of them at least one.", "runs");
            }
            boolean in = run.direction() == Port.Direction.IN;
            List<Port> ports = new ArrayList<>();
            for (int n = 1; n <= run.count(); n++) {
                Port port = port(run, n, (in ? inputs : outputs) + n, called);
                parts.put(RigPartKey.of(port), Optional.of(port));
                ports.add(port);
            }
            if (deviceKind == Device.Kind.SOUND_MODULE && ports.size() == 2) {
                StereoPair pair = pair(run, ports.get(0), ports.get(1));
                parts.put(RigPartKey.of(pair), Optional.of(pair));
            }
            inputs += in ? run.count() : 0;
            outputs += in ? 0 : run.count();
        }
        return RigParts.OF_RIG.replace(rig, parts);
    }

    private Device.Clock clockIn(Rig rig) {
        boolean first =
                deviceKind == Device.Kind.INTERFACE && rig.leadingInterface().isEmpty();
        boolean second = clock == Device.Clock.LEADS && !first;
        return first ? Device.Clock.LEADS : second ? Device.Clock.FOLLOWS : clock;
    }

    private StereoPair pair(PortRun run, Port left, Port right) {
        PairId id = new PairId(left.id().value() + "-" + right.number());
        return new StereoPair(id, run.panelName().strip(), left.id(), right.id(), StereoPair.Feeds.NOTHING);
    }

    private Port port(PortRun run, int n, int number, String called) {
        boolean in = run.direction() == Port.Direction.IN;
        String ofDevice = called + (in ? " " : " out ") + number;
        int bank = run.phantomBank() > 1 ? (n - 1) / run.phantomBank() * run.phantomBank() + 1 : 0;
        return new Port(
                new PortId(device + (in ? "-in-" : "-out-") + number),
                device,
                run.direction(),
                number,
                RigRules.text(run.panelName(), "A run of ports", "panelName") + " " + n,
                run.label().isBlank() ? ofDevice : run.label().strip() + " " + n,
                run.takes(),
                run.phantomBank() > 0,
                bank == 0 ? "" : bank + "-" + Math.min(bank + run.phantomBank() - 1, run.count()),
                run.padDb(),
                run.gain(),
                run.remote(),
                false,
                run.link().map(link -> new DigitalLink.Channel(link, (n - 1) % link.channels() + 1)));
    }

    @Override
    public String summary(Rig rig) {
        return name + " added";
    }
}
