package vividlantern.mix;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.click.Passage;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.rig.StereoPair;
import vividlantern.session.Feed;
import vividlantern.session.Hear;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Tap;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** A track that is shifted is heard later by so many frames, by everybody, in blocks of any size; its input's tap is not. */
public final class ShiftTest {

    private static final int RATE = 48_000;
    private static final TrackId TRACK = new TrackId("mic");
    private static final StereoPair PAIR = RandomSessions.RIG.outputPairs().stream()
            .filter(pair -> pair.feeds().isForCues())
            .findFirst()
            .orElseThrow();
    private static final int GUARD = 60;

    private static Session session(int shift, Tap tap) {
        return RandomSessions.blank()
                .plus(Track.forInputs(TRACK, 3, "Mic", 1, List.of(Feed.from(new PortId("in-2"))))
                        .heard(Hear.ALWAYS)
                        .shifted(shift))
                .plus(Cue.empty(new CueId("c"), 1, "C")
                        .outTo(Optional.of(PAIR.id()))
                        .guarded(false)
                        .withSend(
                                TRACK,
                                send -> send.at(Decibels.ZERO)
                                        .panned(Pan.of(-1))
                                        .from(tap)));
    }

    /** What leaves at the cue's left output and at the main left output. */
    private static float[][] run(Session session, float[] source, int block) {
        Mixer mixer = new Mixer(RATE, block);
        MixState state = mixer.prepare(MixPlan.compile(session, RandomSessions.RIG, LiveState.STOPPED));
        int cue = RandomSessions.RIG.engineOutput(PAIR.left()).orElseThrow();
        int main = RandomSessions.RIG
                .outputPair(new PairId("main"))
                .flatMap(pair -> RandomSessions.RIG.engineOutput(pair.left()))
                .orElseThrow();
        float[][] kept = new float[2][source.length];
        float[][] in = new float[RandomSessions.RIG.engineInputs().size()][block];
        float[][] out = new float[RandomSessions.RIG.engineOutputs().size()][block];
        for (int at = 0; at + block <= source.length; at += block) {
            System.arraycopy(source, at, in[1], 0, block);
            mixer.process(state, in, out, block, at, 0, Passage.nothing(0));
            System.arraycopy(out[cue], 0, kept[0], at, block);
            System.arraycopy(out[main], 0, kept[1], at, block);
        }
        return kept;
    }

    private static float[] noise() {
        Random random = new Random(9);
        float[] noise = new float[4 * RATE];
        for (int n = 0; n < noise.length; n++) {
            noise[n] = (float) (0.05 * random.nextGaussian());
        }
        return noise;
    }

    @DataProvider
    public Object[][] blocks() {
        return new Object[][] {{32}, {64}, {480}};
    }

    @Test(dataProvider = "blocks")
    public void allWhoListenHearItLater(int block) {
        float[] source = noise();
        float[][] heard = run(session(33, Tap.PRE_FADER), source, block);
        for (int n = 2 * RATE; n < 3 * RATE; n++) {
            assertThat(heard[0][n]).isCloseTo(source[n - 33 - GUARD], within(1e-7f));
            assertThat(heard[1][n]).isCloseTo(source[n - 33] * (float) Math.sqrt(0.5), within(1e-7f));
        }
    }

    @Test
    public void theInputsTapIsNotShifted() {
        float[] source = noise();
        float[] heard = run(session(33, Tap.INPUT), source, 64)[0];
        for (int n = 2 * RATE; n < 3 * RATE; n++) {
            assertThat(heard[n]).isCloseTo(source[n - GUARD], within(1e-7f));
        }
    }

    @Test
    public void theSizeOfBlocksChangesNothing() {
        float[] source = noise();
        float[][] small = run(session(1000, Tap.POST_FADER), source, 32);
        float[][] large = run(session(1000, Tap.POST_FADER), source, 480);
        assertThat(small).isDeepEqualTo(large);
    }

    /** From one shift to another it goes without a step. */
    @Test
    public void anotherShiftIsCrossFaded() {
        Mixer mixer = new Mixer(RATE, 64);
        MixPlan plan = MixPlan.compile(session(100, Tap.PRE_FADER), RandomSessions.RIG, LiveState.STOPPED);
        MixState state = mixer.prepare(plan);
        int main = RandomSessions.RIG
                .outputPair(new PairId("main"))
                .flatMap(pair -> RandomSessions.RIG.engineOutput(pair.left()))
                .orElseThrow();
        float[][] in = new float[RandomSessions.RIG.engineInputs().size()][64];
        float[][] out = new float[RandomSessions.RIG.engineOutputs().size()][64];
        float last = 0;
        float step = 0;
        float peak = 0;
        for (int at = 0; at < 2 * RATE; at += 64) {
            if (at == 64 * 1000) {
                state = mixer.prepare(plan.then(session(700, Tap.PRE_FADER), RandomSessions.RIG, LiveState.STOPPED));
            }
            for (int n = 0; n < 64; n++) {
                in[1][n] = (float) (0.5 * Math.sin(2 * Math.PI * 100 * (at + n) / RATE));
            }
            mixer.process(state, in, out, 64, at, 0, Passage.nothing(0));
            for (float sample : out[main]) {
                step = Math.max(step, Math.abs(sample - last));
                peak = Math.max(peak, Math.abs(sample));
                last = sample;
            }
        }
        double steepest = 2 * Math.PI * 100 / RATE * 0.5 * Math.sqrt(0.5);
        assertThat(peak).isCloseTo((float) (0.5 * Math.sqrt(0.5)), within(1e-3f));
        assertThat(step).isLessThan((float) (3 * steepest));
    }
}
