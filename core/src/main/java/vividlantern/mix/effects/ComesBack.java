package vividlantern.mix.effects;

import vividlantern.mix.effects.EffectKind.Place;
import vividlantern.session.chain.EffectNumber;

/** An effect of a chain that adds what comes back of what came in; its mix leaves out as much of what came in. */
abstract class ComesBack extends Switched {

    /** By so much the mix moves from step to step. */
    private static final double MOVES_A_STEP = 0.004;

    private final Effect back;
    private final float[][] made;
    private double goalMix;
    private double mixBefore;
    private double mix = Double.NaN;
    private long songFrame;
    private final float[] sent = new float[MOST_FRAMES_AT_ONCE];
    private int since;

    /** @param back gives what comes back, and nothing else */
    ComesBack(Place place, Effect back) {
        super(place, 0);
        this.back = back;
        made = new float[wires][MOST_FRAMES_AT_ONCE];
    }

    /** Where what comes back stands and works: no longer than is worked off at once. */
    static Place within(Place place) {
        return new Place(place.wires(), place.sampleRate(), MOST_FRAMES_AT_ONCE, place.rise());
    }

    /** Sends on what came in. */
    void send(float[] in, float[] to, int wire, int frames) {
        System.arraycopy(in, 0, to, 0, frames);
    }

    /** Begins anew, as it shall be. What it is sent fades in, so that it does not answer to an edge. */
    @Override
    void forget() {
        since = 0;
        mix = goalMix;
        mixBefore = goalMix;
    }

    @Override
    void headed(ChainSettings wanted) {
        goalMix = wanted.number(EffectNumber.MIX) / 100;
        if (Double.isNaN(mix)) {
            mix = goalMix;
            mixBefore = goalMix;
        }
        back.head(wanted.back().orElseThrow());
    }

    @Override
    public final void songAt(long frame) {
        songFrame = frame;
    }

    @Override
    void beginStep(long frame) {
        mixBefore = mix;
        mix += Math.max(-MOVES_A_STEP, Math.min(MOVES_A_STEP, goalMix - mix));
    }

    @Override
    boolean isSteady() {
        return mix == goalMix && mixBefore == mix;
    }

    @Override
    final void work(float[][] in, int at, float[][] out, int outAt, int frames, long frame) {
        for (int wire = 0; wire < wires; wire++) {
            for (int n = 0; n < frames; n++) {
                sent[n] = faded(since + n) * in[wire][at + n];
            }
            send(sent, back.inlet(wire), wire, frames);
        }
        since = Math.min(fadedFrames(), since + frames);
        back.songAt(songFrame + intoBlock(frame));
        back.process(made, 0, 0, frames, frame);
        int intoStep = (int) Math.floorMod(frame, (long) STEP_FRAMES);
        double slope = (mix - mixBefore) / STEP_FRAMES;
        for (int wire = 0; wire < wires; wire++) {
            float[] came = in[wire];
            float[] comes = made[wire];
            for (int n = 0; n < frames; n++) {
                double now = isSteady() ? mix : mixBefore + slope * (intoStep + n + 1);
                out[wire][outAt + n] = (float) (came[at + n] + now * (comes[n] - came[at + n]));
            }
        }
    }
}
