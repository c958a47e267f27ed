package vividlantern.hardware;

import java.util.Arrays;
import vividlantern.kernel.Kernels;
import vividlantern.kernel.MixKernel;
import vividlantern.units.WindowedSinc;

/**
 * Reads a signal between its frames: a {@linkplain WindowedSinc windowed sinc}, its table read between its
 * entries. What is above half the rate less a tenth of it fades; for rates that are nearly alike.
 */
public final class Resampler {

    /** It reads so far to each side. */
    public static final int REACH = 48;

    private static final int PHASES = 1024;
    private static final double BETA = 11;
    private static final int RING = 1 << 14;
    private static final float[][] TABLE = table();

    private static final int AT_ONCE = 512;
    /** Sums beyond the last one wanted cost less than single ones at the end. */
    private static final int VECTORS = 32;

    private static final MixKernel KERNEL = Kernels.best();

    /** Twice over, so that any stretch lies in one piece. */
    private final float[][] rings;

    private final float[] low = new float[AT_ONCE];
    private final float[] high = new float[AT_ONCE];
    private final float[] between = new float[AT_ONCE];
    private long written;

    public Resampler(int channels) {
        rings = new float[channels][2 * RING];
    }

    private static float[][] table() {
        float[][] table = new float[PHASES + 1][2 * REACH];
        for (int phase = 0; phase <= PHASES; phase++) {
            double sum = 0;
            double[] values = new double[2 * REACH];
            for (int tap = 0; tap < values.length; tap++) {
                double x = tap - REACH + 1 - (double) phase / PHASES;
                values[tap] = WindowedSinc.at(x, 1, REACH, BETA);
                sum += values[tap];
            }
            for (int tap = 0; tap < values.length; tap++) {
                table[phase][tap] = (float) (values[tap] / sum);
            }
        }
        return table;
    }

    /** Frames so far. */
    public long written() {
        return written;
    }

    public int channels() {
        return rings.length;
    }

    /** Forgets what was written; the next frame has a number. */
    void beginAt(long frame) {
        for (float[] ring : rings) {
            Arrays.fill(ring, 0);
        }
        written = frame;
    }

    /** Takes frames. */
    public void write(float[][] samples, int frames) {
        for (int channel = 0; channel < rings.length; channel++) {
            for (int n = 0; n < frames; n++) {
                int at = (int) (written + n) & RING - 1;
                rings[channel][at] = samples[channel][n];
                rings[channel][at + RING] = samples[channel][n];
            }
        }
        written += frames;
    }

    /**
     * Writes the signal of a channel at positions that must have {@link #REACH} frames behind them.
     *
     * @param position of the first one
     * @param step from one to the next
     */
    void read(int channel, double position, double step, float[] out, int frames) {
        int done = 0;
        while (done < frames) {
            done += readAlike(channel, position, step, out, done, frames);
        }
    }

    /**
     * Positions a frame apart, all but a little, lie between the same two entries of the table for a long while; so the
     * table is read once for all of them, and the kernel sums up. Gives how many frames are done.
     */
    private int readAlike(int channel, double position, double step, float[] out, int from, int frames) {
        double first = position + from * step;
        long whole = (long) Math.floor(first);
        int entry = (int) ((first - whole) * PHASES);
        int alike = 0;
        while (from + alike < frames && alike < AT_ONCE) {
            double here = position + (from + alike) * step;
            double phase = (here - whole - alike) * PHASES;
            if (phase < entry || phase >= entry + 1) {
                break;
            }
            between[alike++] = (float) (phase - entry);
        }
        int start = (int) (whole - REACH + 1 & RING - 1);
        int inVectors = alike + VECTORS - 1 & -VECTORS;
        Arrays.fill(low, 0, inVectors, 0);
        Arrays.fill(high, 0, inVectors, 0);
        KERNEL.addWeighted(rings[channel], start, TABLE[entry], low, inVectors);
        KERNEL.addWeighted(rings[channel], start, TABLE[entry + 1], high, inVectors);
        for (int n = 0; n < alike; n++) {
            out[from + n] = low[n] + between[n] * (high[n] - low[n]);
        }
        return alike;
    }
}
