package vividlantern.mix;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import vividlantern.click.ClickVoice;
import vividlantern.click.OwnSounds;
import vividlantern.mix.effects.Effect;
import vividlantern.playback.MediaShelf;
import vividlantern.playback.Reel;
import vividlantern.playback.VoiceSounds;
import vividlantern.rig.PairId;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.session.cue.CueId;
import vividlantern.session.song.ClickPattern;
import vividlantern.session.song.Marker;
import vividlantern.session.song.TempoCurve;
import vividlantern.session.song.TempoMap;

/**
 * What the mixer shall run: buses, in an order in which each reads only what stands before it.
 *
 * <p>A wire carries one channel's samples. The first wires are the engine's inputs, then come the click's voices and what backing
 * tracks play, then what the buses make. A bus sums edges on two wires, sends them through its effects, and may be poured into another bus or leave
 * by a pair of the interface's outputs. Everything linear between a source and a bus (trim, polarity, fader, send, pan, level
 * for all, cut) is one gain to each side. So the rise of what a performer hears is limited as a whole, whatever caused it. A
 * bus with nothing inserted that is only poured into another one costs nothing: its edges are summed there.
 */
public final class MixPlan {

    /** The bus of the main mix. */
    static final String MAIN = "main";

    /** Begins the key of a bus that is there for its level alone. */
    static final String LEVEL_OF = "level of ";

    /** Begins the key of a bus that is a track's strip: what its sound passes before anybody hears it. */
    static final String STRIP = "strip ";

    /** Begins the key of a bus that holds what is recorded of a track: what its printed chain makes. */
    static final String PRINT = "print ";

    /** Begins the key of a bus in which what goes into a sum comes together. */
    static final String SUM = "sum ";

    /** Where an edge takes its samples. */
    sealed interface Origin permits Source, Played, Tapped {}

    /** An engine input, or the number of inputs plus the index of a click voice. */
    record Source(int wire) implements Origin {}

    /** A channel of what a backing track plays. */
    record Played(TrackId track, int channel) implements Origin {}

    /**
     * A side of a bus, somewhere along its effects.
     *
     * @param behind the key of the effect behind which it is tapped; {@link #START} before all, {@link #END} behind all
     * @param wire which of the bus's: of two 0 is left and 1 right
     */
    record Tapped(String bus, String behind, int wire) implements Origin {

        static final String START = "";
        static final String END = "the end";

        /** How many effects of a chain the signal has passed; all of them if the one it was tapped behind is gone. */
        int stage(List<Insert> chain) {
            if (behind.equals(START)) {
                return 0;
            }
            for (int at = 0; at < chain.size(); at++) {
                if (chain.get(at).key().equals(behind)) {
                    return at + 1;
                }
            }
            return chain.size();
        }
    }

    /**
     * What the mixer is told of a cue acts on an edge to it: that its headphones are cut, that somebody talks to those who hear it.
     *
     * @param speech whether it brings what is said to them, and else nothing; if not it is their music, and lowered meanwhile
     */
    record ToCue(CueId cue, boolean speech) {}

    /**
     * One wire into two neighbours among the wires of a bus.
     *
     * @param path what the gains belong to from plan to plan; it names the origin too
     * @param into the first of the two: 0, 2, 4 or 6; 0 is the left of two
     * @param cuttable whether it is silent while headphones are cut, which the mixer is told past all plans
     * @param toCue the cue it goes to, of which the mixer may be told something likewise
     */
    record Edge(
            String path, Origin origin, int into, double left, double right, boolean cuttable, Optional<ToCue> toCue) {

        Edge(String path, Origin origin, int into, double left, double right, boolean cuttable) {
            this(path, origin, into, left, right, cuttable, Optional.empty());
        }

        Edge(String path, Origin origin, double left, double right) {
            this(path, origin, 0, left, right, false);
        }

        Edge at(double newLeft, double newRight) {
            return new Edge(path, origin, into, newLeft, newRight, cuttable, toCue);
        }

        Edge from(Origin other) {
            return new Edge(path, other, into, left, right, cuttable, toCue);
        }

        Edge cuttable(boolean now) {
            return new Edge(path, origin, into, left, right, now, toCue);
        }

        /** The gain into a wire of the bus. */
        double gain(int wire) {
            return wire == into ? left : wire == into + 1 ? right : 0;
        }

        /** The track that it comes from: what its path begins with, up to a bar. */
        String track() {
            int bar = path.indexOf('|');
            return bar < 0 ? path : path.substring(0, bar);
        }

        /** Whether no more than its gains differ. */
        boolean isWiredLike(Edge other) {
            return cuttable == other.cuttable
                    && toCue.equals(other.toCue)
                    && into == other.into
                    && path.equals(other.path)
                    && origin.equals(other.origin);
        }
    }

