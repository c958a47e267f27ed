package vividlantern.mix.effects;

import vividlantern.mix.effects.EffectKind.Place;
import vividlantern.session.chain.EffectNumber;

/**
 * A compressor: a feed-forward one that smooths the level, not the gain, by a peak that falls by the release, followed by the attack, with
 * a soft knee (D. Giannoulis, M. Massberg, J. Reiss, "Digital Dynamic Range Compressor Design", J. Audio Eng. Soc. 60/6, 2012, "smooth,
 * decoupled"). Its mix adds what came in, so much of it. Nothing is looked at ahead. Make-up gain rises as its strip may.
 */
final class TrackCompressor extends Leveller {

    static final double LOWEST_KEY_HZ = 20;
    /** What it judges by has no upper end. */
    private static final double HIGHEST_KEY_HZ = Double.POSITIVE_INFINITY;
    /** Levels below -120 dBFS are silence. */
    private static final double SILENT = 1e-6;
    /** It holds back by at most so much more from step to step. */
    private static final double MOST_DB_A_STEP = 2;

    private double thresholdDb;
    private double ratio = 1;
    private double kneeDb;
    private double mix;
    private double goalMakeUpDb;
    private final GlidingDb makeUp;
    private double release;
    private double attack;
    private double peak;
    private double level;
    private double reductionDb;

    TrackCompressor(Place place) {
        super(place, LOWEST_KEY_HZ, HIGHEST_KEY_HZ);
        makeUp = new GlidingDb(rise);
    }

    @Override
    void headed(ChainSettings wanted) {
        thresholdDb = wanted.number(EffectNumber.THRESHOLD);
        ratio = wanted.number(EffectNumber.RATIO);
        kneeDb = wanted.number(EffectNumber.KNEE);
        mix = wanted.number(EffectNumber.MIX) / 100;
        goalMakeUpDb = wanted.on() ? wanted.number(EffectNumber.MAKE_UP) : 0;
        release = StrictMath.exp(-1000 / (wanted.number(EffectNumber.RELEASE) * sampleRate));
        attack = 1 - StrictMath.exp(-1000 / (wanted.number(EffectNumber.ATTACK) * sampleRate));
        listenBetween(wanted.number(EffectNumber.KEY_LOW), HIGHEST_KEY_HZ);
    }

    /** By how many dB a steady level is changed: none below the knee, a parabola within it, a line above it. */
    static double reductionDb(double dbfs, double thresholdDb, double ratio, double kneeDb) {
        double over = dbfs - thresholdDb;
        double slope = 1 / ratio - 1;
        if (2 * over <= -kneeDb) {
            return 0;
        }
        return 2 * over < kneeDb ? slope * (over + kneeDb / 2) * (over + kneeDb / 2) / (2 * kneeDb) : slope * over;
    }

    /** It is faded out once its make-up gain is down. */
    @Override
    boolean isWanted(boolean on) {
        return on || makeUp.now() > 0;
    }

    @Override
    double gainAt(long frame) {
        if (!Double.isFinite(level)) {
            rest();
        }
        double wantedDb = level > SILENT ? reductionDb(db(level), thresholdDb, ratio, kneeDb) : 0;
        reductionDb = Math.max(reductionDb - MOST_DB_A_STEP, wantedDb);
        return 1 - mix + mix * factor(reductionDb + makeUp.step(goalMakeUpDb, frame));
    }

    @Override
    double reading() {
        return 1 - mix + mix * factor(reductionDb);
    }

    @Override
    void hear(double magnitude) {
        peak = Math.max(magnitude, peak * release);
        level += attack * (peak - level);
    }

    @Override
    void rest() {
        peak = 0;
        level = 0;
        reductionDb = 0;
    }
}
