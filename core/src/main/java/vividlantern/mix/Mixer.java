package vividlantern.mix;

import java.util.Arrays;
import java.util.Optional;
import vividlantern.click.ClickVoice;

/**
 * Runs a plan block by block: the same code live, for files and in tests. Its results do not depend on the size of the
 * blocks, and {@link #process} allocates nothing, waits for nothing and writes no log.
 *
 * <p>The mix is a matrix of gains from sources to outputs. Gains that stand still are worked off four sources at a time,
 * which saves most of the traffic on the output array and of the loops' own cost; each sample is still summed in the
 * order of the edges, so grouping changes no bit. The plain loops over float arrays are what the compiler turns into
 * vector instructions.
 */
public final class Mixer {

    private final int meterFrames;
    private final float[][] clickSamples;
    /** All that can be heard: the inputs of this block, then the click's voices. */
    private float[][] sources = new float[0][];

    private MixState running;
    private MixState lastPrepared;

    /**
     * @param maxFrames the longest block that will be processed
     * @param maxVoices the most voices a click may have
     */
    public Mixer(int sampleRate, int maxFrames, int maxVoices) {
        meterFrames = Math.round(sampleRate / 25f);
        clickSamples = new float[maxVoices][maxFrames];
    }

    /** Makes a plan ready to run after the one prepared last. Not on the audio thread; one thread at a time. */
    public MixState prepare(MixPlan plan) {
        lastPrepared = new MixState(plan, Optional.ofNullable(lastPrepared));
        return lastPrepared;
    }

    /**
     * Mixes one block.
     *
     * @param frame the block's first frame since the device began; meter windows follow it
     * @param songFrame the song's frame there, for the click
     * @param lastSongFrame no click begins at or after it; {@link Long#MIN_VALUE} while the song stands
     */
    public void process(
            MixState state, float[][] in, float[][] out, int frames, long frame, long songFrame, long lastSongFrame) {
        if (state != running) {
            if (running == null) {
                state.begin();
            } else {
                state.adopt(running);
            }
            running = state;
            sources = state.sources;
        }
        System.arraycopy(in, 0, sources, 0, state.plan.inputs());
        System.arraycopy(
                clickSamples,
                0,
                sources,
                state.plan.inputs(),
                state.plan.clicks().size());
        for (float[] channel : out) {
            Arrays.fill(channel, 0, frames, 0);
        }
        int at = 0;
        while (at < frames) {
            int untilWindow = (int) (meterFrames - (frame + at) % meterFrames);
            int span = Math.min(frames - at, untilWindow);
            mix(out, at, span, songFrame + at, lastSongFrame);
            if (span == untilWindow) {
                state.meters.endWindow(frame + at + span);
            }
            at += span;
        }
    }

    private void mix(float[][] out, int offset, int frames, long songFrame, long lastSongFrame) {
        MixState state = running;
        int inputs = state.plan.inputs();
        int voices = state.plan.clicks().size();
        for (int voice = 0; voice < voices; voice++) {
            ClickVoice click = state.plan.clicks().get(voice);
            click.fill(songFrame, clickSamples[voice], offset, frames, lastSongFrame);
            state.meters.source(inputs + voice, clickSamples[voice], offset, frames);
        }
        for (int input = 0; input < inputs; input++) {
            state.meters.source(input, sources[input], offset, frames);
        }
        for (int bus = 0; bus < state.busPair.length; bus++) {
            MixPlan.Pair pair = state.pairs.get(state.busPair[bus]);
            sum(out[pair.leftOutput()], 2 * bus, offset, frames);
            sum(out[pair.rightOutput()], 2 * bus + 1, offset, frames);
        }
        for (int at = 0; at < state.pairs.size(); at++) {
            MixPlan.Pair pair = state.pairs.get(at);
            float[] left = out[pair.leftOutput()];
            float[] right = out[pair.rightOutput()];
            CeilingGuard guard = state.guards[at];
            if (guard != null) {
                guard.process(left, right, offset, frames);
            }
            state.meters.pair(at, left, right, offset, frames, guard == null ? 1 : guard.takeLeastGain());
        }
    }

    /** Adds the edges of one side of a bus to an output, in their order. */
    private void sum(float[] out, int side, int offset, int frames) {
        MixState state = running;
        int edge = state.sideStart[side];
        int end = state.sideStart[side + 1];
        if (state.moving[side] == 0) {
            for (; edge + 4 <= end; edge += 4) {
                add4(state, edge, out, offset, frames);
            }
        }
        for (; edge < end; edge++) {
            float[] samples = sources[state.source[edge]];
            if (!state.isStill(edge)) {
                addMoving(state, edge, samples, out, offset, frames);
            } else if (state.settled[edge] != 0) {
                add(samples, state.settled[edge], out, offset, frames);
            }
        }
    }

    private static void add(float[] a, float gain, float[] out, int offset, int frames) {
        for (int n = offset; n < offset + frames; n++) {
            out[n] += gain * a[n];
        }
    }

    private void add4(MixState state, int edge, float[] out, int offset, int frames) {
        int[] source = state.source;
        float[] gain = state.settled;
        add4(
                sources[source[edge]],
                sources[source[edge + 1]],
                sources[source[edge + 2]],
                sources[source[edge + 3]],
                gain[edge],
                gain[edge + 1],
                gain[edge + 2],
                gain[edge + 3],
                out,
                offset,
                offset + frames);
    }

    /** Four at a time: with more the loop's body grows beyond what the compiler unrolls, and so beyond vectors. */
    private static void add4(
            float[] a,
            float[] b,
            float[] c,
            float[] d,
            float ga,
            float gb,
            float gc,
            float gd,
            float[] out,
            int begin,
            int end) {
        for (int n = begin; n < end; n++) {
            out[n] = out[n] + ga * a[n] + gb * b[n] + gc * c[n] + gd * d[n];
        }
    }

    private static void addMoving(MixState state, int edge, float[] a, float[] out, int offset, int frames) {
        int n = offset;
        int end = offset + frames;
        while (n < end && !state.isStill(edge)) {
            out[n] += (float) state.advance(edge) * a[n];
            n++;
        }
        if (n < end && state.settled[edge] != 0) {
            add(a, state.settled[edge], out, n, end - n);
        }
    }
}
