package vividlantern.mix.effects;

import java.util.Arrays;
import java.util.List;
import vividlantern.session.cue.Comfort;

/**
 * The sound of a room that never was, without what is sent there itself: eight delay lines that feed each other (J.-M. Jot, A.
 * Chaigne, "Digital delay networks for designing artificial reverberators", AES 90, 1991) behind four all-passes each wire, and with
 * one in each line (M. Schroeder, "Natural sounding artificial reverberation", J. Audio Eng. Soc. 10/3, 1962). The lines are mixed by a Hadamard matrix, and each
 * leaves out some of what is high, so that high tones die away sooner. Their lengths are primes, so that their resonances do
 * not fall together.
 *
 * <p>All memory rests once nothing in it is above -200 dBFS; from silence to silence it gives the same samples in any size of blocks.
 */
public final class RoomReverb implements Effect {

    static final EffectKind<Settings> KIND =
            new EffectKind<>("room reverb", Settings.class, List.of(), (settings, sampleRate) -> 0, RoomReverb::new);

    private static final int LINES = 8;
    private static final float MIXED = (float) StrictMath.sqrt(1.0 / LINES);
    /** How strongly the all-passes spread. */
    private static final float SPREAD = 0.6f;

    /** The length of the all-pass in each line, as a share of the line's. */
    private static final double[] WITHIN = {0.31, 0.23, 0.37, 0.27, 0.41, 0.29, 0.35, 0.25};

    private static final float NOTHING_LEFT = 1e-10f;
    /** The thousandth that 60 dB down is, as a power of e. */
    private static final double THOUSANDTH = StrictMath.log(1000);
    /** By how much its seconds, and the share of them for high tones, move from step to step. */
    private static final double GLIDE = StrictMath.pow(2, 1.0 / 512);

    private static final double MOVES_A_STEP = 0.001;
    /** So many tones stand for all when it is judged how loud it is. */
    private static final int TONES = 64;

    /**
     * How a room sounds.
     *
     * @param preDelayMs before the first of it
     * @param spreadMs how long each all-pass is
     * @param linesMs how long each line is, its all-pass left out
     * @param seconds in which low tones die away by 60 dB
     * @param highShare the share of that for the highest tones
     * @param gain so that of noise as much power leaves by all wires as came in by one; measured, at each rate within 0.2 dB
     */
    private record Shape(
            double preDelayMs, double[] spreadMs, double[] linesMs, double seconds, double highShare, double gain) {

        static Shape of(Comfort.Room room) {
            return switch (room) {
                case SMALL ->
                    new Shape(
                            2,
                            new double[] {1.3, 2.1, 3.4, 4.9},
                            new double[] {11.9, 13.4, 16.3, 17.6, 20.2, 21.1, 24.7, 28.1},
                            0.5,
                            0.4,
                            2.92);
                case MEDIUM ->
                    new Shape(
                            6,
                            new double[] {2.1, 3.4, 5.1, 7.3},
                            new double[] {14.3, 16.9, 19.7, 22.4, 25.3, 28.1, 31.2, 34.6},
                            1.1,
                            0.35,
                            2.03);
                case LARGE ->
                    new Shape(
                            10,
                            new double[] {2.3, 3.7, 5.9, 8.3},
                            new double[] {21.3, 25.1, 29.3, 33.7, 38.2, 43.1, 48.4, 53.9},
                            2.2,
                            0.3,
                            1.80);
            };
        }
    }

    /**
     * In which room it is, and how long it sounds on there.
     *
     * @param seconds in which low tones die away by 60 dB
     * @param highShare the share of that for the highest tones
     */
    public record Settings(Comfort.Room room, double seconds, double highShare) implements Effect.Settings {

