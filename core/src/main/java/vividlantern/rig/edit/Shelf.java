package vividlantern.rig.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import vividlantern.rig.Device;
import vividlantern.rig.DigitalLink;
import vividlantern.rig.LatencyProfile;
import vividlantern.rig.Port;
import vividlantern.rig.Port.Direction;
import vividlantern.rig.Port.GainRange;
import vividlantern.rig.Port.Signal;
import vividlantern.rig.Rig;
import vividlantern.rig.edit.DeviceEdit.AddDevice;

/** Generic devices to begin a rig with. None of them is anybody's model: they are starting points to describe one's own from. */
public final class Shelf {

    private static final LatencyProfile ORDINARY = new LatencyProfile(33, 24, 24, 29);
    private static final GainRange MIC_GAIN = new GainRange(0, 60, 1);
    private static final Set<Signal> COMBINATION = Set.of(Signal.MIC, Signal.LINE, Signal.INSTRUMENT);
    private static final Set<Signal> MIC_OR_LINE = Set.of(Signal.MIC, Signal.LINE);
    private static final Set<Signal> LINE = Set.of(Signal.LINE);

    private Shelf() {}

    /** What stands on the shelf, each with an id and a name that the user will change. */
    public static List<AddDevice> devices() {
        return List.of(
                boxOf("interface-2", "Interface, 2 inputs", List.of(mics(2, 1, COMBINATION), outs(2))),
                boxOf("interface-8", "Interface, 8 inputs", List.of(mics(8, 4, COMBINATION), outs(8))),
                boxOf(
                        "interface-16",
                        "Interface, 16 inputs",
                        List.of(mics(8, 4, MIC_OR_LINE), ins("Line input", 8), optical(8), outs(16))),
                boxOf("interface-32", "Interface, 32 inputs", List.of(mics(32, 8, MIC_OR_LINE), optical(16), outs(32))),
                of(
                        "mic-expander",
                        "Mic expander, 8 inputs",
                        Device.Kind.EXPANDER,
                        List.of(preamps("Mic input", 8, new GainRange(10, 65, 1), true))),
                of(
                        "preamp-1",
                        "Preamp, 1 channel",
                        Device.Kind.PREAMP,
                        List.of(preamps("Channel", 1, new GainRange(20, 70, 5), false))),
                of(
                        "preamp-2",
                        "Preamp, 2 channels",
                        Device.Kind.PREAMP,
                        List.of(preamps("Channel", 2, new GainRange(20, 70, 5), false))),
                of("wall-box-8", "Wall box, 8 sockets", Device.Kind.WALL_BOX, List.of(sockets("Socket", 8))),
                of("patch-bay-16", "Patch bay, 16 points", Device.Kind.PATCH_BAY, List.of(points(16))),
                of(
                        "headphone-amp-1",
                        "Headphone amp, 1 outlet",
                        Device.Kind.HEADPHONE_AMP,
                        List.of(ins("Stereo in", 2), outlets(1))),
                of(
                        "headphone-amp-4",
                        "Headphone amp, 4 outlets",
                        Device.Kind.HEADPHONE_AMP,
                        List.of(ins("Stereo in", 2), outlets(4))),
                of("speakers", "Speakers", Device.Kind.SPEAKERS, List.of(ins("Speaker in", 2))),
                of("outboard", "Outboard, 1 channel", Device.Kind.OUTBOARD, List.of(ins("Send in", 1), outs(1))),
                of(
                        "sound-module",
                        "Sound module, 8 outputs",
                        Device.Kind.SOUND_MODULE,
                        List.of(
                                digital("Low drums", 2),
                                digital("High drums", 2),
                                digital("Piano", 2),
                                digital("Pad", 2))));
    }

    /** The edits that add a device as it is used: an interface with its outputs in pairs. */
    public static List<RigEdit> ready(Rig rig, AddDevice device) {
        List<RigEdit> edits = new ArrayList<>(List.of(device));
        if (device.deviceKind() == Device.Kind.INTERFACE) {
            edits.addAll(Neighbours.pair(device.applyTo(rig), device.device(), Direction.OUT));
        }
        return edits;
    }

    private static AddDevice boxOf(String id, String name, List<PortRun> runs) {
        return new AddDevice(id, name, Device.Kind.INTERFACE, 18, ORDINARY, Device.Clock.LEADS, 0, runs);
    }

    private static AddDevice of(String id, String name, Device.Kind kind, List<PortRun> runs) {
        Device.Clock clock = kind.converts() ? Device.Clock.FOLLOWS : Device.Clock.NONE;
        double fullScale = kind.converts() ? 18 : 0;
        return new AddDevice(id, name, kind, fullScale, LatencyProfile.NONE, clock, 0, runs);
    }

    private static PortRun mics(int count, int bank, Set<Signal> takes) {
        return new PortRun(Direction.IN, count, "Analog in", "", takes, bank, 20, MIC_GAIN, true, Optional.empty());
    }

    private static PortRun preamps(String panel, int count, GainRange gain, boolean remote) {
        return new PortRun(Direction.IN, count, panel, "", Set.of(Signal.MIC), 1, 0, gain, remote, Optional.empty());
    }

    private static PortRun ins(String panel, int count) {
        return plain(Direction.IN, panel, "", count, LINE);
    }

    private static PortRun outs(int count) {
        return plain(Direction.OUT, "Line out", "", count, LINE);
    }

    private static PortRun optical(int count) {
        return digital(DigitalLink.OPTICAL, "Optical in", "Optical", count);
    }

    private static PortRun outlets(int count) {
        return plain(Direction.OUT, "Outlet", "Outlet", count, LINE);
    }

    private static PortRun sockets(String panel, int count) {
        return plain(Direction.IN, panel, "Wall", count, MIC_OR_LINE);
    }

    private static PortRun points(int count) {
        return plain(Direction.IN, "Point", "Patch", count, LINE);
    }

    private static PortRun digital(String panel, int count) {
        Set<Signal> takes = Set.of(Signal.DIGITAL);
        return new PortRun(Direction.IN, count, panel, "", takes, 0, 0, GainRange.NONE, false, Optional.empty());
    }

    private static PortRun digital(DigitalLink link, String panel, String label, int count) {
        Set<Signal> takes = Set.of(Signal.DIGITAL);
        return new PortRun(Direction.IN, count, panel, label, takes, 0, 0, GainRange.NONE, false, Optional.of(link));
    }

    private static PortRun plain(Direction direction, String panel, String label, int count, Set<Port.Signal> takes) {
        return new PortRun(direction, count, panel, label, takes, 0, 0, GainRange.NONE, false, Optional.empty());
    }
}
