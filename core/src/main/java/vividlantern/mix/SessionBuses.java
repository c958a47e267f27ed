package vividlantern.mix;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntFunction;
import vividlantern.mix.effects.CeilingGuard;
import vividlantern.mix.effects.Effect;
import vividlantern.mix.effects.GentleCompressor;
import vividlantern.mix.effects.Passband;
import vividlantern.mix.effects.RoomReverb;
import vividlantern.mix.effects.TempoEcho;
import vividlantern.rig.PairId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackWay;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Ears;
import vividlantern.session.cue.Echo;
import vividlantern.session.cue.Send;
import vividlantern.session.cue.Tap;
import vividlantern.units.Pan;

/**
 * The buses of a session: one for the main mix, one for each cue, one for each output pair by which something leaves.
 *
 * <p>A cue's edges stand in the order of its tracks' ids and no control of the main mix is part of them.
 */
final class SessionBuses {

    /** The main mix has a tap of its own. */
    private static final String MAIN_TAP = "";

    private static final String TALKBACK = "talkback mic";
    private static final String PASSBAND = " passband";
    private static final String COMPRESSOR = " compressor";

    private final Session session;
    private final Rig rig;
    private final TrackGains heard;
    private final TrackStrips strips;
    private final LiveState live;
    /** In the order of the paths of their edges, which begin with the track's id and a bar. */
    private final List<Track> tracks;

    private final Map<String, String[]> paths = new HashMap<>();

    SessionBuses(Session session, Rig rig, LiveState live) {
        this.session = session;
        this.rig = rig;
        this.live = live;
        heard = new TrackGains(session, rig, live);
        strips = new TrackStrips(session, rig, heard);
        tracks = session.tracks().stream()
                .sorted(Comparator.comparing(track -> track.id() + "|"))
                .toList();
    }

    List<MixPlan.Bus> all() {
        List<MixPlan.Bus> buses = new ArrayList<>();
        Map<PairId, StereoPair> pairs = new LinkedHashMap<>();
        ControlRoomBuses controlRoom = new ControlRoomBuses(session, rig, live);
        buses.add(mainBus());
        buses.addAll(controlRoom.buses());
        Optional<MixPlan.Bus> talkback = talkbackBus();
        talkback.ifPresent(buses::add);
        controlRoom.pairs().forEach(pair -> pairs.put(pair.id(), pair));
        for (Cue cue : session.cues()) {
            for (PairId out : cue.outputs()) {
                rig.outputPair(out).filter(rig::isDriven).ifPresent(pair -> {
                    pairs.put(out, pair);
                    addCue(cue, pair, talkback.isPresent(), buses);
                });
            }
        }
        SentOut.pairs(session, rig).forEach(pair -> pairs.put(pair.id(), pair));
        SentOut sentOut = new SentOut(session, rig, live, heard, strips);
        for (StereoPair pair : pairs.values()) {
            List<MixPlan.Edge> edges = new ArrayList<>(controlRoom.edgesInto(pair));
            edges.addAll(sentOut.edgesInto(pair));
            buses.add(pairBus(pair, MixPlan.Bus.inOrder(edges)));
        }
        buses.addAll(strips.buses());
        tracks.stream().filter(Track::gathers).forEach(each -> addGathering(each, buses));
        return buses;
    }

    /** A cue costs at each of its pairs what it costs at one, and is the same there whatever becomes of the others. */
    private void addCue(Cue cue, StereoPair pair, boolean talkback, List<MixPlan.Bus> buses) {
        MixPlan.Bus bus = cueBus(cue, pair);
        buses.add(bus);
        if (cue.comfort().on()) {
            buses.add(comesBackFrom(
                    cue,
                    comfortOf(cue, pair),
                    new RoomReverb.Settings(cue.comfort().room())));
        }
        cue.comfort().echo().ifPresent(echo -> buses.add(comesBackFrom(cue, echoOf(cue, pair), settings(echo))));
        if (talkback) {
            buses.add(speechBus(cue, pair));
        }
        if (cue.output().equals(Optional.of(pair.id())) && cues(session, pair).size() > 1) {
            buses.add(levelOf(cue, bus.edges()));
        }
    }

