package vividlantern.mix;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.session.Feed;
import vividlantern.session.Hear;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Comfort;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Ears;
import vividlantern.session.cue.Send;
import vividlantern.session.cue.Tap;
import vividlantern.session.edit.CueEdit.SetCueHighPass;
import vividlantern.session.edit.InputEdit.CutInput;
import vividlantern.session.edit.SessionEdit.SetMainLevel;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** How a signal reaches the speakers and the cues: trim, polarity, tap, fader, mute, solo, pan, cue level. */
public class MixTest {

    private static final TrackId FIDDLE = new TrackId("fiddle");
    private static final CueId CUE = new CueId("cue");
    private static final double CENTRE = Math.sqrt(0.5);

    @Test
    public void aTrackInTheCentreLeavesThreeDecibelsDownOnEachSide() {
        assertMain(session(track -> track), CENTRE, CENTRE);
    }

    @Test
    public void trimPolarityFaderAndMainLevelMultiply() {
        Session session = session(track -> track.trimmed(Decibels.of(6))
                .flipped(true)
                .faded(Decibels.of(-20))
                .panned(Pan.of(-1)));
        Session down = session.with(new vividlantern.session.Settings(
                session.name(),
                session.song(),
                session.sampleRate(),
                session.bitDepth(),
                session.bufferFrames(),
                session.rigId(),
                new vividlantern.session.MainMix(Decibels.of(-6), session.main().output())));
        assertMain(session, -0.199526, 0);
        assertMain(down, -0.1, 0);
    }

    @Test
    public void aCutInputLeavesEveryListenerAtEveryTapAndComesBack() {
        for (Tap tap : Tap.values()) {
            Session listed = listed(tap);
            Session cut = new CutInput(new InputId("violin"), true).applyTo(listed, RandomSessions.RIG);
            assertCue(listed, CENTRE, CENTRE);
            assertMain(listed, CENTRE, CENTRE);
            assertCue(cut, 0, 0);
            assertMain(cut, 0, 0);
            assertThat(new CutInput(new InputId("violin"), false).applyTo(cut, RandomSessions.RIG))
                    .isEqualTo(listed);
        }
    }

    /** The fiddle's track, fed by an input of the list. */
    private static Session listed(Tap tap) {
        Session session = session(track -> track.fedBy(List.of(Feed.from(new InputId("violin"), 0))))
                .change(CUE, cue -> cue.withSend(FIDDLE, send -> send.from(tap)));
        Optional<PortId> port = session(track -> track).tracks().stream()
                .filter(track -> track.id().equals(FIDDLE))
                .findFirst()
                .flatMap(track -> track.feeds().get(0).port());
        return session.plus(Input.of(new InputId("violin"), 1, "Violin")
                .patchedTo(port.stream().toList()));
    }

    /** A main level of -20 dB makes a tenth of it. */
    @Test
    public void theMainLevelMovesACueThatIsLinkedToItAndNoOther() {
        Session down = new SetMainLevel(Decibels.of(-20)).applyTo(session(track -> track), RandomSessions.RIG);
        assertCue(down, CENTRE, CENTRE);
        Session linked = down.withCues(
                down.cues().stream().map(cue -> cue.linkedToMain(true)).toList());
        assertCue(linked, CENTRE / 10, CENTRE / 10);
        assertMain(linked, CENTRE / 10, CENTRE / 10);
    }

    @Test
    public void muteSilencesTheSpeakersOnly() {
        assertMain(session(track -> track.muted(true)), 0, 0);
        assertCue(session(track -> track.muted(true)), CENTRE, CENTRE);
    }

    @Test
    public void soloSilencesTheOthersOnTheSpeakersUnlessTheyAreSafe() {
        Track other = track("other", 1).soloed(true).faded(Decibels.OFF);
        assertMain(session(track -> track).plus(other), 0, 0);
        assertMain(session(track -> track.soloSafe(true)).plus(other), CENTRE, CENTRE);
        assertCue(session(track -> track).plus(other), CENTRE, CENTRE);
    }

    /** Tap, and what a send of 0 dB gives of a track with trim +6 dB, fader -20 dB. */
    @DataProvider
    public Object[][] taps() {
        return new Object[][] {{Tap.INPUT, 1.0}, {Tap.PRE_FADER, 1.995262}, {Tap.POST_FADER, 0.199526}};
    }

    @Test(dataProvider = "taps")
    public void aSendLeavesItsTrackAtItsTap(Tap tap, double gain) {
        Session session = session(track -> track.trimmed(Decibels.of(6)).faded(Decibels.of(-20)))
                .change(
                        CUE,
                        cue -> cue.withSend(FIDDLE, send -> send.from(tap).panned(Pan.of(1)))
                                .guarded(false));
        assertCue(session, 0, gain);
        assertMain(session, 0.199526 * CENTRE, 0.199526 * CENTRE);
    }