        /** A room as it is. */
        public Settings(Comfort.Room room) {
            this(room, Shape.of(room).seconds(), Shape.of(room).highShare());
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

    /** A delay, read and written a span at a time; it is longer than any span. */
    private static final class Ring {
        private final float[] samples;
        private int at;

        private Ring(int frames) {
            samples = new float[frames];
        }

        private void read(float[] into, int frames) {
            int first = Math.min(frames, samples.length - at);
            System.arraycopy(samples, at, into, 0, first);
            System.arraycopy(samples, 0, into, first, frames - first);
        }

        private void write(float[] from, int fromAt, int frames) {
            int first = Math.min(frames, samples.length - at);
            System.arraycopy(from, fromAt, samples, at, first);
            System.arraycopy(from, fromAt + first, samples, 0, frames - first);
            at = (at + frames) % samples.length;
        }

        private void clear() {
            Arrays.fill(samples, 0);
        }
    }

    private final float[][] inlets;
    private final Ring[] preDelay;
    private final Ring[][] spreading;
    private final Ring[] line = new Ring[LINES];
    private final Ring[] within = new Ring[LINES];
    /** What remains of a line each time it comes round, and how much of what is high it leaves out. */
    private final float[] remains = new float[LINES];

    private final float[] leavesOut = new float[LINES];
    private final float[] dull = new float[LINES];
    private final float[][] come = new float[LINES][GRID_FRAMES];
    private final float[][] sent;
    private final float[] old = new float[GRID_FRAMES];
    private final float[] fed = new float[GRID_FRAMES];
    private final int[] lengths = new int[LINES];
    private final Shape shape;
    private final int sampleRate;
    /** By how much the room as it is passes on. */
    private final double asItIs;

    private double goalSeconds;
    private double goalHighShare;
    private double seconds;
    private double highShare;
    private float gain;
    private float gainBefore;
    private final int longest;
    private int quietSteps;
    private boolean sounded;
    private boolean resting = true;

    RoomReverb(EffectKind.Place place, Settings settings) {
        shape = Shape.of(settings.room());
        int rate = place.sampleRate();
        sampleRate = rate;
        inlets = new float[place.wires()][place.maxFrames()];
        sent = new float[place.wires()][GRID_FRAMES];
        preDelay = new Ring[place.wires()];
        spreading = new Ring[place.wires()][shape.spreadMs().length];
        int total = 0;
        for (int wire = 0; wire < place.wires(); wire++) {
            preDelay[wire] = new Ring(primeFrom(shape.preDelayMs(), rate));
            for (int each = 0; each < spreading[wire].length; each++) {
                spreading[wire][each] = new Ring(primeFrom(shape.spreadMs()[each] * (1 + 0.03 * wire), rate));
                total += spreading[wire][each].samples.length;
            }
            total += preDelay[wire].samples.length;
        }
        for (int each = 0; each < LINES; each++) {
            line[each] = new Ring(primeFrom(shape.linesMs()[each], rate));
            within[each] = new Ring(primeFrom(shape.linesMs()[each] * WITHIN[each], rate));
            lengths[each] = line[each].samples.length + within[each].samples.length;
            total += lengths[each];
        }
        longest = total;
        dieAway(shape.seconds(), shape.highShare());
        asItIs = passesOn();
        head(settings);
        dieAway(goalSeconds, goalHighShare);
        gain = gainNow();
        gainBefore = gain;
    }

    /** Lets the lines die away in so many seconds. */
    private void dieAway(double newSeconds, double newHighShare) {
        seconds = newSeconds;
        highShare = newHighShare;
        for (int each = 0; each < LINES; each++) {
            double lengthSeconds = (double) lengths[each] / sampleRate;
            double low = StrictMath.exp(-THOUSANDTH * lengthSeconds / seconds);
            double high = StrictMath.exp(-THOUSANDTH * lengthSeconds / (seconds * highShare));
            double pole = (low - high) / (low + high);
            leavesOut[each] = (float) pole;
            remains[each] = (float) (low * (1 - pole));
        }
    }

    /** So that noise is as loud however it dies away. */
    private float gainNow() {
        boolean natural = seconds == shape.seconds() && highShare == shape.highShare();
        return (float) (natural ? shape.gain() : shape.gain() * Math.sqrt(asItIs / passesOn()));
    }

    /** How much of the power of noise the lines pass on before all of it has died away: of each tone p + p² + …, if p of it remain each time. */
    private double passesOn() {
        double all = 0;
        double weights = 0;
        for (int tone = 0; tone < TONES; tone++) {
            double up = (tone + 0.5) / TONES;
            double cosine = Math.cos(Math.PI * up * up);
            double remaining = 0;
            for (int each = 0; each < LINES; each++) {
                double pole = leavesOut[each];
                remaining += remains[each] * remains[each] / (1 - 2 * pole * cosine + pole * pole) / LINES;
            }
            all += up * remaining / (1 - remaining);
            weights += up;
        }
        return all / weights;
    }

    private static int primeFrom(double ms, int sampleRate) {
        int number = Math.max(GRID_FRAMES, (int) Math.round(ms * sampleRate / 1000)) | 1;
        while (!isPrime(number)) {
            number += 2;
        }
        return number;
    }

    private static boolean isPrime(int odd) {
        for (int by = 3; by * by <= odd; by += 2) {
            if (odd % by == 0) {
                return false;
            }
        }
        return true;
    }

    @Override
    public float[] inlet(int wire) {
        return inlets[wire];
    }

    /** Its room stays what it is; another one is another effect. */
    @Override
    public void head(Effect.Settings wanted) {
        Settings settings = (Settings) wanted;
        goalSeconds = settings.seconds();
        goalHighShare = settings.highShare();
    }

    @Override
    public void process(float[][] out, int outBegin, int at, int frames, long frame) {
        int done = 0;
        while (done < frames) {
            int intoStep = (int) Math.floorMod(frame + done, (long) GRID_FRAMES);
            int span = Math.min(frames - done, GRID_FRAMES - intoStep);
            if (intoStep == 0) {
                beginStep();
            }
            boolean silent = Samples.areSilent(inlets, at + done, span);
            resting &= silent;
            if (resting) {
                for (float[] wire : out) {
                    Arrays.fill(wire, outBegin + at + done, outBegin + at + done + span, 0);
                }
            } else {
                sounded |= !silent;
                run(out, outBegin + at + done, at + done, span, intoStep);
            }
            done += span;
        }
    }

    /** Nothing that was in its memory when it became quiet is there after all of that has come by. */
    private void beginStep() {
        glide();
        for (float left : dull) {
            sounded |= Math.abs(left) >= NOTHING_LEFT;
            if (!Float.isFinite(left)) {
                rest();
            }
        }
        quietSteps = sounded ? 0 : quietSteps + 1;
        sounded = false;
        if (quietSteps * GRID_FRAMES > longest && !resting) {
            rest();
        }
    }

    private void glide() {
        gainBefore = gain;
        if (seconds == goalSeconds && highShare == goalHighShare) {
            return;
        }
        double nextSeconds =
                goalSeconds > seconds ? Math.min(goalSeconds, seconds * GLIDE) : Math.max(goalSeconds, seconds / GLIDE);
        double nextShare = highShare + Math.max(-MOVES_A_STEP, Math.min(MOVES_A_STEP, goalHighShare - highShare));
        dieAway(nextSeconds, nextShare);
        gain = gainNow();
    }

    /** Forgets what came in, and is as it shall be at once. */
    void beginAnew() {
        rest();
        dieAway(goalSeconds, goalHighShare);
        gain = gainNow();
        gainBefore = gain;
    }

    private void rest() {
        for (int wire = 0; wire < inlets.length; wire++) {
            preDelay[wire].clear();
            for (Ring ring : spreading[wire]) {
                ring.clear();
            }
        }
        for (int each = 0; each < LINES; each++) {
            line[each].clear();
            within[each].clear();
        }
        Arrays.fill(dull, 0);
        resting = true;
    }

    private void run(float[][] out, int outAt, int at, int frames, int intoStep) {
        for (int wire = 0; wire < inlets.length; wire++) {
            preDelay[wire].read(sent[wire], frames);
            preDelay[wire].write(inlets[wire], at, frames);
            for (Ring ring : spreading[wire]) {
                spread(ring, sent[wire], frames);
            }
        }
        for (int each = 0; each < LINES; each++) {
            line[each].read(come[each], frames);
        }
        for (int each = 0; each < LINES; each += 4) {
            fadeFour(each, frames);
        }
        mix(frames);
        // Behind the matrix each wire takes another row of it: they sound alike and have nothing in common.
        for (int wire = 0; wire < out.length; wire++) {
            float[] row = come[(wire + 5) % LINES];
            if (gain == gainBefore) {
                for (int n = 0; n < frames; n++) {
                    out[wire][outAt + n] = gain * row[n];
                }
                continue;
            }
            float slope = (gain - gainBefore) / GRID_FRAMES;
            for (int n = 0; n < frames; n++) {
                out[wire][outAt + n] = (gainBefore + slope * (intoStep + n + 1)) * row[n];
            }
        }
        for (int each = 0; each < LINES; each++) {
            feed(each, frames);
        }
    }

    /** What is sent goes into all lines, of each wire with other signs. */
    private void feed(int each, int frames) {
        float[] into = come[each];
        for (int wire = 0; wire < sent.length; wire++) {
            float[] in = sent[wire];
            float sign = Integer.bitCount(each & wire + 1) % 2 == 0 ? MIXED : -MIXED;
            for (int n = 0; n < frames; n++) {
                into[n] += sign * in[n];
            }
        }
        spread(within[each], into, frames);
        line[each].write(into, 0, frames);
    }

    /** An all-pass, in place. */
    private void spread(Ring ring, float[] samples, int frames) {
        ring.read(old, frames);
        for (int n = 0; n < frames; n++) {
            fed[n] = samples[n] - SPREAD * old[n];
            samples[n] = old[n] + SPREAD * fed[n];
        }
        ring.write(fed, 0, frames);
    }

    /** Lets what came out of four lines die away, what is high sooner. Each value waits for the one before; four wait side by side. */
    private void fadeFour(int first, int frames) {
        float[] one = come[first];
        float[] two = come[first + 1];
        float[] three = come[first + 2];
        float[] four = come[first + 3];
        float oneDull = dull[first];
        float twoDull = dull[first + 1];
        float threeDull = dull[first + 2];
        float fourDull = dull[first + 3];
        for (int n = 0; n < frames; n++) {
            oneDull = remains[first] * one[n] + leavesOut[first] * oneDull;
            twoDull = remains[first + 1] * two[n] + leavesOut[first + 1] * twoDull;
            threeDull = remains[first + 2] * three[n] + leavesOut[first + 2] * threeDull;
            fourDull = remains[first + 3] * four[n] + leavesOut[first + 3] * fourDull;
            one[n] = oneDull;
            two[n] = twoDull;
            three[n] = threeDull;
            four[n] = fourDull;
        }
        dull[first] = oneDull;
        dull[first + 1] = twoDull;
        dull[first + 2] = threeDull;
        dull[first + 3] = fourDull;
    }

    /** The lines by the Hadamard matrix, in place, by sums and differences of twos, fours and eights. */
    private void mix(int frames) {
        for (int apart = 1; apart < LINES; apart *= 2) {
            for (int each = 0; each < LINES; each++) {
                if ((each & apart) == 0) {
                    float[] one = come[each];
                    float[] other = come[each + apart];
                    for (int n = 0; n < frames; n++) {
                        float sum = one[n] + other[n];
                        other[n] = one[n] - other[n];
                        one[n] = sum;
                    }
                }
            }
        }
        for (float[] row : come) {
            for (int n = 0; n < frames; n++) {
                row[n] *= MIXED;
            }
        }
    }

    @Override
    public boolean isThrough() {
        return true;
    }
}
