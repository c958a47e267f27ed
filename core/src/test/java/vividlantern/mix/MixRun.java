package vividlantern.mix;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import vividlantern.RandomSessions;
import vividlantern.click.Passage;
import vividlantern.kernel.Kernels;
import vividlantern.kernel.MixKernel;
import vividlantern.playback.MediaShelf;
import vividlantern.session.Session;
import vividlantern.session.cue.CueId;
import vividlantern.units.Noise;

/** Runs a mixer over given inputs, with plans that come in at given frames; keeps all that leaves. */
final class MixRun {

    static final int RATE = 48_000;

    private final SortedMap<Long, MixPlan> plans = new TreeMap<>();
    private final Map<Long, Boolean> cuts = new HashMap<>();
    private final SortedMap<Long, Talk> talks = new TreeMap<>(Map.of(0L, Talk.TO_NOBODY));
    private double talkDimDb;
    private final SortedMap<Long, Set<CueId>> cutCues = new TreeMap<>(Map.of(0L, Set.of()));
    private float[][] inputs;
    private MediaShelf media = MediaShelf.EMPTY;
    private long songFrame;
    private Passage passage = Passage.nothing(Long.MIN_VALUE);
    private MixKernel kernel = Kernels.best();

    private MixRun() {}

    static MixRun of(Session session) {
        return of(session, LiveState.STOPPED);
    }

    static MixRun of(Session session, LiveState live) {
        return new MixRun().with(0, session, live);
    }

    /** From a frame on, another state of the session. */
    MixRun then(long frame, Session session) {
        return with(frame, session, LiveState.STOPPED);
    }

    static MixRun of(MixPlan plan) {
        return new MixRun().then(0, plan);
    }

    MixRun with(long frame, Session session, LiveState live) {
        cuts.put(frame, live.headphonesCut());
        return then(frame, MixPlan.compile(session, RandomSessions.RIG, live, media));
    }

    /** With the sounds of a shelf. */
    static MixRun of(Session session, LiveState live, MediaShelf media) {
        MixRun run = new MixRun();
        run.media = media;
        return run.with(0, session, live);
    }

    /** From a frame on, what follows from the plan that came last. */
    MixRun goingOn(long frame, Session session, LiveState live) {
        cuts.put(frame, live.headphonesCut());
        return then(frame, plans.get(plans.lastKey()).then(session, RandomSessions.RIG, live));
    }

    /** From a frame on, another plan. */
    MixRun then(long frame, MixPlan plan) {
        plans.put(frame, plan);
        return this;
    }

    /** From a frame on, somebody is talked to, and their music is lowered by so much. */
    MixRun talking(long frame, Talk to, double dimDb) {
        talks.put(frame, to);
        talkDimDb = dimDb;
        return this;
    }

    /** From a frame on, the headphones of some cues are cut by themselves. */
    MixRun cutting(long frame, Set<CueId> cues) {
        cutCues.put(frame, cues);
        return this;
    }

    /** Whether headphones are cut from the beginning. */
    MixRun cut(boolean headphones) {
        cuts.put(0L, headphones);
        return this;
    }

    /** The same value on every input, all the time. */
    MixRun constant(double value, int frames) {
        inputs = new float[RandomSessions.INPUTS][frames];
        for (float[] input : inputs) {
            java.util.Arrays.fill(input, (float) value);
        }
        return this;
    }

    /** A single sample every so many frames on every input. */
    MixRun pulses(int apart, double value, int frames) {
        constant(0, frames);
        for (float[] input : inputs) {
            for (int n = 0; n < frames; n += apart) {
                input[n] = (float) value;
            }
        }
        return this;
    }

    /** Noise of another seed on each input, peaking at 0.5. */
    MixRun noise(int frames) {
        inputs = new float[RandomSessions.INPUTS][frames];
        for (int input = 0; input < inputs.length; input++) {
            for (int n = 0; n < frames; n++) {
                inputs[input][n] = (float) (Noise.uniform(input, n) - 0.5);
            }
        }
        return this;
    }

    MixRun inputs(float[][] samples) {
        inputs = samples;
        return this;
    }

    /** With other inner loops than those that the program would choose. */
    MixRun by(MixKernel loops) {
        kernel = loops;
        return this;
    }

    /** The song moves from here on; else it stands and no click sounds. */
    MixRun playingFrom(long frame) {
        return playing(frame, Passage.ENDLESS);
    }

    /** The song moves from a frame on, and so much of it is played. */
    MixRun playing(long frame, Passage played) {
        songFrame = frame;
        passage = played;
        return this;
    }

    /** What leaves each output: 0 and 1 the speakers, 2 and 3 the first cue, and so on. */
    float[][] run(int blockFrames) {
        int frames = inputs[0].length;
        float[][] all = new float[2 + 2 * RandomSessions.CUES][frames];
        float[][] in = new float[inputs.length][blockFrames];
        float[][] out = new float[all.length][blockFrames];
        Mixer mixer = new Mixer(RATE, blockFrames, kernel);
        MixState state = null;
        MixPlan current = null;
        int at = 0;
        while (at < frames) {
            MixPlan next = plans.get((long) at);
            current = next == null ? current : next;
            state = next == null ? state : mixer.prepare(next);
            mixer.cutHeadphones(cuts.getOrDefault(lastPlanAt(at), false));
            mixer.cut(cutCues.get(cutCues.headMap(at + 1L).lastKey()));
            mixer.talk(talks.get(talks.headMap(at + 1L).lastKey()), Math.pow(10, -talkDimDb / 20));
            int block = Math.min(blockFrames, untilChange(at, frames));
            long here = songFrame + at;
            current.reels().forEach(reel -> reel.readAhead(here));
            for (int input = 0; input < in.length; input++) {
                System.arraycopy(inputs[input], at, in[input], 0, block);
            }
            mixer.process(state, in, out, block, at, songFrame + at, passage);
            for (int output = 0; output < all.length; output++) {
                System.arraycopy(out[output], 0, all[output], at, block);
            }
            at += block;
        }
        return all;
    }

    private long lastPlanAt(long at) {
        return plans.headMap(at + 1).lastKey();
    }

    private int untilChange(int at, int frames) {
        long next = frames;
        for (SortedMap<Long, ?> changes :
                List.of(plans.tailMap(at + 1L), talks.tailMap(at + 1L), cutCues.tailMap(at + 1L))) {
            next = changes.isEmpty() ? next : Math.min(next, changes.firstKey());
        }
        return (int) next - at;
    }

    static double peak(float[] samples, int from, int to) {
        double peak = 0;
        for (int n = from; n < to; n++) {
            peak = Math.max(peak, Math.abs(samples[n]));
        }
        return peak;
    }

    static double db(double gain) {
        return 20 * Math.log10(gain);
    }
}