    /** An effect of a bus; it keeps its state from plan to plan as long as its key stays. */
    record Insert(String key, Effect.Settings settings) {}

    /** A pair of the interface's outputs. */
    record Exit(PairId pair, int leftOutput, int rightOutput) {}

    /**
     * A place where signals are summed, processed, and go on.
     *
     * @param key names it from plan to plan; a bus of another width has another
     * @param gentle whether performers hear it: then its gains rise slowly
     * @param width how many wires it has, 1 to {@link Effect#MOST_WIRES}; one that is poured or leaves has two
     * @param edges in the order of the wires they go into, then of their paths
     * @param into the bus into which it is poured as a whole
     */
    record Bus(
            String key,
            boolean gentle,
            int width,
            List<Edge> edges,
            List<Insert> chain,
            Optional<String> into,
            Optional<Exit> exit) {

        /** One of two wires. */
        Bus(
                String key,
                boolean gentle,
                List<Edge> edges,
                List<Insert> chain,
                Optional<String> into,
                Optional<Exit> exit) {
            this(key, gentle, 2, edges, chain, into, exit);
        }

        /** Whether its level is shown. */
        boolean isMetered() {
            return exit.isPresent()
                    || key.equals(MAIN)
                    || key.startsWith(LEVEL_OF)
                    || key.startsWith(SUM)
                    || hasFixedGains();
        }

        /** Whether its gains are no controls: what goes into a strip is there at once, and so is what is printed. */
        boolean hasFixedGains() {
            return isStrip() || key.startsWith(PRINT);
        }

        boolean isStrip() {
            return key.startsWith(STRIP);
        }

        /** Whether its effects may raise; they share one pace. */
        boolean mayRaise() {
            return chain.stream().anyMatch(insert -> insert.settings().mayRaise());
        }

        Bus with(List<Edge> newEdges, List<Insert> newChain) {
            return new Bus(key, gentle, width, newEdges, newChain, into, exit);
        }

        /** Whether no more than its gains and the settings of its effects differ. */
        boolean isWiredLike(Bus other) {
            if (this == other) {
                return true;
            }
            boolean alike = key.equals(other.key)
                    && gentle == other.gentle
                    && width == other.width
                    && edges.size() == other.edges.size()
                    && chain.size() == other.chain.size()
                    && into.equals(other.into)
                    && exit.equals(other.exit);
            for (int at = 0; alike && at < chain.size(); at++) {
                alike = chain.get(at).key().equals(other.chain.get(at).key());
            }
            for (int at = 0; alike && at < edges.size(); at++) {
                alike = edges.get(at).isWiredLike(other.edges.get(at));
            }
            return alike;
        }

        static List<Edge> inOrder(List<Edge> edges) {
            return edges.stream()
                    .sorted(Comparator.comparingInt(Edge::into).thenComparing(Edge::path))
                    .toList();
        }
    }

    /** What a plan was made from. */
    private record From(Session session, Rig rig, LiveState live, Song song) {}

    private final int sampleRate;
    private final int inputs;
    private final int outputs;
    private final List<ClickVoice> clicks;
    private final List<Reel> reels;
    private final List<Bus> buses;
    private final Optional<From> from;
    private final int sources;

    /** What the click's voices and the places of backing tracks were made of. */
    private record Song(
            ClickPattern click,
            TempoMap tempoMap,
            List<Marker> markers,
            int sampleRate,
            boolean clicks,
            MediaShelf media,
            OwnSounds own) {

        private static Song of(Session session, MediaShelf media, OwnSounds before) {
            return new Song(
                    session.click(),
                    session.tempoMap(),
                    session.markers(),
                    session.sampleRate(),
                    session.clicks(),
                    media,
                    VoiceSounds.of(session, media, before));
        }
    }

    /** @param buses in any order */
    MixPlan(int sampleRate, int inputs, int outputs, List<ClickVoice> clicks, List<Bus> buses) {
        this(sampleRate, inputs, outputs, clicks, List.of(), BusOrder.of(buses), Optional.empty());
    }

    /** @param buses in their order */
    private MixPlan(
            int sampleRate,
            int inputs,
            int outputs,
            List<ClickVoice> clicks,
            List<Reel> reels,
            List<Bus> buses,
            Optional<From> from) {
        this.sampleRate = sampleRate;
        this.inputs = inputs;
        this.outputs = outputs;
        this.clicks = List.copyOf(clicks);
        this.reels = List.copyOf(reels);
        this.buses = List.copyOf(buses);
        this.from = from;
        sources = inputs
                + this.clicks.size()
                + this.reels.stream().mapToInt(Reel::channels).sum();
    }

