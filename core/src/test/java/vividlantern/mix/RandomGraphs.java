package vividlantern.mix;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import vividlantern.RandomSessions;
import vividlantern.mix.effects.CeilingGuard;
import vividlantern.mix.effects.Effect;
import vividlantern.mix.effects.EffectKind;
import vividlantern.mix.effects.Passband;
import vividlantern.rig.PairId;
import vividlantern.session.cue.Corner;

/**
 * Graphs of buses, effects and taps that differ by a seed alone, of a kind that no session can make yet: returns that feed
 * returns, cues that tap them anywhere, effects in any order. What performers hear never reads a bus of the main mix.
 */
final class RandomGraphs {

    private static final int[] WIDTHS = {1, 3, 8, 2};
    private static final int RETURNS = WIDTHS.length;
    private static final int CUES = 3;

    private final Random random;
    private final List<MixPlan.Bus> buses = new ArrayList<>();
    private final List<MixPlan.Bus> forCues = new ArrayList<>();

    private RandomGraphs(long seed) {
        random = new Random(seed);
    }

    /** @param mainSeed what the main mix differs by */
    static MixPlan plan(long seed, long mainSeed) {
        return plan(buses(seed, mainSeed));
    }

    static MixPlan plan(List<MixPlan.Bus> buses) {
        return new MixPlan(MixRun.RATE, RandomSessions.INPUTS, 2 + 2 * RandomSessions.CUES, List.of(), buses);
    }

    static List<MixPlan.Bus> buses(long seed, long mainSeed) {
        RandomGraphs graph = new RandomGraphs(seed);
        graph.addForCues();
        RandomGraphs main = new RandomGraphs(31 * mainSeed + 7);
        main.forCues.addAll(graph.forCues);
        main.addMain();
        List<MixPlan.Bus> all = new ArrayList<>(graph.buses);
        all.addAll(main.buses);
        java.util.Collections.shuffle(all, new Random(mainSeed));
        return all;
    }

    private void addForCues() {
        for (int n = 0; n < RETURNS; n++) {
            int width = WIDTHS[n];
            List<MixPlan.Edge> edges = edges(forCues, width);
            List<MixPlan.Insert> chain = chain("return " + n);
            add(new MixPlan.Bus("return " + n, true, width, edges, chain, Optional.empty(), Optional.empty()));
        }
        for (int n = 1; n <= CUES; n++) {
            String pair = "pair phones-" + n;
            List<MixPlan.Edge> edges = new ArrayList<>(edges(forCues, 2));
            edges.add(new MixPlan.Edge("always", new MixPlan.Source(n), 0.3, 0.25));
            add(new MixPlan.Bus(
                    "cue " + n,
                    true,
                    MixPlan.Bus.inOrder(edges),
                    chain("cue " + n),
                    Optional.of(pair),
                    Optional.empty()));
            buses.add(new MixPlan.Bus(
                    pair,
                    true,
                    List.of(),
                    List.of(new MixPlan.Insert(pair + " guard", new CeilingGuard.Settings(0.25f))),
                    Optional.empty(),
                    Optional.of(new MixPlan.Exit(new PairId("phones-" + n), 2 * n, 2 * n + 1))));
        }
    }

    private void addMain() {
        List<MixPlan.Bus> readable = new ArrayList<>(forCues);
        for (int n = 0; n < 2; n++) {
            MixPlan.Bus bus = new MixPlan.Bus(
                    "a main return " + n,
                    false,
                    edges(readable, 2),
                    chain("a main return " + n),
                    n == 0 ? Optional.of("pair main") : Optional.empty(),
                    Optional.empty());
            buses.add(bus);
            readable.add(bus);
        }
        buses.add(new MixPlan.Bus(
                "pair main",
                false,
                edges(readable, 2),
                List.of(),
                Optional.empty(),
                Optional.of(new MixPlan.Exit(new PairId("main"), 0, 1))));
    }

    private void add(MixPlan.Bus bus) {
        buses.add(bus);
        forCues.add(bus);
    }

