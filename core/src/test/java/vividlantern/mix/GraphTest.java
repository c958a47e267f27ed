package vividlantern.mix;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.kernel.PlainKernel;
import vividlantern.mix.effects.CeilingGuard;
import vividlantern.mix.effects.Passband;
import vividlantern.mix.effects.Shift;
import vividlantern.rig.PairId;
import vividlantern.session.cue.Corner;

/** What holds for every graph of buses, effects and taps, whatever sessions will make of it. */
public class GraphTest {

    private static final int FRAMES = 9600;

    @DataProvider
    public Object[][] seeds() {
        Object[][] seeds = new Object[25][];
        for (int seed = 0; seed < seeds.length; seed++) {
            seeds[seed] = new Object[] {seed};
        }
        return seeds;
    }

    @Test(dataProvider = "seeds")
    public void nothingInTheMainMixChangesWhatACueHears(int seed) {
        float[][] one = MixRun.of(RandomGraphs.plan(seed, 1)).noise(FRAMES).run(480);
        MixRun edited = MixRun.of(RandomGraphs.plan(seed, 2));
        for (int change = 1; change < 20; change++) {
            edited.then(400L * change + change % 3, RandomGraphs.plan(seed, 2 + change));
        }
        float[][] two = edited.noise(FRAMES).run(480);
        for (int output = 2; output < 8; output++) {
            assertThat(two[output]).as("output %s", output).isEqualTo(one[output]);
            assertThat(MixRun.peak(one[output], 0, FRAMES)).isGreaterThan(1e-5);
        }
        assertThat(two[0]).isNotEqualTo(one[0]);
    }

    @Test(dataProvider = "seeds")
    public void theSizeOfBlocksAndTheKernelChangeNothing(int seed) {
        float[][] reference = changing(seed).run(480);
        for (int block : new int[] {1, 37, 64, 1000}) {
            assertThat(changing(seed).run(block)).as("blocks of %s", block).isDeepEqualTo(reference);
        }
        assertThat(changing(seed).by(new PlainKernel()).run(256)).isDeepEqualTo(reference);
    }

    /** From graph to graph and back, at odd frames. */
    private static MixRun changing(int seed) {
        return MixRun.of(RandomGraphs.plan(seed, 0))
                .then(1501, RandomGraphs.plan(seed + 100, 1))
                .then(2222, RandomGraphs.plan(seed + 100, 2))
                .then(3333, RandomGraphs.plan(seed, 3))
                .noise(5000);
    }

    @Test
    public void aLoopIsRefusedAndItsStationsAreNamed() {
        List<MixPlan.Bus> buses =
                List.of(bus("a", tapped("c")), bus("b", tapped("a")), bus("c", tapped("b")), bus("d", tapped("a")));
        assertThatThrownBy(() -> RandomGraphs.plan(buses))
                .isInstanceOf(BusOrder.Loop.class)
                .hasMessage("This runs in a circle: a ← c ← b ← a.");
    }

    @Test
    public void everyBusStandsAfterAllThatItReadsAndWhereItStandsHangsOnThatAlone() {
        for (int seed = 0; seed < 50; seed++) {
            List<String> keys = new ArrayList<>();
            for (MixPlan.Bus bus : RandomGraphs.plan(seed, 1).buses()) {
                for (MixPlan.Edge edge : bus.edges()) {
                    if (edge.origin() instanceof MixPlan.Tapped tap) {
                        assertThat(keys).contains(tap.bus());
                    }
                }
                keys.add(bus.key());
            }
            List<String> other = RandomGraphs.plan(seed, 9).buses().stream()
                    .map(MixPlan.Bus::key)
                    .toList();
            assertThat(withoutMain(other)).isEqualTo(withoutMain(keys));
        }
    }

    @Test
    public void whatAReturnGivesToACueRisesGentlyAndFallsWithoutAJump() {
        double level = 1.0 / 64;
        MixPlan without = cueWithReturn(0, List.of());
        MixPlan with = cueWithReturn(1, List.of());
        float[] left = MixRun.of(without)
                .then(100_000, with)
                .then(250_000, without)
                .constant(level, 260_000)
                .run(480)[2];
        int delay = CeilingGuard.delayFrames(MixRun.RATE);
        assertThat(MixRun.peak(left, 0, 100_000 + delay)).isZero();
        assertThat(MixRun.db(left[100_000 + delay + 24_000] / level))
                .as("of two gains in series each rises by 30 dB a second")
                .isCloseTo(-45, within(0.01));
        assertThat(left[249_999]).isCloseTo((float) level, within(1e-7f));
        assertThat(MixRun.peak(left, 250_000 + delay + 480, 260_000)).isZero();
        assertNoJump(left, 250_000, 260_000, level);
    }

