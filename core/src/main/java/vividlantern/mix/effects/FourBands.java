package vividlantern.mix.effects;

import vividlantern.mix.effects.EffectKind.Place;
import vividlantern.mix.effects.StateVariable.Shape;
import vividlantern.session.chain.EffectNumber;

/**
 * A low shelf, two bells and a high shelf, one after the other ({@link StateVariable}); the shelves have a resonance of 0.707. A bell at Q
 * has its level at its middle, and half of it in dB where its bandwidth ends; a shelf has half of its level at its frequency. Switched off,
 * its levels glide to 0 dB, where it lets everything through as it is.
 */
final class FourBands extends Switched {

    private static final double SHELF_Q = StrictMath.sqrt(0.5);

    /** A band: where it stands and where it shall. */
    private enum Band {
        LOW(Shape.LOW_SHELF, EffectNumber.LOW_HZ, EffectNumber.LOW_LEVEL, null),
        LOW_MID(Shape.BELL, EffectNumber.LOW_MID_HZ, EffectNumber.LOW_MID_LEVEL, EffectNumber.LOW_MID_Q),
        HIGH_MID(Shape.BELL, EffectNumber.HIGH_MID_HZ, EffectNumber.HIGH_MID_LEVEL, EffectNumber.HIGH_MID_Q),
        HIGH(Shape.HIGH_SHELF, EffectNumber.HIGH_HZ, EffectNumber.HIGH_LEVEL, null);

        private final Shape shape;
        private final EffectNumber frequency;
        private final EffectNumber level;
        private final EffectNumber q;

        Band(Shape shape, EffectNumber frequency, EffectNumber level, EffectNumber q) {
            this.shape = shape;
            this.frequency = frequency;
            this.level = level;
            this.q = q;
        }

        private double q(ChainSettings settings) {
            return q == null ? SHELF_Q : settings.number(q);
        }

        private void lay(StateVariable filter, double hz, double db, double resonance, int sampleRate) {
            filter.lay(shape, StateVariable.warped(hz, sampleRate), resonance, factor(db / 2));
        }
    }

    private static final Band[] BANDS = Band.values();

    private final StateVariable[] filters = new StateVariable[BANDS.length];
    private final double[] goalHz = new double[BANDS.length];
    private final double[] goalDb = new double[BANDS.length];
    private final double[] goalQ = new double[BANDS.length];
    private final double[] hz = new double[BANDS.length];
    private final GlidingDb[] levels = new GlidingDb[BANDS.length];
    private final double[] q = new double[BANDS.length];
    /** Whether a band did or does something in the step that runs. */
    private final boolean[] sounds = new boolean[BANDS.length];

    private boolean headed;
    private boolean moving = true;
    /** Whether the step that runs is one in which something moves. */
    private boolean gliding;

    FourBands(Place place) {
        super(place, 0);
        for (int band = 0; band < BANDS.length; band++) {
            filters[band] = new StateVariable(wires);
            levels[band] = new GlidingDb(rise);
        }
    }

    @Override
    void headed(ChainSettings wanted) {
        for (int band = 0; band < BANDS.length; band++) {
            goalHz[band] = StateVariable.held(wanted.number(BANDS[band].frequency), sampleRate);
            goalDb[band] = wanted.on() ? wanted.number(BANDS[band].level) : 0;
            goalQ[band] = BANDS[band].q(wanted);
        }
        moving = true;
        if (!headed) {
            headed = true;
            System.arraycopy(goalHz, 0, hz, 0, hz.length);
            System.arraycopy(goalQ, 0, q, 0, q.length);
        }
    }

    /** It is faded only where it lets everything through. */
    @Override
    boolean isWanted(boolean on) {
        if (on) {
            return true;
        }
        for (GlidingDb each : levels) {
            if (!each.is(0)) {
                return true;
            }
        }
        return false;
    }

    @Override
    void forget() {
        for (StateVariable filter : filters) {
            filter.forget();
        }
    }

    @Override
    void settle() {
        for (StateVariable filter : filters) {
            filter.settle();
        }
    }

    @Override
    void beginStep(long frame) {
        gliding = moving;
        if (!moving) {
            return;
        }
        moving = false;
        for (int band = 0; band < BANDS.length; band++) {
            boolean silent = levels[band].is(0);
            if (silent) {
                filters[band].forget();
            }
            hz[band] = silent ? goalHz[band] : gliding(hz[band], goalHz[band]);
            q[band] = silent ? goalQ[band] : gliding(q[band], goalQ[band]);
            BANDS[band].lay(filters[band], hz[band], levels[band].step(goalDb[band], frame), q[band], sampleRate);
            sounds[band] = !silent || !levels[band].is(0);
            moving |= hz[band] != goalHz[band] || q[band] != goalQ[band] || !levels[band].is(goalDb[band]);
        }
    }

    @Override
    boolean isSteady() {
        return !moving && !gliding;
    }

    @Override
    void work(float[][] in, int at, float[][] out, int outAt, int frames, long frame) {
        int intoStep = (int) Math.floorMod(frame, (long) STEP_FRAMES);
        for (int wire = 0; wire < wires; wire++) {
            System.arraycopy(in[wire], at, out[wire], outAt, frames);
            for (int band = 0; band < BANDS.length; band++) {
                if (sounds[band] && gliding) {
                    filters[band].glide(out[wire], wire, outAt, frames, intoStep);
                } else if (!levels[band].is(0)) {
                    filters[band].process(out[wire], wire, outAt, frames);
                }
            }
        }
    }

    /** |H|² at a frequency, as it is set. */
    static double powerAt(ChainSettings settings, double frequency, int sampleRate) {
        double here = StateVariable.warped(frequency, sampleRate);
        double power = 1;
        for (Band band : BANDS) {
            StateVariable filter = new StateVariable(1);
            band.lay(
                    filter,
                    StateVariable.held(settings.number(band.frequency), sampleRate),
                    settings.number(band.level),
                    band.q(settings),
                    sampleRate);
            power *= filter.powerAt(here);
        }
        return power;
    }
}
