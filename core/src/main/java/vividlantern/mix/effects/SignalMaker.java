package vividlantern.mix.effects;

import java.util.List;
import vividlantern.units.Noise;

/**
 * Makes a signal out of nothing: a tone, pink noise, or counted tones; what comes in is dropped. The tone's peaks are at full
 * scale, noise has the tone's mean power. Tones are pure functions of the frame, so that those of several outputs go together.
 *
 * <p>The noise is white noise through a sum of six poles, within 0.05 dB of pink above 10 Hz (P. Kellet, 1999).
 */
public final class SignalMaker implements Effect {

    private static final double LOW_HERTZ = 500;
    private static final double HIGH_HERTZ = 1000;
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
        default Effect.Settings through() {
            return this;
        }
    }

    public record Tone(double hertz) implements Settings {

        static final EffectKind<Tone> KIND = kindOf("tone", Tone.class);

        @Override
        public EffectKind<Tone> kind() {
            return KIND;
        }
    }

    public record PinkNoise() implements Settings {

        static final EffectKind<PinkNoise> KIND = kindOf("pink noise", PinkNoise.class);

        @Override
        public EffectKind<PinkNoise> kind() {
            return KIND;
        }
    }

    /** As many low tones as a number at the left, then as many high ones as another at the right. */
    public record CountedTones(int left, int right) implements Settings {

        static final EffectKind<CountedTones> KIND = kindOf("counted tones", CountedTones.class);

        @Override
        public EffectKind<CountedTones> kind() {
            return KIND;
        }
    }

    private static <S extends Settings> EffectKind<S> kindOf(String word, Class<S> type) {
        return new EffectKind<>(word, type, List.of(), (settings, sampleRate) -> 0, SignalMaker::new);
    }

    private final Settings settings;
    private final int sampleRate;
    private final float[] dropped;
    private final double[] state = new double[POLE.length];
    private double whiteBefore;

    private SignalMaker(EffectKind.Place place, Settings settings) {
        this.settings = settings;
        sampleRate = place.sampleRate();
        dropped = new float[place.maxFrames()];
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
    public float[] inlet(int wire) {
        return dropped;
    }

    @Override
    public void head(Effect.Settings other) {
        if (!other.equals(settings)) {
            throw new IllegalArgumentException("Another signal has another maker.");
        }
    }

    @Override
    public void process(float[][] out, int outBegin, int at, int frames, long frame) {
        int begin = outBegin + at;
        for (int wire = 0; wire < out.length; wire++) {
            boolean another = wire == 0 || wire == 1 && settings instanceof CountedTones;
            for (int n = 0; another && n < frames; n++) {
                out[wire][begin + n] = (float) sample(frame + n, wire);
            }
            if (!another) {
                System.arraycopy(out[wire - 1], begin, out[wire], begin, frames);
            }
        }
    }

    private double sample(long frame, int side) {
        if (settings instanceof Tone tone) {
            return sine(tone.hertz(), frame);
        }
        if (settings instanceof CountedTones counted) {
            return counted(counted, side, frame);
        }
        return pink(frame);
    }

    private double sine(double hertz, long frame) {
        double turns = hertz * frame / sampleRate;
        return Math.sin(2 * Math.PI * (turns - Math.floor(turns)));
    }

    /** The low tones of the left side, a pause, the high ones of the right, a pause. */
    private double counted(CountedTones counted, int side, long frame) {
        long step = Math.round((TONE_SECONDS + GAP_SECONDS) * sampleRate);
        long pause = Math.round(PAUSE_SECONDS * sampleRate);
        long rightBegins = counted.left() * step + pause;
        long inCycle = Math.floorMod(frame, rightBegins + counted.right() * step + pause);
        long since = side == 0 ? inCycle : inCycle - rightBegins;
        double seconds = (double) (since % step) / sampleRate;
        long which = since / step;
        if (since < 0 || which >= (side == 0 ? counted.left() : counted.right()) || seconds >= TONE_SECONDS) {
            return 0;
        }
        double edge = Math.min(1, Math.min(seconds, TONE_SECONDS - seconds) / EDGE_SECONDS);
        double hertz = side == 0 ? LOW_HERTZ : HIGH_HERTZ;
        return edge * sine(which % 5 == 4 ? FIFTH * hertz : hertz, frame);
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