    @Test
    public void aSendHasItsOwnPanUnlessItFollowsTheTrack() {
        Session own = session(track -> track.panned(Pan.of(-1)));
        assertCue(own, CENTRE, CENTRE);
        assertCue(own.change(CUE, cue -> cue.withSend(FIDDLE, send -> send.panAsMain(true))), 1, 0);
    }

    /** A send that stands hard right. */
    @DataProvider
    public Object[][] ears() {
        return new Object[][] {
            {Ears.STEREO, 0, 1},
            {Ears.MONO, 0.5, 0.5},
            {Ears.LEFT_ONLY, 0.5, 0},
            {Ears.RIGHT_ONLY, 0, 0.5},
            {Ears.SWAPPED, 1, 0}
        };
    }

    @Test(dataProvider = "ears")
    public void aCueGoesToTheEarsThatAreSaid(Ears ears, double left, double right) {
        Session session = session(track -> track)
                .change(CUE, cue -> cue.at(ears).withSend(FIDDLE, send -> send.panned(Pan.of(1))));
        assertCue(session, left, right);
        assertMain(session, CENTRE, CENTRE);
    }

    /** A pulse each 0.2 s: between them there is nothing but the reverb, in the one cue that has it. */
    @Test
    public void comfortReverbIsHeardInItsOwnCueAlone() {
        CueId other = new CueId("other");
        Session dry = session(track -> track)
                .plus(Cue.empty(other, 2, "Other")
                        .outTo(Optional.of(new PairId("phones-2")))
                        .withSend(FIDDLE, send -> send.at(Decibels.ZERO)));
        Session wet = dry.change(
                CUE,
                cue -> cue.comforted(new Comfort(true, Comfort.Room.SMALL, Decibels.ZERO))
                        .withSend(FIDDLE, send -> send.comforted(Decibels.ZERO)));
        int frames = 4 * MixRun.RATE;
        float[][] before = MixRun.of(dry).pulses(MixRun.RATE / 5, 0.25, frames).run(128);
        float[][] after = MixRun.of(wet).pulses(MixRun.RATE / 5, 0.25, frames).run(128);
        int between = frames - MixRun.RATE / 10;
        assertThat(MixRun.peak(before[2], between, between + 2000)).isZero();
        assertThat(MixRun.db(MixRun.peak(after[2], between, between + 2000))).isBetween(-60.0, -30.0);
        for (int output : new int[] {0, 1, 4, 5}) {
            assertThat(after[output]).isEqualTo(before[output]);
        }
    }

    @Test
    public void sendLevelAndLevelForAllMultiplyAndAMutedSendIsSilent() {
        Session session = session(track -> track)
                .change(
                        CUE,
                        cue -> cue.at(Decibels.of(-14))
                                .withSend(
                                        FIDDLE, send -> send.at(Decibels.of(-6)).panned(Pan.of(-1))));
        assertCue(session, 0.1, 0);
        assertCue(session.change(CUE, cue -> cue.withSend(FIDDLE, send -> send.muted(true))), 0, 0);
    }

    @Test
    public void aNewSendIsOff() {
        Send send = Send.off(FIDDLE);
        assertThat(send.level()).isEqualTo(Decibels.OFF);
        assertThat(send.tap()).isEqualTo(Tap.PRE_FADER);
        assertThat(send.panAsMain()).isFalse();
        assertCue(session(track -> track).change(CUE, cue -> cue.withSends(List.of(send))), 0, 0);
    }

    /** Hear, armed, playing, and whether the live input is heard. */
    @DataProvider
    public Object[][] hearing() {
        return new Object[][] {
            {Hear.OFF, true, false, false},
            {Hear.ARMED, false, false, false},
            {Hear.ARMED, true, false, true},
            {Hear.ARMED, true, true, true},
            {Hear.OVERDUB, true, false, true},
            {Hear.OVERDUB, true, true, false},
            {Hear.OVERDUB, false, false, false},
            {Hear.ALWAYS, false, false, true},
            {Hear.ALWAYS, false, true, true},
        };
    }

    @Test(dataProvider = "hearing")
    public void armAndHearDecideWhetherTheLiveInputReachesListeners(
            Hear hear, boolean armed, boolean playing, boolean heard) {
        Session session = session(track -> track.heard(hear).armed(armed));
        LiveState live = LiveState.STOPPED.playing(playing);
        float[][] out = MixRun.of(session, live).constant(0.25, 30_000).run(480);
        assertThat(out[0][29_999] != 0).isEqualTo(heard);
        assertThat(out[2][29_999] != 0).isEqualTo(heard);
    }

    @Test
    public void aStereoTrackIsBalanced() {
        Session session = session(track -> track("fiddle", 2).panned(Pan.of(0.5)));
        assertMain(session, 0.707107, 1);
    }

