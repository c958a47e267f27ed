package vividlantern.mix.effects;

import java.util.Arrays;
import java.util.List;
import vividlantern.session.chain.EffectType;

/**
 * A gain for each wire, with its sign. It begins at 1; falls in a line of 10 ms, rises as its strip may ({@link RiseBudget}), from
 * nothing beginning at -60 dB. A sign turns over where nothing is heard. Within a step of the grid it moves in a line.
 */
public final class SlowGain implements Effect {

    static final EffectKind<Settings> KIND = new EffectKind<>(
            EffectType.GAIN.word(),
            Settings.class,
            EffectType.GAIN.ranges().stream()
                    .filter(range -> range.choices().isEmpty())
                    .map(EffectKinds::parameter)
                    .toList(),
            (settings, sampleRate) -> 0,
            (place, settings) -> new SlowGain(place));

    private static final int STEP_FRAMES = RiseBudget.STEP_FRAMES;
    private static final double BEGINS_AT = 1e-3;

    /** @param factors of each wire, negative for a flipped polarity */
    public record Settings(List<Double> factors) implements Effect.Settings {

        public Settings {
            factors = List.copyOf(factors);
        }

        @Override
        public EffectKind<Settings> kind() {
            return KIND;
        }

        @Override
        public Settings through() {
            return new Settings(factors.stream().map(each -> 1.0).toList());
        }

        @Override
        public boolean mayRaise() {
            return true;
        }
    }

    private final RiseBudget rise;
    private final float[][] inlets;
    private final double[] goals;
    private final double[] before;
    /** By how much each falls in a step, and the goal for which that was worked out. */
    private final double[] falls;

    private final double[] heading;
    private final double stepsOfAFall;
    private final double[] now;
    private volatile boolean through = true;

    SlowGain(EffectKind.Place place) {
        rise = place.rise();
        inlets = new float[place.wires()][place.maxFrames()];
        goals = ones(place.wires());
        before = ones(place.wires());
        falls = new double[place.wires()];
        heading = ones(place.wires());
        stepsOfAFall = Math.ceil(Switched.FADE_SECONDS * place.sampleRate() / STEP_FRAMES);
        now = ones(place.wires());
    }

    private static double[] ones(int count) {
        double[] ones = new double[count];
        Arrays.fill(ones, 1);
        return ones;
    }

    @Override
    public float[] inlet(int wire) {
        return inlets[wire];
    }

    @Override
    public void head(Effect.Settings settings) {
        List<Double> factors = ((Settings) settings).factors();
        for (int wire = 0; wire < goals.length; wire++) {
            goals[wire] = factors.get(wire);
        }
        through = isNeutral();
    }

    private boolean isNeutral() {
        for (int wire = 0; wire < goals.length; wire++) {
            if (goals[wire] != 1 || now[wire] != 1 || before[wire] != 1) {
                return false;
            }
        }
        return true;
    }

    @Override
    public void process(float[][] out, int outBegin, int at, int frames, long frame) {
        int done = 0;
        while (done < frames) {
            int intoStep = (int) Math.floorMod(frame + done, (long) STEP_FRAMES);
            if (intoStep == 0) {
                beginStep(frame + done);
            }
            int span = stands() ? frames - done : Math.min(frames - done, STEP_FRAMES - intoStep);
            for (int wire = 0; wire < inlets.length; wire++) {
                pass(wire, out[wire], outBegin + at + done, at + done, intoStep, span);
            }
            done += span;
        }
        through = isNeutral();
    }

    /** Whether no step moves anything. */
    private boolean stands() {
        for (int wire = 0; wire < goals.length; wire++) {
            if (before[wire] != now[wire] || now[wire] != goals[wire]) {
                return false;
            }
        }
        return true;
    }

    private void pass(int wire, float[] out, int outAt, int at, int intoStep, int frames) {
        float[] in = inlets[wire];
        if (before[wire] == 1 && now[wire] == 1) {
            System.arraycopy(in, at, out, outAt, frames);
        } else if (before[wire] == now[wire]) {
            float gain = (float) now[wire];
            for (int n = 0; n < frames; n++) {
                out[outAt + n] = in[at + n] * gain;
            }
        } else {
            double step = (now[wire] - before[wire]) / STEP_FRAMES;
            for (int n = 0; n < frames; n++) {
                out[outAt + n] = in[at + n] * (float) (before[wire] + step * (intoStep + n));
            }
        }
    }

    private void beginStep(long frame) {
        double wantedDb = 0;
        for (int wire = 0; wire < goals.length; wire++) {
            before[wire] = now[wire];
            wantedDb = Math.max(wantedDb, wantedDb(wire));
        }
        double takenDb = wantedDb > 0 ? rise.take(frame, wantedDb) : 0;
        for (int wire = 0; wire < goals.length; wire++) {
            now[wire] = next(wire, takenDb);
        }
    }

    /** By how many dB a wire's gain shall rise from where it is. */
    private double wantedDb(int wire) {
        double from = Math.abs(now[wire]);
        double to = Math.abs(goals[wire]);
        boolean rises = to > from && now[wire] * goals[wire] >= 0;
        return rises && to > BEGINS_AT ? Switched.db(to / Math.max(BEGINS_AT, from)) : 0;
    }

    private double next(int wire, double takenDb) {
        double goal = goals[wire];
        double from = Math.abs(now[wire]);
        double to = Math.abs(goal);
        if (now[wire] * goal < 0 || to < from) {
            double least = now[wire] * goal < 0 ? 0 : to;
            if (heading[wire] != goal) {
                heading[wire] = goal;
                falls[wire] = (from - least) / stepsOfAFall;
            }
            return Math.copySign(Math.max(least, from - falls[wire]), now[wire]);
        }
        heading[wire] = Double.NaN;
        if (to <= BEGINS_AT) {
            return goal;
        }
        double wanted = wantedDb(wire);
        return wanted <= takenDb ? goal : Math.copySign(Math.max(BEGINS_AT, from) * Switched.factor(takenDb), goal);
    }

    @Override
    public boolean isThrough() {
        return through;
    }
}
