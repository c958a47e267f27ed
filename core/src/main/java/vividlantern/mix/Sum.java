package vividlantern.mix;

import java.util.List;
import vividlantern.kernel.MixKernel;

/**
 * The edges into two neighbours among the wires of a bus, made ready to run. Edges whose gains rest at zero are left out. Runs of edges that
 * stand still, and runs of edges that are on their way, are worked off together; one that arrives goes alone between them. So
 * each sample is summed in the order of the edges.
 */
final class Sum {

    /** A gain that is where it is wanted at once: what is poured from one bus into another, or goes into a strip, is no control. */
    static final int FIXED = -1;

    /**
     * One edge as it is laid out.
     *
     * @param into the first of the bus's two wires that it goes to
     * @param manner how its gains get to where they are wanted: {@link #FIXED}, or as {@link Gains#head} takes it
     * @param mark what {@link CueOverride} knows it by
     */
    record Line(int wire, int slot, int into, int manner, boolean cuttable, int mark) {}

    private final MixKernel kernel;
    /** Which of the station's edges its first one is. */
    private final int first;

    private final int count;
    private final int[] wire;
    private final int[] slot;
    private final int[] manner;
    private final boolean[] cuttable;
    private final int[] mark;

    private final int[] edge;
    private final float[][] in;
    private final float[] left;
    private final float[] right;
    /** Of each side of the edges that move: the curve, the place on it, what it is multiplied by, what is added. */
    private final float[][] curve;

    private final int[] curveAt;
    private final float[] factor;
    private final float[] base;
    private int sounding;
    private int moving;
    /** Whether what is gathered holds; beforehand it is gathered as if every gain stood where it is wanted. */
    private boolean gathered = true;

    private boolean wired;

    /**
     * @param first which of the station's edges the first of the lines is
     * @param goal where the gains of the station will be sent first: the left one of each edge, then its right one
     */
    Sum(List<Line> lines, int first, double[] goal, MixKernel kernel) {
        this.kernel = kernel;
        this.first = first;
        count = lines.size();
        wire = new int[count];
        slot = new int[count];
        manner = new int[count];
        cuttable = new boolean[count];
        mark = new int[count];
        for (int at = 0; at < count; at++) {
            Line line = lines.get(at);
            wire[at] = line.wire();
            slot[at] = line.slot();
            manner[at] = line.manner();
            cuttable[at] = line.cuttable();
            mark[at] = line.mark();
        }
        edge = new int[count];
        in = new float[count][];
        left = new float[count];
        right = new float[count];
        curve = new float[2 * count][];
        curveAt = new int[2 * count];
        factor = new float[2 * count];
        base = new float[2 * count];
        for (int at = 0; at < count; at++) {
            put(at, (float) goal[2 * (first + at)], (float) goal[2 * (first + at) + 1], true);
        }
    }

    /** Sets every gain on its way to where it is wanted, as far as headphones are not cut and nobody talks. */
    void head(Gains gains, double[] goal, CueOverride override) {
        for (int at = 0; at < count; at++) {
            int gain = 2 * slot[at];
            double factor = override.factor(mark[at], cuttable[at]);
            double toLeft = factor * goal[2 * (first + at)];
            double toRight = factor * goal[2 * (first + at) + 1];
            if (factor != 1 || !gains.stand(gain, toLeft, toRight)) {
                head(gains, gain, toLeft, manner[at]);
                head(gains, gain + 1, toRight, manner[at]);
                gathered = false;
            }
        }
    }

    private static void head(Gains gains, int gain, double goal, int manner) {
        if (manner == FIXED) {
            gains.put(gain, goal);
        } else {
            gains.head(gain, goal, manner);
        }
    }

