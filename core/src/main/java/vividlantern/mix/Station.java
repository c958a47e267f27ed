package vividlantern.mix;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import vividlantern.mix.effects.Effect;

/**
 * A bus made ready to run: its sums, one for each two of its wires, its effects one after the other, and where it leaves. Before
 * each effect and behind the last stand wires of its own; the sums are written straight into where the first effect takes
 * them.
 */
final class Station {

    private final Sum[] sums;
    private final boolean readsBuses;
    private final Effect[] chain;
    /** The first wire before each effect and, last, behind all of them; the others follow. */
    private final int[] wire;
    /** What each effect writes to. */
    private final float[][][] out;

    private final Optional<MixPlan.Exit> exit;
    /** Where each effect is read; -1 for one that is not. */
    private final int[] readings;

    private final int inletBegin;
    private Goals taken;
    private CueOverride takenOverride;

    /**
     * @param sums for each two of its wires
     * @param width how many wires it has
     * @param readings where each effect is read, -1 for one that is not
     */
    Station(
            List<Sum> sums,
            int width,
            boolean readsBuses,
            List<Effect> chain,
            List<Integer> wire,
            Optional<MixPlan.Exit> exit,
            int[] readings) {
        this.sums = sums.toArray(Sum[]::new);
        this.readsBuses = readsBuses;
        this.chain = chain.toArray(Effect[]::new);
        this.wire = wire.stream().mapToInt(Integer::intValue).toArray();
        this.exit = exit;
        this.readings = readings;
        out = new float[chain.size()][width][];
        inletBegin = chain.isEmpty() ? 0 : chain.get(0).inletBegin();
    }

    /** Goes on among the wires of another plan. */
    void takeOver() {
        if (readsBuses) {
            forgetWires();
        }
    }

    /** Sets everything on its way to where it is wanted; nothing is to be done for goals that it has. */
    void head(Gains gains, Goals goals, CueOverride override) {
        if (goals != taken || override != takenOverride) {
            for (Sum sum : sums) {
                sum.head(gains, goals.gains(), override);
            }
            takenOverride = override;
        }
        if (goals == taken) {
            return;
        }
        for (int at = 0; at < chain.length; at++) {
            chain[at].head(goals.settings().get(at));
        }
        taken = goals;
    }

    /** Whether the gains of an edge rest at zero; asked by the thread that prepares plans. */
    boolean isAtZero(int edge, Gains gains) {
        for (Sum sum : sums) {
            if (sum.isAtZero(gains, edge)) {
                return true;
            }
        }
        return false;
    }

    /** Lets its last wires be those of the device where it leaves. */
    void bind(float[][] wires, float[][] device) {
        if (exit.isPresent()) {
            int last = wire[chain.length];
            put(wires, last, device[exit.get().leftOutput()]);
            put(wires, last + 1, device[exit.get().rightOutput()]);
        }
    }

    /** Writes only what is new: the collector is told of each array that is written. */
    private static void put(float[][] wires, int wire, float[] samples) {
        if (wires[wire] != samples) {
            wires[wire] = samples;
        }
    }

    void forgetWires() {
        for (Sum sum : sums) {
            sum.forgetWires();
        }
    }

    void run(Gains gains, float[][] wires, int at, int frames, long frame, long songFrame, Meters meters) {
        int outAt = inletBegin + at;
        for (int pair = 0; pair < sums.length; pair++) {
            float[] left = wires[wire[0] + 2 * pair];
            float[] right = wires[wire[0] + 2 * pair + 1];
            Arrays.fill(left, outAt, outAt + frames, 0);
            Arrays.fill(right, outAt, outAt + frames, 0);
            sums[pair].add(gains, wires, at, left, right, outAt, frames);
        }
        for (int stage = 0; stage < chain.length; stage++) {
            for (int each = 0; each < out[stage].length; each++) {
                put(out[stage], each, wires[wire[stage + 1] + each]);
            }
            int begin = stage + 1 < chain.length ? chain[stage + 1].inletBegin() : 0;
            chain[stage].songAt(songFrame);
            chain[stage].process(out[stage], begin, at, frames, frame);
            if (readings[stage] >= 0) {
                meters.reading(readings[stage], chain[stage].takeReading());
            }
        }
    }

    void endBlock(int frames) {
        for (Effect effect : chain) {
            effect.endBlock(frames);
        }
    }
}