    /** All gains on the way to a performer at once, however many follow one another: never by more than 60 dB a second. */
    @Test(dataProvider = "seeds")
    public void gainsInSeriesTogetherRiseNoFasterThanOneMay(int seed) {
        double level = 1.0 / 64;
        float[][] out = MixRun.of(rising(seed, 0))
                .then(9600, rising(seed, 1))
                .then(24_000, rising(seed + 100, 2))
                .then(40_000, rising(seed, 3))
                .constant(level, 60_000)
                .run(480);
        int delay = CeilingGuard.delayFrames(MixRun.RATE);
        for (int output = 2; output < 8; output++) {
            assertRisesSlowly(out[output], delay, 9600 + delay);
            assertRisesSlowly(out[output], 9600 + delay, 24_000 + delay);
            assertRisesSlowly(out[output], 24_000 + delay, 40_000 + delay);
            assertRisesSlowly(out[output], 40_000 + delay, 60_000);
            assertThat(MixRun.peak(out[output], 0, 60_000)).isGreaterThan(level / 100);
        }
    }

    /** Over 2 ms, as samples are rounded to floats; where a gain begins from off at -60 dB is not looked at. */
    private static void assertRisesSlowly(float[] samples, int from, int to) {
        int frames = 96;
        double most = Math.pow(10, 3.0 * frames / MixRun.RATE) * (1 + 2e-5);
        for (int n = from + frames; n < to; n++) {
            assertThat((double) samples[n]).as("frame %s", n).isLessThanOrEqualTo(samples[n - frames] * most);
        }
    }

    /** No effects, no gain below zero, and each gain off in one of three states. */
    private static MixPlan rising(int seed, int state) {
        Random random = new Random(31L * seed + state);
        return RandomGraphs.plan(RandomGraphs.buses(seed, 1).stream()
                .map(bus -> bus.with(
                        bus.edges().stream()
                                .map(edge -> tappedAt(MixPlan.Tapped.END, edge)
                                        .at(louder(edge.left(), random), louder(edge.right(), random)))
                                .toList(),
                        bus.exit().isPresent()
                                ? List.of(new MixPlan.Insert(bus.key() + " guard", CeilingGuard.Settings.OFF))
                                : List.of()))
                .toList());
    }

    private static double louder(double gain, Random random) {
        return random.nextInt(3) == 0 ? 0 : Math.abs(gain) + 0.1;
    }

    private static MixPlan.Edge tappedAt(String place, MixPlan.Edge edge) {
        return edge.origin() instanceof MixPlan.Tapped tap
                ? new MixPlan.Edge(
                        edge.path(),
                        new MixPlan.Tapped(tap.bus(), place, tap.wire()),
                        edge.into(),
                        edge.left(),
                        edge.right(),
                        false)
                : edge;
    }

    @Test
    public void whoListensToAPerformersMixIsNoGainOnItsWay() {
        MixPlan.Bus cue = new MixPlan.Bus(
                "cue", true, List.of(input(0)), List.of(), Optional.of("pair phones-1"), Optional.empty());
        MixPlan.Bus pair = new MixPlan.Bus(
                "pair phones-1",
                true,
                List.of(),
                List.of(),
                Optional.empty(),
                Optional.of(new MixPlan.Exit(new PairId("phones-1"), 2, 3)));
        MixPlan.Bus listening = new MixPlan.Bus(
                "pair phones-2",
                true,
                List.of(tapped("pair phones-1")),
                List.of(),
                Optional.empty(),
                Optional.of(new MixPlan.Exit(new PairId("phones-2"), 4, 5)));
        SharedRise alone = new SharedRise(List.of(cue, pair));
        SharedRise heard = new SharedRise(List.of(cue, pair, listening));
        assertThat(alone.gains(cue, cue.edges().get(0))).isEqualTo(1);
        assertThat(heard.gains(cue, cue.edges().get(0))).isEqualTo(1);
        assertThat(heard.gains(listening, listening.edges().get(0))).isEqualTo(1);
    }

    private static MixPlan.Edge input(int wire) {
        return new MixPlan.Edge("input " + wire, new MixPlan.Source(wire), 1, 1);
    }

