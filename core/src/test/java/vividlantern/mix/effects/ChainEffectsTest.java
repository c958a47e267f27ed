package vividlantern.mix.effects;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.session.chain.Chain;
import vividlantern.session.chain.EffectId;
import vividlantern.session.chain.EffectNumber;
import vividlantern.session.chain.EffectType;
import vividlantern.session.chain.EffectValue;
import vividlantern.session.chain.Inserted;
import vividlantern.units.Noise;

/** What effects of chains do to a signal, against formulas and against envelopes worked out by hand. */
public class ChainEffectsTest {

    private static final int RATE = 48_000;
    private static final int BLOCK = 64;

    private static EffectValue at(EffectNumber number, double value) {
        return new EffectValue(number, value);
    }

    private static Inserted effect(EffectType type, EffectValue... numbers) {
        return Inserted.of(new EffectId("any"), type).with(List.of(numbers));
    }

    private static Effect.Settings on(Inserted effect) {
        return EffectKinds.settings(effect, Chain.EMPTY, 1);
    }

    /** An effect while it runs, block by block. */
    private static final class Running {

        private final Effect effect;
        private long frame;

        Running(Effect.Settings settings, int wires, int sampleRate) {
            effect = settings.make(new EffectKind.Place(wires, sampleRate, BLOCK));
            effect.head(settings);
        }

        float[][] pass(float[][] in) {
            int frames = in[0].length;
            float[][] out = new float[in.length][frames];
            for (int at = 0; at < frames; at += BLOCK) {
                int now = Math.min(BLOCK, frames - at);
                for (int wire = 0; wire < in.length; wire++) {
                    System.arraycopy(in[wire], at, effect.inlet(wire), effect.inletBegin(), now);
                }
                effect.process(out, at, 0, now, frame);
                effect.endBlock(now);
                frame += now;
            }
            return out;
        }

        float[] pass(float[] in) {
            return pass(new float[][] {in})[0];
        }
    }

    private static float[] level(double value, int frames) {
        float[] samples = new float[frames];
        Arrays.fill(samples, (float) value);
        return samples;
    }

    private static float[] sine(double hz, double peak, int frames) {
        float[] samples = new float[frames];
        for (int n = 0; n < frames; n++) {
            samples[n] = (float) (peak * Math.sin(2 * Math.PI * hz * n / RATE));
        }
        return samples;
    }

    private static double db(double factor) {
        return 20 * Math.log10(factor);
    }

    /** The real and the imaginary part of what a settled effect makes of a frequency. */
    private static double[] response(Inserted effect, double hz, int sampleRate) {
        Running running = new Running(on(effect), 1, sampleRate);
        running.pass(new float[sampleRate]);
        float[] impulse = new float[sampleRate];
        impulse[0] = 1;
        float[] out = running.pass(impulse);
        double real = 0;
        double imaginary = 0;
        for (int n = 0; n < out.length; n++) {
            real += out[n] * Math.cos(2 * Math.PI * hz * n / sampleRate);
            imaginary -= out[n] * Math.sin(2 * Math.PI * hz * n / sampleRate);
        }
        return new double[] {real, imaginary};
    }

    @DataProvider
    public Object[][] slopes() {
        List<Object[]> rows = new ArrayList<>();
        for (int rate : new int[] {44_100, 48_000, 96_000}) {
            for (int slope : new int[] {6, 12, 18, 24}) {
                rows.add(new Object[] {rate, slope});
            }
        }
        return rows.toArray(Object[][]::new);
    }

    /** A Butterworth filter of order n: |H|² = 1 / (1 + (fc/f)^2n), both frequencies as the trapezoidal rule has them. */
    @Test(dataProvider = "slopes")
    public void aHighPassIsTheFormulaAtTwentyFrequencies(int rate, int slope) {
        Inserted highPass = effect(EffectType.HIGH_PASS, at(EffectNumber.HZ, 400), at(EffectNumber.SLOPE, slope));
        double corner = Math.tan(Math.PI * 400 / rate);
        for (int step = 0; step < 20; step++) {
            double hz = 50 * Math.pow(2, step * 0.4);
            double[] measured = response(highPass, hz, rate);
            double here = Math.tan(Math.PI * hz / rate);
            double formula = 1 / Math.sqrt(1 + Math.pow(corner / here, slope / 3.0));
            assertThat(db(Math.hypot(measured[0], measured[1]))).isCloseTo(db(formula), within(0.02));
        }
    }

