package vividlantern.mix;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import vividlantern.click.ClickVoice;
import vividlantern.click.Passage;
import vividlantern.mix.effects.Contained;
import vividlantern.playback.Reel;
import vividlantern.rig.PairId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.cue.CueId;

/**
 * A plan made ready to run: its buses as stations over wires. What left the plan stays in here until it has arrived at zero.
 *
 * <p>It is built on any thread; once the mixer has taken it over only the audio thread writes to it.
 */
public final class MixState {

    private volatile MixPlan plan;
    private final int inputs;
    private final int sources;
    private final Continuing continuing;
    private volatile List<MixPlan.Bus> buses;
    private final Layout layout;
    private Heading heading;
    /** Where the stations shall head; taken by the audio thread at the start of a block. */
    private volatile Goals[] goals;

    private volatile Goals[] taken;
    private final Station[] stations;
    private final float[][] wires;
    private final int[] silentOutputs;
    private final ClickVoice[] clicks;
    private final Reel[] reels;
    private final int[] reelNumbers;
    private final int[] reelWires;
    private final Gains gains;
    private final Meters meters;
    private final Map<String, Integer> busMeters;
    private float[][] lastOut = {};

    MixState(MixPlan plan, Continuing continuing, Optional<MixState> previous) {
        this.plan = plan;
        inputs = plan.inputs();
        sources = plan.sources();
        this.continuing = continuing;
        buses = previous.map(old -> FadingOut.with(plan, old)).orElse(plan.buses());
        List<Reel> playing = new ArrayList<>(plan.reels());
        previous.ifPresent(old -> old.reelsStillHeard(plan, buses).forEach(playing::add));
        layout = new Layout(buses, playing, plan, continuing, previous.map(old -> old.layout));
        reels = playing.toArray(Reel[]::new);
        reelNumbers = playing.stream()
                .mapToInt(reel -> continuing.reelOf(reel.track()))
                .toArray();
        reelWires = playing.stream().mapToInt(layout::firstWireOf).toArray();
        playing.forEach(reel -> reel.prepare(continuing.maxFrames));
        heading = layout.heading(buses, previous.map(old -> old.heading));
        goals = heading.inOrder();
        stations = layout.stations();
        wires = layout.wires();
        busMeters = layout.meters();
        silentOutputs = silentOutputs();
        clicks = plan.clicks().toArray(ClickVoice[]::new);
        gains = continuing.roomyGains();
        meters = new Meters(
                continuing.kernel,
                plan.sources(),
                continuing.meters(),
                continuing.readings(),
                continuing.slots.given(),
                continuing.broken(plan.inputs()));
    }

    /** Reels that a plan has not, and that buses still read. */
    private Stream<Reel> reelsStillHeard(MixPlan next, List<MixPlan.Bus> read) {
        Set<TrackId> wanted = new HashSet<>();
        read.forEach(bus -> bus.edges().forEach(edge -> {
            if (edge.origin() instanceof MixPlan.Played played) {
                wanted.add(played.track());
            }
        }));
        next.reels().forEach(reel -> wanted.remove(reel.track()));
        return Stream.of(reels).filter(reel -> wanted.contains(reel.track()));
    }

    private int[] silentOutputs() {
        Set<Integer> leaving = new HashSet<>();
        buses.forEach(bus -> bus.exit().ifPresent(exit -> {
            leaving.add(exit.leftOutput());
            leaving.add(exit.rightOutput());
        }));
        return IntStream.range(0, plan.outputs())
                .filter(output -> !leaving.contains(output))
                .toArray();
    }

    /** The plan's meters, to be read by one thread. */
    public Meters meters() {
        return meters;
    }

    /** How many samples of an engine's input were not finite since the mixer began, and were silenced. */
    public int silencedSamples(int input) {
        return input < plan.inputs() ? continuing.broken(plan.inputs()).get(input) : 0;
    }

    public MixPlan plan() {
        return plan;
    }

    /** The meter of an output pair, -1 if nothing leaves by it. */
    public int pairMeter(PairId id) {
        return busMeters.getOrDefault(SessionBuses.keyOf(id), -1);
    }

    /** The meter of what a cue alone sends to its pair, before the guard; -1 if it has its pair to itself, or none. */
    int cueMeter(CueId id) {
        return busMeters.getOrDefault(SessionBuses.levelOf(id), -1);
    }

    /** Where it is read how much an insert holds back; -1 if it is none that is read. */
    int reading(String insert) {
        return layout.reading(insert);
    }

    /** The meter of what goes into a sum. */
    int sumMeter(TrackId sum) {
        return busMeters.getOrDefault(TrackStrips.sumOf(sum, false), -1);
    }

    /** The first of the meters of what is printed, one for each two wires. */
    int printMeter(String print) {
        return busMeters.getOrDefault(print, -1);
    }

    /** The meter of the main mix. */
    int mainMeter() {
        return busMeters.getOrDefault(MixPlan.MAIN, -1);
    }

