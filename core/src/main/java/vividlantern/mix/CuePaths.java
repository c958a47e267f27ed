package vividlantern.mix;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import vividlantern.hardware.DirectGain;
import vividlantern.rig.PairId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.Session;
import vividlantern.session.cue.Cue;

/** What reaches those who hear a cue: by the engine, and by the interface's own matrix. */
public final class CuePaths {

    /** A factor to each side. */
    public record Sides(double left, double right) {

        public boolean isSilent() {
            return left == 0 && right == 0;
        }

        private Sides plus(double moreLeft, double moreRight) {
            return new Sides(left + moreLeft, right + moreRight);
        }
    }

    private static final Sides SILENT = new Sides(0, 0);

    private final Session session;
    private final Rig rig;
    private final List<MixPlan.Bus> buses;
    private final List<DirectGain> direct;
    private final Map<String, MixPlan.Bus> byKey = new HashMap<>();
    private final Map<PairId, List<MixPlan.Edge>> edges = new HashMap<>();
    private final Map<String, Integer> latencies = new HashMap<>();

    public CuePaths(Session session, Rig rig, LiveState live) {
        this.session = session;
        this.rig = rig;
        buses = new SessionBuses(session, rig, live).all();
        direct = DirectWays.of(session, rig, live);
        buses.forEach(bus -> byKey.put(bus.key(), bus));
    }

    /** What of an engine's input arrives at a cue's output pair by the engine, all cues that leave there together. */
    public Sides byEngine(int input, Cue cue) {
        Sides sides = SILENT;
        for (MixPlan.Edge edge : edgesTo(cue)) {
            double share = share(edge.origin(), input);
            sides = sides.plus(share * edge.left(), share * edge.right());
        }
        return sides;
    }

    /** The edges into all cues that leave by a cue's output pair. */
    private List<MixPlan.Edge> edgesTo(Cue cue) {
        return cue.output()
                .map(pair -> edges.computeIfAbsent(
                        pair,
                        id -> buses.stream()
                                .filter(bus -> bus.into().equals(Optional.of(SessionBuses.keyOf(id))))
                                .flatMap(bus -> bus.edges().stream())
                                .toList()))
                .orElse(List.of());
    }

    /** How much of an input is at an edge's origin. */
    private double share(MixPlan.Origin origin, int input) {
        if (origin instanceof MixPlan.Source source) {
            return source.wire() == input ? 1 : 0;
        }
        if (origin instanceof MixPlan.Played) {
            return 0;
        }
        MixPlan.Tapped tapped = (MixPlan.Tapped) origin;
        return bus(tapped).edges().stream()
                .mapToDouble(edge -> edge.gain(tapped.wire()) * share(edge.origin(), input))
                .sum();
    }

    private MixPlan.Bus bus(MixPlan.Tapped tapped) {
        return byKey.get(tapped.bus());
    }

    /** What of an engine's input arrives there by the interface's own matrix. */
    public Sides direct(int input, Cue cue) {
        Optional<StereoPair> pair = cue.output().flatMap(rig::outputPair);
        Optional<Integer> left = pair.flatMap(each -> rig.engineOutput(each.left()));
        Optional<Integer> right = pair.flatMap(each -> rig.engineOutput(each.right()));
        Sides sides = SILENT;
        for (DirectGain way : direct) {
            if (way.input() == input) {
                sides = sides.plus(
                        left.equals(Optional.of(way.output())) ? way.gain() : 0,
                        right.equals(Optional.of(way.output())) ? way.gain() : 0);
            }
        }
        return sides;
    }

    /**
     * By how many frames effects delay what of an input arrives at those who hear a cue, on the slowest of its ways: those of
     * all buses it passes, of the cue, of the pair.
     */
    public int processingFrames(int input, Cue cue) {
        return slowest(edgesTo(cue), input)
                + cue.output()
                        .map(pair -> latency(cue.id() + "@" + pair) + latency(SessionBuses.keyOf(pair)))
                        .orElse(0);
    }

    private int slowest(List<MixPlan.Edge> edges, int input) {
        int slowest = 0;
        for (MixPlan.Edge edge : edges) {
            if (edge.origin() instanceof MixPlan.Tapped tapped && share(tapped, input) != 0) {
                slowest = Math.max(
                        slowest, latency(tapped.bus()) + slowest(bus(tapped).edges(), input));
            }
        }
        return slowest;
    }

    private int latency(String bus) {
        return latencies.computeIfAbsent(
                bus,
                key -> Optional.ofNullable(byKey.get(key)).stream()
                        .flatMap(there -> there.chain().stream())
                        .mapToInt(insert -> insert.settings().latencyFrames(session.sampleRate()))
                        .sum());
    }
}
