package vividlantern;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import vividlantern.rig.Device;
import vividlantern.rig.Driver;
import vividlantern.rig.LatencyProfile;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.StereoPair;
import vividlantern.session.BringLine;
import vividlantern.session.BringLineId;
import vividlantern.session.DirectLevel;
import vividlantern.session.Feed;
import vividlantern.session.Hear;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Look;
import vividlantern.session.Monitoring;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.SourceKind;
import vividlantern.session.Track;
import vividlantern.session.TrackGroup;
import vividlantern.session.TrackGroupId;
import vividlantern.session.TrackId;
import vividlantern.session.TrackWay;
import vividlantern.session.chain.Chain;
import vividlantern.session.chain.Chains;
import vividlantern.session.chain.EffectId;
import vividlantern.session.chain.EffectNumber;
import vividlantern.session.chain.EffectType;
import vividlantern.session.chain.EffectValue;
import vividlantern.session.chain.Inserted;
import vividlantern.session.cue.Comfort;
import vividlantern.session.cue.Compressor;
import vividlantern.session.cue.Corner;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Ears;
import vividlantern.session.cue.Echo;
import vividlantern.session.cue.Headphones;
import vividlantern.session.cue.Send;
import vividlantern.session.cue.Tap;
import vividlantern.session.cue.Worn;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.SessionEdit.SetMainLevel;
import vividlantern.session.edit.TrackEdit.MuteTrack;
import vividlantern.session.edit.TrackEdit.SetFader;
import vividlantern.session.edit.TrackEdit.SetPan;
import vividlantern.session.edit.TrackEdit.SetSoloSafe;
import vividlantern.session.edit.TrackEdit.SoloTrack;
import vividlantern.session.song.Backing;
import vividlantern.session.song.Media;
import vividlantern.session.song.MediaId;
import vividlantern.session.song.NoteValue;
import vividlantern.session.song.SongEntry;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** A plain rig, and sessions on it that differ by a seed alone. */
public final class RandomSessions {

    public static final int INPUTS = 16;
    public static final int CUES = 4;
    public static final Rig RIG = rig(INPUTS, CUES);

    private RandomSessions() {}

    /** An outlet of a headphone amp at which nothing arrives, and one interface: input ports "in-1" …, main speakers "main", pairs for headphones "phones-1" …. */
    public static Rig rig(int inputs, int cues) {
        List<Port> ports = new ArrayList<>();
        for (int n = 1; n <= inputs; n++) {
            ports.add(port("in-" + n, Port.Direction.IN, n));
        }
        List<StereoPair> pairs = new ArrayList<>();
        for (int pair = 0; pair <= cues; pair++) {
            PortId left = new PortId("out-" + (2 * pair + 1));
            PortId right = new PortId("out-" + (2 * pair + 2));
            ports.add(port(left.value(), Port.Direction.OUT, 2 * pair + 1));
            ports.add(port(right.value(), Port.Direction.OUT, 2 * pair + 2));
            String name = pair == 0 ? "main" : "phones-" + pair;
            StereoPair.Feeds feeds = pair == 0 ? StereoPair.Feeds.MAIN_SPEAKERS : StereoPair.Feeds.HEADPHONES;
            pairs.add(new StereoPair(new PairId(name), name, left, right, feeds));
        }
        Device box = new Device(
                "box",
                1,
                "Box",
                Device.Kind.INTERFACE,
                18,
                new LatencyProfile(33, 24, 24, 29),
                Device.Clock.LEADS,
                0,
                false,
                Optional.of(Driver.USUAL));
        Device amp = new Device(
                "amp",
                2,
                "Amp",
                Device.Kind.HEADPHONE_AMP,
                0,
                LatencyProfile.NONE,
                Device.Clock.NONE,
                0,
                false,
                Optional.empty());
        ports.add(port("amp", "amp-out-1", Port.Direction.OUT, 1));
        return new Rig(
                new RigId("plain"), 0, "Plain", 20, List.of(box, amp), ports, List.of(), pairs, List.of(), List.of());
    }

    private static Port port(String id, Port.Direction direction, int number) {
        return port("box", id, direction, number);
    }

    private static Port port(String device, String id, Port.Direction direction, int number) {
        return new Port(
                new PortId(id),
                device,
                direction,
                number,
                "Panel " + id,
                "House " + id,
                Set.of(Port.Signal.LINE),
                false,
                "",
                0,
                Port.GainRange.NONE,
                false,
                false,
                Optional.empty());
    }

    /** Nothing but a click, on the plain rig. */
    public static Session blank() {
        return Session.blank(new SessionId("s"), "S", "Song", RIG.id(), Optional.of(new PairId("main")));
    }