    /** At the corner each order turns the phase by 45°: ahead for a high-pass, behind for a low-pass. */
    @Test(dataProvider = "slopes")
    public void bothTurnThePhaseByHalfARightAngleAnOrderAtTheCorner(int rate, int slope) {
        double turns = slope / 6.0 / 8;
        for (EffectType type : List.of(EffectType.HIGH_PASS, EffectType.LOW_PASS)) {
            double[] measured =
                    response(effect(type, at(EffectNumber.HZ, 1000), at(EffectNumber.SLOPE, slope)), 1000, rate);
            double phase = Math.atan2(measured[1], measured[0]) / (2 * Math.PI);
            double wanted = type == EffectType.HIGH_PASS ? turns : -turns;
            assertThat(Math.abs(Math.IEEEremainder(phase - wanted, 1))).isLessThan(0.001);
            assertThat(db(Math.hypot(measured[0], measured[1]))).isCloseTo(-3.01, within(0.02));
        }
    }

    @Test
    public void aBellHasItsLevelInItsMiddleAndAShelfHalfOfItsAtItsFrequency() {
        Inserted bell = effect(EffectType.EQ, at(EffectNumber.HIGH_MID_HZ, 3000), at(EffectNumber.HIGH_MID_LEVEL, 9));
        assertThat(measuredDb(bell, 3000)).isCloseTo(9.0, within(0.02));
        assertThat(measuredDb(bell, 100)).isCloseTo(0.0, within(0.05));
        Inserted low = effect(EffectType.EQ, at(EffectNumber.LOW_HZ, 200), at(EffectNumber.LOW_LEVEL, -12));
        assertThat(measuredDb(low, 200)).isCloseTo(-6.0, within(0.02));
        assertThat(measuredDb(low, 20)).isCloseTo(-12.0, within(0.1));
        Inserted high = effect(EffectType.EQ, at(EffectNumber.HIGH_HZ, 4000), at(EffectNumber.HIGH_LEVEL, 12));
        assertThat(measuredDb(high, 4000)).isCloseTo(6.0, within(0.02));
        assertThat(measuredDb(high, 18_000)).isCloseTo(12.0, within(0.1));
    }

    private static double measuredDb(Inserted effect, double hz) {
        double[] measured = response(effect, hz, RATE);
        return db(Math.hypot(measured[0], measured[1]));
    }

    @DataProvider
    public Object[][] drawn() {
        return new Object[][] {
            {effect(EffectType.HIGH_PASS, at(EffectNumber.SLOPE, 18))},
            {effect(EffectType.LOW_PASS, at(EffectNumber.HZ, 3000), at(EffectNumber.SLOPE, 24))},
            {
                effect(
                        EffectType.EQ,
                        at(EffectNumber.LOW_LEVEL, 5),
                        at(EffectNumber.LOW_MID_LEVEL, -7),
                        at(EffectNumber.HIGH_MID_LEVEL, 3),
                        at(EffectNumber.HIGH_LEVEL, -4))
            },
            {effect(EffectType.SPEAKER, at(EffectNumber.SIZE, 10), at(EffectNumber.OFF_CENTRE, 4))},
        };
    }

    @Test(dataProvider = "drawn")
    public void theCurveThatIsDrawnIsWhatIsHeard(Inserted effect) {
        List<ChainCurve.ChainPoint> curve = ChainCurve.of(effect, RATE);
        for (int at = 6; at < curve.size() - 1; at += 11) {
            ChainCurve.ChainPoint point = curve.get(at);
            assertThat(measuredDb(effect, point.x())).isCloseTo(point.y(), within(0.05));
        }
    }

    @Test
    public void behindASpeakerNothingIsLouder() {
        for (double inches : new double[] {8, 10, 12, 15}) {
            Inserted speaker =
                    effect(EffectType.SPEAKER, at(EffectNumber.SIZE, inches), at(EffectNumber.OFF_CENTRE, 0));
            double loudest = ChainCurve.of(speaker, RATE).stream()
                    .mapToDouble(ChainCurve.ChainPoint::y)
                    .max()
                    .orElseThrow();
            assertThat(loudest).isBetween(-4.0, 0.0);
        }
    }

    /** -6.02 dBFS above a threshold of -20 at 4 : 1 without a knee leave 13.98 / 4 dB above it. */
    @Test
    public void aSteadyLevelIsHeldBackByTheRatio() {
        Inserted compressor = effect(EffectType.COMPRESSOR, at(EffectNumber.RATIO, 4), at(EffectNumber.KNEE, 0));
        float[] out = new Running(on(compressor), 1, RATE).pass(level(0.5, RATE));
        assertThat(db(out[RATE - 1])).isCloseTo(-20 + 13.98 / 4, within(0.01));
    }

