package vividlantern.mix;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.basics.Refused;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.rig.edit.PairEdit.UnpairPorts;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.units.Decibels;

/** Tones, noise and counted tones leave by the outputs that were chosen, and by no other, as loud as was said. */
public class TestSignalTest {

    private static final int RATE = MixRun.RATE;
    private static final Session SESSION = RandomSessions.blank()
            .plus(Cue.empty(new CueId("cue"), 1, "Cue").outTo(Optional.of(new PairId("phones-1"))));

    private static TestSignal signal(TestSignal.Kind kind, double db, String... outputs) {
        return new TestSignal(
                kind,
                1000,
                Decibels.of(db),
                Arrays.stream(outputs).map(PortId::new).toList());
    }

    private static LiveState playing(TestSignal signal) {
        ControlRoomState state = ControlRoomState.BEGINNING.playing(Optional.of(signal));
        state.require(SESSION, RandomSessions.RIG);
        return LiveState.STOPPED.in(state);
    }

    private static float[][] run(LiveState live, int frames, int block) {
        return MixRun.of(SESSION, live).constant(0, frames).run(block);
    }

    private static double rms(float[] samples, int from, int to) {
        double sum = 0;
        for (int n = from; n < to; n++) {
            sum += samples[n] * samples[n];
        }
        return Math.sqrt(sum / (to - from));
    }

    @Test
    public void aToneLeavesByTheChosenSideAloneAtItsLevel() {
        float[][] out = run(playing(signal(TestSignal.Kind.TONE, -20, "out-2")), 2 * RATE, 128);
        assertThat(MixRun.peak(out[1], RATE, 2 * RATE)).isCloseTo(0.1, within(1e-6));
        int upwards = 0;
        for (int n = RATE; n < 2 * RATE; n++) {
            upwards += out[1][n - 1] < 0 && out[1][n] >= 0 ? 1 : 0;
        }
        assertThat(upwards).as("periods in a second").isBetween(999, 1001);
        for (int other = 0; other < out.length; other++) {
            assertThat(other == 1 || MixRun.peak(out[other], 0, 2 * RATE) == 0).isTrue();
        }
    }

    /** Its mean power is that of the tone; each octave has as much of it as the next. */
    @Test
    public void noiseIsPinkAndAsLoudAsTheTone() {
        int frames = 20 * RATE;
        float[][] out = run(playing(signal(TestSignal.Kind.NOISE, -20, "out-1")), frames, 480);
        assertThat(MixRun.db(rms(out[0], RATE, frames))).isCloseTo(-23.01, within(0.5));
        double low = octave(out[0], 200, frames);
        double middle = octave(out[0], 1600, frames);
        double high = octave(out[0], 6400, frames);
        assertThat(low - middle).isCloseTo(0, within(1.5));
        assertThat(high - middle).isCloseTo(0, within(1.5));
    }

    /** The mean power around a frequency, in a band that widens with it, in dB: by many single frequencies (Goertzel). */
    private static double octave(float[] samples, double hertz, int frames) {
        int block = RATE / 2;
        double power = 0;
        for (int at = RATE; at + block <= frames; at += block) {
            for (int step = -20; step <= 20; step++) {
                power += goertzel(samples, at, block, hertz * Math.pow(2, step / 40.0)) * hertz;
            }
        }
        return 10 * Math.log10(power);
    }

    private static double goertzel(float[] samples, int from, int count, double hertz) {
        double turn = 2 * Math.cos(2 * Math.PI * hertz / RATE);
        double last = 0;
        double before = 0;
        for (int n = 0; n < count; n++) {
            double window = 1 - Math.cos(2 * Math.PI * n / count);
            double now = samples[from + n] * window + turn * last - before;
            before = last;
            last = now;
        }
        return last * last + before * before - turn * last * before;
    }

    @Test
    public void countedTonesAreAsManyAsTheOutputsNumber() {
        TestSignal counted = signal(TestSignal.Kind.COUNTED, -20, "out-7", "out-8");
        float[][] out = run(playing(counted), 16 * RATE, 128);
        assertThat(tonesBeforeAPause(out[6])).isEqualTo(7);
        assertThat(tonesBeforeAPause(out[7])).isEqualTo(8);
    }

    /** One tone of 500 Hz by the left takes 0.3 s with its gap; after a second two of 1 kHz come by the right; never both at once. */
    @Test
    public void theLeftOfAPairHasLowTonesAndThenTheRightHighOnes() {
        float[][] out = run(playing(signal(TestSignal.Kind.COUNTED, -20, "out-1", "out-2")), 5 * RATE, 128);
        int cycle = (int) (RATE * (0.3 * (1 + 2) + 2));
        assertThat(upwards(out[0], cycle, RATE * 15 / 100)).isEqualTo(75);
        assertThat(upwards(out[1], cycle + RATE * 13 / 10, RATE * 15 / 100)).isEqualTo(150);
        for (int n = 0; n < out[0].length; n++) {
            assertThat(out[0][n] == 0 || out[1][n] == 0).isTrue();
        }
    }

    /** How often samples go from below zero to above, or from silence. */
    private static int upwards(float[] samples, int from, int count) {
        int found = 0;
        for (int n = from; n < from + count; n++) {
            found += samples[n] > 0 && samples[n - 1] <= 0 ? 1 : 0;
        }
        return found;
    }

    /** How many tones stand between the first two pauses of more than half a second. */
    private static int tonesBeforeAPause(float[] samples) {
        int quiet = 0;
        int tones = 0;
        boolean counting = false;
        for (int n = 2 * RATE; n < samples.length; n++) {
            boolean sounds = samples[n] != 0;
            if (sounds && quiet > RATE / 10) {
                if (quiet > RATE / 2 && counting) {
                    return tones;
                }
                counting = counting || quiet > RATE / 2;
                tones = counting ? tones + 1 : 0;
            }
            quiet = sounds ? 0 : quiet + 1;
        }
        return -1;
    }

