package vividlantern;

import java.util.List;
import vividlantern.mix.effects.Effect;
import vividlantern.mix.effects.EffectKind;

/** Turns over what passes, and fails from a frame on. */
public final class FailingEffect implements Effect {

    /** @param from the frame from which on it fails */
    public record Settings(long from) implements Effect.Settings {

        private static final EffectKind<Settings> KIND = new EffectKind<>(
                "failing",
                Settings.class,
                List.of(),
                (settings, rate) -> 0,
                (place, settings) -> new FailingEffect(place, settings.from));

        @Override
        public EffectKind<?> kind() {
            return KIND;
        }

        @Override
        public Settings through() {
            return this;
        }
    }

    private final float[][] inlets;
    private final long from;

    private FailingEffect(EffectKind.Place place, long from) {
        inlets = new float[place.wires()][place.maxFrames()];
        this.from = from;
    }

    @Override
    public float[] inlet(int wire) {
        return inlets[wire];
    }

    @Override
    public void head(Effect.Settings settings) {}

    @Override
    public void process(float[][] out, int outBegin, int at, int frames, long frame) {
        if (frame + frames > from) {
            throw new IllegalStateException("It fails.");
        }
        for (int wire = 0; wire < inlets.length; wire++) {
            for (int n = 0; n < frames; n++) {
                out[wire][outBegin + at + n] = -inlets[wire][at + n];
            }
        }
    }

    @Override
    public boolean isThrough() {
        return false;
    }
}