    /**
     * After the attack's time the level stands at 63 % of 0.5: -10.01 dBFS, 7.49 dB less; after twice it, 86 %. Let go, the peak falls by
     * the release r and the level follows by the attack a: (r·exp(-t/r) - a·exp(-t/a)) / (r - a).
     */
    @Test
    public void itFollowsByTheAttackAndLetsGoByTheRelease() {
        Inserted compressor = effect(
                EffectType.COMPRESSOR,
                at(EffectNumber.RATIO, 4),
                at(EffectNumber.KNEE, 0),
                at(EffectNumber.ATTACK, 20),
                at(EffectNumber.RELEASE, 100));
        Running running = new Running(on(compressor), 1, RATE);
        running.pass(level(0.001, RATE));
        float[] out = running.pass(level(0.5, RATE));
        assertThat(db(out[960] / 0.5)).isCloseTo(-7.49, within(0.3));
        assertThat(db(out[1920] / 0.5)).isCloseTo(0.75 * -(db(0.5 * 0.8647) + 20), within(0.3));
        float[] quiet = running.pass(level(0.01, RATE));
        double reached = 0.5 * (1.25 * Math.exp(-1.0) - 0.25 * Math.exp(-5.0));
        assertThat(db(quiet[4800] / 0.01)).isCloseTo(0.75 * -(db(reached) + 20), within(0.1));
    }

    @Test
    public void itsMixAddsWhatCameIn() {
        Inserted half = effect(
                EffectType.COMPRESSOR, at(EffectNumber.RATIO, 4), at(EffectNumber.KNEE, 0), at(EffectNumber.MIX, 50));
        float[] out = new Running(on(half), 1, RATE).pass(level(0.5, RATE));
        double compressed = 0.5 * Math.pow(10, -0.75 * 13.98 / 20);
        assertThat((double) out[RATE - 1]).isCloseTo((0.5 + compressed) / 2, within(1e-4));
    }

    /** What it listens to begins at 1 kHz: 100 Hz at 0 dBFS, 40 dB down there, stays below the threshold. */
    @Test
    public void itCanListenToPartOfTheSoundOnly() {
        Inserted deaf = effect(EffectType.COMPRESSOR, at(EffectNumber.KEY_LOW, 1000), at(EffectNumber.RATIO, 10));
        float[] out = new Running(on(deaf), 1, RATE).pass(sine(100, 0.9, RATE));
        assertThat((double) peak(out, RATE / 2)).isCloseTo(0.9, within(0.002));
        float[] high = new Running(on(deaf), 1, RATE).pass(sine(4000, 0.9, RATE));
        assertThat(db(peak(high, RATE / 2))).isLessThan(-15);
    }

    private static float peak(float[] samples, int from) {
        float peak = 0;
        for (int n = from; n < samples.length; n++) {
            peak = Math.max(peak, Math.abs(samples[n]));
        }
        return peak;
    }

    /** Hold 100 ms, release 200 ms, range 40 dB, attack 10 ms: lines in dB, each way as long as it says. */
    @Test
    public void aGateClosesAndOpensInLinesOfDb() {
        Inserted gate = effect(
                EffectType.GATE,
                at(EffectNumber.THRESHOLD, -40),
                at(EffectNumber.HYSTERESIS, 6),
                at(EffectNumber.HOLD, 100),
                at(EffectNumber.RELEASE, 200),
                at(EffectNumber.RANGE, 40),
                at(EffectNumber.ATTACK, 10));
        Running running = new Running(on(gate), 1, RATE);
        assertThat(running.pass(level(0.1, RATE))[RATE - 1]).isEqualTo(0.1f);
        float[] quiet = running.pass(level(0.004, RATE));
        assertThat(quiet[4700]).isEqualTo(0.004f);
        assertThat(db(quiet[4800 + 4800] / 0.004)).isCloseTo(-20.0, within(0.2));
        assertThat(db(quiet[RATE - 1] / 0.004)).isCloseTo(-40.0, within(0.001));
        float[] loud = running.pass(level(0.02, RATE));
        assertThat(db(loud[240] / 0.02)).isCloseTo(-20.0, within(3.0));
        assertThat(loud[600]).isEqualTo(0.02f);
        assertThat(db(running.effect.takeReading())).isCloseTo(-40.0, within(0.001));
    }

