package vividlantern.mix.effects;

import java.util.Optional;

/**
 * An effect whose error stays its own. From an error on it is out of the way for as long as it stands in the mix: what comes in passes
 * as it is, rising from silence over a second, since nobody knows how much the effect held back.
 */
public final class Contained implements Effect {

    static final double RISE_SECONDS = 1;

    private final Effect effect;
    private final int wires;
    private final int riseFrames;
    private volatile RuntimeException error;
    private int risen;

    public Contained(Effect effect, EffectKind.Place place) {
        this.effect = effect;
        wires = place.wires();
        riseFrames = (int) Math.round(RISE_SECONDS * place.sampleRate());
    }

    /** The error that it met, if it did; any thread may ask. */
    public Optional<RuntimeException> error() {
        return Optional.ofNullable(error);
    }

    @Override
    public float[] inlet(int wire) {
        return effect.inlet(wire);
    }

    @Override
    public int inletBegin() {
        return effect.inletBegin();
    }

    @Override
    public void head(Settings settings) {
        if (error == null) {
            try {
                effect.head(settings);
            } catch (RuntimeException met) {
                error = met;
            }
        }
    }

    @Override
    public void songAt(long songFrame) {
        if (error == null) {
            try {
                effect.songAt(songFrame);
            } catch (RuntimeException met) {
                error = met;
            }
        }
    }

    @Override
    public void process(float[][] out, int outBegin, int at, int frames, long frame) {
        if (error == null) {
            try {
                effect.process(out, outBegin, at, frames, frame);
                return;
            } catch (RuntimeException met) {
                error = met;
            }
        }
        for (int n = 0; n < frames; n++) {
            float gain = (float) risen / riseFrames;
            risen = Math.min(riseFrames, risen + 1);
            for (int wire = 0; wire < wires; wire++) {
                out[wire][outBegin + at + n] = gain * inlet(wire)[inletBegin() + at + n];
            }
        }
    }

    /** What waits in the inlet of one that met an error is never asked for again. */
    @Override
    public void endBlock(int frames) {
        if (error == null) {
            try {
                effect.endBlock(frames);
            } catch (RuntimeException met) {
                error = met;
            }
        }
    }

    @Override
    public boolean isThrough() {
        return error != null || effect.isThrough();
    }

    @Override
    public double takeReading() {
        return error == null ? effect.takeReading() : 1;
    }
}
