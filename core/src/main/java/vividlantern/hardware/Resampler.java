package vividlantern.hardware;

import java.util.Arrays;
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
    private static final float[][] KERNELS = kernels();

    private final float[][] rings;
    private long written;

    public Resampler(int channels) {
        rings = new float[channels][RING];
    }

    private static float[][] kernels() {
        float[][] kernels = new float[PHASES + 1][2 * REACH];
        for (int phase = 0; phase <= PHASES; phase++) {
            double sum = 0;
            double[] values = new double[2 * REACH];
            for (int tap = 0; tap < values.length; tap++) {
                double x = tap - REACH + 1 - (double) phase / PHASES;
                values[tap] = WindowedSinc.at(x, 1, REACH, BETA);
                sum += values[tap];
            }
            for (int tap = 0; tap < values.length; tap++) {
                kernels[phase][tap] = (float) (values[tap] / sum);
            }
        }
        return kernels;
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
                rings[channel][(int) (written + n) & RING - 1] = samples[channel][n];
            }
        }
        written += frames;
    }

    /** The signal of a channel at a position that must have {@link #REACH} frames behind it. */
    public float at(int channel, double position) {
        long whole = (long) Math.floor(position);
        double phase = (position - whole) * PHASES;
        int entry = (int) phase;
        double between = phase - entry;
        float[] first = KERNELS[entry];
        float[] second = KERNELS[entry + 1];
        float[] ring = rings[channel];
        double low = 0;
        double high = 0;
        for (int tap = 0; tap < first.length; tap++) {
            float sample = ring[(int) (whole + tap - REACH + 1) & RING - 1];
            low += first[tap] * sample;
            high += second[tap] * sample;
        }
        return (float) (low + between * (high - low));
    }
}