    /** Between closing (-46 dBFS) and opening (-40) it stays as it is. */
    @Test
    public void withinTheHysteresisAGateStaysAsItIs() {
        Inserted gate = effect(
                EffectType.GATE,
                at(EffectNumber.THRESHOLD, -40),
                at(EffectNumber.HYSTERESIS, 6),
                at(EffectNumber.HOLD, 0));
        Running running = new Running(on(gate), 1, RATE);
        running.pass(level(0.1, RATE));
        assertThat(running.pass(level(0.007, RATE))[RATE - 1]).isEqualTo(0.007f);
        running.pass(level(0.001, RATE));
        assertThat(db(running.pass(level(0.007, RATE))[RATE - 1] / 0.007)).isCloseTo(-60.0, within(0.01));
    }

    @Test
    public void nothingLeavesALimiterAboveItsCeilingNorBetweenSamples() {
        float[] noise = new float[RATE];
        for (int n = 0; n < RATE; n++) {
            noise[n] = (float) (2 * (Noise.uniform(7, n) - 0.5));
        }
        Running running = new Running(on(effect(EffectType.LIMITER, at(EffectNumber.CEILING, -12))), 1, RATE);
        running.pass(new float[RATE / 10]);
        float[] out = running.pass(noise);
        assertThat(db(TruePeak.of(out))).isBetween(-15.0, -12.0);
        assertThat(db(running.effect.takeReading())).isLessThan(-10);
    }

    /** A sine of 997 Hz at full scale, driven by 30 dB: what is none of its harmonics lies below -60 dB. */
    @Test
    public void aDriveFoldsNothingBackThatIsHeard() {
        Inserted drive = effect(EffectType.DRIVE, at(EffectNumber.DRIVE, 100), at(EffectNumber.EVEN, 30));
        Running running = new Running(on(drive), 1, RATE);
        float[] out = null;
        float[] in = sine(997, 1, 4 * RATE);
        out = Arrays.copyOfRange(running.pass(in), 3 * RATE, 4 * RATE);
        double all = 0;
        for (float sample : out) {
            all += sample * sample;
        }
        double harmonics = 0;
        double second = 0;
        for (int harmonic = 0; harmonic * 997 < RATE / 2; harmonic++) {
            double power = power(out, harmonic * 997);
            harmonics += power;
            second = harmonic == 2 ? power : second;
        }
        double first = power(out, 997);
        assertThat(10 * Math.log10((all - harmonics) / first)).isLessThan(-60);
        assertThat(10 * Math.log10(power(out, 3 * 997) / first)).isBetween(-12.0, -9.0);
        assertThat(10 * Math.log10(second / first)).isBetween(-60.0, -15.0);
    }

    /** Of a second: the energy at whole Hz. */
    private static double power(float[] second, double hz) {
        double real = 0;
        double imaginary = 0;
        for (int n = 0; n < second.length; n++) {
            real += second[n] * Math.cos(2 * Math.PI * hz * n / RATE);
            imaginary += second[n] * Math.sin(2 * Math.PI * hz * n / RATE);
        }
        double energy = (real * real + imaginary * imaginary) / second.length;
        return hz == 0 ? energy : 2 * energy;
    }

    /** 0.37 of a frame of a sine of 1 kHz are 0.37 · 360° / 48. */
    @Test
    public void aFineDelayIsExactToAHundredthOfAFrame() {
        double[] measured = response(effect(EffectType.DELAY, at(EffectNumber.FRAMES, 10.37)), 1000, RATE);
        double frames = -Math.atan2(measured[1], measured[0]) / (2 * Math.PI) * 48;
        assertThat(Math.IEEEremainder(frames - 10.37 - FineDelay.AHEAD_FRAMES, 48))
                .isCloseTo(0.0, within(0.002));
        assertThat(Math.hypot(measured[0], measured[1])).isCloseTo(1.0, within(0.001));
    }

    @DataProvider
    public Object[][] switched() {
        return new Object[][] {
            {effect(EffectType.GAIN, at(EffectNumber.LEVEL, -6))},
            {effect(EffectType.HIGH_PASS, at(EffectNumber.HZ, 100))},
            {effect(EffectType.LOW_PASS)},
            {effect(EffectType.EQ, at(EffectNumber.LOW_LEVEL, 12), at(EffectNumber.HIGH_LEVEL, -9))},
            {effect(EffectType.GATE)},
            {effect(EffectType.COMPRESSOR, at(EffectNumber.MAKE_UP, 6))},
            {effect(EffectType.LIMITER, at(EffectNumber.CEILING, -10))},
            {effect(EffectType.SPEAKER)},
            {effect(EffectType.DELAY, at(EffectNumber.FRAMES, 3))},
            {effect(EffectType.REVERB, at(EffectNumber.MIX, 50))},
            {effect(EffectType.ECHO, at(EffectNumber.MIX, 50))},
        };
    }