    /** Inputs, tracks and cues of all kinds; every cue hears at least its first send at -12 dB or more. */
    public static Session session(long seed) {
        Random random = new Random(seed);
        Session session = blank();
        for (int n = 0; n < 3; n++) {
            session = session.plus(Performer.of(new PerformerId("p" + n), n, "Player " + n, "place " + n)
                    .playing(Optional.of(SourceKind.values()[n % 7]))
                    .away(n / 4.0));
        }
        for (int n = 1; n <= INPUTS; n++) {
            Optional<PerformerId> performer =
                    random.nextBoolean() ? Optional.of(new PerformerId("p" + random.nextInt(3))) : Optional.empty();
            session = session.plus(Input.of(new InputId("i" + n), n, "Source " + n)
                    .playedBy(performer)
                    .through("Mic " + random.nextInt(5))
                    .on("stand " + n)
                    .cabled(n)
                    .placed("place " + n)
                    .powered(PhantomWish.values()[random.nextInt(3)])
                    .at(Port.Signal.LINE)
                    .padded(n % 3 == 0)
                    .patchedTo(List.of(new PortId("in-" + n)))
                    .amplified(random.nextInt(60))
                    .flipped(n % 4 == 0)
                    .noted("note, \"quoted\" " + n));
        }
        int tracks = 3 + random.nextInt(10);
        for (int n = 0; n < tracks; n++) {
            session = session.plus(track(n, random));
        }
        int cues = 1 + random.nextInt(CUES);
        for (int n = 1; n <= cues; n++) {
            session = session.plus(cue(n, session.tracks(), random));
        }
        List<TrackId> grouped = List.of(new TrackId("t0"), new TrackId("t1"), new TrackId("t2"));
        TrackId guide = new TrackId("guide");
        Media sound = new Media(new MediaId("a" + seed), "Guide " + seed + ".wav", 2, 44_100, 441_000);
        TrackId sum = new TrackId("sum");
        TrackId room = new TrackId("room");
        session = session.plus(Track.forSum(sum, 98, "Sum").faded(Decibels.of(-seed % 7)))
                .plus(Track.forSends(room, 97, "Room").faded(Decibels.of(-seed % 5)))
                .withWays(List.of(
                        TrackWay.toMain(new TrackId("t0"))
                                .with(new TrackWay.Into(room, Tap.PRE_FADER, Decibels.of(-12)))
                                .with(new TrackWay.Out(
                                        new PairId("phones-4"), TrackWay.Side.LEFT, Tap.PRE_FADER, Decibels.of(-30))),
                        TrackWay.to(new TrackId("t1"), sum).with(new TrackWay.Into(room, Tap.INPUT, Decibels.of(-9))),
                        seed % 2 == 0 ? TrackWay.to(new TrackId("t2"), sum) : TrackWay.nowhere(new TrackId("t2")),
                        TrackWay.toMain(sum).with(new TrackWay.Into(room, Tap.POST_FADER, Decibels.of(-6)))));
        session = session.plus(Track.forBacking(guide, 99, "Guide", 2))
                .withBacking(List.of(
                        new Backing(guide, sound, Backing.Follows.BARS, 1 + (int) seed, 1, 0, 0.5, 9, seed % 2 == 0)));
        return session.withGroups(List.of(new TrackGroup(
                        new TrackGroupId("first-three"),
                        "First three",
                        grouped,
                        List.of(TrackGroup.Link.MUTE, TrackGroup.Link.LEVEL))))
                .withBringing(List.of(
                        new BringLine(new BringLineId("earplugs"), 1, "Earplugs", 5),
                        new BringLine(new BringLineId("drive"), 2, "A drive", 1)))
                .with(Optional.of(new SongEntry(session.id(), 1 + seed, "D", "slow")))
                .withDirect(List.of(new DirectLevel(
                        session.cues().get(0).id(),
                        new InputId("i" + (1 + seed % INPUTS)),
                        Decibels.of(-6),
                        new Pan(0.25))))
                .withMonitoring(Optional.of(new Monitoring(
                        List.of(new Monitoring.Tolerance(SourceKind.VOICE, 3)),
                        64,
                        512,
                        Monitoring.Purpose.RECORD,
                        Optional.of(100.0 + seed % 5))))
                .withControlRoom(Optional.of(session.inControlRoom().dimmingBy(10 + seed % 30)))
                .withChains(List.of(new Chains(
                        guide,
                        Chain.EMPTY,
                        new Chain(
                                seed % 2 == 0,
                                List.of(Inserted.of(new EffectId("eq"), EffectType.EQ)
                                        .on(seed % 3 == 0))))))
                .withWorn(List.of(new Worn(
                        new PerformerId("p0"),
                        Optional.of(new Headphones("Closed " + seed, 32 + seed, 98, 20)),
                        Optional.of(new PortId("amp-out-1")))));
    }

    private static Track track(int n, Random random) {
        int width = new int[] {1, 1, 1, 2, 2, 6, 8}[random.nextInt(7)];
        List<Feed> feeds = new ArrayList<>();
        for (int channel = 0; channel < width; channel++) {
            feeds.add(Feed.from(new InputId("i" + (1 + random.nextInt(INPUTS))), 0));
        }
        Hear hear = n == 0 ? Hear.ALWAYS : Hear.values()[random.nextInt(4)];
        Track plain = Track.forInputs(new TrackId("t" + n), n, "Track " + n, width, feeds);
        return plain.armed(random.nextBoolean())
                .heard(hear)
                .trimmed(Decibels.of(random.nextInt(12) - 6))
                .flipped(random.nextBoolean())
                .panned(Pan.of(random.nextInt(201) / 100.0 - 1))
                .faded(random.nextInt(5) == 0 ? Decibels.OFF : Decibels.of(random.nextInt(40) - 30))
                .muted(random.nextInt(4) == 0)
                .soloed(random.nextInt(6) == 0)
                .soloSafe(random.nextInt(6) == 0)
                .looking(new Look(
                        Look.Colour.values()[n % 9], Look.Mark.values()[n % 8], n % 3 == 0 ? "Folder" : "", n == 2));
    }