    /** The edges into a bus by the tracks that they come from; none if there is no such bus. */
    Map<String, List<EdgeReading>> readings(String bus) {
        return layout.readings(bus);
    }

    List<MixPlan.Bus> buses() {
        return buses;
    }

    /** Whether an edge of a bus is known to have arrived at zero. */
    boolean isSilent(String bus, int edge) {
        Goals[] wanted = goals;
        return taken == wanted && layout.isSilent(bus, edge, wanted, gains);
    }

    boolean isThrough(String insert) {
        return continuing.effects.get(insert).isThrough();
    }

    /** An effect in a track's strip that met an error and is out of the way. */
    public record Failed(String effect, Track track, RuntimeException error) {}

    /** The effects of a session's tracks that met an error; asked by the thread that prepares plans. */
    public List<Failed> failed(Session session) {
        List<Failed> failed = new ArrayList<>();
        for (MixPlan.Bus bus : buses) {
            for (MixPlan.Insert insert : bus.chain()) {
                if (continuing.effects.get(insert.key()) instanceof Contained effect) {
                    effect.error()
                            .ifPresent(error -> TrackStrips.trackOf(session, insert.key())
                                    .map(track ->
                                            new Failed(TrackStrips.wordOf(session, track, insert.key()), track, error))
                                    .ifPresent(failed::add));
                }
            }
        }
        return failed;
    }

    /** Goes on from where another state stands now. On the audio thread; allocates nothing. */
    void takeOver(MixState old, CueOverride override) {
        if (gains != old.gains) {
            gains.continueFrom(old.gains);
        }
        meters.goOnFrom(old.meters);
        for (int at = 0; at < reels.length; at++) {
            for (int before = 0; before < old.reels.length; before++) {
                if (reelNumbers[at] == old.reelNumbers[before] && reels[at] != old.reels[before]) {
                    reels[at].takeOver(old.reels[before]);
                }
            }
        }
        if (inputs == old.inputs) {
            System.arraycopy(old.wires, 0, wires, 0, inputs);
            lastOut = old.lastOut;
        }
        for (Station station : stations) {
            station.takeOver();
        }
        head(override);
    }

    /** Whether it can be sent to where another plan wants it; nothing is left in it of what was before. */
    boolean isFor(MixPlan other) {
        return buses == plan.buses() && plan.isWiredLike(other);
    }

    /** Sends everything to where another plan wants it. */
    void headFor(MixPlan other) {
        heading = layout.heading(other.buses(), Optional.of(heading));
        plan = other;
        buses = other.buses();
        goals = heading.inOrder();
    }

    /**
     * Sends what leaves by output pairs elsewhere than the plan wants it, until another plan comes.
     *
     * @return whether that was possible; if not, nothing was
     */
    boolean headAt(List<MixPlan.Bus> pairs) {
        Optional<Goals[]> changed = Optional.of(goals);
        for (MixPlan.Bus pair : pairs) {
            changed = changed.flatMap(now -> layout.heading(pair, now));
        }
        changed.ifPresent(now -> goals = now);
        return changed.isPresent();
    }

    /** Whether it was sent elsewhere since the audio thread looked last. */
    boolean headsElsewhere() {
        return taken != goals;
    }

    /** Sets everything on its way to where it is wanted, as far as headphones are not cut and nobody talks. */
    void head(CueOverride override) {
        Goals[] wanted = goals;
        for (int at = 0; at < stations.length; at++) {
            stations[at].head(gains, wanted[at], override);
        }
        taken = wanted;
    }

    /** Takes what comes in as its first wires, and what goes out as those of the pairs. */
    void connect(float[][] in, float[][] out) {
        boolean same = out == lastOut;
        for (int input = 0; same && input < inputs; input++) {
            same = wires[input] == in[input];
        }
        for (Station station : stations) {
            station.bind(wires, out);
        }
        if (!same) {
            System.arraycopy(in, 0, wires, 0, inputs);
            for (Station station : stations) {
                station.forgetWires();
            }
            lastOut = out;
        }
    }

    void silenceUnused(float[][] out, int frames) {
        for (int silent : silentOutputs) {
            Arrays.fill(out[silent], 0, frames, 0);
        }
    }

    /** Works off frames of the block that lie in one window of the meters. */
    void run(int at, int frames, long frame, long songFrame, Passage passage) {
        for (int voice = 0; voice < clicks.length; voice++) {
            clicks[voice].fill(songFrame, wires[inputs + voice], at, frames, passage);
        }
        for (int reel = 0; reel < reels.length; reel++) {
            reels[reel].fill(songFrame, wires, reelWires[reel], at, frames, passage);
        }
        meters.sources(wires, at, frames);
        for (Station station : stations) {
            station.run(gains, wires, at, frames, frame, songFrame, meters);
        }
        meters.pairs(wires, sources, at, frames);
    }

    /** Ends a window of the meters. */
    void endWindow(long frame) {
        meters.endWindow(frame, gains);
    }

    void endBlock(int frames) {
        for (Station station : stations) {
            station.endBlock(frames);
        }
    }
}
