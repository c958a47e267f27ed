package vividlantern.mix;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import vividlantern.rig.PairId;

/**
 * A plan made ready to run: its gains as flat arrays, with room for where each one stands on its way. What left the plan
 * stays in here until it has arrived at zero.
 *
 * <p>It is built on any thread; once the mixer has taken it over only the audio thread writes to it.
 */
public final class MixState {

    private static final int STILL = 0;
    private static final int LINE = 1;
    private static final int RISE = 2;

    /** Where a rise from off begins: -60 dB. */
    private static final double RISE_FROM = 0.001;

    final MixPlan plan;
    final List<MixPlan.Bus> buses;
    final List<MixPlan.Pair> pairs;
    final int[] busPair;
    /** Where each side of each bus begins among the edges: left of bus 0, right of bus 0, left of bus 1, … and the end. */
    final int[] sideStart;

    final int[] source;
    /** Where each gain stands that does not move, narrow and by itself so that a sweep over all stays in the cache. */
    final float[] settled;
    /** How many gains of each side are on their way. */
    final int[] moving;

    private final double[] current;
    private final int[] side;
    /** Room for the mixer to lay this plan's sources side by side. */
    final float[][] sources;

    final CeilingGuard[] guards;
    final Meters meters;

    private final String[] path;
    private final boolean[] gentle;
    private final double[] goal;
    /** The goal for which an edge is under way or at which it stands; a new plan with the same goal disturbs nothing. */
    private final double[] heading;

    private final int[] leg;
    private final double[] legStart;
    private final double[] legEnd;
    private final int[] legAt;
    private final int legFrames;
    private final double risePerFrame;
    private volatile boolean adopted;

    MixState(MixPlan plan, Optional<MixState> previous) {
        this.plan = plan;
        buses = previous.map(old -> withLeftovers(plan, old)).orElse(plan.buses());
        pairs = pairs(plan, previous);
        legFrames = (int) Math.round(0.01 * plan.sampleRate());
        risePerFrame = StrictMath.pow(10, 3.0 / plan.sampleRate());
        busPair = new int[buses.size()];
        sideStart = new int[2 * buses.size() + 1];
        int count = buses.stream()
                .mapToInt(bus -> bus.left().size() + bus.right().size())
                .sum();
        source = new int[count];
        settled = new float[count];
        moving = new int[2 * buses.size()];
        current = new double[count];
        side = new int[count];
        path = new String[count];
        gentle = new boolean[count];
        goal = new double[count];
        heading = new double[count];
        leg = new int[count];
        legStart = new double[count];
        legEnd = new double[count];
        legAt = new int[count];
        layOut();
        guards = new CeilingGuard[pairs.size()];
        for (int pair = 0; pair < guards.length; pair++) {
            if (pairs.get(pair).headphones()) {
                guards[pair] = new CeilingGuard(plan.sampleRate());
            }
        }
        meters = new Meters(plan.sources(), pairs.size());
        sources = new float[plan.sources()][];
    }

    /** The plan's meters, to be read by one thread. */
    public Meters meters() {
        return meters;
    }

    public MixPlan plan() {
        return plan;
    }

    /** Goes on from where another state stands now. On the audio thread; allocates nothing. */
    void adopt(MixState old) {
        for (int bus = 0; bus < buses.size(); bus++) {
            int from = old.indexOfBus(buses.get(bus).key());
            if (from >= 0) {
                adoptSide(
                        old,
                        sideStart[2 * bus],
                        sideStart[2 * bus + 1],
                        old.sideStart[2 * from],
                        old.sideStart[2 * from + 1]);
                adoptSide(
                        old,
                        sideStart[2 * bus + 1],
                        sideStart[2 * bus + 2],
                        old.sideStart[2 * from + 1],
                        old.sideStart[2 * from + 2]);
            }
        }
        for (int pair = 0; pair < guards.length; pair++) {
            int from = old.indexOfPair(pairs.get(pair).id());
            if (from >= 0) {
                if (guards[pair] != null && old.guards[from] != null) {
                    guards[pair] = old.guards[from];
                }
                meters.adoptPair(pair, old.meters, from);
            }
        }
        meters.adoptSources(old.meters);
        begin();
    }

    /** Sets every gain on its way to where the plan wants it. */
    void begin() {
        for (int pair = 0; pair < guards.length; pair++) {
            if (guards[pair] != null) {
                guards[pair].setCeiling(pairs.get(pair).ceiling());
            }
        }
        for (int edge = 0; edge < current.length; edge++) {
            settled[edge] = (float) current[edge];
            moving[side[edge]] += leg[edge] == STILL ? 0 : 1;
            if (heading[edge] != goal[edge]) {
                startLeg(edge);
            }
        }
        adopted = true;
    }

    boolean isStill(int edge) {
        return leg[edge] == STILL;
    }

    /** The next frame's gain of an edge that is on its way. */
    double advance(int edge) {
        if (leg[edge] == RISE) {
            return rise(edge);
        }
        int at = ++legAt[edge];
        if (at < legFrames) {
            current[edge] = legStart[edge] + (legEnd[edge] - legStart[edge]) * ((double) at / legFrames);
            return current[edge];
        }
        double reached = legEnd[edge];
        current[edge] = reached;
        settle(edge);
        if (reached != goal[edge]) {
            startLeg(edge);
        }
        return reached;
    }

    private double rise(int edge) {
        double want = Math.abs(goal[edge]);
        double now = Math.abs(current[edge]);
        double next = now < RISE_FROM ? RISE_FROM : now * risePerFrame;
        if (next >= want) {
            current[edge] = goal[edge];
            settle(edge);
        } else {
            current[edge] = goal[edge] < 0 ? -next : next;
        }
        return current[edge];
    }

