package vividlantern.mix.effects;

import vividlantern.mix.effects.EffectKind.Place;
import vividlantern.session.chain.EffectNumber;

/**
 * A limiter of a chain: a {@link CeilingGuard} with a ceiling and a release of its own. Neither samples nor the signal between them rise
 * above the ceiling; it looks 1 ms ahead.
 */
final class Limiter extends Switched {

    private final CeilingGuard guard;
    private final float[][] made;

    Limiter(Place place) {
        super(place, latencyFrames(place.sampleRate()));
        guard = new CeilingGuard(new Place(place.wires(), place.sampleRate(), STEP_FRAMES));
        made = new float[wires][];
    }

    static int latencyFrames(int sampleRate) {
        return CeilingGuard.delayFrames(sampleRate);
    }

    @Override
    void headed(ChainSettings wanted) {
        guard.head((float) factor(wanted.number(EffectNumber.CEILING)), wanted.number(EffectNumber.RELEASE) / 1000);
    }

    @Override
    void forget() {
        guard.forget();
    }

    @Override
    void work(float[][] in, int at, float[][] out, int outAt, int frames, long frame) {
        for (int wire = 0; wire < wires; wire++) {
            System.arraycopy(in[wire], at, guard.inlet(wire), guard.inletBegin(), frames);
            made[wire] = out[wire];
        }
        guard.process(made, outAt, 0, frames, frame);
        guard.endBlock(frames);
    }

    @Override
    public double takeReading() {
        return guard.takeReading();
    }
}
