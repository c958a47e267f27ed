package vividlantern.mix;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static vividlantern.RandomSessions.RIG;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.hardware.DirectGain;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.session.ControlRoom.TalkbackMic;
import vividlantern.session.DirectLevel;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Comfort;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** A cue that leaves by several pairs is the same at each of them. */
public class SeveralPairsTest {

    private static final int RATE = MixRun.RATE;
    private static final int FRAMES = 7 * RATE;
    private static final CueId ANNA = new CueId("anna");
    private static final TrackId FIDDLE = new TrackId("fiddle");
    private static final PairId SECOND = new PairId("phones-2");

    private static final Session BY_ONE = RandomSessions.blank()
            .plus(Input.of(new InputId("fiddle"), 1, "Fiddle").patchedTo(List.of(new PortId("in-1"))))
            .plus(Track.forInputs(FIDDLE, 3, "Fiddle", 1, List.of(Feed.from(new InputId("fiddle"), 0)))
                    .armed(true))
            .plus(Cue.empty(ANNA, 1, "Anna")
                    .outTo(Optional.of(new PairId("phones-1")))
                    .comforted(new Comfort(true, Comfort.Room.SMALL, Decibels.ZERO))
                    .withSend(FIDDLE, send -> send.at(Decibels.of(6)).comforted(Decibels.ZERO)))
            .withControlRoom(Optional.of(RandomSessions.blank()
                    .inControlRoom()
                    .talkingBy(Optional.of(new TalkbackMic(new PortId("in-9"), Decibels.ZERO, 12)))));
    private static final Session BY_TWO = BY_ONE.change(ANNA, cue -> cue.alsoOutTo(List.of(SECOND)));

    private static MixRun run(Session session) {
        return MixRun.of(MixPlan.compile(session, RIG, LiveState.STOPPED.in(ControlRoomState.BEGINNING)))
                .noise(FRAMES);
    }

    @Test
    public void eachPairHasTheSameBitsWithTalkAndCutAndNoOtherHearsIt() {
        float[][] out = run(BY_TWO)
                .talking(RATE, Talk.to(Set.of(ANNA)), 12)
                .talking(2 * RATE, Talk.TO_NOBODY, 12)
                .cutting(3 * RATE, Set.of(ANNA))
                .run(64);
        assertThat(Arrays.equals(out[4], out[2])).isTrue();
        assertThat(Arrays.equals(out[5], out[3])).isTrue();
        assertThat(MixRun.peak(out[2], RATE, 2 * RATE)).isGreaterThan(0.1);
        assertThat(MixRun.peak(out[2], 3 * RATE + RATE / 2, FRAMES)).isZero();
        assertThat(MixRun.peak(out[6], 0, FRAMES)).isZero();
    }

    /** Neither the way there nor the way back is heard at the pair at which the cue was before. */
    @Test
    public void anotherPairChangesNothingAtTheFirstOne() {
        float[][] untouched = run(BY_ONE).run(64);
        float[][] out = run(BY_ONE).then(RATE, BY_TWO).then(6 * RATE, BY_ONE).run(64);
        assertThat(Arrays.equals(out[2], untouched[2])).isTrue();
        assertThat(Arrays.equals(out[3], untouched[3])).isTrue();
        assertThat(MixRun.peak(out[4], 0, RATE)).isZero();
        assertThat(MixRun.peak(out[4], 6 * RATE + RATE / 2, FRAMES)).isZero();
        for (int n = 5 * RATE; n < 6 * RATE; n++) {
            assertThat(Math.abs(out[4][n] - out[2][n])).isLessThan(1e-4f);
        }
    }

    @Test
    public void whatComesToAnotherPairRisesBySixDecibelsInATenthOfASecond() {
        float[][] inputs = new float[RandomSessions.INPUTS][FRAMES];
        Arrays.fill(inputs[0], 0.1f);
        Session dry = BY_ONE.change(ANNA, cue -> cue.comforted(new Comfort()));
        float[] out = MixRun.of(dry)
                .inputs(inputs)
                .then(RATE, dry.change(ANNA, cue -> cue.alsoOutTo(List.of(SECOND))))
                .run(64)[4];
        assertThat((double) out[RATE + RATE / 100]).isLessThan(0.001);
        for (int n = RATE; n + RATE / 10 < FRAMES; n += 480) {
            if (out[n] > 1e-4) {
                assertThat(MixRun.db(out[n + RATE / 10] / out[n])).isBetween(-0.01, 6.05);
            }
        }
        assertThat((double) out[FRAMES - 1]).isCloseTo(0.1 * Decibels.of(6).gain() * Math.sqrt(0.5), within(1e-6));
    }

    @Test
    public void aTestSignalAtOneOfThemSilencesTheCueThereAlone() {
        TestSignal tone = new TestSignal(TestSignal.Kind.TONE, 1000, Decibels.of(-20), List.of(new PortId("out-6")));
        LiveState testing = LiveState.STOPPED.in(ControlRoomState.BEGINNING.playing(Optional.of(tone)));
        float[][] out = run(BY_TWO).with(RATE, BY_TWO, testing).run(64);
        float[][] untouched = run(BY_TWO).run(64);
        assertThat(MixRun.peak(out[4], 2 * RATE, FRAMES)).isZero();
        assertThat(MixRun.peak(out[5], 2 * RATE, FRAMES)).isBetween(0.0999, 0.1001);
        assertThat(Arrays.equals(out[2], untouched[2])).isTrue();
        assertThat(Arrays.equals(out[3], untouched[3])).isTrue();
    }

    @Test
    public void theInterfacesOwnMatrixBringsInputsToBoth() {
        Session direct =
                BY_TWO.withDirect(List.of(new DirectLevel(ANNA, new InputId("fiddle"), Decibels.ZERO, Pan.CENTRE)));
        assertThat(DirectWays.of(direct, RIG, LiveState.STOPPED))
                .extracting(DirectGain::output)
                .containsExactlyInAnyOrder(2, 3, 4, 5);
    }
}