    /** The bus into which a track goes on its way to the speakers; "" if it goes nowhere. */
    static String keyOf(TrackWay way) {
        return switch (way.to()) {
            case MAIN -> MixPlan.MAIN;
            case SUM -> TrackStrips.sumOf(way.sum().orElseThrow(), false);
            case NOWHERE -> "";
        };
    }

    /** The bus of an output pair, by which it leaves. */
    static String keyOf(PairId pair) {
        return "pair " + pair;
    }

    /** The bus of a cue that leaves by a pair. */
    static String keyOf(CueId cue, PairId pair) {
        return cue + "@" + pair;
    }

    /** The guard of an output pair. */
    static String guardOf(PairId pair) {
        return keyOf(pair) + " guard";
    }

    /** The compressor of a cue that leaves by a pair. */
    static String compressorOf(CueId cue, PairId pair) {
        return keyOf(cue, pair) + COMPRESSOR;
    }

    /** Whether performers hear what leaves by a pair: a cue does, or headphones hang there. */
    static boolean isHeardByPerformers(Session session, StereoPair pair) {
        return pair.feeds() == StereoPair.Feeds.HEADPHONES
                || !cues(session, pair).isEmpty();
    }

    private static List<Cue> cues(Session session, StereoPair pair) {
        return session.cues().stream().filter(cue -> cue.leavesBy(pair.id())).toList();
    }

    private MixPlan.Bus pairBus(StereoPair pair, List<MixPlan.Edge> edges) {
        boolean heard = isHeardByPerformers(session, pair);
        List<Cue> cues = cues(session, pair);
        boolean guarded = cues.isEmpty() || cues.stream().anyMatch(Cue::guarded);
        CeilingGuard.Settings guard =
                guarded ? GuardCeiling.of(pair.id(), session, rig).settings() : CeilingGuard.Settings.OFF;
        String key = keyOf(pair.id());
        return new MixPlan.Bus(
                key,
                heard,
                edges,
                heard ? List.of(new MixPlan.Insert(guardOf(pair.id()), guard)) : List.of(),
                Optional.empty(),
                Optional.of(new MixPlan.Exit(
                        pair.id(),
                        rig.engineOutput(pair.left()).orElseThrow(),
                        rig.engineOutput(pair.right()).orElseThrow())));
    }

    private MixPlan.Bus mainBus() {
        List<MixPlan.Edge> edges = new ArrayList<>();
        double level = session.main().level().gain();
        for (Track track : tracks) {
            if (session.wayOf(track.id()).to() == TrackWay.To.MAIN) {
                double gain = heard.mainGain(track) * level;
                addEdges(track, MAIN_TAP, gain, track.pan(), Ears.STEREO, Optional.empty(), edges);
            }
        }
        return new MixPlan.Bus(MixPlan.MAIN, false, edges, List.of(), Optional.empty(), Optional.empty());
    }

    /** What goes into a sum or a return, as the speakers get it, and as cues do that hear it: there solo is nothing, and gains rise gently. */
    private void addGathering(Track sum, List<MixPlan.Bus> buses) {
        List<MixPlan.Edge> toSpeakers = new ArrayList<>();
        List<MixPlan.Edge> toCues = new ArrayList<>();
        for (Track track : tracks) {
            TrackWay way = session.wayOf(track.id());
            way.into(sum.id()).ifPresent(send -> {
                addEdges(track, send, false, toSpeakers);
                addEdges(track, send, true, toCues);
            });
            if (way.goesInto(sum.id())) {
                addEdges(
                        track, MAIN_TAP, heard.mainGain(track), track.pan(), Ears.STEREO, Optional.empty(), toSpeakers);
                addEdges(
                        track,
                        Tap.POST_FADER.name(),
                        heard.gainIntoCues(track),
                        track.pan(),
                        Ears.STEREO,
                        Optional.empty(),
                        toCues);
            }
        }
        buses.add(sumBus(TrackStrips.sumOf(sum.id(), false), false, toSpeakers));
        if (strips.isInCues(sum)) {
            buses.add(sumBus(TrackStrips.sumOf(sum.id(), true), true, toCues));
        }
    }

