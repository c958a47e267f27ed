package vividlantern.mix.effects;

import vividlantern.mix.effects.EffectKind.Place;
import vividlantern.session.chain.EffectNumber;
import vividlantern.session.chain.EffectType;

/**
 * A gate: it opens once a peak reaches its threshold, and closes when none has come within the hold that was louder than the threshold less
 * the hysteresis (U. Zölzer, "DAFX", 2nd ed. 2011, 4.2.4). Between closed (by its range) and open its gain moves in a line of dB,
 * the whole way within the attack, back within the release. A step of {@link #STEP_FRAMES} frames is the shortest attack. It opens to
 * 0 dB and never raises what came in.
 */
final class Gate extends Leveller {

    private static final double LOWEST_KEY_HZ = range(EffectNumber.KEY_LOW, true);
    private static final double HIGHEST_KEY_HZ = range(EffectNumber.KEY_HIGH, false);

    private static double range(EffectNumber number, boolean from) {
        return EffectType.GATE.ranges().stream()
                .filter(each -> each.number() == number)
                .mapToDouble(each -> from ? each.from() : each.to())
                .findFirst()
                .orElseThrow();
    }

    private double opensAt;
    private double closesBelow;
    private double rangeDb;
    private double openDbAStep;
    private double closeDbAStep;
    private long holdFrames;
    private boolean open = true;
    private long heldFrames;
    private double gainDb;

    Gate(Place place) {
        super(place, LOWEST_KEY_HZ, HIGHEST_KEY_HZ);
    }

    @Override
    void headed(ChainSettings wanted) {
        double threshold = wanted.number(EffectNumber.THRESHOLD);
        opensAt = factor(threshold);
        closesBelow = factor(threshold - wanted.number(EffectNumber.HYSTERESIS));
        rangeDb = wanted.number(EffectNumber.RANGE);
        openDbAStep = rangeDb * steps(wanted.number(EffectNumber.ATTACK));
        closeDbAStep = rangeDb * steps(wanted.number(EffectNumber.RELEASE));
        holdFrames = Math.round(wanted.number(EffectNumber.HOLD) * sampleRate / 1000);
        listenBetween(wanted.number(EffectNumber.KEY_LOW), wanted.number(EffectNumber.KEY_HIGH));
    }

    /** Which share of so many milliseconds a step is. */
    private double steps(double milliseconds) {
        return 1000.0 * STEP_FRAMES / (milliseconds * sampleRate);
    }

    @Override
    double gainAt(long frame) {
        gainDb = open ? Math.min(0, gainDb + openDbAStep) : Math.max(-rangeDb, gainDb - closeDbAStep);
        return gainDb == 0 ? 1 : factor(gainDb);
    }

    @Override
    double reading() {
        return factor(gainDb);
    }

    @Override
    void hear(double magnitude) {
        if (magnitude >= opensAt) {
            open = true;
        }
        if (magnitude >= closesBelow) {
            heldFrames = 0;
        } else if (open && heldFrames++ >= holdFrames) {
            open = false;
        }
    }

    @Override
    void rest() {
        open = true;
        heldFrames = 0;
        gainDb = 0;
    }
}
