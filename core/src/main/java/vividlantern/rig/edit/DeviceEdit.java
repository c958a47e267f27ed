package vividlantern.rig.edit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import vividlantern.basics.Ids;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.rig.Amp;
import vividlantern.rig.Device;
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

/** Changes of the devices. */
public sealed interface DeviceEdit extends RigEdit {

    String device();

    /**
     * Adds a device with its ports. Ports are numbered from 1 in each direction, through all runs; their ids are the device's
     * with "-in-" or "-out-" and the number. The first interface of a rig leads its clock.
     */
    record AddDevice(
            String device,
            String name,
            Device.Kind deviceKind,
            double fullScaleDbu,
            LatencyProfile latency,
            Device.Clock clock,
            double driftPpm,
            List<PortRun> runs)
            implements DeviceEdit {

        private static final int MOST_PORTS = 256;
        private static final int LONGEST_ID = 32;

        public AddDevice {
            runs = List.copyOf(runs);
        }

        @Override
        public Rig applyTo(Rig rig) {
            boolean taken = rig.devices().stream().anyMatch(each -> each.id().equals(device));
            Ids.requireNew(device, taken, "device");
            if (device.length() > LONGEST_ID) {
                throw new Refused("A device's id has at most " + LONGEST_ID + " characters.", "device");
            }
            String called = Texts.name(name, "A device", "name");
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
            boolean first = deviceKind == Device.Kind.INTERFACE
                    && rig.leadingInterface().isEmpty();
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
            return new Port(
                    new PortId(device + (in ? "-in-" : "-out-") + number),
                    device,
                    run.direction(),
                    number,
                    Texts.name(run.panelName(), "A run of ports", "panelName") + " " + n,
                    run.label().isBlank() ? ofDevice : run.label().strip() + " " + n,
                    run.takes(),
                    run.phantomBank() > 0,
                    RigRules.bankOf(n - 1, run.phantomBank(), run.count(), at -> at + 1),
                    run.padDb(),
                    run.gain(),
                    run.remote(),
                    false,
                    run.link().map(link -> link.counted(n - 1)));
        }

        @Override
        public String summary(Rig rig) {
            return name + " added";
        }
    }

    /** Takes a device out, with its ties and pairs. Its ports keep their names for sessions that speak of them. */
    record RemoveDevice(String device) implements DeviceEdit {

        @Override
        public Rig applyTo(Rig rig) {
            Device found = RigRules.device(rig, device);
            Set<PortId> ports = rig.ports().stream()
                    .filter(port -> port.device().equals(device))
                    .map(Port::id)
                    .collect(Collectors.toSet());
            Map<RigPartKey, Optional<RigPart>> parts = new HashMap<>();
            parts.put(RigPartKey.of(found), Optional.of(found.retired(true)));
            rig.ties().stream()
                    .filter(tie -> ports.contains(tie.from()) || ports.contains(tie.to()))
                    .forEach(tie -> parts.put(RigPartKey.of(tie), Optional.empty()));
            rig.pairs().stream()
                    .filter(pair -> ports.contains(pair.left()) || ports.contains(pair.right()))
                    .forEach(pair -> parts.put(RigPartKey.of(pair), Optional.empty()));
            rig.groups().stream()
                    .filter(group -> group.ports().stream().anyMatch(ports::contains))
                    .forEach(group -> parts.put(RigPartKey.of(group), Optional.empty()));
            return RigParts.OF_RIG.replace(rig, parts);
        }

        @Override
        public boolean largeByItself() {
            return true;
        }

        @Override
        public String summary(Rig rig) {
            return RigRules.device(rig, device).name() + " removed";
        }
    }

    /** Calls a device something else. */
    record NameDevice(String device, String name) implements DeviceEdit {

        @Override
        public Rig applyTo(Rig rig) {
            Device named = RigRules.device(rig, device).named(Texts.name(name, "A device", "name"));
            return RigRules.with(rig, RigPartKey.of(named), named);
        }

        @Override
        public String summary(Rig rig) {
            return RigRules.device(rig, device).name() + " is called " + name;
        }
    }

    /** Says what a device's converters do: their full scale in dBu and what latency they and the driver report, in frames. */
    record MeasureDevice(String device, double fullScaleDbu, LatencyProfile latency) implements DeviceEdit {

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

    /** Says what a headphone amp does to what goes to headphones; none takes back what was said. */
    record SetAmp(String device, Optional<Amp> amp) implements DeviceEdit {

        @Override
        public Rig applyTo(Rig rig) {
            Device found = RigRules.device(rig, device);
            if (found.kind() != Device.Kind.HEADPHONE_AMP) {
                throw new Refused(found.name() + " is no headphone amp.", "device");
            }
            amp.ifPresent(RigRules::amp);
            return RigRules.with(rig, RigPartKey.of(found), found.amplifying(amp));
        }

        @Override
        public String summary(Rig rig) {
            return RigRules.device(rig, device).name() + ": "
                    + amp.map(Amp::words).orElse("nobody has told what it does");
        }
    }

    /**
     * Says whose clock a device runs by. One leads; the one that led before follows from then on.
     *
     * @param driftPpm how far its own clock runs from the leading one, -1000 to 1000 parts per million
     */
    record SetDeviceClock(String device, Device.Clock clock, double driftPpm) implements DeviceEdit {

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
                        .forEach(each ->
                                parts.put(RigPartKey.of(each), Optional.of(each.clocked(Device.Clock.FOLLOWS, 0))));
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

    /** Says what an interface can run at: sample rates of 8 to 384 kHz, buffers of 16 to 4096 frames, direct monitoring or not. */
    record SetDriver(String device, Driver driver) implements DeviceEdit {

        @Override
        public Rig applyTo(Rig rig) {
            Device found = RigRules.device(rig, device);
            if (found.kind() != Device.Kind.INTERFACE) {
                throw new Refused(found.name() + " is not an interface, so it has no driver.", "device");
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
}
