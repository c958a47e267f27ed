package vividlantern.mix.effects;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import vividlantern.session.chain.EffectNumber;
import vividlantern.session.chain.Inserted;

/** What an effect of a chain does, as a curve; by the same formulas as its sound. As it is set, switched on or off. */
public final class ChainCurve {

    private static final double LOWEST_HZ = 20;
    private static final double HIGHEST_HZ = 20_000;
    private static final int POINTS_AN_OCTAVE = 12;
    private static final int LOWEST_DBFS = -60;
    private static final int SHAPE_POINTS = 41;
    private static final double LOWEST_DB = -120;

    /**
     * A point.
     *
     * @param x a frequency in Hz, a level in dBFS or a factor of full scale that comes in
     * @param y by how many dB what passes there is changed, the level or the factor that leaves
     */
    public record ChainPoint(double x, double y) {}

    private ChainCurve() {}

    /** None for an effect that no curve describes. */
    public static List<ChainPoint> of(Inserted effect, int sampleRate) {
        ChainSettings settings = new ChainSettings(effect.type(), true, true, effect.numbers(), Optional.empty());
        return switch (effect.type()) {
            case HIGH_PASS, LOW_PASS -> response(sampleRate, hz -> SlopeFilter.powerAt(settings, hz, sampleRate));
            case EQ -> response(sampleRate, hz -> FourBands.powerAt(settings, hz, sampleRate));
            case SPEAKER -> response(sampleRate, hz -> Speaker.powerAt(settings, hz, sampleRate));
            case DRIVE -> shape(in -> Drive.shape(settings, in));
            case COMPRESSOR -> levels(in -> compressed(settings, in));
            case LIMITER -> levels(in -> Math.min(in, settings.number(EffectNumber.CEILING)));
            case GATE -> levels(in -> gated(settings, in));
            case GAIN, DELAY, REVERB, ECHO -> List.of();
        };
    }

    private static double compressed(ChainSettings settings, double in) {
        double reduced = TrackCompressor.reductionDb(
                in,
                settings.number(EffectNumber.THRESHOLD),
                settings.number(EffectNumber.RATIO),
                settings.number(EffectNumber.KNEE));
        double mix = settings.number(EffectNumber.MIX) / 100;
        double gain = 1 - mix + mix * Switched.factor(reduced + settings.number(EffectNumber.MAKE_UP));
        return in + Switched.db(gain);
    }

    /** A gate that was closed. */
    private static double gated(ChainSettings settings, double in) {
        return in >= settings.number(EffectNumber.THRESHOLD) ? in : in - settings.number(EffectNumber.RANGE);
    }

    /** Twelve points an octave from 20 Hz to 20 kHz, below half the rate. */
    private static List<ChainPoint> response(int sampleRate, DoubleUnaryOperator power) {
        List<ChainPoint> points = new ArrayList<>();
        double highest = Math.min(HIGHEST_HZ, 0.499 * sampleRate);
        for (int at = 0; points.isEmpty() || points.get(at - 1).x() < highest; at++) {
            double hz = Math.min(highest, LOWEST_HZ * StrictMath.pow(2, (double) at / POINTS_AN_OCTAVE));
            double db = 10 * StrictMath.log10(power.applyAsDouble(hz));
            points.add(new ChainPoint(hz, Math.max(LOWEST_DB, db)));
        }
        return points;
    }

    /** A point each dB from -60 to 0 dBFS. */
    private static List<ChainPoint> levels(DoubleUnaryOperator out) {
        List<ChainPoint> points = new ArrayList<>();
        for (double in = LOWEST_DBFS; in <= 0; in++) {
            points.add(new ChainPoint(in, out.applyAsDouble(in)));
        }
        return points;
    }

    /** Points from -1 to 1 of full scale. */
    private static List<ChainPoint> shape(DoubleUnaryOperator out) {
        List<ChainPoint> points = new ArrayList<>();
        for (int at = 0; at < SHAPE_POINTS; at++) {
            double in = 2.0 * at / (SHAPE_POINTS - 1) - 1;
            points.add(new ChainPoint(in, out.applyAsDouble(in)));
        }
        return points;
    }
}
