package vividlantern.mix.effects;

import java.util.Arrays;
import vividlantern.mix.effects.EffectKind.Place;
import vividlantern.session.chain.EffectNumber;
import vividlantern.session.chain.EffectType;
import vividlantern.units.WindowedSinc;

/**
 * Later by frames and hundredths of one: a sinc under Kaiser's window over 32 samples around the place (T. I. Laakso et al., "Splitting the
 * Unit Delay", IEEE Signal Processing Magazine 13/1, 1996). It reads 16 samples ahead of it, by which it is later still, on or off.
 * Another delay is cross-faded to over 10 ms.
 */
final class FineDelay extends Switched {

    static final int AHEAD_FRAMES = 16;
    private static final int TAPS = 2 * AHEAD_FRAMES;
    private static final double BETA = 8;

    private static final double MOST_FRAMES = EffectType.DELAY.ranges().get(0).to();

    private final float[][] rings;
    private final int mask;
    private final double[] now = new double[TAPS];
    private final double[] next = new double[TAPS];
    private final int crossFadeFrames;
    private double goal;
    private double delay = -1;
    private double nextDelay = -1;
    private int faded;
    private int writeAt;

    FineDelay(Place place) {
        super(place, AHEAD_FRAMES);
        int longest = (int) MOST_FRAMES + 2 * TAPS;
        rings = new float[wires][Integer.highestOneBit(longest) * 2];
        mask = rings[0].length - 1;
        crossFadeFrames = (int) Math.round(FADE_SECONDS * sampleRate);
    }

    /** By how many frames it is later, in all. */
    static int latencyFrames(ChainSettings settings) {
        return AHEAD_FRAMES + (settings.on() ? (int) Math.round(settings.number(EffectNumber.FRAMES)) : 0);
    }

    @Override
    void headed(ChainSettings wanted) {
        goal = wanted.number(EffectNumber.FRAMES);
        if (delay < 0) {
            delay = goal;
            nextDelay = goal;
            weigh(now, delay);
        }
    }

    /** What each of the samples around the place weighs; the newest first. */
    private static void weigh(double[] weights, double delay) {
        double fraction = delay - Math.floor(delay);
        double sum = 0;
        for (int tap = 0; tap < TAPS; tap++) {
            weights[tap] = WindowedSinc.at(tap - AHEAD_FRAMES - fraction, 1, AHEAD_FRAMES, BETA);
            sum += weights[tap];
        }
        for (int tap = 0; tap < TAPS; tap++) {
            weights[tap] /= sum;
        }
    }

    @Override
    int warmUpFrames() {
        return (int) goal + TAPS;
    }

    @Override
    void forget() {
        for (float[] ring : rings) {
            Arrays.fill(ring, 0);
        }
    }

    @Override
    void beginStep(long frame) {
        if (isSilentlyOff() && delay != goal) {
            delay = goal;
            nextDelay = goal;
            weigh(now, delay);
        } else if (delay == nextDelay && delay != goal) {
            nextDelay = goal;
            weigh(next, nextDelay);
            faded = 0;
        }
    }

    @Override
    boolean isSteady() {
        return delay == goal && nextDelay == goal;
    }

    @Override
    void work(float[][] in, int at, float[][] out, int outAt, int frames, long frame) {
        for (int n = 0; n < frames; n++) {
            for (int wire = 0; wire < wires; wire++) {
                rings[wire][writeAt] = in[wire][at + n];
                double sample = read(rings[wire], now, delay);
                if (delay != nextDelay) {
                    double come = (double) faded / crossFadeFrames;
                    sample += come * (read(rings[wire], next, nextDelay) - sample);
                }
                out[wire][outAt + n] = (float) sample;
            }
            if (delay != nextDelay && ++faded == crossFadeFrames) {
                delay = nextDelay;
                System.arraycopy(next, 0, now, 0, TAPS);
            }
            writeAt = writeAt + 1 & mask;
        }
    }

    private double read(float[] ring, double[] weights, double by) {
        int first = writeAt - (int) Math.floor(by);
        double sum = 0;
        for (int tap = 0; tap < TAPS; tap++) {
            sum += weights[tap] * ring[first - tap & mask];
        }
        return sum;
    }
}
