package vividlantern.mix;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.playback.MediaShelf;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.rig.edit.PairEdit.SetPairFeeds;
import vividlantern.session.Feed;
import vividlantern.session.Hear;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.TrackWay.Out;
import vividlantern.session.TrackWay.Side;
import vividlantern.session.TrackWay.To;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Tap;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.WayEdit.AddSum;
import vividlantern.session.edit.WayEdit.SendOut;
import vividlantern.session.edit.WayEdit.SetWay;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** What leaves by outputs when tracks are sent out: by pair 2, where a box hangs, and by pair 3, where headphones do. */
public class SentOutTest {

    private static final TrackId BASS = new TrackId("bass");
    private static final TrackId KEYS = new TrackId("keys");
    private static final TrackId BOTH = new TrackId("both");
    private static final CueId CUE = new CueId("cue");
    private static final PairId BOX = new PairId("phones-2");
    private static final PairId EARS = new PairId("phones-3");
    private static final Rig RIG = new SetPairFeeds(BOX, StereoPair.Feeds.NOTHING).applyTo(RandomSessions.RIG);
    private static final int LEFT_OF_BOX = 4;
    private static final int RIGHT_OF_BOX = 5;
    private static final int LEFT_EAR = 6;
    private static final int FRAMES = 144_000;
    private static final double SILENT = -100;
    private static final double HALF_DB = -6;

    private static Session session() {
        Feed first = Feed.from(new PortId("in-1"));
        return RandomSessions.blank()
                .plus(Track.forInputs(BASS, 3, "Bass", 1, List.of(first)).heard(Hear.ALWAYS))
                .plus(Track.forInputs(KEYS, 4, "Keys", 2, List.of(first, Feed.from(new PortId("in-2"))))
                        .heard(Hear.ALWAYS));
    }

    private static Session sent(Session session, TrackId track, PairId pair, Side side, Tap tap, double db) {
        return new SendOut(track, new Out(pair, side, tap, Decibels.of(db))).applyTo(session, RIG);
    }

    private static float[][] run(Session session, double value, boolean cut) {
        return MixRun.of(MixPlan.compile(session, RIG, LiveState.STOPPED, MediaShelf.EMPTY))
                .constant(value, FRAMES)
                .cut(cut)
                .run(64);
    }

    /** As a level beside 0.1. */
    private static double db(Session session, int output) {
        return MixRun.db(Math.abs(run(session, 0.1, false)[output][FRAMES - 1]) / 0.1 + 1e-9);
    }

    @Test
    public void byOneOutputAloneATrackGoesInMono() {
        Session left = sent(session(), BASS, BOX, Side.LEFT, Tap.PRE_FADER, 0);
        assertThat(db(left, LEFT_OF_BOX)).as("mono as it is").isCloseTo(0, within(0.001));
        assertThat(db(left, RIGHT_OF_BOX)).isLessThan(SILENT);
        Session wide = sent(session(), KEYS, BOX, Side.RIGHT, Tap.PRE_FADER, 0);
        assertThat(db(wide, RIGHT_OF_BOX))
                .as("half of the left and half of the right, which are the same")
                .isCloseTo(0, within(0.001));
        assertThat(db(wide, LEFT_OF_BOX)).isLessThan(SILENT);
        Session two = sent(left, BASS, BOX, Side.RIGHT, Tap.PRE_FADER, HALF_DB);
        assertThat(db(two, LEFT_OF_BOX)).isCloseTo(0, within(0.001));
        assertThat(db(two, RIGHT_OF_BOX)).isCloseTo(HALF_DB, within(0.01));
    }

    @Test
    public void byBothItGoesAsItIsPanned() {
        Session both = sent(session(), BASS, BOX, Side.BOTH, Tap.PRE_FADER, 0);
        assertThat(db(both, LEFT_OF_BOX)).isCloseTo(-3.01, within(0.01));
        assertThat(db(both, RIGHT_OF_BOX)).isCloseTo(-3.01, within(0.01));
        Session right = both.change(BASS, track -> track.panned(Pan.of(1)));
        assertThat(db(right, LEFT_OF_BOX)).isLessThan(SILENT);
        assertThat(db(right, RIGHT_OF_BOX)).isCloseTo(0, within(0.001));
    }

    @Test
    public void itLeavesAtItsTapAndKnowsOfNoSolo() {
        Session pre = sent(session(), BASS, BOX, Side.LEFT, Tap.PRE_FADER, 0);
        Session dark = pre.change(BASS, track -> track.faded(Decibels.OFF).muted(true))
                .change(KEYS, track -> track.soloed(true));
        assertThat(run(dark, 0.1, false)[LEFT_OF_BOX]).isEqualTo(run(pre, 0.1, false)[LEFT_OF_BOX]);
        Session post = sent(session(), BASS, BOX, Side.LEFT, Tap.POST_FADER, 0);
        assertThat(db(post.change(BASS, track -> track.faded(Decibels.of(HALF_DB))), LEFT_OF_BOX))
                .isCloseTo(HALF_DB, within(0.01));
        assertThat(db(post.change(BASS, track -> track.muted(true)), LEFT_OF_BOX))
                .isLessThan(SILENT);
        Session nowhere = new SetWay(BASS, To.NOWHERE, Optional.empty()).applyTo(post, RIG);
        assertThat(db(nowhere, LEFT_OF_BOX)).as("whereto it goes besides").isCloseTo(0, within(0.001));
    }

