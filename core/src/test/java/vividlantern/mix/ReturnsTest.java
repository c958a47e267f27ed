package vividlantern.mix;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.session.Feed;
import vividlantern.session.Hear;
import vividlantern.session.Session;
import vividlantern.session.Sums;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.TrackWay;
import vividlantern.session.chain.Chain;
import vividlantern.session.chain.Chains;
import vividlantern.session.chain.EffectId;
import vividlantern.session.chain.EffectType;
import vividlantern.session.chain.Inserted;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Tap;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.WayEdit.SendInto;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** What becomes of what tracks send into a return, on the speakers and in cues. */
public class ReturnsTest {

    private static final TrackId LOW = new TrackId("low");
    private static final TrackId HIGH = new TrackId("high");
    private static final TrackId ROOM = new TrackId("room");
    private static final CueId CUE = new CueId("c");
    private static final CueId OTHER = new CueId("d");
    private static final int LEFT_SPEAKER = 0;
    private static final int LEFT_EAR = 2;
    private static final int LEFT_EAR_OF_OTHER = 4;
    private static final int FRAMES = 144_000;
    private static final double HALF_DB = -6.02;

    private static Track mono(TrackId id, int position, int input) {
        Track plain = Track.forInputs(id, position, id.value(), 1, List.of(Feed.from(new PortId("in-" + input))));
        return plain.heard(Hear.ALWAYS).panned(Pan.of(-1));
    }

    /** Two tracks that go nowhere but, to the left, into a return without a chain; two cues without guards that hear nothing yet. */
    private static Session session() {
        Session plain = RandomSessions.blank()
                .plus(mono(LOW, 3, 1))
                .plus(mono(HIGH, 4, 2))
                .plus(Track.forSends(ROOM, 5, "Room"))
                .withWays(List.of(TrackWay.nowhere(LOW), TrackWay.nowhere(HIGH)))
                .plus(cue(CUE, 1))
                .plus(cue(OTHER, 2));
        return sent(sent(plain, LOW, Tap.POST_FADER, 0), HIGH, Tap.PRE_FADER, 0);
    }

    private static Cue cue(CueId id, int number) {
        return Cue.empty(id, number, id.value())
                .outTo(Optional.of(new PairId("phones-" + number)))
                .guarded(false);
    }

    private static Session sent(Session session, TrackId track, Tap tap, double db) {
        return Edit.applyAll(List.of(new SendInto(track, ROOM, tap, Decibels.of(db))), session, RandomSessions.RIG);
    }

    private static Session inCue(Session session) {
        return session.change(
                CUE, cue -> cue.withSend(ROOM, send -> send.at(Decibels.ZERO).panned(Pan.CENTRE)));
    }

    private static float[][] constant(Session session) {
        return MixRun.of(session).constant(0.1, FRAMES).run(64);
    }

    /** As a level beside 0.1; silence is far below. */
    private static double db(float[][] out, int output) {
        return MixRun.db(Math.abs(out[output][FRAMES - 1]) / 0.1 + 1e-9);
    }

    /** 0.1 twice are 6.02 dB; one less 6.02 dB and one as it is are 3.52 dB. */
    @Test
    public void tracksSendAtTheirTapsAndTheReturnHasALevel() {
        Session session = session();
        assertThat(db(constant(session), LEFT_SPEAKER)).isCloseTo(6.02, within(0.01));
        Session faded = session.change(LOW, track -> track.faded(Decibels.of(HALF_DB)))
                .change(HIGH, track -> track.faded(Decibels.OFF).muted(true));
        assertThat(db(constant(faded), LEFT_SPEAKER))
                .as("behind one fader, before the other")
                .isCloseTo(3.52, within(0.01));
        Session muted = session.change(LOW, track -> track.muted(true));
        assertThat(db(constant(muted), LEFT_SPEAKER)).isCloseTo(0, within(0.01));
        Session lower = session.change(ROOM, room -> room.faded(Decibels.of(HALF_DB)));
        assertThat(db(constant(lower), LEFT_SPEAKER)).isCloseTo(0, within(0.01));
        Session right = session.change(ROOM, room -> room.panned(Pan.of(1)));
        assertThat(db(constant(right), LEFT_SPEAKER)).isLessThan(-100);
        Session beside = session.withWays(session.ways().stream()
                .map(way -> way.track().equals(LOW) ? TrackWay.toMain(LOW).sending(way.sends()) : way)
                .toList());
        assertThat(db(constant(beside), LEFT_SPEAKER)).as("and LOW itself").isCloseTo(9.54, within(0.01));
        Session trimmed = sent(session.change(LOW, track -> track.trimmed(Decibels.of(12))), LOW, Tap.INPUT, HALF_DB);
        assertThat(db(constant(trimmed), LEFT_SPEAKER)).as("before the trim").isCloseTo(3.52, within(0.01));
    }

