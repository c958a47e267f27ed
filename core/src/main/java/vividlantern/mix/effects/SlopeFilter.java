package vividlantern.mix.effects;

import java.util.Arrays;
import vividlantern.mix.effects.EffectKind.Place;
import vividlantern.session.chain.EffectNumber;
import vividlantern.session.chain.EffectType;

/**
 * A high-pass or a low-pass without a bump, of first to fourth order: 6, 12, 18 or 24 dB an octave. The orders above the first are
 * Butterworth filters, as sections of second order with resonances 1 / (2·cos φ) (S. Butterworth, "On the Theory of Filter Amplifiers",
 * 1930), with one of first order where the order is odd. All are integrated by the trapezoidal rule ({@link StateVariable}). A
 * corner above 0.45 of the rate is held there. Another slope is faded out to and in from what comes in.
 */
final class SlopeFilter extends Switched {

    private static final int DB_AN_ORDER = 6;
    private static final double[][] RESONANCES = {
        {}, {}, {resonance(4)}, {resonance(3)}, {resonance(8), 1 / (2 * StrictMath.cos(3 * Math.PI / 8))}
    };

    private static double resonance(int part) {
        return 1 / (2 * StrictMath.cos(Math.PI / part));
    }

    private final boolean high;
    private final StateVariable[] sections;
    private final double[] memory;
    private double goalHz;
    private double hz;
    private int order;
    private int goalOrder;
    private double first;
    private double firstBefore;
    /** Whether the corner moves within the step that runs. */
    private boolean moving;

    SlopeFilter(Place place, ChainSettings settings) {
        super(place, 0);
        high = settings.type() == EffectType.HIGH_PASS;
        sections = new StateVariable[] {new StateVariable(wires), new StateVariable(wires)};
        memory = new double[wires];
    }

    @Override
    void headed(ChainSettings wanted) {
        goalHz = StateVariable.held(wanted.number(EffectNumber.HZ), sampleRate);
        goalOrder = (int) wanted.number(EffectNumber.SLOPE) / DB_AN_ORDER;
        if (order == 0) {
            arrive();
        }
    }

    private void arrive() {
        hz = goalHz;
        order = goalOrder;
        lay();
        firstBefore = first;
        for (StateVariable section : sections) {
            section.arrive();
        }
        moving = false;
    }

    @Override
    boolean isWanted(boolean on) {
        return on && order == goalOrder;
    }

    @Override
    void forget() {
        for (StateVariable section : sections) {
            section.forget();
        }
        Arrays.fill(memory, 0);
    }

    @Override
    void settle() {
        for (StateVariable section : sections) {
            section.settle();
        }
        for (int wire = 0; wire < wires; wire++) {
            boolean none = Math.abs(memory[wire]) < NOTHING || !Double.isFinite(memory[wire]);
            memory[wire] = none ? 0 : memory[wire];
        }
    }

    @Override
    void beginStep(long frame) {
        moving = false;
        if (isSilentlyOff() && (hz != goalHz || order != goalOrder)) {
            arrive();
        } else if (hz != goalHz) {
            hz = gliding(hz, goalHz);
            lay();
            moving = true;
        }
    }

    @Override
    boolean isSteady() {
        return hz == goalHz && order == goalOrder && !moving;
    }

    private void lay() {
        double g = StateVariable.warped(hz, sampleRate);
        firstBefore = first;
        first = g / (1 + g);
        lay(sections, high, order, g);
    }

    private static void lay(StateVariable[] sections, boolean high, int order, double g) {
        StateVariable.Shape shape = high ? StateVariable.Shape.HIGH_PASS : StateVariable.Shape.LOW_PASS;
        for (int at = 0; at < RESONANCES[order].length; at++) {
            sections[at].lay(shape, g, RESONANCES[order][at], 1);
        }
    }

    @Override
    void work(float[][] in, int at, float[][] out, int outAt, int frames, long frame) {
        int intoStep = (int) Math.floorMod(frame, (long) STEP_FRAMES);
        for (int wire = 0; wire < wires; wire++) {
            if (order % 2 == 1) {
                passFirst(wire, in[wire], at, out[wire], outAt, frames, intoStep);
            } else {
                System.arraycopy(in[wire], at, out[wire], outAt, frames);
            }
            for (int section = 0; section < RESONANCES[order].length; section++) {
                if (moving) {
                    sections[section].glide(out[wire], wire, outAt, frames, intoStep);
                } else {
                    sections[section].process(out[wire], wire, outAt, frames);
                }
            }
        }
    }

    private void passFirst(int wire, float[] in, int at, float[] out, int outAt, int frames, int intoStep) {
        double state = memory[wire];
        double a = moving ? (first - firstBefore) / STEP_FRAMES : 0;
        for (int n = 0; n < frames; n++) {
            double share = moving ? firstBefore + a * (intoStep + n + 1) : first;
            double v = (in[at + n] - state) * share;
            double low = v + state;
            state = low + v;
            out[outAt + n] = (float) (high ? in[at + n] - low : low);
        }
        memory[wire] = state;
    }

    /** |H|² at a frequency, as it is set. */
    static double powerAt(ChainSettings settings, double frequency, int sampleRate) {
        boolean high = settings.type() == EffectType.HIGH_PASS;
        int order = (int) settings.number(EffectNumber.SLOPE) / DB_AN_ORDER;
        double g = StateVariable.warped(StateVariable.held(settings.number(EffectNumber.HZ), sampleRate), sampleRate);
        double here = StateVariable.warped(frequency, sampleRate);
        StateVariable[] sections = {new StateVariable(1), new StateVariable(1)};
        lay(sections, high, order, g);
        double w = here / g;
        double power = order % 2 == 0 ? 1 : (high ? w * w : 1) / (1 + w * w);
        for (int at = 0; at < RESONANCES[order].length; at++) {
            power *= sections[at].powerAt(here);
        }
        return power;
    }
}
