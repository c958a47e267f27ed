package vividlantern.mix.effects;

import vividlantern.mix.effects.EffectKind.Place;

/**
 * What holds back by how loud it is: one gain for all wires, judged by the largest of them, worked out at each step and going between
 * steps in a line. What it judges by can be narrowed to a band, so that a kick's spill does not open a snare's gate.
 */
abstract class Leveller extends Switched {

    private static final double KEY_Q = StrictMath.sqrt(0.5);

    private final StateVariable keyHighPass;
    private final StateVariable keyLowPass;
    private double keyFrom;
    private double keyTo;
    private final double lowestHz;
    private final double highestHz;
    private final float[] line = new float[STEP_FRAMES];
    private float gain = 1;
    private float next = 1;
    private double leastReading = 1;

    /**
     * @param lowestHz judged from here on is judged by all
     * @param highestHz judged up to here is judged by all
     */
    Leveller(Place place, double lowestHz, double highestHz) {
        super(place, 0);
        keyHighPass = new StateVariable(wires);
        keyLowPass = new StateVariable(wires);
        this.lowestHz = lowestHz;
        this.highestHz = highestHz;
        keyFrom = lowestHz;
        keyTo = highestHz;
    }

    /** Lets it judge by a band only. */
    final void listenBetween(double from, double to) {
        if (from != keyFrom) {
            keyHighPass.lay(
                    StateVariable.Shape.HIGH_PASS,
                    StateVariable.warped(StateVariable.held(from, sampleRate), sampleRate),
                    KEY_Q,
                    1);
        }
        if (to != keyTo) {
            keyLowPass.lay(
                    StateVariable.Shape.LOW_PASS,
                    StateVariable.warped(StateVariable.held(to, sampleRate), sampleRate),
                    KEY_Q,
                    1);
        }
        keyFrom = from;
        keyTo = to;
    }

    /** The factor towards which it goes within the step that begins. */
    abstract double gainAt(long frame);

    /** What it holds back by, as a factor; what it raises by is left out. */
    abstract double reading();

    /** Takes the largest magnitude of a frame. */
    abstract void hear(double magnitude);

    /** Forgets what it heard, and lets everything through. */
    abstract void rest();

    @Override
    final void forget() {
        rest();
        keyHighPass.forget();
        keyLowPass.forget();
        gain = 1;
        next = 1;
    }

    @Override
    final void settle() {
        keyHighPass.settle();
        keyLowPass.settle();
    }

    @Override
    final void beginStep(long frame) {
        if (isSilentlyOff()) {
            return;
        }
        gain = next;
        next = (float) gainAt(frame);
        leastReading = Math.min(leastReading, reading());
    }

    @Override
    final void work(float[][] in, int at, float[][] out, int outAt, int frames, long frame) {
        int intoStep = (int) Math.floorMod(frame, (long) STEP_FRAMES);
        boolean narrowed = keyFrom > lowestHz || keyTo < highestHz;
        for (int n = 0; n < frames; n++) {
            double most = 0;
            for (int wire = 0; wire < wires; wire++) {
                double sample = in[wire][at + n];
                most = Math.max(most, Math.abs(narrowed ? narrowed(wire, sample) : sample));
            }
            hear(most);
        }
        float step = (next - gain) / STEP_FRAMES;
        for (int n = 0; n < frames; n++) {
            line[n] = gain + step * (intoStep + n);
        }
        for (int wire = 0; wire < wires; wire++) {
            for (int n = 0; n < frames; n++) {
                out[wire][outAt + n] = in[wire][at + n] * line[n];
            }
        }
    }

    private double narrowed(int wire, double sample) {
        double high = keyFrom > lowestHz ? keyHighPass.pass(wire, sample) : sample;
        return keyTo < highestHz ? keyLowPass.pass(wire, high) : high;
    }

    @Override
    public final double takeReading() {
        double least = leastReading;
        leastReading = 1;
        return least;
    }
}
