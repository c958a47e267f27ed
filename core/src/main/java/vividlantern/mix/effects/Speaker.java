package vividlantern.mix.effects;

import vividlantern.mix.effects.EffectKind.Place;
import vividlantern.mix.effects.StateVariable.Shape;
import vividlantern.session.chain.EffectNumber;

/**
 * A loudspeaker of an amp and a mic close to it. It is a model of ours, of no speaker in particular: the box's resonance as a
 * high-pass of second order with a bump, a presence where the cone breaks up, a fall of 24 dB an octave above it. A larger cone
 * has all of it lower; off its centre there is less presence and less top. Nothing is louder behind it than before it.
 */
final class Speaker extends Switched {

    private static final double BOX_Q = 1.1;
    private static final double PRESENCE_Q = 1.2;
    private static final double PRESENCE_DB = 6;
    private static final double DULLER_DB_A_CM = 0.4;
    private static final double LOWER_A_CM = 0.04;
    private static final double[] TOP_Q = {
        1 / (2 * StrictMath.cos(Math.PI / 8)), 1 / (2 * StrictMath.cos(3 * Math.PI / 8))
    };
    /** The highest of its response, which is taken off. */
    private static final double HEADROOM_DB = 8;

    private static final int FILTERS = 4;

    /** Where a cone of twelve inches has them. */
    private static final double BOX_HZ = 80;

    private static final double PRESENCE_HZ = 2600;
    private static final double TOP_HZ = 4800;

    private final StateVariable[] filters = new StateVariable[FILTERS];
    private final float gain = (float) factor(-HEADROOM_DB);
    private double goalInches;
    private double goalOffCentre;
    private double inches;
    private double offCentre;
    private boolean moving = true;
    /** Whether the step that runs is one in which something moves. */
    private boolean gliding;

    Speaker(Place place) {
        super(place, 0);
        for (int at = 0; at < FILTERS; at++) {
            filters[at] = new StateVariable(wires);
        }
    }

    @Override
    void headed(ChainSettings wanted) {
        goalInches = wanted.number(EffectNumber.SIZE);
        goalOffCentre = wanted.number(EffectNumber.OFF_CENTRE);
        if (inches == 0) {
            arrive();
        }
        moving = inches != goalInches || offCentre != goalOffCentre;
    }

    private void arrive() {
        inches = goalInches;
        offCentre = goalOffCentre;
        lay(filters, inches, offCentre, sampleRate);
        for (StateVariable filter : filters) {
            filter.arrive();
        }
    }

    private static void lay(StateVariable[] filters, double inches, double offCentre, int sampleRate) {
        double smaller = StrictMath.sqrt(12 / inches);
        double top = smaller * TOP_HZ * (1 - LOWER_A_CM * offCentre);
        double presence = PRESENCE_DB - DULLER_DB_A_CM * offCentre;
        filters[0].lay(Shape.HIGH_PASS, StateVariable.warped(smaller * BOX_HZ, sampleRate), BOX_Q, 1);
        filters[1].lay(
                Shape.BELL, StateVariable.warped(smaller * PRESENCE_HZ, sampleRate), PRESENCE_Q, factor(presence / 2));
        for (int at = 0; at < TOP_Q.length; at++) {
            filters[2 + at].lay(Shape.LOW_PASS, StateVariable.warped(top, sampleRate), TOP_Q[at], 1);
        }
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
        gliding = moving && !isSilentlyOff();
        if (moving && isSilentlyOff()) {
            arrive();
        } else if (moving) {
            inches = gliding(inches, goalInches);
            offCentre += Math.max(-0.25, Math.min(0.25, goalOffCentre - offCentre));
            lay(filters, inches, offCentre, sampleRate);
        }
        moving = inches != goalInches || offCentre != goalOffCentre;
    }

    @Override
    boolean isSteady() {
        return !moving && !gliding;
    }

    @Override
    void work(float[][] in, int at, float[][] out, int outAt, int frames, long frame) {
        int intoStep = (int) Math.floorMod(frame, (long) STEP_FRAMES);
        for (int wire = 0; wire < wires; wire++) {
            for (int n = 0; n < frames; n++) {
                out[wire][outAt + n] = in[wire][at + n] * gain;
            }
            for (int filter = 0; filter < FILTERS; filter++) {
                if (gliding) {
                    filters[filter].glide(out[wire], wire, outAt, frames, intoStep);
                } else {
                    filters[filter].process(out[wire], wire, outAt, frames);
                }
            }
        }
    }

    /** |H|² at a frequency, as it is set. */
    static double powerAt(ChainSettings settings, double frequency, int sampleRate) {
        StateVariable[] filters = new StateVariable[FILTERS];
        for (int at = 0; at < FILTERS; at++) {
            filters[at] = new StateVariable(1);
        }
        lay(filters, settings.number(EffectNumber.SIZE), settings.number(EffectNumber.OFF_CENTRE), sampleRate);
        double here = StateVariable.warped(frequency, sampleRate);
        double power = StrictMath.pow(10, -HEADROOM_DB / 10);
        for (StateVariable filter : filters) {
            power *= filter.powerAt(here);
        }
        return power;
    }
}