    private List<MixPlan.Edge> edges(List<MixPlan.Bus> readable, int width) {
        List<MixPlan.Edge> edges = new ArrayList<>();
        for (int n = 0; n < RandomSessions.INPUTS; n++) {
            if (random.nextInt(3) == 0) {
                edges.add(edge("input " + n, new MixPlan.Source(n), width));
            }
        }
        for (MixPlan.Bus bus : readable) {
            if (random.nextInt(3) == 0) {
                List<String> places = new ArrayList<>(List.of(MixPlan.Tapped.START, MixPlan.Tapped.END));
                bus.chain().forEach(insert -> places.add(insert.key()));
                String behind = places.get(random.nextInt(places.size()));
                int wire = random.nextInt(bus.width());
                String path = bus.key() + "|" + behind + "|" + wire;
                edges.add(edge(path, new MixPlan.Tapped(bus.key(), behind, wire), width));
            }
        }
        return MixPlan.Bus.inOrder(edges);
    }

    private MixPlan.Edge edge(String path, MixPlan.Origin origin, int width) {
        return new MixPlan.Edge(path, origin, 2 * random.nextInt((width + 1) / 2), gain(), gain(), false);
    }

    private List<MixPlan.Insert> chain(String bus) {
        List<MixPlan.Insert> chain = new ArrayList<>();
        int effects = random.nextInt(3);
        for (int n = 0; n < effects; n++) {
            Effect.Settings settings = random.nextBoolean() ? new Bend(0.5f + random.nextFloat()) : passband();
            chain.add(new MixPlan.Insert(bus + " " + settings.getClass().getName() + n, settings));
        }
        return chain;
    }

    private Passband.Settings passband() {
        return new Passband.Settings(
                new Corner(random.nextBoolean(), 40 + random.nextInt(400)),
                new Corner(random.nextBoolean(), 2000 + random.nextInt(8000)));
    }

    private double gain() {
        return random.nextInt(6) == 0 ? 0 : random.nextInt(200) / 400.0 - 0.25;
    }

    /** An effect of the tests' own, that is not linear: x + drive·x·|x|, later by seven frames. */
    record Bend(float drive) implements Effect.Settings {

        private static final int DELAY = 7;

        private static final EffectKind<Bend> KIND = new EffectKind<>(
                "bend", Bend.class, List.of(), (bend, sampleRate) -> DELAY, (place, bend) -> new Bent(place));

        @Override
        public EffectKind<Bend> kind() {
            return KIND;
        }

        @Override
        public Effect.Settings through() {
            return new Bend(0);
        }
    }

    private static final class Bent implements Effect {
        private final float[][] inlets;
        private final float[][] tail;
        private final float[] work;
        private float drive;

        private Bent(EffectKind.Place place) {
            inlets = new float[place.wires()][place.maxFrames()];
            tail = new float[place.wires()][Bend.DELAY];
            work = new float[place.maxFrames() + Bend.DELAY];
        }

        @Override
        public float[] inlet(int wire) {
            return inlets[wire];
        }

        @Override
        public void head(Effect.Settings settings) {
            drive = ((Bend) settings).drive();
        }

        @Override
        public void process(float[][] out, int outBegin, int at, int frames, long frame) {
            for (int wire = 0; wire < out.length; wire++) {
                process(wire, out[wire], outBegin, at, frames);
            }
        }

        private void process(int wire, float[] out, int outBegin, int at, int frames) {
            System.arraycopy(tail[wire], 0, work, 0, Bend.DELAY);
            System.arraycopy(inlets[wire], at, work, Bend.DELAY, frames);
            System.arraycopy(work, frames, tail[wire], 0, Bend.DELAY);
            for (int n = 0; n < frames; n++) {
                out[outBegin + at + n] = work[n] + drive * work[n] * Math.abs(work[n]);
            }
        }

        @Override
        public void endBlock(int frames) {
            // its tail is kept as it goes
        }

        @Override
        public boolean isThrough() {
            return true;
        }

        @Override
        public double takeReading() {
            return 1;
        }
    }
}
