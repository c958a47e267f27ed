package vividlantern.mix.effects;

import java.util.List;
import vividlantern.session.Track;

/** Lets a signal be later by so many frames; cross-fades over 10 ms when that changes. */
public final class Shift implements Effect {

    static final EffectKind<Settings> KIND = new EffectKind<>(
            "shift",
            Settings.class,
            List.of(new EffectKind.Parameter("later by", "ms", 0, 1000 * Track.MOST_SHIFT_SECONDS)),
            (settings, sampleRate) -> settings.frames(),
            Shift::new);

    private static final double FADE_SECONDS = 0.01;

    /**
     * What it shall do.
     *
     * @param frames by how much it is later
     * @param comesIn whether it begins with nothing, and cross-fades from there
     */
    public record Settings(int frames, boolean comesIn) implements Effect.Settings {

        public Settings(int frames) {
            this(frames, false);
        }

        @Override
        public EffectKind<Settings> kind() {
            return KIND;
        }

        @Override
        public Settings through() {
            return new Settings(0, comesIn);
        }
    }

    private final float[][] inlets;
    private final float[][] rings;
    private final int fadeFrames;
    private volatile int goal;
    private int delay;
    private int next;
    private int faded;
    private int writeAt;
    /** How many frames the rings hold: nothing is faded to that has not come in. */
    private int filled;

    private boolean begun;
    private volatile boolean through;

    Shift(EffectKind.Place place, Settings settings) {
        int longest = (int) Math.ceil(Track.MOST_SHIFT_SECONDS * place.sampleRate()) + 1;
        inlets = new float[place.wires()][place.maxFrames()];
        rings = new float[place.wires()][Integer.highestOneBit(longest) * 2];
        fadeFrames = (int) Math.round(FADE_SECONDS * place.sampleRate());
        goal = settings.frames();
    }

    @Override
    public float[] inlet(int wire) {
        return inlets[wire];
    }

    @Override
    public void head(Effect.Settings settings) {
        goal = ((Settings) settings).frames();
        if (!begun && !((Settings) settings).comesIn()) {
            delay = goal;
            next = goal;
        }
        begun = true;
        through = rests() && delay == 0;
    }

    private boolean rests() {
        return delay == next && delay == goal;
    }

    @Override
    public void process(float[][] out, int outBegin, int at, int frames, long frame) {
        int mask = rings[0].length - 1;
        for (int n = 0; n < frames; n++) {
            for (int wire = 0; wire < rings.length; wire++) {
                rings[wire][writeAt] = inlets[wire][at + n];
            }
            filled = Math.min(filled + 1, rings[0].length);
            if (delay == next && delay != goal && filled > goal) {
                next = goal;
                faded = 0;
            }
            for (int wire = 0; wire < rings.length; wire++) {
                out[wire][outBegin + at + n] = read(rings[wire], mask);
            }
            if (delay != next && ++faded == fadeFrames) {
                delay = next;
            }
            writeAt = writeAt + 1 & mask;
        }
        through = rests() && delay == 0;
    }

    private float read(float[] ring, int mask) {
        float now = ring[writeAt - delay & mask];
        if (delay == next) {
            return now;
        }
        float come = (float) faded / fadeFrames;
        return now + come * (ring[writeAt - next & mask] - now);
    }

    @Override
    public boolean isThrough() {
        return through;
    }
}
