package vividlantern.sim;

import java.util.List;

/** The song as the band has sketched it at home, to play along with: its tune on reeds, its chords on plucked strings. */
public final class Sketch {

    /** What its file is called. */
    public static final String NAME = "Sketch from home.wav";

    private static final float PEAK = 0.4f;

    private Sketch() {}

    /** Its samples from bar 1 on, one channel. */
    public static float[] samples(int sampleRate) {
        Tune tune = new Tune();
        int frames = (int) Tune.TEMPO_MAP.curve().frame(Tune.END, sampleRate);
        float[] samples = new float[frames];
        List<Body.Line> lines = List.of(
                new Body.Line(Timbre.PLUCKED_BRIGHT, tune.bouzouki()),
                new Body.Line(Timbre.PLUCKED_DEEP, tune.bass()),
                new Body.Line(Timbre.REED, tune.fiddle()));
        new Body(new NoteBank(), sampleRate, lines, Tune.TEMPO_MAP.curve()).add(0, 0, samples, 0, frames);
        float loudest = 0;
        for (float sample : samples) {
            loudest = Math.max(loudest, Math.abs(sample));
        }
        for (int n = 0; n < frames; n++) {
            samples[n] *= PEAK / loudest;
        }
        return samples;
    }
}