    /** Full scale by three tracks: the guard of headphones holds them at -12 dBFS as nobody knows how loud they are. */
    @Test
    public void whereHeadphonesHangTheGuardStandsAndTheCutReaches() {
        Session ears = sent(session(), BASS, EARS, Side.BOTH, Tap.PRE_FADER, 12);
        float[] loud = run(ears, 0.9, false)[LEFT_EAR];
        for (float sample : loud) {
            assertThat(MixRun.db(Math.abs(sample) + 1e-9)).isLessThan(-11.9);
        }
        assertThat(MixRun.db(loud[FRAMES - 1])).isGreaterThan(-13);
        assertThat(MixRun.db(loud[480] / 0.9)).as("rises gently").isLessThan(-50);
        assertThat(MixRun.db(Math.abs(run(ears, 0.9, true)[LEFT_EAR][FRAMES - 1]) + 1e-9))
                .isLessThan(SILENT);
        Session box = sent(session(), BASS, BOX, Side.LEFT, Tap.PRE_FADER, 0);
        assertThat(run(box, 0.1, true)[LEFT_OF_BOX])
                .as("no performer hears a box")
                .isEqualTo(run(box, 0.1, false)[LEFT_OF_BOX]);
    }

    /** Twice 0.1 is 6.02 dB. To headphones a sum goes as cues hear it; to a box as the speakers do, for whom the others are silent. */
    @Test
    public void aSumGoesOutAsThoseHearItWhoHearIt() {
        Session sum = new AddSum(BOTH, "Both", List.of(BASS, KEYS))
                .applyTo(
                        session()
                                .change(BASS, track -> track.panned(Pan.of(-1)))
                                .change(KEYS, track -> track.soloed(true)),
                        RIG);
        Session ears = sent(sum, BOTH, EARS, Side.BOTH, Tap.PRE_FADER, 0);
        assertThat(db(ears, LEFT_EAR)).isCloseTo(6.02, within(0.01));
        Session box = sent(sum, BOTH, BOX, Side.BOTH, Tap.PRE_FADER, 0);
        assertThat(db(box, LEFT_OF_BOX)).isCloseTo(0, within(0.01));
    }

    @Test
    public void aCueAtAnotherPairKeepsEveryBit() {
        Cue cue = Cue.empty(CUE, 1, "Cue")
                .outTo(Optional.of(EARS))
                .withSend(BASS, send -> send.at(Decibels.of(-3)))
                .withSend(KEYS, send -> send.at(Decibels.of(-9)));
        Session without = session().plus(cue);
        Session with = sent(sent(without, BASS, BOX, Side.LEFT, Tap.INPUT, 6), KEYS, BOX, Side.BOTH, Tap.POST_FADER, 0);
        assertThat(run(with, 0.1, false)[LEFT_EAR]).isEqualTo(run(without, 0.1, false)[LEFT_EAR]);
        Session beside = sent(without, KEYS, EARS, Side.LEFT, Tap.PRE_FADER, -9);
        assertThat(db(beside, LEFT_EAR)).isGreaterThan(db(without, LEFT_EAR) + 1);
    }

    /** The rig was described anew: now second speakers hang where the box did. */
    @Test
    public void whatHasBecomeTheSpeakersGetsNothing() {
        Session sent = sent(session(), BASS, BOX, Side.BOTH, Tap.PRE_FADER, 0);
        Rig speakers = new SetPairFeeds(BOX, StereoPair.Feeds.SECOND_SPEAKERS).applyTo(RIG);
        float[][] out = MixRun.of(MixPlan.compile(sent, speakers, LiveState.STOPPED, MediaShelf.EMPTY))
                .constant(0.1, FRAMES)
                .run(64);
        assertThat(Math.abs(out[LEFT_OF_BOX][FRAMES - 1])).isLessThan(1e-6f);
    }

    @Test
    public void offTakesTheWayAway() {
        Session sent = sent(session(), BASS, BOX, Side.LEFT, Tap.PRE_FADER, 0);
        Session none =
                Edit.applyAll(List.of(SendOut.off(BASS, sent.wayOf(BASS).outs().get(0))), sent, RIG);
        assertThat(none.ways()).isEmpty();
        assertThat(db(none, LEFT_OF_BOX)).isLessThan(SILENT);
    }
}