    private static MixPlan.Bus sumBus(String key, boolean gentle, List<MixPlan.Edge> edges) {
        return new MixPlan.Bus(key, gentle, edges, List.of(), Optional.empty(), Optional.empty());
    }

    private MixPlan.Bus cueBus(Cue cue, StereoPair pair) {
        List<MixPlan.Edge> edges = new ArrayList<>();
        double forAll = live.tests(pair) ? 0 : session.gainOf(cue);
        Optional<MixPlan.ToCue> toCue = Optional.of(new MixPlan.ToCue(cue.id(), false));
        for (Track track : tracks) {
            if (cue.send(track.id()).isEmpty()) {
                continue;
            }
            Send send = session.effectiveSend(cue, track);
            double gain = heard.sendGain(send) * forAll;
            addEdges(track, send.tap().name(), gain, panOf(send, track), cue.ears(), toCue, edges);
        }
        String key = keyOf(cue.id(), pair.id());
        List<MixPlan.Edge> back = new ArrayList<>();
        for (int side = 0; side < 2; side++) {
            if (cue.comfort().on()) {
                double gain = cue.comfort().level().gain() * forAll;
                back.add(comesBack(comfortOf(cue, pair), side, gain, cue.ears(), toCue));
            }
            if (cue.comfort().echo().isPresent()) {
                double gain = cue.comfort().echo().get().level().gain() * forAll;
                back.add(comesBack(echoOf(cue, pair), side, gain, cue.ears(), toCue));
            }
        }
        edges.addAll(0, back);
        return new MixPlan.Bus(key, true, edges, chainOf(cue, key), Optional.of(keyOf(pair.id())), Optional.empty());
    }

    private static Pan panOf(Send send, Track track) {
        return send.panAsMain() ? track.pan() : send.pan();
    }

    private static List<MixPlan.Insert> chainOf(Cue cue, String key) {
        List<MixPlan.Insert> chain = new ArrayList<>();
        if (cue.isFiltered()) {
            chain.add(new MixPlan.Insert(key + PASSBAND, new Passband.Settings(cue.highPass(), cue.lowPass())));
        }
        if (cue.compressor().on()) {
            chain.add(new MixPlan.Insert(key + COMPRESSOR, new GentleCompressor.Settings(cue.compressor())));
        }
        return chain;
    }

    /** The room in which a cue's comfort reverb sounds; another room is another bus, so that one rises while the other falls. */
    private static String comfortOf(Cue cue, StereoPair pair) {
        return "comfort " + cue.comfort().room() + " " + keyOf(cue.id(), pair.id());
    }

    private static String echoOf(Cue cue, StereoPair pair) {
        return "echo " + keyOf(cue.id(), pair.id());
    }

    private TempoEcho.Settings settings(Echo echo) {
        float again = (float) Math.pow(10, -echo.fallDb() / 20);
        return new TempoEcho.Settings(echo.after(), again, session.tempoMap().curve());
    }

    /** Its path stands before those of all tracks, whose ids begin with letters and digits. */
    private static MixPlan.Edge comesBack(
            String room, int side, double gain, Ears ears, Optional<MixPlan.ToCue> toCue) {
        double left = side == 0 ? gain : 0;
        double right = side == 1 ? gain : 0;
        return new MixPlan.Edge(
                "+" + side + "|" + room,
                new MixPlan.Tapped(room, MixPlan.Tapped.END, side),
                0,
                ears.left(left, right),
                ears.right(left, right),
                true,
                toCue);
    }

    /** The talkback mic behind a guard of its own, for as long as somebody sits in the control room. */
    private Optional<MixPlan.Bus> talkbackBus() {
        if (live.controlRoom().isEmpty()) {
            return Optional.empty();
        }
        return session.inControlRoom()
                .talkback()
                .flatMap(mic -> ControlRoomBuses.micBus(TALKBACK, mic.port(), mic.level(), session, rig, live));
    }

