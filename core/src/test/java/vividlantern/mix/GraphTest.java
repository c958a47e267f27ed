package vividlantern.mix;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.kernel.PlainKernel;
import vividlantern.mix.effects.CeilingGuard;
import vividlantern.mix.effects.Passband;
import vividlantern.rig.PairId;
import vividlantern.session.Corner;

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
                .then(60_000, with)
                .then(150_000, without)
                .constant(level, 160_000)
                .run(480)[2];
        int delay = CeilingGuard.delayFrames(MixRun.RATE);
        assertThat(MixRun.peak(left, 0, 60_000 + delay)).isZero();
        assertThat(MixRun.db(left[60_000 + delay + 24_000] / level)).isCloseTo(-30, within(0.01));
        assertThat(left[149_999]).isCloseTo((float) level, within(1e-7f));
        assertThat(MixRun.peak(left, 150_000 + delay + 480, 160_000)).isZero();
        assertNoJump(left, 150_000, 160_000, level);
    }

    /** A bus that has an effect put in, or taken out, sounds on meanwhile. */
    @Test
    public void anEffectThatComesAndGoesMakesNoJump() {
        Passband.Settings on = new Passband.Settings(new Corner(false, 80), new Corner(true, 12_000));
        MixPlan plain = cueWithReturn(1, List.of());
        MixPlan filtered = cueWithReturn(1, List.of(new MixPlan.Insert("return filter", on)));
        double level = 1.0 / 64;
        float[] left = MixRun.of(plain)
                .then(96_003, filtered)
                .then(98_000, plain)
                .then(99_500, plain)
                .constant(level, 101_000)
                .run(64)[2];
        for (int n = 90_000; n < 101_000; n++) {
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
                .then(150_000, linear(after))
                .then(150_100, linear(before))
                .constant(level, 160_000)
                .run(480);
        for (float[] output : Arrays.copyOf(out, 8)) {
            assertNoJump(output, 149_000, 160_000, 4 * level);
        }
    }

    private static MixPlan linear(int seed) {
        return RandomGraphs.plan(RandomGraphs.buses(seed, seed).stream()
                .map(bus -> bus.with(
                        bus.edges().stream()
                                .map(edge -> edge.origin() instanceof MixPlan.Tapped tap
                                        ? new MixPlan.Edge(
                                                edge.path(),
                                                new MixPlan.Tapped(tap.bus(), MixPlan.Tapped.START, tap.side()),
                                                edge.left(),
                                                edge.right())
                                        : edge)
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
