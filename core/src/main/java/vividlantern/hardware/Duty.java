package vividlantern.hardware;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicIntegerArray;

/**
 * How much of each block's time was used, from when the block was due until it was given back, over the last minute. The
 * device's thread notes, without waiting; any other may ask.
 */
public final class Duty {

    /** A bin holds five hundredths; the last one all above. */
    public static final int BINS = 25;

    public static final double BIN_WIDTH = 0.05;

    private static final int SECONDS = 60;
    private static final int COUNTS = BINS + 2;
    private static final int WORST = BINS;
    private static final int SECOND = BINS + 1;
    private static final double PERMILLE = 1000;

    private final AtomicIntegerArray seconds = new AtomicIntegerArray(SECONDS * COUNTS);

    /**
     * What was noted within the last minute.
     *
     * @param blocks how many there were
     * @param histogram how many blocks used how much: the first bin those below 5 %, the last those of 120 % and more
     * @param typical the share that half of them did not exceed, as the upper edge of its bin; 0 if there were none
     * @param worst the largest share; above 1 a block came too late
     */
    public record Reading(long blocks, List<Long> histogram, double typical, double worst) {}

    /**
     * Notes a block.
     *
     * @param share of its time, 1 for all of it
     * @param nanos when, by the system's clock of nanoseconds
     */
    public void note(double share, long nanos) {
        int second = second(nanos);
        int at = Math.floorMod(second, SECONDS) * COUNTS;
        if (seconds.getPlain(at + SECOND) != second + 1) {
            for (int count = 0; count < SECOND; count++) {
                seconds.setPlain(at + count, 0);
            }
            seconds.setRelease(at + SECOND, second + 1);
        }
        int bin = at + (int) Math.max(0, Math.min(BINS - 1, share / BIN_WIDTH));
        seconds.setRelease(bin, seconds.getPlain(bin) + 1);
        int permille = (int) Math.min(Integer.MAX_VALUE, share * PERMILLE);
        if (permille > seconds.getPlain(at + WORST)) {
            seconds.setRelease(at + WORST, permille);
        }
    }

    private static int second(long nanos) {
        return (int) Math.floorMod(Math.floorDiv(nanos, 1_000_000_000L), 1L << 30);
    }

    /** What was noted within the minute before a time. */
    public Reading reading(long nanos) {
        int now = second(nanos);
        long[] bins = new long[BINS];
        long blocks = 0;
        int worst = 0;
        for (int slot = 0; slot < SECONDS; slot++) {
            int at = slot * COUNTS;
            int age = now - (seconds.getAcquire(at + SECOND) - 1);
            if (age >= 0 && age < SECONDS) {
                for (int bin = 0; bin < BINS; bin++) {
                    bins[bin] += seconds.getAcquire(at + bin);
                    blocks += seconds.getAcquire(at + bin);
                }
                worst = Math.max(worst, seconds.getAcquire(at + WORST));
            }
        }
        List<Long> histogram = new ArrayList<>();
        double typical = 0;
        long counted = 0;
        for (int bin = 0; bin < BINS; bin++) {
            histogram.add(bins[bin]);
            counted += bins[bin];
            if (typical == 0 && counted > 0 && 2 * counted >= blocks) {
                typical = (bin + 1) * BIN_WIDTH;
            }
        }
        return new Reading(blocks, List.copyOf(histogram), typical, worst / PERMILLE);
    }
}
