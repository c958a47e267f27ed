package vividlantern.sim;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import vividlantern.hardware.PreampSetting;
import vividlantern.rig.Amp;
import vividlantern.rig.Device;
import vividlantern.rig.DigitalLink;
import vividlantern.rig.Driver;
import vividlantern.rig.LatencyProfile;
import vividlantern.rig.Mic.Kind;
import vividlantern.rig.MicId;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.Port.Direction;
import vividlantern.rig.Port.GainRange;
import vividlantern.rig.Port.Signal;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.StereoPair;
import vividlantern.rig.StereoPair.Feeds;
import vividlantern.rig.Tie;
import vividlantern.session.song.TempoMap;

/** The studio that ships with the program: its rig, and what really stands in its rooms tonight. */
public final class Saltworks {

    private static final String HARBOUR = "harbour";

    private static final GainRange HARBOUR_GAIN = new GainRange(0, 60, 1);
    private static final GainRange SKERRY_GAIN = new GainRange(10, 65, 1);
    private static final GainRange PILOT_GAIN = new GainRange(20, 70, 5);

    /** As the headphone amps of the house are turned. */
    private static final Optional<Amp> BUOY = Optional.of(new Amp(-14, 10, 6));

    private Saltworks() {}

    /** How the preamps stand that no program can reach, by port. */
    public static Map<String, PreampSetting> fronts() {
        return Map.of(
                "old-pilot-1", new PreampSetting(35, true, false, PreampSetting.Level.MIC),
                "old-pilot-2", new PreampSetting(20, false, false, PreampSetting.Level.MIC));
    }

    /** Which output's cable is really in which input of a headphone amp: those of Buoy B are crossed. */
    static Map<PortId, PortId> ampCables() {
        Map<PortId, PortId> cables = new HashMap<>();
        plug(cables, "buoy-a", 3, 4);
        plug(cables, "buoy-b", 6, 5);
        plug(cables, "buoy-c", 7, 8);
        return cables;
    }

    private static void plug(Map<PortId, PortId> cables, String amp, int left, int right) {
        cables.put(new PortId(amp + "-in-1"), new PortId("harbour-out-" + left));
        cables.put(new PortId(amp + "-in-2"), new PortId("harbour-out-" + right));
    }

    /** The outlets that somebody turned down or switched off and forgot; all others are open. */
    static Map<PortId, HeadphoneAmps.Knob> outlets() {
        return Map.of(
                new PortId("buoy-a-out-2"), new HeadphoneAmps.Knob(20, true),
                new PortId("buoy-b-out-3"), new HeadphoneAmps.Knob(0, false));
    }

    /** The tempo map to which the tune was written. */
    public static TempoMap tempoMap() {
        return Tune.TEMPO_MAP;
    }

