package vividlantern.sim;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import vividlantern.rig.Device;
import vividlantern.rig.LatencyProfile;
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
import vividlantern.session.TempoMap;

/** The studio that ships with the program: its rig, and what really stands in its rooms tonight. */
public final class Saltworks {

    private static final GainRange HARBOUR_GAIN = new GainRange(0, 60, 1);
    private static final GainRange SKERRY_GAIN = new GainRange(10, 65, 1);
    private static final GainRange PILOT_GAIN = new GainRange(20, 70, 5);

    private Saltworks() {}

    /** The tempo map to which the tune was written. */
    public static TempoMap tempoMap() {
        return Tune.TEMPO_MAP;
    }

    public static Rig rig() {
        List<Port> ports = new ArrayList<>();
        List<Tie> ties = new ArrayList<>();
        for (int n = 1; n <= 8; n++) {
            ports.add(new Port(
                    new PortId("wall-" + n),
                    "wall-box",
                    Direction.IN,
                    n,
                    "Socket " + n,
                    "Wall " + n,
                    Set.of(Signal.MIC, Signal.LINE),
                    false,
                    "",
                    GainRange.NONE,
                    false,
                    false));
            ties.add(new Tie(new PortId("wall-" + n), new PortId("harbour-in-" + n)));
        }
        for (int n = 1; n <= 2; n++) {
            ports.add(new Port(
                    new PortId("old-pilot-" + n),
                    "old-pilot",
                    Direction.IN,
                    n,
                    "Valve input " + n,
                    "Old Pilot " + n,
                    Set.of(Signal.MIC),
                    n == 1,
                    "",
                    PILOT_GAIN,
                    false,
                    false));
            ties.add(new Tie(new PortId("old-pilot-" + n), new PortId("harbour-in-" + (8 + n))));
        }
        for (int n = 1; n <= 8; n++) {
            ports.add(new Port(
                    new PortId("skerry-" + n),
                    "skerry",
                    Direction.IN,
                    n,
                    "Mic input " + n,
                    "Skerry " + n,
                    Set.of(Signal.MIC),
                    true,
                    "",
                    SKERRY_GAIN,
                    true,
                    false));
            ties.add(new Tie(new PortId("skerry-" + n), new PortId("harbour-optical-" + n)));
        }
        for (int n = 1; n <= 16; n++) {
            ports.add(harbourInput(n));
        }
        for (int n = 1; n <= 8; n++) {
            ports.add(new Port(
                    new PortId("harbour-optical-" + n),
                    "harbour",
                    Direction.IN,
                    16 + n,
                    "Optical in " + n,
                    "Harbour optical " + n,
                    Set.of(Signal.DIGITAL),
                    false,
                    "",
                    GainRange.NONE,
                    false,
                    false));
        }
        for (int n = 1; n <= 14; n++) {
            ports.add(new Port(
                    new PortId("harbour-out-" + n),
                    "harbour",
                    Direction.OUT,
                    n,
                    "Line out " + n,
                    "Harbour out " + n,
                    Set.of(Signal.LINE),
                    false,
                    "",
                    GainRange.NONE,
                    false,
                    false));
        }
        return new Rig(
                new RigId("saltworks"),
                "Saltworks",
                21,
                List.of(
                        new Device(
                                "harbour", "Harbour 16", Device.Kind.INTERFACE, 20, new LatencyProfile(33, 24, 24, 29)),
                        new Device("skerry", "Skerry 8", Device.Kind.EXPANDER, 18, LatencyProfile.NONE),
                        new Device("old-pilot", "Old Pilot", Device.Kind.PREAMP, 0, LatencyProfile.NONE),
                        new Device("wall-box", "Wall box", Device.Kind.WALL_BOX, 0, LatencyProfile.NONE)),
                ports,
                ties,
                List.of(
                        pair(1, "Main speakers", Feeds.MAIN_SPEAKERS),
                        pair(3, "Buoy A", Feeds.HEADPHONES),
                        pair(5, "Buoy B", Feeds.HEADPHONES),
                        pair(7, "Buoy C, booth", Feeds.HEADPHONES),
                        pair(9, "Live room speaker", Feeds.ROOM_SPEAKER),
                        pair(11, "Engineer's headphones", Feeds.ENGINEER),
                        pair(13, "Second speakers", Feeds.SECOND_SPEAKERS)));
    }

    private static Port harbourInput(int n) {
        boolean hasPreamp = n <= 8;
        Set<Signal> takes = n <= 4
                ? Set.of(Signal.MIC, Signal.LINE, Signal.INSTRUMENT)
                : hasPreamp ? Set.of(Signal.MIC, Signal.LINE) : Set.of(Signal.LINE);
        String bank = n <= 4 ? "1-4" : hasPreamp ? "5-8" : "";
        return new Port(
                new PortId("harbour-in-" + n),
                "harbour",
                Direction.IN,
                n,
                "Analog in " + n,
                "Harbour " + n,
                takes,
                hasPreamp,
                bank,
                hasPreamp ? HARBOUR_GAIN : GainRange.NONE,
                hasPreamp,
                false);
    }

    private static StereoPair pair(int left, String houseLabel, Feeds feeds) {
        return new StereoPair(
                new PairId("out-" + left + "-" + (left + 1)),
                houseLabel,
                "Out " + left + "-" + (left + 1),
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
