package vividlantern.loudness;

/**
 * How loud two sides are together, as ears judge it: ITU-R BS.1770-5 with EBU Tech 3341's momentary (0.4 s) and short-term (3 s)
 * loudness. For one thread.
 *
 * <p>The standard prints its two filters at 48 kHz. At other rates they follow from the analogue filters behind them (B. De Man,
 * "Evaluation of implementations of the EBU R128 loudness measurement", AES 145, 2018).
 */
public final class Loudness {

    private static final double OFFSET_LUFS = -0.691;
    /** A mean is taken every 0.1 s. */
    private static final int SLOTS_A_SECOND = 10;

    private static final int MOMENTARY_SLOTS = 4;
    private static final int SHORT_TERM_SLOTS = 30;

    private static final int PRINTED_AT = 48_000;
    private static final double LOW_Q = 0.5003270373238773;

    /** What the head does to high tones: about +4 dB above 1.5 kHz. */
    private static TwoSides head(int sampleRate) {
        double k = StrictMath.tan(Math.PI * 1681.974450955533 / sampleRate);
        double q = 0.7071752369554196;
        double high = StrictMath.pow(10, 3.999843853973347 / 20);
        double middle = StrictMath.pow(high, 0.4996667741545416);
        double all = 1 + k / q + k * k;
        return new TwoSides(
                (high + middle * k / q + k * k) / all,
                2 * (k * k - high) / all,
                (high - middle * k / q + k * k) / all,
                2 * (k * k - 1) / all,
                (1 - k / q + k * k) / all);
    }

    /** What is low counts for less. At 48 kHz its numerator is 1, -2, 1; at other rates it passes high tones as it does there. */
    private static TwoSides low(int sampleRate) {
        double k = lowCorner(sampleRate);
        double all = lowSum(k);
        double b = lowSum(lowCorner(PRINTED_AT)) / all;
        return new TwoSides(b, -2 * b, b, 2 * (k * k - 1) / all, (1 - k / LOW_Q + k * k) / all);
    }

    private static double lowCorner(int sampleRate) {
        return StrictMath.tan(Math.PI * 38.13547087602444 / sampleRate);
    }

    private static double lowSum(double k) {
        return 1 + k / LOW_Q + k * k;
    }

    private final TwoSides head;
    private final TwoSides low;
    private final int slotFrames;
    /** The mean power of the last slots; the latest stands before the next place. */
    private final double[] slots = new double[SHORT_TERM_SLOTS];

    private int next;
    private double power;
    private int frames;

    public Loudness(int sampleRate) {
        head = head(sampleRate);
        low = low(sampleRate);
        slotFrames = sampleRate / SLOTS_A_SECOND;
    }

    /** Takes so many frames of both sides. */
    public void take(float[] left, float[] right, int count) {
        for (int n = 0; n < count; n++) {
            double l = low.pass(0, head.pass(0, left[n]));
            double r = low.pass(1, head.pass(1, right[n]));
            power += l * l + r * r;
            if (++frames == slotFrames) {
                slots[next] = power / slotFrames;
                next = (next + 1) % slots.length;
                power = 0;
                frames = 0;
            }
        }
    }

    /** The loudness of the last 0.4 s in LUFS; minus infinity for silence. */
    public double momentary() {
        return ofTheLast(MOMENTARY_SLOTS);
    }

    /** The loudness of the last 3 s in LUFS; what came before the first sample counts as silence. */
    public double shortTerm() {
        return ofTheLast(SHORT_TERM_SLOTS);
    }

    private double ofTheLast(int count) {
        double sum = 0;
        for (int back = 1; back <= count; back++) {
            sum += slots[Math.floorMod(next - back, slots.length)];
        }
        return OFFSET_LUFS + 10 * Math.log10(sum / count);
    }
}
