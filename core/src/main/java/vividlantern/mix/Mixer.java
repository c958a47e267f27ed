package vividlantern.mix;

import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import vividlantern.click.Passage;
import vividlantern.kernel.Kernels;
import vividlantern.kernel.MixKernel;
import vividlantern.session.cue.CueId;

/**
 * Runs a plan block by block: the same code live, for files and in tests. Its results do not depend on the size of the
 * blocks, and {@link #process} allocates nothing, waits for nothing and writes no log.
 */
public final class Mixer {

    private final int meterFrames;
    private final Continuing continuing;

    private volatile CueOverride override = CueOverride.NOTHING;
    private CueOverride runningOverride = CueOverride.NOTHING;
    private MixState running;
    private volatile MixState lastPrepared;
    /** Held while goals are handed over, never while anything is laid out. */
    private final Object handingOver = new Object();

    /** @param maxFrames the longest block that will be processed */
    public Mixer(int sampleRate, int maxFrames) {
        this(sampleRate, maxFrames, Kernels.best());
    }

    Mixer(int sampleRate, int maxFrames, MixKernel kernel) {
        meterFrames = Math.round(sampleRate / 25f);
        continuing = new Continuing(kernel, sampleRate, maxFrames);
    }

    /**
     * Makes a plan ready to run after the one prepared last. Not on the audio thread; one thread at a time.
     *
     * @return the state prepared last, sent to where the plan wants it, if that is wired alike
     */
    public MixState prepare(MixPlan plan) {
        return prepare(plan, plan::live);
    }

    /** @param live what is so by the time the plan is ready: while it was made, speakers may have been dimmed past it */
    public MixState prepare(MixPlan plan, Supplier<LiveState> live) {
        MixState last = lastPrepared;
        boolean same = last != null && last.isFor(plan);
        MixState state = same ? last : new MixState(plan, continuing, Optional.ofNullable(last));
        synchronized (handingOver) {
            if (same) {
                state.headFor(plan);
            }
            LiveState now = live.get();
            if (!now.controlRoom().equals(plan.live().controlRoom())) {
                state.headAt(plan.pairs(now));
            }
            lastPrepared = state;
        }
        return state;
    }

    /**
     * Lets the control room stand otherwise from the next block on. From any thread; it waits for no plan.
     *
     * @return whether that was possible without one
     */
    public boolean controlRoom(Supplier<LiveState> live) {
        synchronized (handingOver) {
            return lastPrepared.headAt(lastPrepared.plan().pairs(live.get()));
        }
    }

    /**
     * Silences all that performers hear from the next block on, by the same fall as a fader, or lets it back by their slow
     * rise. From any thread; it needs no plan.
     */
    public synchronized void cutHeadphones(boolean cut) {
        tell(override.cut(cut));
    }

    /** The same for those who hear some cues, whatever is so for all. */
    public synchronized void cut(Set<CueId> cues) {
        tell(override.cut(numbered(cues)));
    }

    /**
     * Lets cues hear what is said to them from the next block on, and lowers their music meanwhile; or ends that. What is said
     * comes within 10 ms, from behind a guard of its own; the music comes back by its slow rise. From any thread; it needs no plan.
     *
     * @param dim the factor of their music, at most 1
     */
    public synchronized void talk(Talk to, double dim) {
        tell(override.talking(to.all(), numbered(to.cues()), to.isOn() ? dim : 1));
    }

    private boolean[] numbered(Set<CueId> cues) {
        boolean[] numbered =
                new boolean[cues.stream().mapToInt(continuing::numberOf).max().orElse(-1) + 1];
        cues.forEach(cue -> numbered[continuing.numberOf(cue)] = true);
        return numbered;
    }

    private void tell(CueOverride next) {
        if (!next.isSame(override)) {
            override = next;
        }
    }

    /**
     * Mixes one block.
     *
     * @param in what came in; samples that are not finite are set to zero in it
     * @param frame the block's first frame since the device began; meter windows follow it
     * @param songFrame the song's frame there
     * @param passage what of the song is played
     */
    public void process(
            MixState state, float[][] in, float[][] out, int frames, long frame, long songFrame, Passage passage) {
        CueOverride now = override;
        if (state != running && running != null) {
            state.takeOver(running, now);
        } else if (state != running || now != runningOverride || state.headsElsewhere()) {
            state.head(now);
        }
        running = state;
        runningOverride = now;
        state.connect(in, out);
        state.silenceUnused(out, frames);
        int at = 0;
        while (at < frames) {
            int untilWindow = (int) (meterFrames - (frame + at) % meterFrames);
            int span = Math.min(frames - at, untilWindow);
            state.run(at, span, frame + at, songFrame + at, passage);
            if (span == untilWindow) {
                state.endWindow(frame + at + span);
            }
            at += span;
        }
        state.endBlock(frames);
    }
}