    @Test
    public void itDoesNotDependOnTheSizeOfBlocks() {
        for (TestSignal.Kind kind : TestSignal.Kind.values()) {
            LiveState live = playing(signal(kind, -20, "out-1", "out-2"));
            assertThat(run(live, 30_000, 64)[1]).isEqualTo(run(live, 30_000, 480)[1]);
        }
    }

    /** Into headphones it rises by 60 dB a second from -60 dB on, and the guard holds it as it holds a cue. */
    @Test
    public void headphonesGetItSlowlyAndCutHeadphonesKeepItAway() {
        LiveState live = playing(signal(TestSignal.Kind.TONE, -20, "out-3"));
        float[][] out = run(live, 2 * RATE, 128);
        assertThat(MixRun.db(MixRun.peak(out[2], RATE / 2 - 500, RATE / 2))).isLessThan(-29);
        assertThat(MixRun.peak(out[2], RATE, 2 * RATE)).isCloseTo(0.1, within(1e-3));
        assertThat(MixRun.peak(run(live.cut(true), RATE, 128)[2], 0, RATE)).isZero();
        float[][] uncued = run(playing(signal(TestSignal.Kind.TONE, -12, "out-5")), 2 * RATE, 128);
        assertThat(MixRun.db(MixRun.peak(uncued[4], RATE / 2 - 500, RATE / 2))).isLessThan(-29);
    }

    /** What a cue holds, 0.1 less 3 dB a side, is away while a signal leaves by its pair, and comes back slowly; other cues go on. */
    @Test
    public void performersHearNothingElseMeanwhile() {
        TrackId track = new TrackId("fiddle");
        Session session = RandomSessions.blank()
                .plus(Input.of(new InputId("fiddle"), 1, "Fiddle").patchedTo(List.of(new PortId("in-1"))))
                .plus(Track.forInputs(track, 3, "Fiddle", 1, List.of(Feed.from(new InputId("fiddle"), 0)))
                        .armed(true));
        for (int number = 1; number <= 2; number++) {
            session = session.plus(Cue.empty(new CueId("cue-" + number), number, "Cue " + number)
                    .outTo(Optional.of(new PairId("phones-" + number)))
                    .withSend(track, send -> send.at(Decibels.ZERO)));
        }
        float[][] inputs = new float[RandomSessions.INPUTS][4 * RATE];
        Arrays.fill(inputs[0], 0.1f);
        LiveState after = LiveState.STOPPED.in(ControlRoomState.BEGINNING);
        LiveState live = playing(signal(TestSignal.Kind.COUNTED, -90, "out-3"));
        float[][] out = MixRun.of(session, live)
                .then(2 * RATE, MixPlan.compile(session, RandomSessions.RIG, after))
                .inputs(inputs)
                .run(128);
        assertThat(MixRun.db(MixRun.peak(out[2], RATE, 2 * RATE))).isLessThan(-89);
        assertThat(MixRun.peak(out[3], RATE, 2 * RATE)).as("the other side").isZero();
        assertThat((double) out[4][2 * RATE]).as("another cue").isCloseTo(0.0707, within(1e-4));
        assertThat(MixRun.db(out[2][2 * RATE + RATE / 2]))
                .as("half a second later")
                .isLessThan(-50);
        assertThat((double) out[2][4 * RATE - 1]).isCloseTo(0.0707, within(1e-4));
    }

    @Test
    public void itFadesWhenItEndsAndWhenItBecomesAnother() {
        MixPlan other =
                MixPlan.compile(SESSION, RandomSessions.RIG, playing(signal(TestSignal.Kind.NOISE, -40, "out-1")));
        MixPlan none = MixPlan.compile(SESSION, RandomSessions.RIG, LiveState.STOPPED.in(ControlRoomState.BEGINNING));
        float[][] out = MixRun.of(SESSION, playing(signal(TestSignal.Kind.TONE, -20, "out-1")))
                .then(RATE / 2, other)
                .then(RATE, none)
                .constant(0, 2 * RATE)
                .run(128);
        double steepest = 2 * Math.PI * 1000 / RATE * 0.1;
        for (int n = 1; n < 2 * RATE; n++) {
            assertThat((double) Math.abs(out[0][n] - out[0][n - 1])).isLessThan(1.6 * steepest);
        }
        assertThat(MixRun.peak(out[0], RATE + 600, 2 * RATE)).isZero();
    }

    @Test
    public void whatCouldHurtOrLeadsNowhereIsRefused() {
        refused(signal(TestSignal.Kind.TONE, -11.9, "out-1"), "louder could hurt somebody");
        refused(signal(TestSignal.Kind.TONE, -20), "Choose the outputs");
        refused(signal(TestSignal.Kind.TONE, -20, "in-1"), "no output 'in-1'");
        refused(
                new TestSignal(TestSignal.Kind.TONE, 10, Decibels.of(-20), List.of(new PortId("out-1"))),
                "20 to 20 000 Hz");
        assertThatThrownBy(() -> ControlRoomState.BEGINNING
                        .playing(Optional.of(signal(TestSignal.Kind.TONE, -20, "out-9")))
                        .require(SESSION, new UnpairPorts(new PairId("phones-4")).applyTo(RandomSessions.RIG)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("belongs to no output pair");
    }

    private static void refused(TestSignal signal, String why) {
        assertThatThrownBy(() -> playing(signal)).isInstanceOf(Refused.class).hasMessageContaining(why);
    }
}
