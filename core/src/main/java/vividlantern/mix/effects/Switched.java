package vividlantern.mix.effects;

import vividlantern.mix.effects.EffectKind.Place;

/**
 * What all effects of a chain have in common: they are switched on and off by a cross-fade of 10 ms, keep their delay while they are off,
 * take it on and let it go by such a cross-fade too, and change at steps of {@link #STEP_FRAMES} absolute frames.
 */
abstract class Switched implements Effect {

    static final int STEP_FRAMES = RiseBudget.STEP_FRAMES;
    /** Absolute frames at which memories are looked through; a multiple of a step, so that no size of blocks matters. */
    private static final int SETTLE_FRAMES = 8 * STEP_FRAMES;

    /** So many frames are worked off at once, at most. */
    static final int MOST_FRAMES_AT_ONCE = SETTLE_FRAMES;

    static final double FADE_SECONDS = 0.01;

    static final double NEPERS_A_DB = StrictMath.log(10) / 20;

    final int sampleRate;
    final int wires;
    final RiseBudget rise;
    private final float[][] inlets;
    private final int fadeFrames;
    /** A cross-fade's way, without a corner at its ends. */
    private final float[] fade;

    private final int latency;
    /** What came in, for as long as the effect is late. */
    private final float[][] past;

    private int pastAt;
    private ChainSettings settings;
    private long blockFrame;
    private int wet;
    private int warm;
    private int late;
    private volatile boolean through = true;

    /** @param latency by how many frames it is late, however it is set */
    Switched(Place place, int latency) {
        sampleRate = place.sampleRate();
        wires = place.wires();
        rise = place.rise();
        this.latency = latency;
        inlets = new float[wires][place.maxFrames()];
        past = new float[wires][latency];
        fadeFrames = (int) Math.round(FADE_SECONDS * sampleRate);
        fade = new float[fadeFrames + 1];
        for (int n = 0; n <= fadeFrames; n++) {
            double way = (double) n / fadeFrames;
            fade[n] = (float) (way * way * (3 - 2 * way));
        }
    }

    /** Its settings are others, or the first. */
    abstract void headed(ChainSettings wanted);

    /** Works off frames of one step, or of several while {@link #isSteady}: from {@code at} in its inlets to {@code outAt}, as it does when it is on. */
    abstract void work(float[][] in, int at, float[][] out, int outAt, int frames, long frame);

    /** What is done where a step begins. */
    void beginStep(long frame) {}

    /** Drops what it holds that is inaudible, slow to compute, or no number. */
    void settle() {}

    /** Whether no step changes anything, so that many may be worked off at once. */
    boolean isSteady() {
        return false;
    }

    /** Whether what it makes is to be heard: it may wait until it is ready to be faded in, or out. */
    boolean isWanted(boolean on) {
        return on;
    }

    /** For so long it works unheard before it is faded in, so that nothing of what it holds is missing. */
    int warmUpFrames() {
        return latency;
    }

    /** Begins again after it was not heard for a while. */
    void forget() {}

    @Override
    public final float[] inlet(int wire) {
        return inlets[wire];
    }

    @Override
    public final void head(Effect.Settings wanted) {
        settings = (ChainSettings) wanted;
        headed(settings);
        through = rests() && late == 0;
    }

    /** Whether what it makes is not heard and shall not be. */
    final boolean isSilentlyOff() {
        return wet == 0 && !isWanted(settings.on());
    }

    /** A cross-fade's way after so many frames: 1 from {@link #fadedFrames} on. */
    final float faded(int frames) {
        return fade[Math.min(frames, fadeFrames)];
    }

    final int fadedFrames() {
        return fadeFrames;
    }

    /** How far into the block a frame lies. */
    final long intoBlock(long frame) {
        return frame - blockFrame;
    }

    private boolean rests() {
        return isSilentlyOff() && late == lateGoal();
    }

    private int lateGoal() {
        return settings.there() && latency > 0 ? fadeFrames : 0;
    }

    @Override
    public final void process(float[][] out, int outBegin, int at, int frames, long frame) {
        blockFrame = frame;
        int done = 0;
        while (done < frames) {
            int intoStep = (int) Math.floorMod(frame + done, (long) STEP_FRAMES);
            int sinceSettled = (int) Math.floorMod(frame + done, (long) SETTLE_FRAMES);
            if (sinceSettled == 0) {
                settle();
            }
            if (intoStep == 0) {
                beginStep(frame + done);
            }
            boolean whole = isSteady() && (rests() || wet == fadeFrames && isWanted(settings.on()));
            int span = Math.min(frames - done, whole ? SETTLE_FRAMES - sinceSettled : STEP_FRAMES - intoStep);
            pass(out, outBegin + at + done, at + done, span, frame + done);
            done += span;
        }
        through = rests() && late == 0;
    }

    private void pass(float[][] out, int outAt, int at, int frames, long frame) {
        boolean wanted = isWanted(settings.on());
        if (wet == 0 && warm == 0 && wanted) {
            forget();
        }
        if (rests()) {
            for (int wire = 0; wire < wires; wire++) {
                System.arraycopy(inlets[wire], at, out[wire], outAt, frames);
            }
        } else if (wet > 0 || wanted) {
            work(inlets, at, out, outAt, frames, frame);
        }
        boolean fading = wet < fadeFrames || !wanted || late != lateGoal();
        if (latency > 0) {
            for (int n = 0; n < frames; n++) {
                mix(out, outAt + n, at + n, wanted);
                pastAt = pastAt + 1 == latency ? 0 : pastAt + 1;
            }
        } else if (fading && !rests()) {
            for (int n = 0; n < frames; n++) {
                mix(out, outAt + n, at + n, wanted);
            }
        }
    }

    /** Mixes what it makes, what came in and what came in before, as far as it is on and late. */
    private void mix(float[][] out, int outAt, int at, boolean wanted) {
        boolean cold = wanted && warm < warmUpFrames();
        warm = wanted ? Math.min(warmUpFrames(), warm + 1) : wet == 0 ? 0 : warm;
        wet = Math.max(0, Math.min(fadeFrames, wet + (cold || !wanted ? -1 : 1)));
        late = Math.max(0, Math.min(fadeFrames, late + Integer.compare(lateGoal(), late)));
        float made = fade[wet];
        float before = fade[late];
        for (int wire = 0; wire < wires; wire++) {
            float now = inlets[wire][at];
            float dry = latency == 0 ? now : past[wire][pastAt];
            float processed =
                    wet == 0 ? dry : wet == fadeFrames ? out[wire][outAt] : dry + made * (out[wire][outAt] - dry);
            out[wire][outAt] = latency == 0 || late == fadeFrames ? processed : now + before * (processed - now);
            if (latency > 0) {
                past[wire][pastAt] = now;
            }
        }
    }

    @Override
    public final boolean isThrough() {
        return through;
    }

    /** A factor of dB; the library's power takes memory at each call. */
    static double factor(double db) {
        return StrictMath.exp(NEPERS_A_DB * db);
    }

    static double db(double factor) {
        return StrictMath.log(factor) / NEPERS_A_DB;
    }

    /** A step of a frequency or a resonance towards where it shall be, by an eighth of an octave at most. */
    static double gliding(double from, double wanted) {
        return wanted > from ? Math.min(wanted, from * GLIDE) : Math.max(wanted, from / GLIDE);
    }

    private static final double GLIDE = StrictMath.pow(2, 0.125);
}