    public static Rig rig() {
        List<Port> ports = new ArrayList<>();
        List<Tie> ties = new ArrayList<>();
        for (int n = 1; n <= 16; n++) {
            ports.add(harbourInput(n));
        }
        for (int n = 1; n <= 8; n++) {
            ports.add(plain(
                    "harbour-optical-" + n,
                    "harbour",
                    16 + n,
                    "Optical in " + n,
                    "Harbour optical " + n,
                    Signal.DIGITAL));
            ports.add(preamp("skerry-" + n, "skerry", n, "Mic input " + n, "Skerry " + n, true, SKERRY_GAIN, true));
            ties.add(tie("skerry-" + n, "harbour-optical-" + n));
            ports.add(socket(n));
            ties.add(tie("wall-" + n, "harbour-in-" + n));
        }
        for (int n = 1; n <= 2; n++) {
            ports.add(preamp(
                    "old-pilot-" + n, "old-pilot", n, "Valve input " + n, "Old Pilot " + n, n == 1, PILOT_GAIN, false));
            ties.add(tie("old-pilot-" + n, "harbour-in-" + (8 + n)));
            ports.add(plain("dinghy-in-" + n, "dinghy", n, "Input " + n, "Dinghy " + n, Signal.LINE));
            ports.add(output("dinghy-out-" + n, "dinghy", n, "Output " + n, "Dinghy out " + n));
        }
        for (int n = 1; n <= 14; n++) {
            ports.add(output("harbour-out-" + n, "harbour", n, "Out " + n, "Harbour out " + n));
        }
        for (int n = 1; n <= 8; n++) {
            ports.add(kelpOutput(n));
        }
        addHeadphoneAmp("a", 4, 3, ports, ties);
        addHeadphoneAmp("b", 4, 5, ports, ties);
        addHeadphoneAmp("c", 1, 7, ports, ties);
        return new Rig(
                new RigId("saltworks"),
                0,
                "Saltworks",
                21,
                List.of(
                        converters("harbour", 1, "Harbour 16", Device.Kind.INTERFACE, 20, Device.Clock.LEADS, 0),
                        converters("skerry", 3, "Skerry 8", Device.Kind.EXPANDER, 18, Device.Clock.FOLLOWS, 0),
                        box("old-pilot", 4, "Old Pilot", Device.Kind.PREAMP),
                        box("wall-box", 2, "Wall box", Device.Kind.WALL_BOX),
                        converters("dinghy", 5, "Dinghy 2", Device.Kind.INTERFACE, 18, Device.Clock.OWN, 11),
                        box("buoy-a", 6, "Buoy A", Device.Kind.HEADPHONE_AMP).amplifying(BUOY),
                        box("buoy-b", 7, "Buoy B", Device.Kind.HEADPHONE_AMP).amplifying(BUOY),
                        box("buoy-c", 8, "Buoy C", Device.Kind.HEADPHONE_AMP).amplifying(BUOY),
                        converters("kelp", 9, "Kelp 8", Device.Kind.SOUND_MODULE, 18, Device.Clock.FOLLOWS, 0)),
                ports,
                ties,
                List.of(
                        pair(1, "Main speakers", Feeds.MAIN_SPEAKERS),
                        pair(3, "Buoy A", Feeds.HEADPHONES),
                        pair(5, "Buoy B", Feeds.HEADPHONES),
                        pair(7, "Buoy C, booth", Feeds.HEADPHONES),
                        pair(9, "Live room speaker", Feeds.ROOM_SPEAKER),
                        pair(11, "Engineer's headphones", Feeds.ENGINEER),
                        pair(13, "Second speakers", Feeds.SECOND_SPEAKERS),
                        inputs("skerry-", 7, "Room pair"),
                        inputs("kelp-", 1, "Low drums"),
                        inputs("kelp-", 3, "High drums"),
                        inputs("kelp-", 5, "Piano"),
                        inputs("kelp-", 7, "Pad")),
                List.of(),
                locker());
    }

    private static List<vividlantern.rig.Mic> locker() {
        return List.of(
                mic("wren", "Wren L", Kind.LARGE_CONDENSER, 2, 20, "XLR"),
                mic("heron", "Heron V", Kind.LARGE_CONDENSER, 1, 18, "XLR"),
                mic("tern", "Tern S", Kind.SMALL_CONDENSER, 4, 11, "XLR"),
                mic("dunlin", "Dunlin R", Kind.RIBBON, 2, 2.6, "XLR"),
                mic("gannet", "Gannet D", Kind.DYNAMIC, 3, 2.2, "XLR"),
                mic("limpet", "Limpet", Kind.PASSIVE_DI, 2, 0, "XLR"),
                mic("cockle", "Cockle", Kind.ACTIVE_DI, 1, 0, "XLR"));
    }

    private static vividlantern.rig.Mic mic(
            String id, String name, Kind kind, int count, double sensitivity, String connector) {
        return new vividlantern.rig.Mic(new MicId(id), name, kind, count, sensitivity, connector);
    }

    private static Device converters(
            String id,
            int position,
            String name,
            Device.Kind kind,
            double fullScaleDbu,
            Device.Clock clock,
            double ppm) {
        LatencyProfile latency =
                kind == Device.Kind.INTERFACE ? new LatencyProfile(33, 24, 24, 29) : LatencyProfile.NONE;
        Optional<Driver> driver = kind == Device.Kind.INTERFACE ? Optional.of(Driver.USUAL) : Optional.empty();
        return new Device(id, position, name, kind, fullScaleDbu, latency, clock, ppm, false, driver);
    }

