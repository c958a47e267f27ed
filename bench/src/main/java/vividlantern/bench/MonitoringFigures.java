package vividlantern.bench;

import java.util.Arrays;
import java.util.List;
import java.util.Random;
import vividlantern.click.Passage;
import vividlantern.engine.LoadTrial;
import vividlantern.engine.ProbeResponse;
import vividlantern.hardware.FreeRunning;
import vividlantern.hardware.RunningAlong;
import vividlantern.mix.LiveState;
import vividlantern.mix.MixPlan;
import vividlantern.mix.MixState;
import vividlantern.mix.Mixer;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.Settings;
import vividlantern.sim.LowWater;
import vividlantern.sim.Saltworks;
import vividlantern.timing.Loopback;
import vividlantern.timing.Sweep;
import vividlantern.timing.Timing;

/** How much of their time blocks take at small buffers, and what finding delays costs. */
final class MonitoringFigures {

    private static final int RATE = 48_000;
    private static final int MINUTES = 10;

    private MonitoringFigures() {}

    static void print() {
        Rig saltworks = Saltworks.rig();
        Session demo = LowWater.session(new SessionId("low-water"), saltworks);
        Rig large = LargeMix.rig(128, 32);
        Session big = LargeMix.session(large, 128, 32);
        for (int buffer : new int[] {32, 64, 128}) {
            engine("the demo", demo, saltworks, buffer);
            engine("128 inputs, 32 cues", big, large, buffer);
        }
        LoadTrial trial = LoadTrial.of(big, large);
        long begun = System.nanoTime();
        LoadTrial again = LoadTrial.of(big, large);
        Figures.say(
                "Trying out the load of 128 inputs and 32 cues: %.0f ms; it says %.0f %% at 32 frames, %.0f %% at 128",
                (System.nanoTime() - begun) / 1e6, 100 * again.share(32, RATE), 100 * trial.share(128, RATE));
        timing("the demo", demo, saltworks);
        timing("128 inputs, 32 cues", big, large);
        loopback();
        resampler();
    }

    /** Ten minutes of blocks one after the other: what each took of the time it would have had. */
    private static void engine(String what, Session session, Rig rig, int buffer) {
        Settings was = session.settings();
        Session at = session.with(
                new Settings(was.name(), was.song(), RATE, was.bitDepth(), buffer, was.rigId(), was.main()));
        Mixer mixer = new Mixer(RATE, buffer);
        MixState state = mixer.prepare(MixPlan.compile(at, rig, LiveState.PLAYING));
        float[][] in = new float[rig.engineInputs().size()][buffer];
        float[][] out = new float[rig.engineOutputs().size()][buffer];
        Random random = new Random(1);
        for (float[] channel : in) {
            for (int n = 0; n < buffer; n++) {
                channel[n] = (float) (0.1 * random.nextGaussian());
            }
        }
        int blocks = MINUTES * 60 * RATE / buffer;
        double deadline = 1e9 * buffer / RATE;
        double[] shares = new double[blocks];
        int missed = 0;
        for (int block = -2000; block < blocks; block++) {
            long frame = (long) (block + 2000) * buffer;
            long begun = System.nanoTime();
            mixer.process(state, in, out, buffer, frame, frame, Passage.ENDLESS);
            double share = (System.nanoTime() - begun) / deadline;
            if (block >= 0) {
                shares[block] = share;
                missed += share > 1 ? 1 : 0;
            }
        }
        Arrays.sort(shares);
        Figures.say(
                "The engine with %s at a buffer of %d, %d minutes of blocks: median %.1f %% of their time, p99.9 %.1f %%, the worst %.0f %%, %d of %d over it",
                what,
                buffer,
                MINUTES,
                100 * shares[blocks / 2],
                100 * shares[(int) (0.999 * blocks)],
                100 * shares[blocks - 1],
                missed,
                blocks);
    }

    private static void timing(String what, Session session, Rig rig) {
        double[] millis = new double[50];
        for (int time = 0; time < millis.length; time++) {
            long begun = System.nanoTime();
            new Timing(session, rig, LiveState.STOPPED, 41.3).performers();
            millis[time] = (System.nanoTime() - begun) / 1e6;
        }
        Figures.say("How late everybody hears themselves, %s: median %.2f ms", what, Figures.quantile(millis, 0.5));
    }

    private static void loopback() {
        float[] sent = Sweep.all(RATE);
        float[] received = new float[sent.length];
        System.arraycopy(sent, 0, received, 407, sent.length - 407);
        float[][] first = new float[34][Sweep.spacing(RATE)];
        System.arraycopy(received, 0, first[0], 0, first[0].length);
        ProbeResponse response = new ProbeResponse(received, first);
        double[] millis = new double[20];
        for (int time = 0; time < millis.length; time++) {
            long begun = System.nanoTime();
            Loopback.of(response, RATE);
            millis[time] = (System.nanoTime() - begun) / 1e6;
        }
        Figures.say("Finding a delay in three sweeps: median %.0f ms", Figures.quantile(millis, 0.5));
    }

    private static void resampler() {
        int buffer = 128;
        FreeRunning other = new FreeRunning() {
            @Override
            public int channels() {
                return 2;
            }

            @Override
            public double capturedBy(long leadingFrame) {
                return leadingFrame * (1 + 11e-6);
            }

            @Override
            public void copy(long from, float[][] to, int offset, int frames) {
                for (float[] channel : to) {
                    for (int n = 0; n < frames; n++) {
                        channel[offset + n] = (from + n) % 100 / 100f;
                    }
                }
            }
        };
        RunningAlong along = new RunningAlong((in, out, frames, frame) -> true, List.of(other), RATE, buffer);
        double[] micros = new double[20_000];
        for (int block = -5000; block < micros.length; block++) {
            long begun = System.nanoTime();
            along.process(new float[0][], new float[0][], buffer, (long) (block + 5000) * buffer);
            if (block >= 0) {
                micros[block] = (System.nanoTime() - begun) / 1e3;
            }
        }
        double median = Figures.quantile(micros, 0.5);
        Figures.say(
                "Two inputs on a clock of their own, resampled: median %.0f µs of a block of 128, %.1f %% of its time",
                median, 100 * median / (1e6 * buffer / RATE));
    }
}
