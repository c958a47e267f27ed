package vividlantern.mix;

import java.util.List;
import vividlantern.kernel.MixKernel;

/**
 * The edges into the two wires of a bus, made ready to run. Edges whose gains rest at zero are left out. Runs of edges that
 * stand still, and runs of edges that are on their way, are worked off together; one that arrives goes alone between them. So
 * each sample is summed in the order of the edges.
 */
final class Sum {

    /** One edge as it is laid out: its wire, its slot, and how its gains get to where they are wanted. */
    record Line(int wire, int slot, Manner manner, boolean cuttable) {}

    /** How a gain gets to where it is wanted. */
    enum Manner {
        LINE,
        GENTLE,
        /** At once: what is poured from one bus into another is no control. */
        FIXED
    }

    private final MixKernel kernel;
    private final int count;
    private final int[] wire;
    private final int[] slot;
    private final Manner[] manner;
    private final boolean[] cuttable;

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

    /** @param goal where the gains will be sent first: the left one of each edge, then its right one */
    Sum(List<Line> lines, double[] goal, MixKernel kernel) {
        this.kernel = kernel;
        count = lines.size();
        wire = new int[count];
        slot = new int[count];
        manner = new Manner[count];
        cuttable = new boolean[count];
        for (int at = 0; at < count; at++) {
            Line line = lines.get(at);
            wire[at] = line.wire();
            slot[at] = line.slot();
            manner[at] = line.manner();
            cuttable[at] = line.cuttable();
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
            put(at, (float) goal[2 * at], (float) goal[2 * at + 1], true);
        }
    }

    /** Sets every gain on its way to where it is wanted; those that headphones being cut silences, to zero while they are. */
    void head(Gains gains, double[] goal, boolean headphonesCut) {
        for (int at = 0; at < count; at++) {
            int gain = 2 * slot[at];
            boolean cut = headphonesCut && cuttable[at];
            double toLeft = cut ? 0 : goal[2 * at];
            double toRight = cut ? 0 : goal[2 * at + 1];
            if (cut || !gains.stand(gain, toLeft, toRight)) {
                head(gains, gain, toLeft, manner[at]);
                head(gains, gain + 1, toRight, manner[at]);
                gathered = false;
            }
        }
    }

    private static void head(Gains gains, int gain, double goal, Manner manner) {
        if (manner == Manner.FIXED) {
            gains.put(gain, goal);
        } else {
            gains.head(gain, goal, manner == Manner.GENTLE);
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
        int lies = edge[each];
        addArriving(gains, 2 * slot[lies], manner[lies], in[each], at, toLeft, outAt, frames);
        addArriving(gains, 2 * slot[lies] + 1, manner[lies], in[each], at, toRight, outAt, frames);
    }

    /** Adds a gain that ends a leg among these frames. */
    private void addArriving(
            Gains gains, int gain, Manner how, float[] in, int inAt, float[] out, int outAt, int frames) {
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
                gains.arrive(gain, how == Manner.GENTLE);
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

    /** Whether an edge has come to rest at zero; asked by the thread that prepares plans. */
    boolean isAtZero(Gains gains, int at) {
        return gains.isSilent(slot[at]);
    }
}