    private static Device box(String id, int position, String name, Device.Kind kind) {
        return new Device(
                id, position, name, kind, 0, LatencyProfile.NONE, Device.Clock.NONE, 0, false, Optional.empty());
    }

    private static void addHeadphoneAmp(String letter, int outlets, int fedFrom, List<Port> ports, List<Tie> ties) {
        String device = "buoy-" + letter;
        String name = "Buoy " + letter.toUpperCase(Locale.ROOT);
        for (int side = 0; side < 2; side++) {
            String id = device + "-in-" + (side + 1);
            String word = side == 0 ? "left" : "right";
            ports.add(plain(id, device, side + 1, "Stereo in " + word, name + " " + word, Signal.LINE));
            ties.add(tie("harbour-out-" + (fedFrom + side), id));
        }
        for (int n = 1; n <= outlets; n++) {
            ports.add(output(device + "-out-" + n, device, n, "Outlet " + n, name + " outlet " + n));
        }
    }

    /** What an interface's driver keeps back: the Harbour is later than it reports, as interfaces are. */
    static LatencyProfile trueLatency(Device leading) {
        LatencyProfile reported = leading.latency();
        return leading.id().equals(HARBOUR)
                ? new LatencyProfile(
                        reported.converterIn(),
                        reported.driverIn() + 20,
                        reported.driverOut() + 21,
                        reported.converterOut())
                : reported;
    }

    /** And by this much of a frame more, which comes of its converters' filters. */
    static double fractionOfAFrame(Device leading) {
        return leading.id().equals(HARBOUR) ? 0.3 : 0;
    }

    private static Tie tie(String from, String to) {
        return new Tie(new PortId(from), new PortId(to));
    }

    private static Port plain(String id, String device, int number, String panel, String label, Signal takes) {
        return port(id, device, Direction.IN, number, panel, label, Set.of(takes), false, "", 0, GainRange.NONE, false);
    }

    private static Port output(String id, String device, int number, String panel, String label) {
        Set<Signal> line = Set.of(Signal.LINE);
        return port(id, device, Direction.OUT, number, panel, label, line, false, "", 0, GainRange.NONE, false);
    }

    private static Port socket(int n) {
        Set<Signal> takes = Set.of(Signal.MIC, Signal.LINE, Signal.INSTRUMENT);
        String id = "wall-" + n;
        return port(
                id,
                "wall-box",
                Direction.IN,
                n,
                "Socket " + n,
                "Wall " + n,
                takes,
                false,
                "",
                0,
                GainRange.NONE,
                false);
    }

    private static Port preamp(
            String id,
            String device,
            int number,
            String panel,
            String label,
            boolean phantom,
            GainRange gain,
            boolean remote) {
        return port(id, device, Direction.IN, number, panel, label, Set.of(Signal.MIC), phantom, "", 0, gain, remote);
    }

    private static Port harbourInput(int n) {
        boolean hasPreamp = n <= 8;
        Set<Signal> takes = n <= 4
                ? Set.of(Signal.MIC, Signal.LINE, Signal.INSTRUMENT)
                : hasPreamp ? Set.of(Signal.MIC, Signal.LINE) : Set.of(Signal.LINE);
        return port(
                "harbour-in-" + n,
                "harbour",
                Direction.IN,
                n,
                "Analog in " + n,
                "Harbour " + n,
                takes,
                hasPreamp,
                n <= 4 ? "1-4" : hasPreamp ? "5-8" : "",
                hasPreamp ? 20 : 0,
                hasPreamp ? HARBOUR_GAIN : GainRange.NONE,
                hasPreamp);
    }

