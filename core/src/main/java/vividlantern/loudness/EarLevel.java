package vividlantern.loudness;

/**
 * How loud the louder of two sides is, A-weighted (IEC 61672-1), relative to a sine of full scale and 1 kHz on that side. For one thread.
 *
 * <p>The four corners of the weighting are carried over by the bilinear transform, each where it is: at 44.1 and 48 kHz within
 * 0.4 dB of the standard up to 5 kHz, up to 0.9 dB more at 8 kHz, and 4 dB less at 16 kHz.
 */
public final class EarLevel {

    /** A mean is taken every 0.1 s. */
    private static final int SLOTS_A_SECOND = 10;

    private static final int SHORT_SLOTS = 3 * SLOTS_A_SECOND;
    private static final int MINUTE_SLOTS = 60 * SLOTS_A_SECOND;
    private static final double SINE_POWER = 0.5;

    /** The corners of the weighting in Hz; the first and the last count twice. */
    private static final double[] CORNERS = {20.598997, 107.65265, 737.86223, 12194.217};

    private static final double WHOLE_AT_HERTZ = 1000;

    private final TwoSides[] filters;
    private final double whole;
    private final int slotFrames;
    /** The mean power of each side in the last slots. */
    private final double[][] slots = new double[2][MINUTE_SLOTS];

    private final double[] power = new double[2];
    private int next;
    private int filled;
    private int frames;

    public EarLevel(int sampleRate) {
        filters = new TwoSides[] {
            highPass(CORNERS[0], CORNERS[0], sampleRate),
            highPass(CORNERS[1], CORNERS[2], sampleRate),
            lowPass(CORNERS[3], sampleRate)
        };
        double gain = 1;
        for (TwoSides filter : filters) {
            gain *= filter.gain(WHOLE_AT_HERTZ / sampleRate);
        }
        whole = 1 / gain;
        slotFrames = sampleRate / SLOTS_A_SECOND;
    }

    private static TwoSides highPass(double one, double other, int sampleRate) {
        double k = StrictMath.tan(Math.PI * one / sampleRate);
        double l = StrictMath.tan(Math.PI * other / sampleRate);
        double all = (1 + k) * (1 + l);
        return new TwoSides(
                1 / all, -2 / all, 1 / all, ((k - 1) * (1 + l) + (l - 1) * (1 + k)) / all, (k - 1) * (l - 1) / all);
    }

    private static TwoSides lowPass(double corner, int sampleRate) {
        double k = StrictMath.tan(Math.PI * corner / sampleRate);
        double b = k * k / ((1 + k) * (1 + k));
        double a = (k - 1) / (k + 1);
        return new TwoSides(b, 2 * b, b, 2 * a, a * a);
    }

    /** Takes so many frames of both sides. */
    public void take(float[] left, float[] right, int count) {
        for (int n = 0; n < count; n++) {
            double l = pass(0, left[n]);
            double r = pass(1, right[n]);
            power[0] += l * l;
            power[1] += r * r;
            if (++frames == slotFrames) {
                for (int side = 0; side < 2; side++) {
                    slots[side][next] = power[side] / slotFrames;
                    power[side] = 0;
                }
                next = (next + 1) % MINUTE_SLOTS;
                filled = Math.min(filled + 1, MINUTE_SLOTS);
                frames = 0;
            }
        }
    }

    private double pass(int side, double in) {
        double out = whole * in;
        for (TwoSides filter : filters) {
            out = filter.pass(side, out);
        }
        return out;
    }

    /** Over the last 3 s, in dB; minus infinity for silence. */
    public double shortTerm() {
        return over(SHORT_SLOTS);
    }

    /** Over the last minute, or since it began if that is shorter: the equivalent level, in dB. */
    public double minute() {
        return over(Math.max(SHORT_SLOTS, filled));
    }

    private double over(int count) {
        double loudest = 0;
        for (double[] side : slots) {
            double sum = 0;
            for (int back = 1; back <= count; back++) {
                sum += side[Math.floorMod(next - back, MINUTE_SLOTS)];
            }
            loudest = Math.max(loudest, sum / count);
        }
        return 10 * Math.log10(loudest / SINE_POWER);
    }
}
