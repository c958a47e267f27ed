package vividlantern.mix;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.UnaryOperator;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.click.Passage;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.session.ControlRoom.SpeakerSet;
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

/** Levels, pans, mutes and whatever only sends gains elsewhere lay out nothing, and speakers wait for no plan. */
public class GoalsTest {

    private static final int BLOCK = 480;
    private static final TrackId VOICE = new TrackId("voice");
    private static final TrackId HARP = new TrackId("harp");
    /** A quarter of full scale, on the left of a pan in the middle. */
    private static final float CENTRE = (float) (0.25 * Math.sqrt(0.5));

    private static final CueId CUE = new CueId("c");

    private final AtomicReference<LiveState> live = new AtomicReference<>();
    private Session session;
    private Mixer mixer;
    private MixPlan plan;
    private MixState state;
    private long frame;

    @BeforeMethod
    public void begin() {
        session = RandomSessions.blank();
        session = session.plus(track(VOICE, 1, "in-1")).plus(track(HARP, 2, "in-2"));
        session = session.plus(Cue.empty(CUE, 1, "C").outTo(Optional.of(new PairId("phones-1"))))
                .change(CUE, cue -> cue.withSend(VOICE, send -> send.at(Decibels.ZERO)));
        live.set(LiveState.STOPPED.in(ControlRoomState.BEGINNING));
        mixer = new Mixer(MixRun.RATE, BLOCK);
        plan = MixPlan.compile(session, RandomSessions.RIG, live.get());
        state = mixer.prepare(plan);
        frame = 0;
    }

    private static Track track(TrackId id, int position, String port) {
        Track heard = Track.forInputs(id, position, id.value(), 1, List.of(Feed.from(new PortId(port))));
        return heard.heard(Hear.ALWAYS).faded(Decibels.ZERO);
    }

    private void hear(Session next) {
        session = next;
        plan = plan.then(next, RandomSessions.RIG, live.get());
        state = mixer.prepare(plan, live::get);
    }

    /** The last sample of an output after so many blocks of a quarter at the first input. */
    private float leaving(int output, int blocks) {
        float[][] in = new float[RandomSessions.INPUTS][BLOCK];
        float[][] out = new float[RandomSessions.RIG.engineOutputs().size()][BLOCK];
        for (int block = 0; block < blocks; block++) {
            java.util.Arrays.fill(in[0], 0.25f);
            mixer.process(state, in, out, BLOCK, frame, 0, Passage.nothing(0));
            frame += BLOCK;
        }
        return out[output][BLOCK - 1];
    }

    @DataProvider
    public static Object[][] levels() {
        return new Object[][] {
            {"a fader", of(session -> session.change(VOICE, track -> track.faded(Decibels.of(-6))))},
            {"a mute", of(session -> session.change(VOICE, track -> track.muted(true)))},
            {"a solo", of(session -> session.change(HARP, track -> track.soloed(true)))},
            {"a pan", of(session -> session.change(VOICE, track -> track.panned(Pan.of(-1))))},
            {"a trim", of(session -> session.change(VOICE, track -> track.trimmed(Decibels.of(3))))},
            {"a send", of(session -> session.change(CUE, cue -> cue.withSend(VOICE, send -> send.at(Decibels.OFF))))},
            {"a cue", of(session -> session.change(CUE, cue -> cue.at(Decibels.of(-3))))},
            {"a cue's guard", of(session -> session.change(CUE, cue -> cue.guarded(false)))},
        };
    }

    private static UnaryOperator<Session> of(UnaryOperator<Session> change) {
        return change;
    }

    @Test(dataProvider = "levels")
    public void aLevelLaysOutNothing(String what, UnaryOperator<Session> change) {
        leaving(0, 1);
        MixState before = state;
        hear(change.apply(session));
        assertThat(state).as(what).isSameAs(before);
    }

    @Test
    public void whatIsWiredOtherwiseIsLaidOutAnew() {
        MixState before = state;
        hear(session.change(CUE, cue -> cue.withSend(VOICE, send -> send.from(Tap.POST_FADER))));
        assertThat(state).isNotSameAs(before);
        MixState tapped = state;
        hear(session.change(CUE, cue -> cue.withSend(HARP, send -> send.at(Decibels.ZERO))));
        assertThat(state).isNotSameAs(tapped);
    }

    /** A fader at -6.02 dB halves what leaves. */
    @Test
    public void aLevelIsHeardFromTheNextBlockOnAndArrivesInTenMilliseconds() {
        assertThat(leaving(0, 200)).isCloseTo(CENTRE, within(1e-5f));
        hear(session.change(VOICE, track -> track.faded(Decibels.ofGain(0.5))));
        float halfway = leaving(0, 1);
        assertThat(halfway).isCloseTo((float) (0.5 * CENTRE), within(1e-5f));
        assertThat(leaving(2, 2)).as("the cue is before the fader").isCloseTo(CENTRE, within(1e-5f));
    }

    private void controlRoom(String hears, boolean dimmed) {
        live.updateAndGet(now -> now.in(new ControlRoomState(
                hears,
                SpeakerSet.MAIN,
                dimmed,
                false,
                false,
                false,
                ControlRoomState.Flipped.NONE,
                false,
                Optional.empty())));
    }

    private void dim(boolean dimmed) {
        controlRoom("main", dimmed);
        assertThat(mixer.controlRoom(live::get)).isTrue();
    }

    @Test
    public void speakersAreDimmedWithoutAPlanAndComeBackSo() {
        float loud = leaving(0, 200);
        dim(true);
        assertThat(leaving(0, 2)).isCloseTo(loud / 10, within(1e-5f));
        assertThat(leaving(2, 2)).as("no ear notices").isCloseTo(CENTRE, within(1e-5f));
        dim(false);
        assertThat(leaving(0, 2)).isEqualTo(loud);
    }

    /** A plan that was begun before they were dimmed does not bring them up. */
    @Test
    public void aPlanThatIsReadyLateLeavesSpeakersDimmed() {
        float loud = leaving(0, 200);
        for (UnaryOperator<Session> edit : List.<UnaryOperator<Session>>of(
                now -> now.change(HARP, track -> track.faded(Decibels.of(-6))),
                now -> now.change(CUE, cue -> cue.withSend(HARP, send -> send.at(Decibels.ZERO))))) {
            MixPlan begun = plan.then(edit.apply(session), RandomSessions.RIG, live.get());
            dim(true);
            plan = begun;
            state = mixer.prepare(begun, live::get);
            assertThat(leaving(0, 3)).isCloseTo(loud / 10, within(1e-5f));
            dim(false);
            assertThat(leaving(0, 3)).isEqualTo(loud);
        }
    }

    @Test
    public void somethingElseToHearNeedsAPlan() {
        float loud = leaving(0, 200);
        controlRoom("cue/c", true);
        assertThat(mixer.controlRoom(live::get)).isFalse();
        assertThat(leaving(0, 3)).as("nothing has changed by halves").isEqualTo(loud);
        hear(session);
        assertThat(leaving(0, 3)).isCloseTo(CENTRE / 10, within(1e-5f));
    }
}
