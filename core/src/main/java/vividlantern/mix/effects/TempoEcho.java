package vividlantern.mix.effects;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import vividlantern.session.song.NoteValue;
import vividlantern.session.song.TempoCurve;

/**
 * What came in, a note of the song later, and again and again, each time quieter and duller; without what comes in itself. At every moment
 * what is heard is what came in a note before that moment of the song, also where the tempo changes: then the place it is read at moves by
 * cross-fades of 50 ms, without a glide in pitch. A note that is longer than 2 s is halved until it is not. It may come after so many ms instead.
 */
public final class TempoEcho implements Effect {

    static final EffectKind<Settings> KIND =
            new EffectKind<>("echo of a cue", Settings.class, List.of(), (settings, sampleRate) -> 0, TempoEcho::new);

    private static final double MOST_SECONDS = 2;
    private static final double FADE_SECONDS = 0.05;
    private static final double DULL_HERTZ = 5000;
    /** By so much the factor from one repeat to the next, and by which factor how dull it is, move from step to step. */
    private static final float MOVES_A_STEP = 0.0008f;

    private static final float GLIDE = 1.005f;

    private static final float NOTHING_LEFT = 1e-10f;

    /**
     * How it repeats.
     *
     * @param after the note after which it comes; none if it comes after so many ms
     * @param ms 2000 at most; nothing where it comes after a note
     * @param again the factor from one repeat to the next
     * @param dullHertz what comes round again leaves out what is above this
     * @param curve the song's tempo
     */
    public record Settings(Optional<NoteValue> after, double ms, float again, double dullHertz, TempoCurve curve)
            implements Effect.Settings {

        /** After a note, as cues have it. */
        public Settings(NoteValue after, float again, TempoCurve curve) {
            this(Optional.of(after), 0, again, DULL_HERTZ, curve);
        }

        @Override
        public EffectKind<Settings> kind() {
            return KIND;
        }

        @Override
        public Settings through() {
            return this;
        }
    }

    private final int sampleRate;
    private final int mask;
    private final int fadeFrames;
    private final float[][] inlets;
    private final float[][] line;
    private final float[] dull;
    private Settings settings;
    private float dulls;
    private float goalDulls;
    private float again;
    private long songFrame;
    private int at;
    private int delay;
    private int before;
    private int fading;
    private int quiet;

    TempoEcho(EffectKind.Place place, Settings settings) {
        sampleRate = place.sampleRate();
        head(settings);
        again = settings.again();
        dulls = goalDulls;
        int frames = Integer.highestOneBit((int) (MOST_SECONDS * sampleRate)) * 2;
        mask = frames - 1;
        fadeFrames = (int) (FADE_SECONDS * sampleRate);
        inlets = new float[place.wires()][place.maxFrames()];
        line = new float[place.wires()][frames];
        dull = new float[place.wires()];
        quiet = frames;
    }

    @Override
    public float[] inlet(int wire) {
        return inlets[wire];
    }

    @Override
    public void head(Effect.Settings wanted) {
        settings = (Settings) wanted;
        goalDulls = (float) (1 - StrictMath.exp(-2 * Math.PI * settings.dullHertz() / sampleRate));
    }

    @Override
    public void songAt(long frame) {
        songFrame = frame;
    }

    @Override
    public void process(float[][] out, int outBegin, int from, int frames, long frame) {
        int done = 0;
        while (done < frames) {
            int intoStep = (int) Math.floorMod(frame + done, (long) GRID_FRAMES);
            int span = Math.min(frames - done, GRID_FRAMES - intoStep);
            if (intoStep == 0 || delay == 0) {
                aim(songFrame + done);
            }
            run(out, outBegin + from + done, from + done, span);
            done += span;
        }
    }

    /** Goes on to where a note before this frame of the song stands, once the last cross-fade is over. */
    private void aim(long frame) {
        again += Math.max(-MOVES_A_STEP, Math.min(MOVES_A_STEP, settings.again() - again));
        dulls = goalDulls > dulls ? Math.min(goalDulls, dulls * GLIDE) : Math.max(goalDulls, dulls / GLIDE);
        int wanted = delayAt(frame);
        if (delay == 0 || quiet > mask) {
            delay = wanted;
            before = wanted;
            fading = 0;
        } else if (fading == 0 && wanted != delay) {
            before = delay;
            delay = wanted;
            fading = fadeFrames;
        }
    }

    private int delayAt(long frame) {
        if (settings.after().isEmpty()) {
            return frames(settings.ms() / 1000);
        }
        double now = (double) frame / sampleRate;
        double quarter = settings.curve().quarter(now);
        double note = settings.after().get().quarters();
        double seconds = now - settings.curve().seconds(quarter - note);
        while (seconds > MOST_SECONDS) {
            note /= 2;
            seconds = now - settings.curve().seconds(quarter - note);
        }
        return frames(seconds);
    }

    private int frames(double seconds) {
        return Math.max(1, (int) Math.round(seconds * sampleRate));
    }

    private void run(float[][] out, int outAt, int from, int frames) {
        if (quiet > mask && Samples.areSilent(inlets, from, frames)) {
            for (float[] wire : out) {
                Arrays.fill(wire, outAt, outAt + frames, 0);
            }
            return;
        }
        boolean sounded = false;
        for (int wire = 0; wire < line.length; wire++) {
            sounded |= run(wire, out[wire], outAt, from, frames);
        }
        quiet = sounded ? 0 : quiet + frames;
        if (quiet > mask) {
            rest();
        }
        at = at + frames & mask;
        fading = Math.max(0, fading - frames);
    }

    /** Whether anything goes on in its memory. */
    private boolean run(int wire, float[] out, int outAt, int from, int frames) {
        float[] memory = line[wire];
        float[] in = inlets[wire];
        float left = dull[wire];
        boolean sounded = false;
        for (int n = 0; n < frames; n++) {
            int here = at + n;
            float heard = memory[here - delay & mask];
            if (n < fading) {
                float old = (float) (fading - n) / fadeFrames;
                heard += old * (memory[here - before & mask] - heard);
            }
            left += dulls * (heard - left);
            float next = in[from + n] + again * left;
            if (!(Math.abs(next) >= NOTHING_LEFT)) {
                next = 0;
            }
            sounded |= next != 0;
            memory[here & mask] = next;
            out[outAt + n] = heard;
        }
        dull[wire] = Float.isFinite(left) ? left : 0;
        return sounded;
    }

    /** Forgets what came in, and is as it shall be at once. */
    void beginAnew() {
        rest();
        delay = 0;
        again = settings.again();
        dulls = goalDulls;
    }

    private void rest() {
        for (float[] memory : line) {
            Arrays.fill(memory, 0);
        }
        Arrays.fill(dull, 0);
        quiet = mask + 1;
    }

    @Override
    public boolean isThrough() {
        return true;
    }
}