    /** Adds the edges to two wires that hold what was there before. */
    void add(Gains gains, float[][] wires, int at, float[] toLeft, float[] toRight, int outAt, int frames) {
        if (!gathered) {
            gather(gains);
        }
        if (!wired) {
            wire(wires);
        }
        if (moving == 0) {
            kernel.addStill(in, left, right, 0, sounding, at, toLeft, toRight, outAt, frames);
            return;
        }
        int done = 0;
        while (done < sounding) {
            int end = endOfStill(gains, done);
            kernel.addStill(in, left, right, done, end, at, toLeft, toRight, outAt, frames);
            done = endOfMoving(gains, end, frames);
            kernel.addMoving(in, curve, curveAt, factor, base, end, done, at, toLeft, toRight, outAt, frames);
            if (done == end && done < sounding) {
                addArriving(gains, done, at, toLeft, toRight, outAt, frames);
                done++;
            }
        }
    }

    private int endOfStill(Gains gains, int from) {
        int end = from;
        while (end < sounding && isStill(gains, edge[end])) {
            end++;
        }
        return end;
    }

    /** Lays out the curves of a run of edges that are on their way for all of these frames, and takes the frames as done. */
    private int endOfMoving(Gains gains, int from, int frames) {
        int end = from;
        while (end < sounding) {
            int gain = 2 * slot[edge[end]];
            boolean moves = !gains.isStill(gain) || !gains.isStill(gain + 1);
            if (!moves || !gains.goesOn(gain, frames) || !gains.goesOn(gain + 1, frames)) {
                return end;
            }
            layOut(gains, gain, 2 * end, frames);
            layOut(gains, gain + 1, 2 * end + 1, frames);
            end++;
        }
        return end;
    }

    private void layOut(Gains gains, int gain, int to, int frames) {
        curve[to] = gains.curve(gain);
        curveAt[to] = gains.curveAt(gain);
        factor[to] = gains.factor(gain);
        base[to] = gains.base(gain);
        gains.advance(gain, frames);
    }

    private void addArriving(Gains gains, int each, int at, float[] toLeft, float[] toRight, int outAt, int frames) {
        int gain = 2 * slot[edge[each]];
        addArriving(gains, gain, in[each], at, toLeft, outAt, frames);
        addArriving(gains, gain + 1, in[each], at, toRight, outAt, frames);
    }

    /** Adds a gain that ends a leg among these frames. */
    private void addArriving(Gains gains, int gain, float[] in, int inAt, float[] out, int outAt, int frames) {
        int done = 0;
        while (done < frames && !gains.isStill(gain)) {
            int span = gains.framesOnCurve(gain, frames - done);
            kernel.addMoving(
                    in,
                    inAt + done,
                    gains.curve(gain),
                    gains.curveAt(gain),
                    gains.factor(gain),
                    gains.base(gain),
                    out,
                    outAt + done,
                    span);
            gains.advance(gain, span);
            done += span;
            if (done < frames) {
                gains.arrive(gain);
                gathered = false;
            }
        }
        float settled = gains.settled(gain);
        if (done < frames && settled != 0) {
            kernel.addStill(in, inAt + done, settled, out, outAt + done, frames - done);
        }
    }

    private void gather(Gains gains) {
        sounding = 0;
        moving = 0;
        for (int at = 0; at < count; at++) {
            put(at, gains.settled(2 * slot[at]), gains.settled(2 * slot[at] + 1), isStill(gains, at));
        }
        gathered = true;
        wired = false;
    }

    /** Takes the arrays of its wires at hand; needed again when a wire has another array. */
    private void wire(float[][] wires) {
        for (int each = 0; each < sounding; each++) {
            in[each] = wires[wire[edge[each]]];
        }
        wired = true;
    }

    void forgetWires() {
        wired = false;
    }

    private void put(int at, float toLeft, float toRight, boolean still) {
        if (!still || toLeft != 0 || toRight != 0) {
            edge[sounding] = at;
            left[sounding] = toLeft;
            right[sounding] = toRight;
            sounding++;
            moving += still ? 0 : 1;
        }
    }

    private boolean isStill(Gains gains, int at) {
        return gains.isStill(2 * slot[at]) && gains.isStill(2 * slot[at] + 1);
    }

    /** Whether an edge of the station is its own and has come to rest at zero; asked by the thread that prepares plans. */
    boolean isAtZero(Gains gains, int edgeOfStation) {
        int at = edgeOfStation - first;
        return at >= 0 && at < count && gains.isSilent(slot[at]);
    }
}
