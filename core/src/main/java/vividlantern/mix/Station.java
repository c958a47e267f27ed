package vividlantern.mix;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import vividlantern.mix.effects.Effect;

/**
 * A bus made ready to run: its sum, its effects one after the other, and where it leaves. Before each effect and behind the
 * last stand two wires of its own; the sum is written straight into where the first effect takes it.
 */
final class Station {

    private final Sum sum;
    private final boolean readsBuses;
    private final Effect[] chain;
    /** The left wire before each effect and, last, behind all of them; the right one is the next. */
    private final int[] wire;

    private final Optional<MixPlan.Exit> exit;
    private final int meter;
    private final int inletBegin;
    private Goals taken;
    private boolean takenCut;

    /** @param meter where its guard is shown if it leaves */
    Station(
            Sum sum,
            boolean readsBuses,
            List<Effect> chain,
            List<Integer> wire,
            Optional<MixPlan.Exit> exit,
            int meter) {
        this.sum = sum;
        this.readsBuses = readsBuses;
        this.chain = chain.toArray(Effect[]::new);
        this.wire = wire.stream().mapToInt(Integer::intValue).toArray();
        this.exit = exit;
        this.meter = meter;
        inletBegin = chain.isEmpty() ? 0 : chain.get(0).inletBegin();
    }

    /** Goes on among the wires of another plan. */
    void takeOver() {
        if (readsBuses) {
            sum.forgetWires();
        }
    }

    /** Sets everything on its way to where it is wanted; nothing is to be done for goals that it has. */
    void head(Gains gains, Goals goals, boolean headphonesCut) {
        if (goals != taken || headphonesCut != takenCut) {
            sum.head(gains, goals.gains(), headphonesCut);
            takenCut = headphonesCut;
        }
        if (goals == taken) {
            return;
        }
        for (int at = 0; at < chain.length; at++) {
            chain[at].head(goals.settings().get(at));
        }
        taken = goals;
    }

    /** Whether the gains of an edge of its sum rest at zero; asked by the thread that prepares plans. */
    boolean isAtZero(int edge, Gains gains) {
        return sum.isAtZero(gains, edge);
    }

    /** Lets its last wires be those of the device where it leaves. */
    void bind(float[][] wires, float[][] out) {
        if (exit.isPresent()) {
            int last = wire[chain.length];
            bind(wires, last, out[exit.get().leftOutput()]);
            bind(wires, last + 1, out[exit.get().rightOutput()]);
        }
    }

    /** Writes only what is new: the collector is told of each array that is written. */
    private static void bind(float[][] wires, int wire, float[] samples) {
        if (wires[wire] != samples) {
            wires[wire] = samples;
        }
    }

    void forgetWires() {
        sum.forgetWires();
    }

    void run(Gains gains, float[][] wires, int at, int frames, long frame, Meters meters) {
        float[] left = wires[wire[0]];
        float[] right = wires[wire[0] + 1];
        int outAt = inletBegin + at;
        Arrays.fill(left, outAt, outAt + frames, 0);
        Arrays.fill(right, outAt, outAt + frames, 0);
        sum.add(gains, wires, at, left, right, outAt, frames);
        for (int stage = 0; stage < chain.length; stage++) {
            int next = wire[stage + 1];
            int begin = stage + 1 < chain.length ? chain[stage + 1].inletBegin() : 0;
            chain[stage].process(wires[next], wires[next + 1], begin, at, frames, frame);
            if (meter >= 0) {
                meters.guard(meter, chain[stage].takeReading());
            }
        }
    }

    void endBlock(int frames) {
        for (Effect effect : chain) {
            effect.endBlock(frames);
        }
    }
}