    /**
     * A sine of 100 Hz holds nothing above 2 kHz; a high-pass there hears what a switch adds, and what an effect makes of it while it
     * is on: a compressor makes a little. Off, what came in leaves,
     * as late as before.
     */
    @Test(dataProvider = "switched")
    public void switchingOnAndOffClicksBelowMinus90Dbfs(Inserted effect) {
        Running running = new Running(on(effect.on(false)), 1, RATE);
        float[] in = sine(100, 0.25, 4 * RATE);
        float[] out = new float[in.length];
        for (int second = 0; second < 4; second++) {
            running.effect.head(on(effect.on(second % 2 == 1)));
            float[] part = running.pass(Arrays.copyOfRange(in, second * RATE, (second + 1) * RATE));
            System.arraycopy(part, 0, out, second * RATE, RATE);
        }
        Running ear = new Running(
                on(effect(EffectType.HIGH_PASS, at(EffectNumber.HZ, 2000), at(EffectNumber.SLOPE, 24))), 1, RATE);
        ear.pass(Arrays.copyOfRange(out, 0, RATE));
        float[] heard = ear.pass(Arrays.copyOfRange(out, RATE, 4 * RATE));
        double itself = peak(Arrays.copyOfRange(heard, RATE / 2, RATE - RATE / 100), 0);
        assertThat((double) peak(heard, 0)).isLessThan(Math.max(Math.pow(10, -90.0 / 20), 1.01 * itself));
        int latency = on(effect.on(false)).latencyFrames(RATE);
        assertThat(out[RATE - 1]).isEqualTo(in[RATE - 1 - latency]);
    }

    /** Make-up gain, a level and a shelf together rise by no more than 60 dB a second; falls take 12 ms. */
    @Test
    public void whatOneStripRaisesRisesAtOnePace() {
        RiseBudget shared = new RiseBudget(RATE, BLOCK);
        List<Inserted> chain = List.of(
                effect(EffectType.GAIN, at(EffectNumber.LEVEL, 12)),
                effect(EffectType.EQ, at(EffectNumber.LOW_LEVEL, 12), at(EffectNumber.LOW_HZ, 500)),
                effect(EffectType.COMPRESSOR, at(EffectNumber.MAKE_UP, 12), at(EffectNumber.THRESHOLD, 0)));
        List<Effect> effects = new ArrayList<>();
        for (Inserted each : chain) {
            Effect made = on(each).make(new EffectKind.Place(1, RATE, BLOCK, shared));
            made.head(on(each.on(false)));
            effects.add(made);
        }
        effects.get(0).head(on(chain.get(0)));
        effects.get(1).head(on(chain.get(1)));
        effects.get(2).head(on(chain.get(2)));
        float[] levels = new float[RATE];
        float[][] room = new float[1][BLOCK];
        for (int at = 0; at < RATE; at += BLOCK) {
            Arrays.fill(room[0], 0.001f);
            for (Effect each : effects) {
                System.arraycopy(room[0], 0, each.inlet(0), 0, BLOCK);
                each.process(room, 0, 0, BLOCK, at);
            }
            System.arraycopy(room[0], 0, levels, at, BLOCK);
        }
        assertThat(db(levels[RATE - 1] / 0.001)).isCloseTo(36.0, within(0.1));
        for (int n = 480; n < RATE; n++) {
            assertThat(db(levels[n] / levels[n - 480])).isLessThan(0.75);
        }
        assertThat(db(levels[RATE / 2] / 0.001)).isCloseTo(30.0, within(1.5));
    }

    @Test
    public void whatIsNoNumberEndsWithItself() {
        for (EffectType type : EffectType.values()) {
            Running running = new Running(on(effect(type)), 1, RATE);
            running.pass(sine(500, 0.1, RATE));
            float[] bad = sine(500, 0.1, 640);
            bad[100] = Float.NaN;
            bad[200] = Float.POSITIVE_INFINITY;
            running.pass(bad);
            float[] after = running.pass(sine(500, 0.1, RATE));
            assertThat(Float.isFinite(after[RATE - 1])).as(type.word()).isTrue();
            assertThat(peak(after, RATE / 2)).as(type.word()).isPositive();
        }
    }
}
