package vividlantern.bench;

import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import vividlantern.mix.LiveState;
import vividlantern.mix.MixPlan;
import vividlantern.mix.MixState;
import vividlantern.mix.Mixer;
import vividlantern.rig.Rig;
import vividlantern.units.Noise;

/** A block of 64 frames through the large mix, meters and guards on, the click sounding. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
public class MixerBenchmark {

    static final int FRAMES = 64;
    static final int RATE = 48_000;

    private final float[][] in = new float[LargeMix.TRACKS][FRAMES];
    private final float[][] out = new float[2 * (LargeMix.CUES + 1)][FRAMES];
    private Mixer mixer;
    private MixState state;
    private long frame;

    @Setup
    public void begin() {
        for (int channel = 0; channel < in.length; channel++) {
            for (int n = 0; n < FRAMES; n++) {
                in[channel][n] = (float) (Noise.uniform(channel, n) - 0.5) / 4;
            }
        }
        Rig rig = LargeMix.rig();
        mixer = new Mixer(RATE, FRAMES, 8);
        state = mixer.prepare(MixPlan.compile(LargeMix.session(rig), rig, LiveState.PLAYING));
        for (int block = 0; block < 2 * RATE / FRAMES; block++) {
            block();
        }
    }

    @Benchmark
    public float[][] block() {
        mixer.process(state, in, out, FRAMES, frame, frame, Long.MAX_VALUE);
        frame += FRAMES;
        return out;
    }
}
