package vividlantern.mix.effects;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.Collectors;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.session.chain.Chain;
import vividlantern.session.chain.EffectId;
import vividlantern.session.chain.EffectNumber;
import vividlantern.session.chain.EffectType;
import vividlantern.session.chain.EffectValue;
import vividlantern.session.chain.Inserted;
import vividlantern.session.cue.Comfort;
import vividlantern.session.cue.Compressor;
import vividlantern.session.cue.Corner;
import vividlantern.session.song.NoteValue;
import vividlantern.session.song.TempoMap;
import vividlantern.units.Noise;

/** What every kind of effect must do: a new kind is tested here once it has an example. */
public class EveryEffectTest {

    private static final int RATE = 48_000;
    private static final int FRAMES = 4096;

    private static final List<Effect.Settings> EXAMPLES = List.of(
            new Passband.Settings(new Corner(true, 90), new Corner(true, 9000)),
            new CeilingGuard.Settings(0.25f),
            new Shift.Settings(123),
            new GentleCompressor.Settings(new Compressor(true, -20, 4, 2, 40, 6)),
            new RoomReverb.Settings(Comfort.Room.SMALL),
            new TempoEcho.Settings(
                    NoteValue.QUAVER, 0.3f, TempoMap.steady(480, 4, 4).curve()),
            new SlowGain.Settings(Collections.nCopies(8, 0.5)),
            set(EffectType.HIGH_PASS, new EffectValue(EffectNumber.SLOPE, 18)),
            set(EffectType.LOW_PASS, new EffectValue(EffectNumber.SLOPE, 6)),
            set(
                    EffectType.EQ,
                    new EffectValue(EffectNumber.LOW_LEVEL, -6),
                    new EffectValue(EffectNumber.HIGH_LEVEL, 4)),
            set(EffectType.GATE, new EffectValue(EffectNumber.KEY_LOW, 100)),
            set(EffectType.COMPRESSOR, new EffectValue(EffectNumber.KEY_LOW, 100)),
            set(EffectType.LIMITER, new EffectValue(EffectNumber.CEILING, -12)),
            set(EffectType.DRIVE),
            set(EffectType.SPEAKER),
            set(EffectType.DELAY, new EffectValue(EffectNumber.FRAMES, 12.34)),
            set(EffectType.REVERB, new EffectValue(EffectNumber.PRE_DELAY, 5)),
            set(EffectType.ECHO, new EffectValue(EffectNumber.NOTE, 0), new EffectValue(EffectNumber.MS, 20)),
            new SignalMaker.Tone(440),
            new SignalMaker.PinkNoise(),
            new SignalMaker.CountedTones(2, 3));

    private static ChainSettings set(EffectType type, EffectValue... numbers) {
        Inserted effect = Inserted.of(new EffectId("any"), type).with(List.of(numbers));
        return (ChainSettings) EffectKinds.settings(effect, Chain.EMPTY, 1);
    }

    @DataProvider
    public Object[][] examples() {
        List<Object[]> examples = new ArrayList<>();
        for (Effect.Settings settings : EXAMPLES) {
            for (int wires : new int[] {1, 2, 3, 8}) {
                examples.add(new Object[] {settings, wires});
            }
        }
        return examples.toArray(Object[][]::new);
    }

    @Test
    public void everyKindHasAnExampleAndAWordOfItsOwn() {
        assertThat(EXAMPLES.stream().map(Effect.Settings::kind).collect(Collectors.toSet()))
                .containsExactlyInAnyOrderElementsOf(EffectKinds.ALL);
        assertThat(EffectKinds.ALL).extracting(EffectKind::word).doesNotHaveDuplicates();
        assertThat(EffectKinds.ALL)
                .flatExtracting(EffectKind::parameters)
                .allSatisfy(parameter -> assertThat(parameter.from()).isLessThan(parameter.to()));
    }

    @Test
    public void noEffectWorksOnMoreThanEightWires() {
        assertThatThrownBy(() -> new EffectKind.Place(9, RATE, 64))
                .hasMessage("An effect works on 1 to 8 wires; 9 is not.");
    }

    @Test(dataProvider = "examples")
    public void theSizeOfBlocksChangesNothing(Effect.Settings settings, int wires) {
        float[][] whole = run(settings, noise(wires), FRAMES, FRAMES);
        assertThat(run(settings, noise(wires), FRAMES, 37)).isDeepEqualTo(whole);
        assertThat(run(settings, noise(wires), FRAMES, 1)).isDeepEqualTo(whole);
    }

