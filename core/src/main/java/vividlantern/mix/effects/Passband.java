package vividlantern.mix.effects;

import java.util.List;
import vividlantern.session.cue.Corner;

/**
 * A high-pass and a low-pass one after the other, each of second order without a bump (Butterworth, 12 dB an octave).
 *
 * <p>Both are {@link StateVariable} filters, which may change their frequency while they run. It glides by at most {@link #OCTAVES_A_STEP} a step of the grid; switching one on or off cross-fades over 10 ms.
 */
public final class Passband implements Effect {

    static final EffectKind<Settings> KIND = new EffectKind<>(
            "high-pass and low-pass",
            Settings.class,
            List.of(corner("high-pass", Corner.Range.HIGH_PASS), corner("low-pass", Corner.Range.LOW_PASS)),
            (settings, sampleRate) -> 0,
            (place, settings) -> new Passband(place));

    private static final double FADE_SECONDS = 0.01;
    private static final double OCTAVES_A_STEP = 0.125;
    /** The resonance of a Butterworth filter of second order. */
    private static final double Q = 1 / StrictMath.sqrt(2);

    /** What the two filters shall do. */
    public record Settings(Corner highPass, Corner lowPass) implements Effect.Settings {

        @Override
        public EffectKind<Settings> kind() {
            return KIND;
        }

        @Override
        public Settings through() {
            return new Settings(new Corner(false, highPass.hz()), new Corner(false, lowPass.hz()));
        }

        /** The factor by which a sine of a frequency passes: |H| of the trapezoidal rule's Butterworth filter. */
        public double gainAt(double hz, int sampleRate) {
            double here = StateVariable.warped(Math.min(hz, 0.4999 * sampleRate), sampleRate);
            double gain = 1;
            if (highPass.on()) {
                gain /= StrictMath.sqrt(1 + StrictMath.pow(corner(highPass, sampleRate) / here, 4));
            }
            if (lowPass.on()) {
                gain /= StrictMath.sqrt(1 + StrictMath.pow(here / corner(lowPass, sampleRate), 4));
            }
            return gain;
        }

        private static double corner(Corner corner, int sampleRate) {
            return StateVariable.warped(StateVariable.held(corner.hz(), sampleRate), sampleRate);
        }
    }

    private static EffectKind.Parameter corner(String word, Corner.Range range) {
        return new EffectKind.Parameter(word, "Hz", range.lowestHz(), range.highestHz());
    }

    /** One filter on all wires. */
    private static final class Filter {
        private final StateVariable.Shape shape;
        private final int sampleRate;
        private final int fadeFrames;
        private final StateVariable filter;
        private boolean on;
        private double goalHz;
        private double hz;
        private int faded;

        private Filter(StateVariable.Shape shape, EffectKind.Place place) {
            this.shape = shape;
            sampleRate = place.sampleRate();
            filter = new StateVariable(place.wires());
            fadeFrames = (int) Math.round(FADE_SECONDS * sampleRate);
        }

        private void head(Corner corner) {
            on = corner.on();
            goalHz = StateVariable.held(corner.hz(), sampleRate);
            if (isThrough()) {
                hz = goalHz;
                lay();
                filter.forget();
            }
        }

        private boolean isThrough() {
            return faded == 0;
        }

        /** Whether it may be left out now: it lets through and shall. */
        private boolean rests() {
            return !on && isThrough();
        }

        /** What is done where a step of the grid begins. */
        private void beginStep() {
            filter.settle();
            if (hz != goalHz) {
                double step = StrictMath.pow(2, OCTAVES_A_STEP);
                hz = Math.max(hz / step, Math.min(hz * step, goalHz));
                lay();
            }
        }

        private void lay() {
            filter.lay(shape, StateVariable.warped(hz, sampleRate), Q, 1);
        }

        /** Works off frames within one step of the grid, in place. */
        private void process(float[][] wires, int at, int frames) {
            for (int n = at; n < at + frames; n++) {
                faded = Math.max(0, Math.min(fadeFrames, faded + (on ? 1 : -1)));
                double wet = (double) faded / fadeFrames;
                for (int wire = 0; wire < wires.length; wire++) {
                    float dry = wires[wire][n];
                    wires[wire][n] = mixed(dry, filter.pass(wire, dry), wet);
                }
            }
        }

        private static float mixed(float dry, double filtered, double wet) {
            return wet == 0 ? dry : wet == 1 ? (float) filtered : (float) (dry + wet * (filtered - dry));
        }
    }

    private final float[][] inlets;
    private final Filter highPass;
    private final Filter lowPass;
    private volatile boolean through = true;

    Passband(EffectKind.Place place) {
        inlets = new float[place.wires()][place.maxFrames()];
        highPass = new Filter(StateVariable.Shape.HIGH_PASS, place);
        lowPass = new Filter(StateVariable.Shape.LOW_PASS, place);
    }

    @Override
    public float[] inlet(int wire) {
        return inlets[wire];
    }

    @Override
    public void head(Effect.Settings settings) {
        highPass.head(((Settings) settings).highPass());
        lowPass.head(((Settings) settings).lowPass());
        through = highPass.rests() && lowPass.rests();
    }

    @Override
    public void process(float[][] out, int outBegin, int at, int frames, long frame) {
        for (int wire = 0; wire < inlets.length; wire++) {
            System.arraycopy(inlets[wire], at, out[wire], outBegin + at, frames);
        }
        int done = 0;
        while (done < frames) {
            int intoStep = (int) Math.floorMod(frame + done, (long) GRID_FRAMES);
            int span = Math.min(frames - done, GRID_FRAMES - intoStep);
            pass(highPass, intoStep, out, outBegin + at + done, span);
            pass(lowPass, intoStep, out, outBegin + at + done, span);
            done += span;
        }
        through = highPass.rests() && lowPass.rests();
    }

    private static void pass(Filter filter, int intoStep, float[][] out, int at, int frames) {
        if (filter.rests()) {
            return;
        }
        if (intoStep == 0) {
            filter.beginStep();
        }
        filter.process(out, at, frames);
    }

    @Override
    public boolean isThrough() {
        return through;
    }
}
