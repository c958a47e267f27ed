package vividlantern.mix.effects;

import vividlantern.units.Noise;

/**
 * Makes a signal out of nothing: a tone, pink noise, or counted tones; what comes in is dropped. The tone's peaks are at full
 * scale, noise has the tone's mean power. Tones are pure functions of the frame, so that those of several outputs go together.
 *
 * <p>The noise is white noise through a sum of six poles, within 0.05 dB of pink above 10 Hz (P. Kellet, 1999).
 */
public final class SignalMaker implements Effect {

    private static final double COUNTED_HERTZ = 1000;
    /** Each fifth tone is a fifth higher. */
    private static final double FIFTH = 1.5;

    private static final double TONE_SECONDS = 0.15;
    private static final double GAP_SECONDS = 0.15;
    private static final double PAUSE_SECONDS = 1;
    private static final double EDGE_SECONDS = 0.01;

    private static final double[] POLE = {0.99886, 0.99332, 0.96900, 0.86650, 0.55000, -0.7616};
    private static final double[] SHARE = {0.0555179, 0.0750759, 0.1538520, 0.3104856, 0.5329522, -0.0168980};
    private static final double WHITE = 0.5362;
    private static final double LATER = 0.115926;
    /** Triangular noise in (-1, 1) has this mean power. */
    private static final double TRIANGULAR_POWER = 1 / 6.0;

    private static final double TONE_POWER = 0.5;
    private static final double NOISE_GAIN = StrictMath.sqrt(TONE_POWER / (TRIANGULAR_POWER * pinkPower()));

    /** What it makes. */
    public sealed interface Settings extends Effect.Settings {

        @Override
        default Effect make(int sampleRate, int maxFrames) {
            return new SignalMaker(this, sampleRate, maxFrames);
        }

        @Override
        default Effect.Settings through() {
            return this;
        }
    }

    public record Tone(double hertz) implements Settings {}

    public record PinkNoise() implements Settings {}

    /** As many tones as a number, at each side. */
    public record CountedTones(int left, int right) implements Settings {}

    private final Settings settings;
    private final int sampleRate;
    private final float[] dropped;
    private final double[] state = new double[POLE.length];
    private double whiteBefore;

    SignalMaker(Settings settings, int sampleRate, int maxFrames) {
        this.settings = settings;
        this.sampleRate = sampleRate;
        dropped = new float[maxFrames];
    }

    /** By how much the power of white noise changes on its way. */
    private static double pinkPower() {
        double power = WHITE * WHITE + LATER * LATER;
        for (int one = 0; one < POLE.length; one++) {
            power += 2 * SHARE[one] * (WHITE + LATER * POLE[one]);
            for (int other = 0; other < POLE.length; other++) {
                power += SHARE[one] * SHARE[other] / (1 - POLE[one] * POLE[other]);
            }
        }
        return power;
    }

    @Override
    public int latencyFrames() {
        return 0;
    }

    @Override
    public float[] inlet(int side) {
        return dropped;
    }

    @Override
    public int inletBegin() {
        return 0;
    }

    @Override
    public void head(Effect.Settings other) {
        if (!other.equals(settings)) {
            throw new IllegalArgumentException("Another signal has another maker.");
        }
    }

    @Override
    public void process(float[] left, float[] right, int outBegin, int at, int frames, long frame) {
        int out = outBegin + at;
        for (int n = 0; n < frames; n++) {
            left[out + n] = (float) sample(frame + n, 0);
            right[out + n] = settings instanceof CountedTones ? (float) sample(frame + n, 1) : left[out + n];
        }
    }

    private double sample(long frame, int side) {
        if (settings instanceof Tone tone) {
            return sine(tone.hertz(), frame);
        }
        if (settings instanceof CountedTones counted) {
            return counted(side == 0 ? counted.left() : counted.right(), frame);
        }
        return pink(frame);
    }

    private double sine(double hertz, long frame) {
        double turns = hertz * frame / sampleRate;
        return Math.sin(2 * Math.PI * (turns - Math.floor(turns)));
    }

    private double counted(int count, long frame) {
        long step = Math.round((TONE_SECONDS + GAP_SECONDS) * sampleRate);
        long cycle = count * step + Math.round(PAUSE_SECONDS * sampleRate);
        long inCycle = Math.floorMod(frame, cycle);
        long which = inCycle / step;
        double seconds = (double) (inCycle % step) / sampleRate;
        if (which >= count || seconds >= TONE_SECONDS) {
            return 0;
        }
        double edge = Math.min(1, Math.min(seconds, TONE_SECONDS - seconds) / EDGE_SECONDS);
        return edge * sine(which % 5 == 4 ? COUNTED_HERTZ * FIFTH : COUNTED_HERTZ, frame);
    }

    private double pink(long frame) {
        double white = Noise.triangular(0, frame);
        double sum = WHITE * white + LATER * whiteBefore;
        for (int pole = 0; pole < POLE.length; pole++) {
            state[pole] = POLE[pole] * state[pole] + SHARE[pole] * white;
            sum += state[pole];
        }
        whiteBefore = white;
        return NOISE_GAIN * sum;
    }

    /** It lets nothing through; whoever lets it go fades it where it is heard. */
    @Override
    public boolean isThrough() {
        return true;
    }
}