    private static Cue cue(int n, List<Track> tracks, Random random) {
        Cue cue = Cue.empty(new CueId("c" + n), n, "Cue " + n)
                .outTo(Optional.of(new PairId("phones-" + n)))
                .at(Decibels.of(random.nextInt(6) - 3))
                .guarded(random.nextInt(4) > 0);
        for (Track track : tracks) {
            boolean first = track.id().value().equals("t0");
            if (!first && random.nextInt(4) == 0) {
                continue;
            }
            Decibels level = Decibels.of(first ? -random.nextInt(12) : -random.nextInt(40));
            Tap tap = random.nextInt(3) == 0 ? Tap.INPUT : Tap.PRE_FADER;
            Pan pan = Pan.of(random.nextInt(201) / 100.0 - 1);
            cue = cue.withSend(track.id(), send -> send.at(level).panned(pan).from(tap));
        }
        return cue;
    }

    /** The same with comfort reverb, compressors and filters in some of its cues, some of them in mono, and chains of some tracks. */
    public static Session processed(Session session, int seed) {
        Random random = new Random(seed);
        return session.withCues(session.cues().stream()
                        .map(cue -> processed(cue, random))
                        .toList())
                .withChains(session.tracks().stream()
                        .filter(track -> random.nextInt(3) == 0)
                        .map(track -> chains(track, random))
                        .toList());
    }

    /** Up to three effects in each chain, a quarter of them off; nothing is printed of what is not recorded. */
    private static Chains chains(Track track, Random random) {
        Chain printed = Chains.isPrintable(track) ? chain("p", random) : Chain.EMPTY;
        return new Chains(track.id(), printed, chain("h", random));
    }

    private static Chain chain(String ids, Random random) {
        List<Inserted> effects = new ArrayList<>();
        int count = random.nextInt(4);
        for (int at = 0; at < count; at++) {
            EffectType type = EffectType.values()[random.nextInt(EffectType.values().length)];
            List<EffectValue> numbers = type.ranges().stream()
                    .filter(range -> range.choices().isEmpty() && range.number() != EffectNumber.THRESHOLD)
                    .map(range -> new EffectValue(
                            range.number(), range.begins() + 0.2 * random.nextDouble() * (range.to() - range.begins())))
                    .toList();
            effects.add(Inserted.of(new EffectId(ids + at), type).with(numbers).on(random.nextInt(4) > 0));
        }
        return new Chain(random.nextInt(5) > 0, effects);
    }

    private static Cue processed(Cue dry, Random random) {
        Cue cue = dry.comforted(new Comfort(
                        random.nextBoolean(),
                        Comfort.Room.values()[random.nextInt(3)],
                        Decibels.of(-random.nextInt(12))))
                .compressed(new Compressor(random.nextBoolean(), -random.nextInt(40), 3, 10, 200, 4))
                .withHighPass(new Corner(random.nextInt(4) == 0, 90))
                .at(Ears.values()[random.nextInt(5)]);
        if (cue.comfort().on() && cue.compressor().on()) {
            cue = cue.alsoOutTo(List.of(new PairId("phones-4")));
        }
        Comfort comforted = cue.comfort();
        if (comforted.room() == Comfort.Room.LARGE) {
            cue = cue.comforted(
                    comforted.echoing(Optional.of(new Echo(NoteValue.DOTTED_QUAVER, 9, comforted.level()))));
        }
        for (Send send : dry.sends()) {
            Decibels comfort = random.nextInt(3) == 0 ? Decibels.of(-random.nextInt(20)) : Decibels.OFF;
            cue = cue.withSend(send.trackId(), each -> each.comforted(comfort));
        }
        return cue;
    }

    /** Something that the control room may do at any time. */
    public static Edit mainEdit(Session session, Random random) {
        Track track = session.tracks().get(random.nextInt(session.tracks().size()));
        return switch (random.nextInt(6)) {
            case 0 ->
                new SetFader(track.id(), random.nextInt(8) == 0 ? Decibels.OFF : Decibels.of(random.nextInt(100) - 88));
            case 1 -> new MuteTrack(track.id(), random.nextBoolean());
            case 2 -> new SoloTrack(track.id(), random.nextInt(3) == 0);
            case 3 -> new SetPan(track.id(), Pan.of(random.nextInt(201) / 100.0 - 1));
            case 4 -> new SetSoloSafe(track.id(), random.nextBoolean());
            default -> new SetMainLevel(Decibels.of(random.nextInt(50) - 40));
        };
    }
}
