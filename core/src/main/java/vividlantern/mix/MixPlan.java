package vividlantern.mix;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import vividlantern.click.ClickVoice;
import vividlantern.rig.PairId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.ClickPattern;
import vividlantern.session.Cue;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.Send;
import vividlantern.session.Session;
import vividlantern.session.TempoCurve;
import vividlantern.session.TempoMap;
import vividlantern.session.Track;
import vividlantern.session.VoiceId;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/**
 * A session compiled for the mixer: which source reaches which side of which bus, and how loud.
 *
 * <p>Everything linear between a source and an output pair (trim, polarity, fader, send, pan, level for all, cut) is one
 * gain, an {@link Edge}. So the rise of what a performer hears is limited as a whole, whatever caused it, and the sum of
 * a cue never depends on how many stages there are. A processor in a track's path would end an edge and begin another.
 * Edges of a bus stand in the order of their paths, which begin with the track's id and which no main control changes.
 */
public final class MixPlan {

    /**
     * One source into one side of a bus.
     *
     * @param path track, channel and tap: what the gain belongs to from plan to plan
     * @param source an engine input, or the number of inputs plus the index of a click voice
     */
    record Edge(String path, int source, double gain) {}

    /**
     * A mix on its way to an output pair.
     *
     * @param key names mix and pair; a cue that moves to another pair is another bus
     * @param gentle whether performers hear it: then it rises slowly
     */
    record Bus(String key, boolean gentle, PairId pair, List<Edge> left, List<Edge> right) {

        Bus {
            left = left.stream().sorted(Comparator.comparing(Edge::path)).toList();
            right = right.stream().sorted(Comparator.comparing(Edge::path)).toList();
        }
    }

    /**
     * An output pair of the interface.
     *
     * @param ceiling the guard's ceiling as a factor of full scale, infinite while it is off
     */
    record Pair(PairId id, int leftOutput, int rightOutput, boolean headphones, float ceiling) {}

    private final int sampleRate;
    private final int inputs;
    private final int outputs;
    private final ClickPattern click;
    private final TempoMap tempoMap;
    private final List<ClickVoice> clicks;
    private final List<Bus> buses;
    private final List<Pair> pairs;

    private MixPlan(
            int sampleRate,
            int inputs,
            int outputs,
            ClickPattern click,
            TempoMap tempoMap,
            List<ClickVoice> clicks,
            List<Bus> buses,
            List<Pair> pairs) {
        this.sampleRate = sampleRate;
        this.inputs = inputs;
        this.outputs = outputs;
        this.click = click;
        this.tempoMap = tempoMap;
        this.clicks = clicks;
        this.buses = buses;
        this.pairs = pairs;
    }

    public static MixPlan compile(Session session, Rig rig, LiveState live) {
        return new Compiler(session, rig, live).compile(clicks(session));
    }

    /** Another state of the same session; click voices that are the same go on, which spares making their sounds. */
    public MixPlan then(Session session, Rig rig, LiveState live) {
        boolean sameClick = session.click().equals(click)
                && session.tempoMap().equals(tempoMap)
                && session.sampleRate() == sampleRate;
        return new Compiler(session, rig, live).compile(sameClick ? clicks : clicks(session));
    }

