package vividlantern.mix;

import java.util.Arrays;

/**
 * Where every gain of the mix stands on its way, each in a slot that stays its own from plan to plan. An edge has two: that
 * of its left gain is even, the next is the right's. Slots belong to the
 * audio thread; the thread that prepares plans only hands them out and asks whether one has come to rest at zero.
 *
 * <p>Towards the main mix gains move in lines of 10 ms. Towards performers they fall so, and rise by 60 dB a second, or by their
 * share of it where several follow one another ({@link SharedRise}), from off beginning at -60 dB. Both are read from curves made beforehand: a gain on its way is {@code curve[n] · factor + base}.
 */
final class Gains {

    private static final byte STILL = 0;
    private static final byte LINE = 1;
    private static final byte RISE = 2;

    /** Where a rise from off begins: -60 dB. */
    private static final double RISE_FROM = 0.001;
    /** From -60 to +60 dB; no product of faders is higher. */
    private static final int LONGEST_RISE_SECONDS = 2;

    /** How a gain gets to where it is wanted: in a line. Any larger number: gently, with so many gains in series. */
    static final int IN_A_LINE = 0;

    private static final int MOST_IN_SERIES = 16;

    /** The curves of a sample rate, shared by all plans. */
    static final class Curves {
        final int lineFrames;
        final float[] line;
        private final int sampleRate;
        /** The rise of one of so many gains in series; made when the first plan has such. */
        private final float[][] rises = new float[MOST_IN_SERIES + 1][];

        Curves(int sampleRate) {
            this.sampleRate = sampleRate;
            lineFrames = (int) Math.round(0.01 * sampleRate);
            line = new float[lineFrames + 1];
            for (int n = 0; n <= lineFrames; n++) {
                line[n] = (float) ((double) n / lineFrames);
            }
            prepare(1);
        }

        /** Makes what a gain rises by that is one of so many in series; not on the audio thread. */
        void prepare(int inSeries) {
            if (inSeries > MOST_IN_SERIES) {
                throw new IllegalArgumentException(inSeries
                        + " gains follow one another on the way to a performer; at most " + MOST_IN_SERIES + " can.");
            }
            if (rises[inSeries] != null) {
                return;
            }
            float[] rise = new float[inSeries * LONGEST_RISE_SECONDS * sampleRate + 1];
            double perFrame = StrictMath.pow(10, 3.0 / inSeries / sampleRate);
            double gain = 1;
            for (int n = 0; n < rise.length; n++) {
                rise[n] = (float) gain;
                gain *= perFrame;
            }
            rises[inSeries] = rise;
        }
    }

    private final Curves curves;
    /** Where a gain stands that does not move, and where one that moves began. */
    private final double[] current;
    /** The goal for which a gain is under way or at which it stands; a new plan with the same goal disturbs nothing. */
    private final double[] heading;

    private final byte[] leg;
    /** The curve of a gain on its way; of one that stands still one that is longer than any block. */
    private final float[][] legCurve;

    /** {@link #IN_A_LINE}, or among how many gains in series a gain's rise is shared. */
    private final byte[] manner;

    private final double[] legStart;
    private final double[] legEnd;
    private final int[] legAt;

    Gains(Curves curves, int count) {
        this.curves = curves;
        current = new double[count];
        heading = new double[count];
        leg = new byte[count];
        legCurve = new float[count][];
        Arrays.fill(legCurve, curves.rises[1]);
        manner = new byte[count];
        legStart = new double[count];
        legEnd = new double[count];
        legAt = new int[count];
    }

    int count() {
        return current.length;
    }

    /** Goes on from where fewer gains stand. */
    void continueFrom(Gains fewer) {
        int count = fewer.count();
        System.arraycopy(fewer.current, 0, current, 0, count);
        System.arraycopy(fewer.heading, 0, heading, 0, count);
        System.arraycopy(fewer.leg, 0, leg, 0, count);
        System.arraycopy(fewer.legCurve, 0, legCurve, 0, count);
        System.arraycopy(fewer.manner, 0, manner, 0, count);
        System.arraycopy(fewer.legStart, 0, legStart, 0, count);
        System.arraycopy(fewer.legEnd, 0, legEnd, 0, count);
        System.arraycopy(fewer.legAt, 0, legAt, 0, count);
    }

    boolean isStill(int slot) {
        return leg[slot] == STILL;
    }

    /** Whether both gains of an edge stand still where they are wanted. */
    boolean stand(int left, double leftGoal, double rightGoal) {
        return heading[left] == leftGoal
                && heading[left + 1] == rightGoal
                && leg[left] == STILL
                && leg[left + 1] == STILL;
    }

    /** Whether both gains of an edge rest at zero. */
    boolean isSilent(int edgeSlot) {
        int left = 2 * edgeSlot;
        return left + 1 >= current.length
                || leg[left] == STILL && current[left] == 0 && leg[left + 1] == STILL && current[left + 1] == 0;
    }

