package vividlantern.sound;

import java.io.IOException;
import vividlantern.units.WindowedSinc;

/**
 * Brings a sound to another sample rate. Up to 20 kHz, or nine tenths of what the lower rate can carry, it passes within 0.1 dB;
 * what would fold back is held back by 100 dB and more.
 */
public final class RateConverter {

    private static final double HELD_BACK_DB = 110;
    private static final double PASSED_HZ = 20_000;
    private static final double PASSED_SHARE = 0.907;
    /** More rows than that are not made beforehand but read between. */
    private static final int MOST_ROWS = 2048;

    private static final int BLOCK = 4096;

    /** Takes frames as they come. */
    @FunctionalInterface
    public interface Sink {
        void write(float[][] samples, int frames) throws IOException;
    }

    private final int from;
    private final int to;
    private final int reach;
    private final int rows;
    private final boolean exact;
    private final float[][] table;
    private final float[] between;
    private float[][] in = new float[0][];

    /** Converts from one rate to another, both in Hz. */
    public RateConverter(int from, int to) {
        int divisor = gcd(from, to);
        this.from = from / divisor;
        this.to = to / divisor;
        double half = Math.min(from, to) / 2.0;
        double passed = Math.min(PASSED_HZ, PASSED_SHARE * half);
        reach = WindowedSinc.reach(HELD_BACK_DB, (half - passed) / from);
        exact = this.to <= MOST_ROWS;
        rows = exact ? this.to : MOST_ROWS;
        table = new float[rows + 1][];
        double beta = WindowedSinc.beta(HELD_BACK_DB);
        for (int row = 0; row <= rows; row++) {
            table[row] = row(row / (double) rows, (half + passed) / from, beta);
        }
        between = new float[2 * reach];
    }

    private float[] row(double phase, double cutoff, double beta) {
        double[] values = new double[2 * reach];
        double sum = 0;
        for (int tap = 0; tap < values.length; tap++) {
            values[tap] = WindowedSinc.at(tap - reach + 1 - phase, cutoff, reach, beta);
            sum += values[tap];
        }
        float[] row = new float[values.length];
        for (int tap = 0; tap < row.length; tap++) {
            row[tap] = (float) (values[tap] / sum);
        }
        return row;
    }

    private static int gcd(int a, int b) {
        return b == 0 ? a : gcd(b, a % b);
    }

    /** Converts a sound of so many channels to so many frames. */
    public void convert(MediaReader sound, int channels, long frames, Sink sink) throws IOException {
        float[][] out = new float[channels][BLOCK];
        for (long done = 0; done < frames; done += BLOCK) {
            int count = (int) Math.min(BLOCK, frames - done);
            read(sound, done, out, 0, count);
            sink.write(out, count);
        }
    }

    /** Reads frames of the converted sound from one on, not before the first. */
    public void read(MediaReader sound, long frame, float[][] out, int outAt, int frames) throws IOException {
        for (int done = 0; done < frames; done += BLOCK) {
            readBlock(sound, frame + done, out, outAt + done, Math.min(BLOCK, frames - done));
        }
    }

    private void readBlock(MediaReader sound, long frame, float[][] out, int outAt, int count) throws IOException {
        if (in.length != out.length) {
            in = new float[out.length][(int) ((long) BLOCK * from / to) + 2 * reach + 2];
        }
        long first = frame * from / to - reach + 1;
        int needed = (int) ((frame + count - 1) * from / to + reach - first) + 1;
        sound.read(first, in, 0, needed);
        for (int n = 0; n < count; n++) {
            long position = (frame + n) * from;
            int at = (int) (position / to - reach + 1 - first);
            float[] row = row((int) (position % to));
            for (int channel = 0; channel < out.length; channel++) {
                out[channel][outAt + n] = dot(row, in[channel], at);
            }
        }
    }

    private float[] row(int step) {
        if (exact) {
            return table[step];
        }
        double place = (double) step / to * rows;
        int below = (int) place;
        float share = (float) (place - below);
        float[] low = table[below];
        float[] high = table[below + 1];
        for (int tap = 0; tap < between.length; tap++) {
            between[tap] = low[tap] + share * (high[tap] - low[tap]);
        }
        return between;
    }

    /** In four sums, which a processor adds up side by side. */
    private static float dot(float[] row, float[] in, int at) {
        float a = 0;
        float b = 0;
        float c = 0;
        float d = 0;
        int tap = 0;
        for (; tap + 3 < row.length; tap += 4) {
            a += row[tap] * in[at + tap];
            b += row[tap + 1] * in[at + tap + 1];
            c += row[tap + 2] * in[at + tap + 2];
            d += row[tap + 3] * in[at + tap + 3];
        }
        for (; tap < row.length; tap++) {
            a += row[tap] * in[at + tap];
        }
        return a + b + (c + d);
    }
}