    private static List<ClickVoice> clicks(Session session) {
        TempoCurve curve = session.tempoMap().curve();
        return session.click().voices().stream()
                .map(voice -> new ClickVoice(voice, curve, session.sampleRate()))
                .toList();
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

    List<Bus> buses() {
        return buses;
    }

    List<Pair> pairs() {
        return pairs;
    }

    /** Engine inputs and click voices together: how many sources there are to meter. */
    public int sources() {
        return inputs + clicks.size();
    }

    /** The sources of a track's channels; -1 where nothing feeds one. */
    public static int[] sources(Session session, Rig rig, Track track) {
        int inputs = rig.engineInputs().size();
        if (track.isClick()) {
            List<VoiceId> voices = session.click().voices().stream()
                    .map(ClickPattern.Voice::id)
                    .toList();
            return new int[] {inputs + track.voice().map(voices::indexOf).orElseThrow()};
        }
        int[] sources = new int[track.width()];
        for (int channel = 0; channel < sources.length; channel++) {
            Feed feed = track.feeds().get(channel);
            sources[channel] = session.portOf(feed)
                    .flatMap(port -> rig.engineInput(port, session.sampleRate()))
                    .orElse(-1);
        }
        return sources;
    }

    /** The sources of a track's channels as listeners get them; -1 also where an input is cut or silent. */
    public static int[] heardSources(Session session, Rig rig, Track track, LiveState live) {
        int[] sources = sources(session, rig, track);
        for (int channel = 0; channel < track.feeds().size(); channel++) {
            boolean cut = session.inputOf(track.feeds().get(channel))
                    .filter(Input::cut)
                    .isPresent();
            if (cut || live.silentInputs().contains(sources[channel])) {
                sources[channel] = -1;
            }
        }
        return sources;
    }

    /** The factor with which a track reaches the main mix before its pan; 0 while it is silent there. */
    public static double mainGain(Session session, Track track, LiveState live) {
        boolean silent = track.muted()
                || !track.hear().live(session.isArmed(track), live.playing())
                || session.anySoloed() && !track.soloed() && !track.soloSafe();
        return silent ? 0 : trim(track) * track.fader().gain();
    }

    /** The factor with which a track reaches a cue's bus before its pan, level for all left out. */
    public static double sendGain(Session session, Send send, Track track, LiveState live) {
        if (send.muted() || !track.hear().live(session.isArmed(track), live.playing())) {
            return 0;
        }
        double tapped = switch (send.tap()) {
            case INPUT -> 1;
            case PRE_FADER -> trim(track);
            case POST_FADER -> track.muted() ? 0 : trim(track) * track.fader().gain();
        };
        return tapped * send.level().gain();
    }

    private static double trim(Track track) {
        double sign = track.polarityFlipped() ? -1 : 1;
        return sign * track.trim().gain();
    }

    /** The walk from a session to a plan; lives as long as one compilation. */
    private static final class Compiler {

        private final Session session;
        private final Rig rig;
        private final LiveState live;
        private final List<Track> tracks;

        Compiler(Session session, Rig rig, LiveState live) {
            this.session = session;
            this.rig = rig;
            this.live = live;
            tracks = session.tracks().stream()
                    .sorted(Comparator.comparing(track -> track.id().value()))
                    .toList();
        }

        MixPlan compile(List<ClickVoice> clicks) {
            List<Bus> buses = new ArrayList<>();
            List<Pair> pairs = new ArrayList<>();
            pairOf(session.main().output()).ifPresent(pair -> buses.add(mainBus(pair)));
            session.cues().forEach(cue -> pairOf(cue.output()).ifPresent(pair -> buses.add(cueBus(cue, pair))));
            for (StereoPair pair : rig.outputPairs()) {
                if (buses.stream().anyMatch(bus -> bus.pair().equals(pair.id()))) {
                    pairs.add(pair(pair));
                }
            }
            buses.sort(Comparator.comparing(Bus::key));
            return new MixPlan(
                    session.sampleRate(),
                    rig.engineInputs().size(),
                    rig.engineOutputs().size(),
                    session.click(),
                    session.tempoMap(),
                    clicks,
                    List.copyOf(buses),
                    List.copyOf(pairs));
        }

        private Optional<StereoPair> pairOf(Optional<PairId> id) {
            return id.flatMap(rig::outputPair)
                    .filter(pair -> rig.engineOutput(pair.left()).isPresent()
                            && rig.engineOutput(pair.right()).isPresent());
        }

        private Pair pair(StereoPair pair) {
            List<Cue> cues = session.cues().stream()
                    .filter(cue -> cue.output().equals(Optional.of(pair.id())))
                    .toList();
            boolean guarded = cues.stream().anyMatch(Cue::guarded);
            float ceiling = guarded
                    ? (float) Decibels.of(GuardCeiling.UNKNOWN_WAY.dbfs()).gain()
                    : Float.POSITIVE_INFINITY;
            return new Pair(
                    pair.id(),
                    rig.engineOutput(pair.left()).orElseThrow(),
                    rig.engineOutput(pair.right()).orElseThrow(),
                    !cues.isEmpty(),
                    ceiling);
        }

        private Bus mainBus(StereoPair pair) {
            List<Edge> left = new ArrayList<>();
            List<Edge> right = new ArrayList<>();
            for (Track track : tracks) {
                double gain =
                        mainGain(session, track, live) * session.main().level().gain();
                addEdges(track, "", gain, track.pan(), left, right);
            }
            return new Bus("main@" + pair.id(), false, pair.id(), left, right);
        }

        private Bus cueBus(Cue cue, StereoPair pair) {
            List<Edge> left = new ArrayList<>();
            List<Edge> right = new ArrayList<>();
            double forAll = live.headphonesCut() ? 0 : cue.level().gain();
            for (Track track : tracks) {
                if (cue.send(track.id()).isEmpty()) {
                    continue;
                }
                Send send = session.effectiveSend(cue, track);
                Pan pan = send.panAsMain() ? track.pan() : send.pan();
                addEdges(track, send.tap().name(), sendGain(session, send, track, live) * forAll, pan, left, right);
            }
            return new Bus(cue.id() + "@" + pair.id(), true, pair.id(), left, right);
        }

        /** What an input of the list does to its signal before anybody hears it. */
        private double ofInput(Track track, int channel) {
            if (track.isClick()) {
                return 1;
            }
            return session.inputOf(track.feeds().get(channel))
                    .map(input -> input.cut() ? 0.0 : input.polarityFlipped() ? -1.0 : 1.0)
                    .orElse(1.0);
        }

        private void addEdges(Track track, String tap, double gain, Pan pan, List<Edge> left, List<Edge> right) {
            int[] sources = sources(session, rig, track);
            for (int channel = 0; channel < sources.length; channel++) {
                if (sources[channel] < 0) {
                    continue;
                }
                String path = track.id() + "|" + channel + "|" + tap + "|" + sources[channel];
                boolean silent = live.silentInputs().contains(sources[channel]);
                double heard = silent ? 0 : gain * ofInput(track, channel);
                left.add(new Edge(path, sources[channel], heard * Fold.left(sources.length, channel, pan)));
                right.add(new Edge(path, sources[channel], heard * Fold.right(sources.length, channel, pan)));
            }
        }
    }
}