    /** Where a gain stands that does not move. */
    float settled(int slot) {
        return (float) current[slot];
    }

    /**
     * Sets a gain on its way unless it is on its way there.
     *
     * @param how {@link #IN_A_LINE}, or among how many gains in series its rise is shared
     */
    void head(int slot, double goal, int how) {
        boolean otherwise = manner[slot] != how && leg[slot] != STILL;
        if (heading[slot] != goal || otherwise) {
            double from = reached(slot);
            heading[slot] = goal;
            manner[slot] = (byte) how;
            startLeg(slot, from);
        }
    }

    /** Puts a gain to where it is wanted without a way. */
    void put(int slot, double goal) {
        heading[slot] = goal;
        current[slot] = goal;
        leg[slot] = STILL;
        legCurve[slot] = curves.rises[1];
    }

    /** How many frames of the next ones lie on the leg's curve; then the gain has arrived at its leg's end. */
    int framesOnCurve(int slot, int frames) {
        return leg[slot] == LINE ? Math.min(frames, curves.lineFrames - 1 - legAt[slot]) : framesOfRise(slot, frames);
    }

    /** Whether a gain stands still or stays on its curve for so many frames. */
    boolean goesOn(int slot, int frames) {
        return leg[slot] == STILL || framesOnCurve(slot, frames) == frames;
    }

    float[] curve(int slot) {
        return legCurve[slot];
    }

    /** Where the next frame's value lies on the curve; any place will do for a gain that stands still. */
    int curveAt(int slot) {
        return leg[slot] == LINE ? legAt[slot] + 1 : leg[slot] == RISE ? legAt[slot] : 0;
    }

    float factor(int slot) {
        return leg[slot] == LINE
                ? (float) (legEnd[slot] - legStart[slot])
                : leg[slot] == RISE ? (float) legStart[slot] : 0;
    }

    float base(int slot) {
        return leg[slot] == LINE ? (float) legStart[slot] : leg[slot] == RISE ? 0 : (float) current[slot];
    }

    /** Takes frames of the curve as done. */
    void advance(int slot, int frames) {
        legAt[slot] += frames;
    }

    /** Ends a leg whose curve is done: the gain is where it was to go, and the next leg begins if there is one. */
    void arrive(int slot) {
        leg[slot] = STILL;
        legCurve[slot] = curves.rises[1];
        current[slot] = legEnd[slot];
        if (current[slot] != heading[slot]) {
            startLeg(slot, current[slot]);
        }
    }

    /** Writes where the first gains stand now: those of the frame before the next one. */
    void reached(float[] into) {
        for (int slot = 0; slot < into.length; slot++) {
            into[slot] = (float) reached(slot);
        }
    }

    /** The gain of the frame before the next one. */
    private double reached(int slot) {
        if (leg[slot] == LINE) {
            double share = (double) legAt[slot] / curves.lineFrames;
            return legStart[slot] + (legEnd[slot] - legStart[slot]) * share;
        }
        return leg[slot] == RISE && legAt[slot] > 0 ? legStart[slot] * legCurve[slot][legAt[slot] - 1] : current[slot];
    }

    private int framesOfRise(int slot, int frames) {
        double start = Math.abs(legStart[slot]);
        double want = Math.abs(legEnd[slot]);
        float[] rise = legCurve[slot];
        int from = legAt[slot];
        int to = Math.min(from + frames, rise.length);
        if (to > from && start * rise[to - 1] < want) {
            return to - from;
        }
        while (from < to) {
            int middle = (from + to) >>> 1;
            if (start * rise[middle] < want) {
                from = middle + 1;
            } else {
                to = middle;
            }
        }
        return from - legAt[slot];
    }

    /** Falls, and all moves in the main mix, are lines; what performers hear rises by 60 dB a second. */
    private void startLeg(int slot, double from) {
        boolean gentle = manner[slot] != IN_A_LINE;
        double to = heading[slot];
        current[slot] = from;
        boolean turnsOver = from * to < 0;
        boolean rises = Math.abs(to) > Math.abs(from);
        if (gentle && rises && !turnsOver) {
            boolean fromOff = Math.abs(from) < RISE_FROM;
            leg[slot] = RISE;
            legCurve[slot] = curves.rises[manner[slot]];
            legStart[slot] = fromOff ? Math.copySign(RISE_FROM, to) : from;
            legAt[slot] = fromOff ? 0 : 1;
            legEnd[slot] = to;
        } else {
            leg[slot] = LINE;
            legCurve[slot] = curves.line;
            legStart[slot] = from;
            legAt[slot] = 0;
            legEnd[slot] = gentle && turnsOver ? 0 : to;
        }
    }
}