    /**
     * What makes a signal of its own, or gives none of what came in as it was, is late by nothing. What comes in before a frame cannot
     * leave before that frame and the latency, but for what swings in before it.
     */
    @Test(dataProvider = "examples")
    public void whatLeavesIsAsLateAsTheKindSays(Effect.Settings settings, int wires) {
        if (settings instanceof SignalMaker.Settings
                || settings instanceof RoomReverb.Settings
                || settings instanceof TempoEcho.Settings) {
            assertThat(settings.latencyFrames(RATE)).isZero();
            return;
        }
        float[][] in = new float[wires][FRAMES];
        for (float[] wire : in) {
            wire[2000] = 0.2f;
        }
        int arrives = 2000 + settings.latencyFrames(RATE);
        float[][] out = run(settings, in, FRAMES, 64);
        boolean swingsIn = settings instanceof ChainSettings chained
                && (chained.type() == EffectType.DRIVE || chained.type() == EffectType.DELAY);
        for (float[] wire : out) {
            for (int n = 0; n < arrives; n++) {
                assertThat(Math.abs(wire[n])).isLessThanOrEqualTo(swingsIn ? Math.abs(wire[arrives]) : 0);
            }
            boolean dull = settings instanceof ChainSettings chained && chained.type() == EffectType.SPEAKER;
            assertThat(Math.abs(wire[arrives])).isGreaterThan(dull ? 0.0002f : 0.02f);
        }
    }

    /** Wires that bring the same leave the same: what is decided is decided for all of them. A room comes from everywhere. */
    @Test(dataProvider = "examples")
    public void allWiresAreTreatedAlike(Effect.Settings settings, int wires) {
        boolean room = settings instanceof RoomReverb.Settings
                || settings instanceof ChainSettings chained && chained.type() == EffectType.REVERB;
        if (room) {
            return;
        }
        float[][] out = run(settings, new float[wires][FRAMES], FRAMES, 64);
        float[][] same = run(settings, alike(wires), FRAMES, 64);
        for (int wire = 1; wire < wires && !(settings instanceof SignalMaker.CountedTones); wire++) {
            assertThat(same[wire]).isEqualTo(same[0]);
            assertThat(out[wire]).isEqualTo(out[0]);
        }
    }

    /** One wire is loud: the guard holds all of them back by the same factor, so that a picture stays where it is. */
    @Test
    public void aLoudWireHoldsBackAllOthersWithIt() {
        float[][] in = new float[8][FRAMES];
        for (int n = 0; n < FRAMES; n++) {
            for (int wire = 0; wire < 8; wire++) {
                in[wire][n] = (float) ((wire == 6 ? 1 : 0.1) * Math.sin(2 * Math.PI * 440 * n / RATE));
            }
        }
        float[][] out = run(new CeilingGuard.Settings(0.25f), in, FRAMES, 64);
        for (int n = 2000; n < FRAMES; n++) {
            assertThat(Math.abs(out[6][n])).isLessThanOrEqualTo(0.25f);
            assertThat(out[0][n]).isCloseTo(0.1f * out[6][n], within(1e-6f));
        }
    }

    private static float[][] run(Effect.Settings settings, float[][] in, int frames, int block) {
        Effect effect = settings.make(new EffectKind.Place(in.length, RATE, block));
        effect.head(settings);
        float[][] out = new float[in.length][frames];
        for (int at = 0; at < frames; at += block) {
            int now = Math.min(block, frames - at);
            for (int wire = 0; wire < in.length; wire++) {
                System.arraycopy(in[wire], at, effect.inlet(wire), effect.inletBegin(), now);
            }
            effect.process(out, at, 0, now, at);
            effect.endBlock(now);
        }
        return out;
    }

    private static float[][] noise(int wires) {
        float[][] in = new float[wires][FRAMES];
        for (int wire = 0; wire < wires; wire++) {
            for (int n = 0; n < FRAMES; n++) {
                in[wire][n] = (float) (Noise.uniform(wire, n) - 0.5);
            }
        }
        return in;
    }

    private static float[][] alike(int wires) {
        float[][] in = noise(wires);
        for (int wire = 1; wire < wires; wire++) {
            in[wire] = in[0].clone();
        }
        return in;
    }
}