    private void settle(int edge) {
        leg[edge] = STILL;
        settled[edge] = (float) current[edge];
        moving[side[edge]]--;
    }

    /** Falls, and all moves in the main mix, are lines; what performers hear rises by 60 dB a second. */
    private void startLeg(int edge) {
        double from = current[edge];
        double to = goal[edge];
        heading[edge] = to;
        boolean turnsOver = from * to < 0;
        boolean rises = Math.abs(to) > Math.abs(from);
        legStart[edge] = from;
        legAt[edge] = 0;
        moving[side[edge]] += leg[edge] == STILL ? 1 : 0;
        if (!gentle[edge]) {
            leg[edge] = LINE;
            legEnd[edge] = to;
        } else if (turnsOver) {
            leg[edge] = LINE;
            legEnd[edge] = 0;
        } else {
            leg[edge] = rises ? RISE : LINE;
            legEnd[edge] = to;
        }
    }

    private void adoptSide(MixState old, int begin, int end, int oldBegin, int oldEnd) {
        int from = oldBegin;
        for (int edge = begin; edge < end; edge++) {
            while (from < oldEnd && old.path[from].compareTo(path[edge]) < 0) {
                from++;
            }
            if (from < oldEnd && old.path[from].equals(path[edge])) {
                current[edge] = old.current[from];
                heading[edge] = old.heading[from];
                leg[edge] = old.leg[from];
                legStart[edge] = old.legStart[from];
                legEnd[edge] = old.legEnd[from];
                legAt[edge] = old.legAt[from];
            }
        }
    }

    private int indexOfBus(String key) {
        for (int bus = 0; bus < buses.size(); bus++) {
            if (buses.get(bus).key().equals(key)) {
                return bus;
            }
        }
        return -1;
    }

    private int indexOfPair(PairId id) {
        for (int pair = 0; pair < pairs.size(); pair++) {
            if (pairs.get(pair).id().equals(id)) {
                return pair;
            }
        }
        return -1;
    }

    /** The meter of an output pair, -1 if nothing leaves by it. */
    public int pairMeter(PairId id) {
        return indexOfPair(id);
    }

    private void layOut() {
        int at = 0;
        for (int bus = 0; bus < buses.size(); bus++) {
            MixPlan.Bus here = buses.get(bus);
            busPair[bus] = indexOfPair(here.pair());
            sideStart[2 * bus] = at;
            at = layOut(here.left(), here.gentle(), 2 * bus, at);
            sideStart[2 * bus + 1] = at;
            at = layOut(here.right(), here.gentle(), 2 * bus + 1, at);
        }
        sideStart[2 * buses.size()] = at;
    }

    private int layOut(List<MixPlan.Edge> edges, boolean gently, int ofSide, int start) {
        int at = start;
        for (MixPlan.Edge edge : edges) {
            path[at] = edge.path();
            source[at] = edge.source();
            goal[at] = edge.gain();
            gentle[at] = gently;
            side[at] = ofSide;
            at++;
        }
        return at;
    }

    private static List<MixPlan.Bus> withLeftovers(MixPlan plan, MixState old) {
        Map<String, MixPlan.Bus> merged = new TreeMap<>();
        plan.buses().forEach(bus -> merged.put(bus.key(), bus));
        for (int at = 0; at < old.buses.size(); at++) {
            MixPlan.Bus was = old.buses.get(at);
            List<MixPlan.Edge> left = old.sounding(was.left(), old.sideStart[2 * at], plan.sources());
            List<MixPlan.Edge> right = old.sounding(was.right(), old.sideStart[2 * at + 1], plan.sources());
            MixPlan.Bus now = merged.get(was.key());
            if (now != null) {
                merged.put(
                        was.key(),
                        new MixPlan.Bus(
                                was.key(),
                                was.gentle(),
                                was.pair(),
                                union(now.left(), left),
                                union(now.right(), right)));
            } else if (!left.isEmpty() || !right.isEmpty()) {
                merged.put(was.key(), new MixPlan.Bus(was.key(), was.gentle(), was.pair(), left, right));
            }
        }
        return List.copyOf(merged.values());
    }

    /** The edges that are not known to have arrived at zero, wanted at zero. */
    private List<MixPlan.Edge> sounding(List<MixPlan.Edge> edges, int start, int sources) {
        List<MixPlan.Edge> sounding = new ArrayList<>();
        for (int at = 0; at < edges.size(); at++) {
            MixPlan.Edge edge = edges.get(at);
            boolean silent = adopted && goal[start + at] == 0 && current[start + at] == 0;
            if (!silent && edge.source() < sources) {
                sounding.add(new MixPlan.Edge(edge.path(), edge.source(), 0));
            }
        }
        return sounding;
    }

    private static List<MixPlan.Edge> union(List<MixPlan.Edge> wanted, List<MixPlan.Edge> leaving) {
        Map<String, MixPlan.Edge> byPath = leaving.stream()
                .collect(Collectors.toMap(MixPlan.Edge::path, Function.identity(), (a, b) -> a, LinkedHashMap::new));
        wanted.forEach(edge -> byPath.put(edge.path(), edge));
        return List.copyOf(byPath.values());
    }

    private List<MixPlan.Pair> pairs(MixPlan plan, Optional<MixState> previous) {
        List<MixPlan.Pair> all = new ArrayList<>(plan.pairs());
        previous.ifPresent(old -> old.pairs.stream()
                .filter(pair -> buses.stream().anyMatch(bus -> bus.pair().equals(pair.id())))
                .filter(pair -> all.stream().noneMatch(present -> present.id().equals(pair.id())))
                .forEach(all::add));
        all.sort(Comparator.comparing(pair -> pair.id().value()));
        return List.copyOf(all);
    }
}
