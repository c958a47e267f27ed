package vividlantern.engine;

import java.util.Arrays;
import java.util.concurrent.locks.LockSupport;
import vividlantern.click.Passage;
import vividlantern.mix.LiveState;
import vividlantern.mix.MixPlan;
import vividlantern.mix.MixState;
import vividlantern.mix.Mixer;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.units.Noise;

/**
 * How long the mixer takes for a session, tried out beside the engine: so much a block, and so much a frame.
 *
 * @param nanosABlock what every block costs, however short
 */
public record LoadTrial(double nanosABlock, double nanosAFrame) {

    private static final int SHORT = 32;
    private static final int LONG = 512;
    private static final int BLOCKS = 240;
    /** It works so long at a time, and rests in between: the engine that runs, and who serves pages, need the cores too. */
    private static final long AT_A_TIME_NANOS = 2_000_000;

    private static final long REST_NANOS = 4_000_000;

    /** Until every gain has arrived: from off to the top of a fader at 60 dB a second, and some more. */
    private static final double ARRIVING_SECONDS = 1.5;
    /** Everybody plays, as a factor of full scale: guards at rest would cost less. */
    private static final float SOUND = 0.1f;

    public static LoadTrial of(Session session, Rig rig) {
        double shorter = median(session, rig, SHORT);
        double longer = median(session, rig, LONG);
        double aFrame = Math.max(0, (longer - shorter) / (LONG - SHORT));
        return new LoadTrial(Math.max(0, shorter - SHORT * aFrame), aFrame);
    }

    /** The share of its time that a block takes. */
    public double share(int bufferFrames, int sampleRate) {
        return (nanosABlock + nanosAFrame * bufferFrames) * 1e-9 * sampleRate / bufferFrames;
    }

    private static double median(Session session, Rig rig, int frames) {
        Mixer mixer = new Mixer(session.sampleRate(), frames);
        MixState state = mixer.prepare(MixPlan.compile(session, rig, LiveState.PLAYING));
        float[][] in = new float[rig.engineInputs().size()][frames];
        float[][] out = new float[rig.engineOutputs().size()][frames];
        for (int channel = 0; channel < in.length; channel++) {
            Noise.addTriangular(in[channel], frames, SOUND, channel, 0);
        }
        long[] nanos = new long[BLOCKS];
        long worked = 0;
        int arriving = (int) Math.ceil(ARRIVING_SECONDS * session.sampleRate() / frames);
        for (int block = 0; block < arriving + BLOCKS; block++) {
            long frame = (long) block * frames;
            long begun = System.nanoTime();
            mixer.process(state, in, out, frames, frame, frame, Passage.ENDLESS);
            long took = System.nanoTime() - begun;
            nanos[block % BLOCKS] = took;
            worked += took;
            if (worked >= AT_A_TIME_NANOS) {
                worked = 0;
                LockSupport.parkNanos(REST_NANOS);
            }
        }
        Arrays.sort(nanos);
        return nanos[BLOCKS / 2];
    }
}