    /** What a return of eight wires holds is heard wire by wire. */
    @Test
    public void aBusHasUpToEightWiresEachWithItsOwnSignal() {
        List<MixPlan.Edge> in = new ArrayList<>();
        for (int wire = 0; wire < 7; wire++) {
            int side = wire % 2;
            in.add(new MixPlan.Edge("in " + wire, new MixPlan.Source(wire), wire - side, 1 - side, side, false));
        }
        List<MixPlan.Insert> later = List.of(new MixPlan.Insert("later", new Shift.Settings(5)));
        MixPlan.Bus wide = new MixPlan.Bus("wide", false, 7, in, later, Optional.empty(), Optional.empty());
        List<MixPlan.Edge> heard = List.of(
                new MixPlan.Edge("a", new MixPlan.Tapped("wide", MixPlan.Tapped.END, 6), 1, 0),
                new MixPlan.Edge("b", new MixPlan.Tapped("wide", MixPlan.Tapped.END, 3), 0, 1));
        MixPlan.Bus pair = new MixPlan.Bus(
                "pair main",
                false,
                heard,
                List.of(),
                Optional.empty(),
                Optional.of(new MixPlan.Exit(new PairId("main"), 0, 1)));
        float[][] inputs = new float[RandomSessions.INPUTS][4800];
        inputs[6][2000] = 0.5f;
        inputs[3][2100] = 0.25f;
        float[][] out =
                MixRun.of(RandomGraphs.plan(List.of(wide, pair))).inputs(inputs).run(64);
        assertThat(out[0][2005]).isEqualTo(0.5f);
        assertThat(out[1][2105]).isEqualTo(0.25f);
        assertThat(MixRun.peak(out[0], 2006, 4800)).isZero();
    }

    /** A bus that has an effect put in, or taken out, sounds on meanwhile. */
    @Test
    public void anEffectThatComesAndGoesMakesNoJump() {
        Passband.Settings on = new Passband.Settings(new Corner(false, 80), new Corner(true, 12_000));
        MixPlan plain = cueWithReturn(1, List.of());
        MixPlan filtered = cueWithReturn(1, List.of(new MixPlan.Insert("return filter", on)));
        double level = 1.0 / 64;
        float[] left = MixRun.of(plain)
                .then(196_003, filtered)
                .then(198_000, plain)
                .then(199_500, plain)
                .constant(level, 201_000)
                .run(64)[2];
        for (int n = 194_000; n < 201_000; n++) {
            assertThat(left[n]).as("frame %s", n).isCloseTo((float) level, within(2e-3f * (float) level));
        }
    }

    @DataProvider
    public Object[][] pairsOfSeeds() {
        return new Object[][] {{1, 2}, {3, 4}, {5, 6}, {7, 7}, {8, 9}};
    }

    /** With inputs that stand still, everything that moves is a gain on its way. */
    @Test(dataProvider = "pairsOfSeeds")
    public void takingOverAnotherGraphIsNoJump(int before, int after) {
        double level = 1.0 / 256;
        float[][] out = MixRun.of(linear(before))
                .then(350_000, linear(after))
                .then(350_100, linear(before))
                .constant(level, 360_000)
                .run(480);
        for (float[] output : Arrays.copyOf(out, 8)) {
            assertNoJump(output, 349_000, 360_000, 4 * level);
        }
    }

    private static MixPlan linear(int seed) {
        return RandomGraphs.plan(RandomGraphs.buses(seed, seed).stream()
                .map(bus -> bus.with(
                        bus.edges().stream()
                                .map(edge -> tappedAt(MixPlan.Tapped.START, edge))
                                .toList(),
                        bus.exit().isPresent() ? bus.chain() : List.of()))
                .toList());
    }

    /** An edge of at most 0.25 moves by 1/480 of that a frame; a jump would be all of it at once. */
    private static void assertNoJump(float[] samples, int from, int to, double level) {
        for (int n = from; n < to; n++) {
            assertThat(Math.abs(samples[n] - samples[n - 1])).as("frame %s", n).isLessThan((float) (level / 40));
        }
    }

    private static MixPlan cueWithReturn(double send, List<MixPlan.Insert> chain) {
        String pair = "pair phones-1";
        return RandomGraphs.plan(List.of(
                new MixPlan.Bus(
                        "return",
                        true,
                        List.of(new MixPlan.Edge("in", new MixPlan.Source(0), 1, 1)),
                        chain,
                        Optional.empty(),
                        Optional.empty()),
                new MixPlan.Bus(
                        "cue",
                        true,
                        List.of(new MixPlan.Edge(
                                "return|0", new MixPlan.Tapped("return", MixPlan.Tapped.END, 0), send, send)),
                        List.of(),
                        Optional.of(pair),
                        Optional.empty()),
                new MixPlan.Bus(
                        pair,
                        true,
                        List.of(),
                        List.of(new MixPlan.Insert(pair + " guard", CeilingGuard.Settings.OFF)),
                        Optional.empty(),
                        Optional.of(new MixPlan.Exit(new PairId("phones-1"), 2, 3)))));
    }

    private static MixPlan.Bus bus(String key, MixPlan.Edge... edges) {
        return new MixPlan.Bus(key, false, List.of(edges), List.of(), Optional.empty(), Optional.empty());
    }

    private static MixPlan.Edge tapped(String bus) {
        return new MixPlan.Edge(bus, new MixPlan.Tapped(bus, MixPlan.Tapped.START, 0), 1, 1);
    }

    private static List<String> withoutMain(List<String> keys) {
        return keys.stream().filter(key -> !key.contains("main")).toList();
    }
}
