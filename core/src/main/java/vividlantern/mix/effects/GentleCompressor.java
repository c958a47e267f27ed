package vividlantern.mix.effects;

import java.util.List;
import java.util.stream.Stream;
import vividlantern.session.cue.Compressor;

/**
 * A compressor with a soft knee. It judges by the peaks of all its wires, so that a picture in space stays where it is, and has no
 * look-ahead: what is too loud for the time of its attack is the ceiling guard's.
 *
 * <p>A feed-forward compressor that smooths the level, not the gain: a peak that falls by the release, followed by the attack (D.
 * Giannoulis, M. Massberg, J. Reiss, "Digital Dynamic Range Compressor Design", J. Audio Eng. Soc. 60/6, 2012, "smooth, decoupled").
 * The gain is worked out every {@link #STEP_FRAMES} absolute frames and goes between them in a line. It rises by at most 60 dB a
 * second, as everything that performers hear, and falls by at most {@link #FALL_DB_A_STEP} a step.
 */
public final class GentleCompressor implements Effect {

    static final EffectKind<Settings> KIND = new EffectKind<>(
            "cue's compressor",
            Settings.class,
            parameters(),
            (settings, sampleRate) -> 0,
            (place, settings) -> new GentleCompressor(place));

    private static final int STEP_FRAMES = 16;
    private static final double RISE_DB_A_SECOND = 60;
    private static final double FALL_DB_A_STEP = 2;
    /** Levels below -120 dBFS are silence. */
    private static final double SILENT = 1e-6;

    /** What it shall do. */
    public record Settings(Compressor compressor) implements Effect.Settings {

        @Override
        public EffectKind<Settings> kind() {
            return KIND;
        }

        @Override
        public Settings through() {
            return new Settings(new Compressor());
        }

        @Override
        public boolean hasReading() {
            return true;
        }
    }

    private static List<EffectKind.Parameter> parameters() {
        return Stream.of(Compressor.Range.values())
                .map(range -> new EffectKind.Parameter(range.word(), range.unit(), range.from(), range.to()))
                .toList();
    }

    private final int sampleRate;
    private final float[][] inlets;
    private final float[] line;
    private final double riseDbAStep;

    private static final double NEPERS_A_DB = StrictMath.log(10) / 20;

    private Compressor settings = new Compressor();
    /** What a peak becomes in a frame while it falls, and by which share of the way the level follows it. */
    private double release;

    private double attack;
    private double peak;
    private double level;
    /** Make-up gain included. */
    private double gainDb;

    private double makeUpDb;
    /** The gain at the step's begin, and what it changes by from frame to frame. */
    private float gain = 1;

    private float next = 1;
    private double leastReading = 1;
    private volatile boolean through = true;

    GentleCompressor(EffectKind.Place place) {
        sampleRate = place.sampleRate();
        inlets = new float[place.wires()][place.maxFrames()];
        line = new float[STEP_FRAMES];
        riseDbAStep = RISE_DB_A_SECOND * STEP_FRAMES / sampleRate;
        lay();
    }

    @Override
    public float[] inlet(int wire) {
        return inlets[wire];
    }

    @Override
    public void head(Effect.Settings wanted) {
        settings = ((Settings) wanted).compressor();
        lay();
        through = rests();
    }

    private void lay() {
        release = StrictMath.exp(-1000 / (settings.releaseMs() * sampleRate));
        attack = 1 - StrictMath.exp(-1000 / (settings.attackMs() * sampleRate));
    }

    private boolean rests() {
        return !settings.on() && gain == 1 && next == 1;
    }

    @Override
    public void process(float[][] out, int outBegin, int at, int frames, long frame) {
        int done = 0;
        while (done < frames) {
            int intoStep = (int) Math.floorMod(frame + done, (long) STEP_FRAMES);
            int span = Math.min(frames - done, STEP_FRAMES - intoStep);
            if (intoStep == 0) {
                beginStep();
            }
            if (rests()) {
                for (int wire = 0; wire < inlets.length; wire++) {
                    System.arraycopy(inlets[wire], at + done, out[wire], outBegin + at + done, span);
                }
            } else {
                follow(at + done, span);
                hold(out, outBegin, at + done, intoStep, span);
            }
            done += span;
        }
        through = rests();
    }

    private void beginStep() {
        if (!Double.isFinite(level) || rests()) {
            peak = 0;
            level = 0;
        }
        gain = next;
        double reductionDb = settings.on() && level > SILENT ? settings.reductionDb(20 * StrictMath.log10(level)) : 0;
        makeUpDb = towards(makeUpDb, settings.on() ? settings.makeUpDb() : 0);
        double wantedDb = reductionDb + makeUpDb;
        gainDb = towards(gainDb, wantedDb);
        next = gainDb == 0 ? 1 : (float) factor(gainDb);
        leastReading = Math.min(leastReading, factor(Math.min(0, gainDb - makeUpDb)));
    }

    /** By the exponential function: the library's power takes memory at each call. */
    private static double factor(double db) {
        return StrictMath.exp(NEPERS_A_DB * db);
    }

    private double towards(double fromDb, double wantedDb) {
        return Math.max(fromDb - FALL_DB_A_STEP, Math.min(fromDb + riseDbAStep, wantedDb));
    }

    private void follow(int at, int frames) {
        for (int n = at; n < at + frames; n++) {
            float most = 0;
            for (float[] inlet : inlets) {
                most = Math.max(most, Math.abs(inlet[n]));
            }
            peak = Math.max(most, peak * release);
            level += attack * (peak - level);
        }
    }

    private void hold(float[][] out, int outBegin, int at, int intoStep, int frames) {
        float step = (next - gain) / STEP_FRAMES;
        for (int n = 0; n < frames; n++) {
            line[n] = gain + step * (intoStep + n);
        }
        for (int wire = 0; wire < inlets.length; wire++) {
            for (int n = 0; n < frames; n++) {
                out[wire][outBegin + at + n] = inlets[wire][at + n] * line[n];
            }
        }
    }

    @Override
    public boolean isThrough() {
        return through;
    }

    /** How much it holds back, make-up gain left out. */
    @Override
    public double takeReading() {
        double least = leastReading;
        leastReading = 1;
        return least;
    }
}