    /** Width, and what channels that all carry 1 fold to on one side. */
    @DataProvider
    public Object[][] widths() {
        return new Object[][] {
            {3, 2 / Math.sqrt(2), 1},
            {4, 2 / Math.sqrt(2), 2 / Math.sqrt(2)},
            {5, 1 + 0.707107 + 0.707107, 1 + 0.707107 + 0.707107},
            {6, 1 + 0.707107 + 0.707107, 1 + 0.707107 + 0.707107},
            {8, 4 / Math.sqrt(4), 4 / Math.sqrt(4)},
        };
    }

    @Test(dataProvider = "widths")
    public void wideTracksFold(int width, double left, double right) {
        assertMain(session(track -> track("fiddle", width)), left, right);
    }

    @Test
    public void theClickIsOffOnTheSpeakersAndSoundsWhereItIsSent() {
        Session session = session(track -> track.faded(Decibels.OFF))
                .change(
                        CUE,
                        cue -> cue.withSends(
                                List.of(Send.off(new TrackId("click")).at(Decibels.ZERO))));
        int frames = 80_000;
        float[][] out = MixRun.of(session, LiveState.PLAYING)
                .constant(0.25, frames)
                .playingFrom(0)
                .run(480);
        assertThat(MixRun.peak(out[0], 0, frames)).isZero();
        assertThat(MixRun.db(MixRun.peak(out[2], 72_000, frames)))
                .as("the fourth beat at 120, once the send has risen")
                .isCloseTo(-18, within(0.2));
        float[][] standing = MixRun.of(session).constant(0.25, frames).run(480);
        assertThat(MixRun.peak(standing[2], 0, frames)).isZero();
    }

    private static Session session(UnaryOperator<Track> change) {
        Cue cue = Cue.empty(CUE, 1, "Cue")
                .outTo(Optional.of(new PairId("phones-1")))
                .withSend(FIDDLE, send -> send.at(Decibels.ZERO));
        return RandomSessions.blank().plus(change.apply(track("fiddle", 1))).plus(cue);
    }

    private static Track track(String id, int width) {
        List<Feed> feeds = java.util.stream.IntStream.rangeClosed(1, width)
                .mapToObj(n -> Feed.from(new PortId("in-" + n)))
                .toList();
        Track fed = Track.forInputs(new TrackId(id), 5, id, width, feeds);
        return fed.heard(Hear.ALWAYS);
    }

    /** What the speakers get of 1 on each input, once every gain has arrived. */
    private static void assertMain(Session session, double left, double right) {
        assertReached(session, 0, left, right);
    }

    private static void assertCue(Session session, double left, double right) {
        assertReached(session, 2, left, right);
    }

    private static void assertReached(Session session, int output, double left, double right) {
        double level = 1.0 / 64;
        float[][] out = MixRun.of(session).constant(level, 80_000).run(480);
        assertThat(out[output][79_999] / level).isCloseTo(left, within(1e-5));
        assertThat(out[output + 1][79_999] / level).isCloseTo(right, within(1e-5));
    }

    /** A level that stands still is the lowest sound there is: a high-pass takes all of it, in its cue alone. */
    @Test
    public void aHighPassLeavesLowSoundOutOfItsCueAndOfNothingElse() {
        CueId one = new CueId("one");
        CueId other = new CueId("other");
        TrackId harp = new TrackId("harp");
        Session session = RandomSessions.blank()
                .plus(Track.forInputs(harp, 5, "Harp", 1, List.of(Feed.from(new PortId("in-1"))))
                        .heard(Hear.ALWAYS))
                .plus(Cue.empty(one, 1, "One")
                        .outTo(Optional.of(new PairId("phones-1")))
                        .withSend(harp, send -> send.at(Decibels.ZERO)))
                .plus(Cue.empty(other, 2, "Other")
                        .outTo(Optional.of(new PairId("phones-2")))
                        .withSend(harp, send -> send.at(Decibels.ZERO)));
        Session filtered = new SetCueHighPass(one, true, 100).applyTo(session, RandomSessions.RIG);
        float[][] out = MixRun.of(session)
                .then(2 * MixRun.RATE, filtered)
                .constant(1.0 / 64, 3 * MixRun.RATE)
                .run(128);
        int last = 3 * MixRun.RATE - 1;
        assertThat(Math.abs(out[2][last])).isLessThan(1e-7f);
        assertThat(out[4][last]).isCloseTo((float) (Math.sqrt(0.5) / 64), within(1e-6f));
        assertThat(out[0])
                .as("the speakers")
                .isEqualTo(
                        MixRun.of(session).constant(1.0 / 64, 3 * MixRun.RATE).run(128)[0]);
        for (int n = 2 * MixRun.RATE; n <= last; n++) {
            assertThat(Math.abs(out[2][n] - out[2][n - 1])).as("frame %s", n).isLessThan(0.02f / 64);
        }
    }
}
