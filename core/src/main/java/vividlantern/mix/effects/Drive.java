package vividlantern.mix.effects;

import java.util.Arrays;
import vividlantern.mix.effects.EffectKind.Place;
import vividlantern.session.chain.EffectNumber;
import vividlantern.units.WindowedSinc;

/**
 * Bends the wave: f(x) = s(g·x + b) - s(b) with s(x) = x·(27 + x²) / (27 + 9·x²), the Padé approximant of tanh, which is ±1 from ±3 on.
 * The drive is g, 0 to 30 dB; b makes even harmonics too. It runs at four times the rate, brought there and back by a sinc under
 * Kaiser's window, at 48 kHz flat to 18.8 kHz and 70 dB down from 24 kHz on, so that what would fold back is left out. What is
 * constant is taken out below 10 Hz. Its mix adds what came in, as late as what it made.
 *
 * <p>Switched on it is faded in undriven, then g rises as its strip may.
 */
final class Drive extends Switched {

    private static final int TIMES = 4;
    /** Of each of the points between two samples. */
    private static final int TAPS = 40;

    private static final int REACH = TIMES * TAPS / 2;
    private static final double STOP_DB = 70;
    /** The middle of its way down, as a share of half the sample rate. */
    private static final double CUTOFF = 0.892;
    /** Down again at the last of the points: both ways together are whole frames late. */
    private static final float[][] UP = weights(REACH, TIMES);

    private static final float[][] DOWN = weights(REACH - 1, 1);
    static final int LATENCY_FRAMES = (REACH + REACH - 1 - (TIMES - 1)) / TIMES;
    private static final double MOST_DB = 30;
    private static final double MOST_BIAS = 0.8;
    /** By so much the bias and the mix move from step to step. */
    private static final double MOVES_A_STEP = 0.01;

    private static final double CONSTANT_HZ = 10;

    /** Those of each point, from the oldest sample on. */
    private static float[][] weights(int middle, double sum) {
        double[] all = new double[2 * REACH];
        double total = 0;
        for (int tap = 0; tap < all.length; tap++) {
            all[tap] = WindowedSinc.at(tap - middle, CUTOFF / TIMES, REACH, WindowedSinc.beta(STOP_DB));
            total += all[tap];
        }
        float[][] weights = new float[TIMES][TAPS];
        for (int tap = 0; tap < all.length; tap++) {
            weights[tap % TIMES][TAPS - 1 - tap / TIMES] = (float) (sum * all[tap] / total);
        }
        return weights;
    }

    /** As many samples as are looked back at, then a step. */
    private final float[][] past;

    private final float[][][] points;
    private final float[] room = new float[STEP_FRAMES];
    private final float[] sum = new float[STEP_FRAMES];
    private final double[] constant;
    private final double constantShare;
    private double goalDb;
    private double goalBias;
    private double goalLevelDb;
    private double goalMix;
    private double mix;
    private final GlidingDb driving;
    private double bias;
    private final GlidingDb levelled;
    private double drive = 1;
    private double offset;
    private double level = 1;

    Drive(Place place) {
        super(place, LATENCY_FRAMES);
        driving = new GlidingDb(rise);
        levelled = new GlidingDb(rise);
        past = new float[wires][TAPS - 1 + STEP_FRAMES];
        points = new float[wires][TIMES][TAPS - 1 + STEP_FRAMES];
        constant = new double[wires];
        constantShare = 1 - StrictMath.exp(-2 * Math.PI * CONSTANT_HZ / sampleRate);
    }

    @Override
    void headed(ChainSettings wanted) {
        goalDb = wanted.on() ? MOST_DB * wanted.number(EffectNumber.DRIVE) / 100 : 0;
        goalBias = MOST_BIAS * wanted.number(EffectNumber.EVEN) / 100;
        goalLevelDb = wanted.on() ? wanted.number(EffectNumber.LEVEL) : 0;
        goalMix = wanted.number(EffectNumber.MIX) / 100;
    }

    @Override
    boolean isWanted(boolean on) {
        return on || driving.now() > 0 || levelled.now() > 0;
    }

    @Override
    void forget() {
        for (int wire = 0; wire < wires; wire++) {
            Arrays.fill(past[wire], 0);
            for (float[] point : points[wire]) {
                Arrays.fill(point, 0);
            }
        }
        Arrays.fill(constant, 0);
    }

    @Override
    void beginStep(long frame) {
        bias = moved(bias, goalBias);
        mix = moved(mix, goalMix);
        drive = factor(driving.step(goalDb, frame));
        offset = bent(bias);
        level = factor(levelled.step(goalLevelDb, frame));
        for (int wire = 0; wire < wires; wire++) {
            constant[wire] = Double.isFinite(constant[wire]) ? constant[wire] : 0;
        }
    }

    private static double moved(double from, double to) {
        return from + Math.max(-MOVES_A_STEP, Math.min(MOVES_A_STEP, to - from));
    }

    /** s(x). */
    static double bent(double x) {
        double held = Math.max(-3, Math.min(3, x));
        double square = held * held;
        return held * (27 + square) / (27 + 9 * square);
    }

    /** What leaves for what comes in, both as factors of full scale. */
    static double shape(ChainSettings settings, double in) {
        double drive = factor(MOST_DB * settings.number(EffectNumber.DRIVE) / 100);
        double bias = MOST_BIAS * settings.number(EffectNumber.EVEN) / 100;
        double mix = settings.number(EffectNumber.MIX) / 100;
        double made = factor(settings.number(EffectNumber.LEVEL)) * (bent(drive * in + bias) - bent(bias));
        return in + mix * (made - in);
    }

    @Override
    void work(float[][] in, int at, float[][] out, int outAt, int frames, long frame) {
        for (int wire = 0; wire < wires; wire++) {
            float[] samples = past[wire];
            System.arraycopy(in[wire], at, samples, TAPS - 1, frames);
            Samples.silenceWhatIsNotFinite(samples, TAPS - 1, frames);
            Arrays.fill(sum, 0, frames, 0);
            for (int point = 0; point < TIMES; point++) {
                float[] between = points[wire][point];
                Arrays.fill(room, 0, frames, 0);
                Samples.LOOPS.addWeighted(samples, 0, UP[point], room, frames);
                bend(between, frames);
                Samples.LOOPS.addWeighted(between, 0, DOWN[TIMES - 1 - point], sum, frames);
                System.arraycopy(between, frames, between, 0, TAPS - 1);
            }
            System.arraycopy(samples, frames, samples, 0, TAPS - 1);
            for (int n = 0; n < frames; n++) {
                constant[wire] += constantShare * (sum[n] - constant[wire]);
                out[wire][outAt + n] = (float) (sum[n] - constant[wire]);
            }
        }
    }

    private void bend(float[] between, int frames) {
        for (int n = 0; n < frames; n++) {
            double made = level * (bent(drive * room[n] + bias) - offset);
            between[TAPS - 1 + n] = (float) (room[n] + mix * (made - room[n]));
        }
    }
}
