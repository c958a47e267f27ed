package vividlantern.mix.effects;

import vividlantern.session.Corner;

/**
 * A high-pass and a low-pass one after the other, each of second order without a bump (Butterworth, 12 dB an octave).
 *
 * <p>Both are state-variable filters integrated by the trapezoidal rule, which may change their frequency while they run
 * (A. Simper, "Solving the continuous SVF equations using trapezoidal integration and equivalent currents", 2013). Their
 * frequency glides by at most {@link #OCTAVES_A_STEP} a step of the grid; switching one on or off cross-fades over 10 ms.
 */
public final class Passband implements Effect {

    private static final double FADE_SECONDS = 0.01;
    private static final double OCTAVES_A_STEP = 0.125;
    /** 1/Q of a Butterworth filter of second order. */
    private static final double DAMPING = StrictMath.sqrt(2);
    /** No corner is higher than this share of the sample rate. */
    private static final double HIGHEST_SHARE = 0.45;

    /** What the two filters shall do. */
    public record Settings(Corner highPass, Corner lowPass) implements Effect.Settings {

        @Override
        public Effect make(int sampleRate, int maxFrames) {
            return new Passband(sampleRate, maxFrames);
        }

        @Override
        public Settings through() {
            return new Settings(new Corner(false, highPass.hz()), new Corner(false, lowPass.hz()));
        }

        /** The factor by which a sine of a frequency passes: |H| of the trapezoidal rule's Butterworth filter. */
        public double gainAt(double hz, int sampleRate) {
            double here = warped(Math.min(hz, 0.4999 * sampleRate), sampleRate);
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
            return warped(Math.min(corner.hz(), HIGHEST_SHARE * sampleRate), sampleRate);
        }
    }

    /** Where the trapezoidal rule puts a frequency: tan(π·f/fs). */
    private static double warped(double hz, int sampleRate) {
        return StrictMath.tan(Math.PI * hz / sampleRate);
    }

    /** One filter on both sides. */
    private static final class Filter {
        private final boolean high;
        private final int sampleRate;
        private final int fadeFrames;
        private final double[] first = new double[2];
        private final double[] second = new double[2];
        private boolean on;
        private double goalHz;
        private double hz;
        private int faded;
        private double a1;
        private double a2;
        private double a3;

        private Filter(boolean high, int sampleRate) {
            this.high = high;
            this.sampleRate = sampleRate;
            fadeFrames = (int) Math.round(FADE_SECONDS * sampleRate);
        }

        private void head(Corner corner) {
            on = corner.on();
            goalHz = Math.min(corner.hz(), HIGHEST_SHARE * sampleRate);
            if (isThrough()) {
                hz = goalHz;
                lay();
                forget(0);
                forget(1);
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
            settle(0);
            settle(1);
            if (hz != goalHz) {
                double step = StrictMath.pow(2, OCTAVES_A_STEP);
                hz = Math.max(hz / step, Math.min(hz * step, goalHz));
                lay();
            }
        }

        private void lay() {
            double g = warped(hz, sampleRate);
            a1 = 1 / (1 + g * (g + DAMPING));
            a2 = g * a1;
            a3 = g * a2;
        }

        /** Works off frames within one step of the grid, in place. */
        private void process(float[] left, float[] right, int at, int frames) {
            for (int n = at; n < at + frames; n++) {
                faded = Math.max(0, Math.min(fadeFrames, faded + (on ? 1 : -1)));
                double wet = (double) faded / fadeFrames;
                left[n] = mixed(left[n], pass(0, left[n]), wet);
                right[n] = mixed(right[n], pass(1, right[n]), wet);
            }
        }

        private static float mixed(float dry, double filtered, double wet) {
            return wet == 0 ? dry : wet == 1 ? (float) filtered : (float) (dry + wet * (filtered - dry));
        }

        private double pass(int side, double in) {
            double v3 = in - second[side];
            double v1 = a1 * first[side] + a2 * v3;
            double v2 = second[side] + a2 * first[side] + a3 * v3;
            first[side] = 2 * v1 - first[side];
            second[side] = 2 * v2 - second[side];
            return high ? in - DAMPING * v1 - v2 : v2;
        }

        private void settle(int side) {
            boolean nothing = Math.abs(first[side]) < NOTHING && Math.abs(second[side]) < NOTHING;
            boolean broken = !Double.isFinite(first[side]) || !Double.isFinite(second[side]);
            if (nothing || broken) {
                forget(side);
            }
        }

        private void forget(int side) {
            first[side] = 0;
            second[side] = 0;
        }
    }

    private final float[][] inlets;
    private final Filter highPass;
    private final Filter lowPass;
    private volatile boolean through = true;

    Passband(int sampleRate, int maxFrames) {
        inlets = new float[2][maxFrames];
        highPass = new Filter(true, sampleRate);
        lowPass = new Filter(false, sampleRate);
    }

    @Override
    public int latencyFrames() {
        return 0;
    }

    @Override
    public float[] inlet(int side) {
        return inlets[side];
    }

    @Override
    public int inletBegin() {
        return 0;
    }

    @Override
    public void head(Effect.Settings settings) {
        highPass.head(((Settings) settings).highPass());
        lowPass.head(((Settings) settings).lowPass());
        through = highPass.rests() && lowPass.rests();
    }

    @Override
    public void process(float[] left, float[] right, int outBegin, int at, int frames, long frame) {
        System.arraycopy(inlets[0], at, left, outBegin + at, frames);
        System.arraycopy(inlets[1], at, right, outBegin + at, frames);
        int done = 0;
        while (done < frames) {
            int intoStep = (int) Math.floorMod(frame + done, (long) GRID_FRAMES);
            int span = Math.min(frames - done, GRID_FRAMES - intoStep);
            pass(highPass, intoStep, left, right, outBegin + at + done, span);
            pass(lowPass, intoStep, left, right, outBegin + at + done, span);
            done += span;
        }
        through = highPass.rests() && lowPass.rests();
    }

    private static void pass(Filter filter, int intoStep, float[] left, float[] right, int at, int frames) {
        if (filter.rests()) {
            return;
        }
        if (intoStep == 0) {
            filter.beginStep();
        }
        filter.process(left, right, at, frames);
    }

    @Override
    public boolean isThrough() {
        return through;
    }
}