    /**
     * What is said to those who hear a cue: at its level and as their ears want it, past its filters and its compressor,
     * which would make it pump. It is no gain that has to rise slowly: it comes from behind a guard.
     */
    private static MixPlan.Bus speechBus(Cue cue, StereoPair pair) {
        double gain = cue.level().gain();
        MixPlan.Edge said = new MixPlan.Edge(
                TALKBACK,
                new MixPlan.Tapped(TALKBACK, MixPlan.Tapped.END, 0),
                0,
                cue.ears().left(gain, gain),
                cue.ears().right(gain, gain),
                true,
                Optional.of(new MixPlan.ToCue(cue.id(), true)));
        return new MixPlan.Bus(
                "said to " + keyOf(cue.id(), pair.id()),
                false,
                List.of(said),
                List.of(),
                Optional.of(keyOf(pair.id())),
                Optional.empty());
    }

    /** What is sent into a cue's comfort reverb, and the room or the echo of it; what comes back is read by the cue's own bus. */
    private MixPlan.Bus comesBackFrom(Cue cue, String key, Effect.Settings settings) {
        List<MixPlan.Edge> edges = new ArrayList<>();
        for (Track track : tracks) {
            cue.send(track.id()).filter(send -> !send.comfort().isOff()).ifPresent(send -> {
                double gain = heard.sendGain(send) * send.comfort().gain();
                addEdges(track, send.tap().name(), gain, panOf(send, track), Ears.STEREO, Optional.empty(), edges);
            });
        }
        return new MixPlan.Bus(
                key, true, edges, List.of(new MixPlan.Insert(key, settings)), Optional.empty(), Optional.empty());
    }

    /** The bus at which a cue's level is measured if it shares its output pair with others; nobody hears it. */
    static String levelOf(CueId cue) {
        return MixPlan.LEVEL_OF + cue;
    }

    private static MixPlan.Bus levelOf(Cue cue, List<MixPlan.Edge> edges) {
        String key = levelOf(cue.id());
        return new MixPlan.Bus(key, true, edges, chainOf(cue, key), Optional.empty(), Optional.empty());
    }

    /** What a track sends into a return. */
    private void addEdges(Track track, TrackWay.Into send, boolean forCues, List<MixPlan.Edge> edges) {
        String tap = send.tap().name();
        double gain = heard.gainInto(track, send, !forCues);
        addEdges(
                track,
                tap,
                forCues,
                gain,
                track.pan(),
                Ears.STEREO,
                Optional.empty(),
                channel -> strips.originOfSend(track, send, channel, forCues),
                edges);
    }

    private void addEdges(
            Track track,
            String tap,
            double gain,
            Pan pan,
            Ears ears,
            Optional<MixPlan.ToCue> toCue,
            List<MixPlan.Edge> edges) {
        addEdges(
                track,
                tap,
                !tap.equals(MAIN_TAP),
                gain,
                pan,
                ears,
                toCue,
                channel ->
                        tap.equals(MAIN_TAP) ? strips.originInMain(track, channel) : strips.origin(track, tap, channel),
                edges);
    }

    private void addEdges(
            Track track,
            String tap,
            boolean cuttable,
            double gain,
            Pan pan,
            Ears ears,
            Optional<MixPlan.ToCue> toCue,
            IntFunction<MixPlan.Origin> origin,
            List<MixPlan.Edge> edges) {
        int[] sources = heard.sources(track);
        String[] path = paths.computeIfAbsent(track.id() + "|" + tap, key -> strips.pathsOf(track, tap));
        for (int channel = 0; channel < sources.length; channel++) {
            if (sources[channel] == TrackGains.NO_SOURCE) {
                continue;
            }
            double here = gain * heard.factor(track, channel, TrackStrips.isAtInput(tap));
            double left = here * Fold.left(sources.length, channel, pan);
            double right = here * Fold.right(sources.length, channel, pan);
            edges.add(new MixPlan.Edge(
                    path[channel],
                    origin.apply(channel),
                    0,
                    ears.left(left, right),
                    ears.right(left, right),
                    cuttable,
                    toCue));
        }
    }
}