    /** Of all cues only the one that takes the return hears it; no solo and no fader of the return reaches it there. */
    @Test
    public void aCueHearsAReturnOnlyIfItTakesIt() {
        Session session = inCue(session());
        assertThat(db(constant(session), LEFT_EAR)).isCloseTo(6.02, within(0.01));
        assertThat(db(constant(session), LEFT_EAR_OF_OTHER)).isLessThan(-100);
        Session other =
                session.change(ROOM, room -> room.faded(Decibels.OFF)).change(HIGH, track -> track.soloed(true));
        assertThat(constant(other)[LEFT_EAR]).isEqualTo(constant(session)[LEFT_EAR]);
        Session lower = session.change(LOW, track -> track.faded(Decibels.of(HALF_DB)));
        assertThat(db(constant(lower), LEFT_EAR)).as("sent behind its fader").isCloseTo(3.52, within(0.01));
    }

    /** Who is soloed is heard with their room, and a soloed return alone. */
    @Test
    public void soloTakesAlongWhatATrackSends() {
        Session session = session();
        Session one = session.change(LOW, track -> track.soloed(true));
        assertThat(db(constant(one), LEFT_SPEAKER)).isCloseTo(0, within(0.01));
        Session room = session.change(ROOM, track -> track.soloed(true));
        assertThat(db(constant(room), LEFT_SPEAKER)).isCloseTo(6.02, within(0.01));
        Session safe = one.change(ROOM, track -> track.soloSafe(true));
        assertThat(db(constant(safe), LEFT_SPEAKER)).isCloseTo(6.02, within(0.01));
    }

    /** A cut is for headphones. */
    @Test
    public void cutHeadphonesLeaveTheReturnOnTheSpeakers() {
        Session session = inCue(session());
        float[][] out = MixRun.of(session).cut(true).constant(0.1, FRAMES).run(64);
        assertThat(db(out, LEFT_SPEAKER)).isCloseTo(6.02, within(0.01));
        assertThat(db(out, LEFT_EAR)).isLessThan(-100);
    }

    /** A limiter makes LOW 60 frames late, and one on the return 60 more: so late is HIGH there too, also from its input. Ears wait for nothing. */
    @Test
    public void onTheSpeakersAllIsInLineInAReturn() {
        Inserted limiter = Inserted.of(new EffectId("l"), EffectType.LIMITER);
        Chain chain = new Chain(true, List.of(limiter));
        Session session = inCue(sent(session(), HIGH, Tap.INPUT, 0))
                .withChains(List.of(new Chains(LOW, Chain.EMPTY, chain), new Chains(ROOM, Chain.EMPTY, chain)));
        Session alone = session.change(LOW, track -> track.faded(Decibels.OFF));
        for (Session each : List.of(session, alone)) {
            float[][] out = MixRun.of(each).pulses(24_000, 0.1, 288_000).run(64);
            assertThat(lastPulse(out[LEFT_SPEAKER])).isEqualTo(264_120);
        }
        float[] ear = MixRun.of(alone).pulses(24_000, 0.1, 288_000).run(64)[LEFT_EAR];
        assertThat(lastPulse(ear)).as("the return's limiter and the guard").isEqualTo(264_120);
    }

    private static int lastPulse(float[] samples) {
        int last = samples.length - 1;
        while (samples[last] < 0.05) {
            last--;
        }
        return last;
    }

    /** A track's fader and the cue's send rise at once: together no faster than one may, 60 dB a second. */
    @Test
    public void whatRisesInAReturnAndBehindItRisesNoFasterThanOneMay() {
        Session high = inCue(session()).change(HIGH, track -> track.trimmed(Decibels.OFF));
        Session low = high.change(LOW, track -> track.faded(Decibels.of(-40)))
                .change(CUE, cue -> cue.withSend(ROOM, send -> send.at(Decibels.of(-20))));
        float[] out =
                MixRun.of(low).then(64 * 2000, high).constant(0.1, 288_000).run(64)[LEFT_EAR];
        for (int n = 64 * 1990; n < out.length - 480; n++) {
            assertThat(MixRun.db(out[n + 480] / out[n])).isLessThan(0.62);
        }
        assertThat((double) out[out.length - 1]).isCloseTo(0.1, within(1e-6));
    }

    /** The return's own level is taken like a track's. */
    @Test
    public void startFromMainTakesReturns() {
        Session session = session().change(ROOM, room -> room.faded(Decibels.of(-9)));
        StartFromMain start = StartFromMain.of(
                session, RandomSessions.RIG, LiveState.STOPPED, CUE, new StartFromMain.Taken(true, true, true));
        Session started = Edit.applyAll(start.edits(), session, RandomSessions.RIG);
        Cue cue = started.find(CUE).orElseThrow();
        assertThat(cue.send(ROOM).orElseThrow().level()).isEqualTo(Decibels.of(-9));
        assertThat(cue.send(LOW).orElseThrow().level())
                .as("goes nowhere itself")
                .isEqualTo(Decibels.OFF);
        assertThat(Sums.comesOutBySends(session, LOW)).isTrue();
    }
}