    /** A session whose backing tracks have no sounds. */
    public static MixPlan compile(Session session, Rig rig, LiveState live) {
        return compile(session, rig, live, MediaShelf.EMPTY);
    }

    /** @param media where the sounds of backing tracks and of the click's voices are */
    public static MixPlan compile(Session session, Rig rig, LiveState live, MediaShelf media) {
        Song song = Song.of(session, media, OwnSounds.NONE);
        List<ClickVoice> voices = ClickVoice.of(session, song.own());
        return compile(session, rig, live, voices, List.of(), song, ordered(session, rig, live));
    }

    /**
     * Another state of the same session; click voices that are the same go on, which spares making their sounds, and so do the
     * sounds of backing tracks.
     */
    public MixPlan then(Session session, Rig rig, LiveState live) {
        Song was = from.orElseThrow().song();
        Song next = Song.of(session, was.media(), was.own());
        List<ClickVoice> voices = was.equals(next) ? clicks : ClickVoice.of(session, next.own());
        return compile(session, rig, live, voices, reels, next, buses(session, rig, live));
    }

    /** Where no more is set otherwise than effects, no edge is worked out again. */
    private List<Bus> buses(Session session, Rig rig, LiveState live) {
        From was = from.orElseThrow();
        return was.rig() == rig && was.live().equals(live)
                ? TrackStrips.setOtherwise(buses, was.session(), session, rig, live)
                        .orElseGet(() -> ordered(session, rig, live))
                : ordered(session, rig, live);
    }

    private static List<Bus> ordered(Session session, Rig rig, LiveState live) {
        return BusOrder.of(new SessionBuses(session, rig, live.cut(false)).all());
    }

    private static MixPlan compile(
            Session session,
            Rig rig,
            LiveState live,
            List<ClickVoice> clicks,
            List<Reel> before,
            Song song,
            List<Bus> buses) {
        TempoCurve curve = session.tempoMap().curve();
        List<Reel> reels = TrackGains.playing(session)
                .map(backing -> Reel.of(
                        backing,
                        session,
                        curve,
                        song.media(),
                        before.stream()
                                .filter(reel -> reel.track().equals(backing.track()))
                                .findFirst()
                                .orElse(null)))
                .toList();
        return new MixPlan(
                session.sampleRate(),
                rig.engineInputs().size(),
                rig.engineOutputs().size(),
                clicks,
                reels,
                buses,
                Optional.of(new From(session, rig, live, song)));
    }

    int sampleRate() {
        return sampleRate;
    }

    int inputs() {
        return inputs;
    }

    int outputs() {
        return outputs;
    }

    List<ClickVoice> clicks() {
        return clicks;
    }

    /** Whether another plan can be had by sending gains and effects of this one elsewhere, without laying out anything. */
    boolean isWiredLike(MixPlan other) {
        return inputs == other.inputs
                && outputs == other.outputs
                && clicks.equals(other.clicks)
                && reels.equals(other.reels)
                && areWiredAlike(buses, other.buses);
    }

    static boolean areWiredAlike(List<Bus> some, List<Bus> others) {
        boolean alike = some.size() == others.size();
        for (int at = 0; alike && at < some.size(); at++) {
            alike = some.get(at).isWiredLike(others.get(at));
        }
        return alike;
    }

    /** What was so when it was made. */
    LiveState live() {
        return from.map(From::live).orElse(LiveState.STOPPED);
    }

    /** The buses of output pairs as they are while the control room stands otherwise. */
    List<Bus> pairs(LiveState now) {
        Rig rig = from.orElseThrow().rig();
        ControlRoomBuses room = new ControlRoomBuses(from.get().session(), rig, now.cut(false));
        List<Bus> pairs = new ArrayList<>();
        for (Bus bus : buses) {
            bus.exit()
                    .flatMap(exit -> rig.outputPair(exit.pair()))
                    .ifPresent(pair -> pairs.add(bus.with(room.edgesInto(pair), bus.chain())));
        }
        return pairs;
    }

    /** What the backing tracks play. */
    public List<Reel> reels() {
        return reels;
    }

    /** Each after those it reads. */
    List<Bus> buses() {
        return buses;
    }

    /** Engine inputs, click voices and what backing tracks play together: how many sources there are to meter. */
    public int sources() {
        return sources;
    }
}