    private static Port port(
            String id,
            String device,
            Direction direction,
            int number,
            String panel,
            String label,
            Set<Signal> takes,
            boolean phantom,
            String bank,
            double padDb,
            GainRange gain,
            boolean remote) {
        return new Port(
                new PortId(id),
                device,
                direction,
                number,
                panel,
                label,
                takes,
                phantom,
                bank,
                padDb,
                gain,
                remote,
                false,
                takes.contains(Signal.DIGITAL)
                        ? Optional.of(new DigitalLink.Channel(DigitalLink.OPTICAL, number - 16))
                        : Optional.empty());
    }

    private static StereoPair inputs(String ports, int left, String houseLabel) {
        return new StereoPair(
                new PairId(ports + left + "-" + (left + 1)),
                houseLabel,
                new PortId(ports + left),
                new PortId(ports + (left + 1)),
                Feeds.NOTHING);
    }

    private static Port kelpOutput(int n) {
        return new Port(
                new PortId("kelp-" + n),
                "kelp",
                Direction.IN,
                n,
                "Output " + n,
                "Kelp " + n,
                Set.of(Signal.DIGITAL),
                false,
                "",
                0,
                GainRange.NONE,
                false,
                false,
                Optional.empty());
    }

    private static StereoPair pair(int left, String houseLabel, Feeds feeds) {
        return new StereoPair(
                new PairId("out-" + left + "-" + (left + 1)),
                houseLabel,
                new PortId("harbour-out-" + left),
                new PortId("harbour-out-" + (left + 1)),
                feeds);
    }

    /** What sounds, in this order: accordion treble and bass side, fiddle, bass, cajón face and port, shaker, voice, bouzouki. */
    static List<Spot> bodies() {
        return List.of(
                Spot.live(1.6, 1.4, 0.9),
                Spot.live(1.1, 1.4, 0.9),
                Spot.live(4, 1.3, 1.5),
                Spot.live(6.2, 3, 0.8),
                Spot.live(3, 5, 0.4),
                Spot.live(3, 5.35, 0.4),
                Spot.live(3.6, 5, 1),
                new Spot(1, 1, 1.6, true),
                new Spot(1.1, 1.2, 1.1, true));
    }

    /** The heads of those who play, by player; the one in the booth sings with it. */
    static SortedMap<String, Spot> heads() {
        SortedMap<String, Spot> heads = new TreeMap<>();
        heads.put("accordion", Spot.live(1.4, 1.3, 1.4));
        heads.put("bass", Spot.live(6.3, 2.8, 1.7));
        heads.put("cajon", Spot.live(3, 5.3, 1.2));
        heads.put("fiddle", Spot.live(4, 1.2, 1.7));
        heads.put("voice", new Spot(1, 1, 1.6, true));
        return heads;
    }

    /** Every mic and pickup, with the port its cable really goes into. */
    static List<Mic> mics() {
        return List.of(
                Mic.inAir("accordion treble", "wall-5", 20, true, Spot.live(1.8, 1.8, 1)),
                Mic.inAir("accordion bass side", "wall-6", 2.2, false, Spot.live(0.8, 1.5, 0.9)),
                Mic.inAir("fiddle", "wall-1", 2.6, false, Spot.live(4.2, 1.7, 1.9)),
                Mic.pickup("fiddle pickup", "wall-2", 0.12, false, 2),
                Mic.inAir("bass", "old-pilot-1", 20, true, Spot.live(6, 3.4, 0.7)),
                Mic.pickup("bass pickup", "wall-3", 0.15, false, 3),
                Mic.inAir("cajón front", "skerry-1", 2.2, false, Spot.live(3, 4.7, 0.4)),
                Mic.inAir("cajón rear", "skerry-2", 11, true, Spot.live(3, 5.6, 0.35)),
                Mic.inAir("shaker", "skerry-3", 11, true, Spot.live(3.8, 4.7, 1.1)),
                Mic.inAir("lead voice", "wall-7", 18, true, new Spot(1, 1.2, 1.6, true)),
                Mic.pickup("bouzouki", "wall-8", 0.1, true, 8),
                Mic.inAir("room left", "skerry-7", 11, true, Spot.live(2.6, 3, 2.8)),
                Mic.inAir("room right", "skerry-8", 11, true, Spot.live(4.4, 3, 2.8)));
    }
}
