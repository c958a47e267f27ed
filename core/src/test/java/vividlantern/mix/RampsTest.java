package vividlantern.mix;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.history.History;
import vividlantern.history.MemoryLog;
import vividlantern.mix.effects.CeilingGuard;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.session.Feed;
import vividlantern.session.Hear;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.Parts;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Comfort;
import vividlantern.session.cue.Compressor;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.CueEdit.CopyCue;
import vividlantern.session.edit.CueEdit.LinkCueLevel;
import vividlantern.session.edit.CueEdit.SetCueComfort;
import vividlantern.session.edit.CueEdit.SetCueCompressor;
import vividlantern.session.edit.CueEdit.SetCueLevel;
import vividlantern.session.edit.CueEdit.SetCueOutput;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.SendEdit.MuteSend;
import vividlantern.session.edit.SendEdit.SetSendLevel;
import vividlantern.session.edit.SendEdit.SetSendTap;
import vividlantern.session.edit.SessionEdit.SetMainLevel;
import vividlantern.session.edit.TrackEdit.SetFader;
import vividlantern.session.edit.TrackEdit.SetHear;
import vividlantern.session.edit.TrackEdit.SetPolarity;
import vividlantern.session.edit.TrackEdit.SetTrim;
import vividlantern.units.Decibels;

/** Nothing gets loud by surprise: what performers hear rises by 60 dB a second at most, and falls within 10 ms. */
public class RampsTest {

    private static final int RATE = MixRun.RATE;
    private static final int CHANGE = 4800;
    private static final TrackId TRACK = new TrackId("fiddle");
    private static final CueId CUE = new CueId("cue");
    /** A cue that plays nowhere and has the track at +12 dB. */
    private static final CueId LOUD = new CueId("loud");

    private static final double INPUT = 1.0 / 64;

    @Test
    public void aMainGainMovesInALineOfTenMilliseconds() {
        Session quiet = session(Decibels.OFF).change(TRACK, track -> track.faded(Decibels.of(-20)));
        Session loud = quiet.change(TRACK, track -> track.faded(Decibels.ZERO));
        float[] left = MixRun.of(quiet).then(CHANGE, loud).constant(1, 9600).run(480)[0];
        double low = 0.1 * Math.sqrt(0.5);
        double high = Math.sqrt(0.5);
        assertThat(left[CHANGE - 1]).isCloseTo((float) low, within(1e-6f));
        assertThat(left[CHANGE + 239]).isCloseTo((float) ((low + high) / 2), within(1e-6f));
        assertThat(left[CHANGE + 479]).isCloseTo((float) high, within(1e-6f));
        assertThat(left[CHANGE + 480]).isCloseTo((float) high, within(1e-6f));
    }

    @Test
    public void aSendRisesFromMinusSixtyBySixtyDecibelsASecond() {
        float[] left = MixRun.of(session(Decibels.OFF))
                .then(CHANGE, session(Decibels.ZERO))
                .constant(INPUT, RATE + 2 * CHANGE)
                .run(480)[2];
        int delay = CeilingGuard.delayFrames(RATE);
        double target = INPUT * Math.sqrt(0.5);
        assertThat(MixRun.peak(left, 0, CHANGE + delay)).isZero();
        assertThat(MixRun.db(left[CHANGE + delay] / INPUT)).isCloseTo(-60, within(0.01));
        assertThat(MixRun.db(left[CHANGE + delay + RATE / 2] / INPUT)).isCloseTo(-30, within(0.01));
        assertThat(left[CHANGE + delay + RATE]).isCloseTo((float) target, within(1e-7f));
    }

    /** Edits that make a cue louder, each made while it sounds at -40 dB. */
    @DataProvider
    public Object[][] louder() {
        return new Object[][] {
            {new SetSendLevel(CUE, TRACK, Decibels.of(12))},
            {new SetCueLevel(CUE, Decibels.of(12))},
            {new SetTrim(TRACK, Decibels.of(12))},
            {new SetSendTap(CUE, TRACK, vividlantern.session.cue.Tap.INPUT)},
            {new SetPolarity(TRACK, true)},
            {
                new SetCueCompressor(
                        CUE,
                        Optional.of(true),
                        Optional.of(0.0),
                        Optional.of(1.0),
                        Optional.of(1.0),
                        Optional.of(30.0),
                        Optional.of(24.0))
            },
            {new SetCueComfort(CUE, Optional.of(true), Optional.of(Comfort.Room.SMALL), Optional.of(Decibels.of(12)))},
            {new SetCueOutput(CUE, Optional.of(new PairId("phones-2")))},
            {new CopyCue(CUE, LOUD)},
            {new LinkCueLevel(CUE, true)},
        };
    }

    @Test(dataProvider = "louder")
    public void noEditMakesACueRiseByMoreThanSixDecibelsInATenthOfASecond(Edit edit) {
        Session before = session(Decibels.of(-40))
                .change(TRACK, track -> track.trimmed(Decibels.of(-12)))
                .change(CUE, cue -> cue.withSend(TRACK, send -> send.comforted(Decibels.of(12))))
                .plus(Cue.empty(LOUD, 2, "Loud").withSend(TRACK, send -> send.at(Decibels.of(12))));
        before = new SetMainLevel(Decibels.of(12)).applyTo(before, RandomSessions.RIG);
        Session after = edit.applyTo(before, RandomSessions.RIG);
        float[][] out = MixRun.of(before)
                .then(2 * RATE, after)
                .constant(INPUT, 4 * RATE)
                .run(480);
        assertRisesGently(louderSide(out));
    }

    /** It holds back 10.43 dB of -39.13 dBFS above -60, 2 to 1. */
    @Test
    public void aCompressorThatIsSwitchedOffLetsGoAsGently() {
        Session held = session(Decibels.ZERO)
                .change(CUE, cue -> cue.guarded(false).compressed(new Compressor(true, -60, 2, 1, 30, 0)));
        Session free = held.change(CUE, cue -> cue.compressed(new Compressor()));
        float[][] out =
                MixRun.of(held).then(2 * RATE, free).constant(INPUT, 4 * RATE).run(480);
        assertRisesGently(louderSide(out));
        assertThat(out[2][4 * RATE - 1]).isCloseTo((float) (INPUT * Math.sqrt(0.5)), within(1e-7f));
        assertThat(MixRun.db(out[2][2 * RATE - 1] / out[2][4 * RATE - 1])).isCloseTo(-10.43, within(0.05));
    }

    @Test
    public void unmutingAndUndoRiseAsGently() {
        Session loud = session(Decibels.ZERO);
        Session muted = new MuteSend(CUE, TRACK, true).applyTo(loud, RandomSessions.RIG);
        assertRisesGently(louderSide(
                MixRun.of(muted).then(CHANGE, loud).constant(INPUT, 2 * RATE).run(480)));
        var history = new History<Session, PartKey, Part>(Parts.OF_SESSION, new MemoryLog<>(), 0);
        var fallen = Edit.make(
                List.of(new SetSendLevel(CUE, TRACK, Decibels.OFF)),
                loud,
                RandomSessions.RIG,
                history,
                "me",
                "",
                OptionalLong.empty());
        history.accept(fallen);
        Session undone = history.undo(fallen.whole(), "me").whole();
        assertRisesGently(louderSide(MixRun.of(fallen.whole())
                .then(CHANGE, undone)
                .constant(INPUT, 2 * RATE)
                .run(480)));
    }

    @Test
    public void hearingATrackAgainRisesAsGently() {
        Session deaf = new SetHear(TRACK, Hear.OFF).applyTo(session(Decibels.ZERO), RandomSessions.RIG);
        assertRisesGently(louderSide(MixRun.of(deaf)
                .then(CHANGE, session(Decibels.ZERO))
                .constant(INPUT, 2 * RATE)
                .run(480)));
    }

    /** Edits that silence a cue that sounds. */
    @DataProvider
    public Object[][] silencing() {
        return new Object[][] {
            {new SetSendLevel(CUE, TRACK, Decibels.OFF)},
            {new SetCueLevel(CUE, Decibels.OFF)},
            {new MuteSend(CUE, TRACK, true)},
            {new SetHear(TRACK, Hear.OFF)},
            {new vividlantern.session.edit.SendEdit.RemoveSend(CUE, TRACK)},
            {new vividlantern.session.edit.CueEdit.RemoveCue(CUE)},
            {new vividlantern.session.edit.TrackEdit.RemoveTrack(TRACK)},
            {new SetCueOutput(CUE, Optional.empty())},
        };
    }

    @Test(dataProvider = "silencing")
    public void whatIsSilencedFallsWithinTwentyMillisecondsWithoutAJump(Edit edit) {
        Session before = session(Decibels.ZERO);
        float[] left = MixRun.of(before)
                .then(2 * RATE, edit.applyTo(before, RandomSessions.RIG))
                .constant(INPUT, 3 * RATE)
                .run(480)[2];
        assertThat(left[2 * RATE - 1]).isGreaterThan((float) (INPUT * 0.7));
        assertThat(MixRun.peak(left, 2 * RATE + RATE / 50, 3 * RATE)).isZero();
        double step = INPUT * Math.sqrt(0.5) / 480;
        for (int n = 2 * RATE; n < 2 * RATE + RATE / 50; n++) {
            assertThat(Math.abs(left[n] - left[n - 1])).isLessThan((float) (1.01 * step));
        }
    }

    @Test
    public void cutHeadphonesFallBelowMinusNinetyWithinTwentyMillisecondsAndComeBackGently() {
        Session session = session(Decibels.ZERO);
        float[][] out = MixRun.of(session)
                .with(2 * RATE, session, LiveState.STOPPED.cut(true))
                .with(3 * RATE, session, LiveState.STOPPED)
                .constant(INPUT, 5 * RATE)
                .run(128);
        assertThat(MixRun.db(MixRun.peak(out[2], RATE + RATE / 2, 2 * RATE))).isCloseTo(-39.1, within(0.2));
        assertThat(MixRun.peak(out[2], 2 * RATE + RATE / 50, 3 * RATE)).isZero();
        assertRisesGently(java.util.Arrays.copyOfRange(out[2], 3 * RATE, 5 * RATE));
        assertThat(out[0][2 * RATE + RATE / 2]).as("the speakers go on").isEqualTo(out[0][2 * RATE - 1]);
    }

    @Test
    public void aDragTurnedRoundGoesOnFromWhereItStands() {
        Session off = session(Decibels.OFF);
        Session loud = session(Decibels.ZERO);
        MixRun run = MixRun.of(off);
        for (int step = 0; step < 20; step++) {
            run.then(CHANGE + 1600L * step, step % 2 == 0 ? loud : session(Decibels.of(-30)));
        }
        float[] left = run.constant(INPUT, 3 * RATE).run(64)[2];
        assertRisesGently(left);
        for (int n = 1; n < left.length; n++) {
            assertThat(Math.abs(left[n] - left[n - 1])).isLessThan((float) (INPUT / 480));
        }
    }

    @Test
    public void anotherFaderLeavesARiseUndisturbed() {
        Session off = session(Decibels.OFF);
        Session loud = session(Decibels.ZERO);
        Session nudged = new SetFader(TRACK, Decibels.of(-33)).applyTo(loud, RandomSessions.RIG);
        float[] alone =
                MixRun.of(off).then(CHANGE, loud).constant(INPUT, 2 * RATE).run(480)[2];
        float[] touched = MixRun.of(off)
                .then(CHANGE, loud)
                .then(CHANGE + 7777, nudged)
                .constant(INPUT, 2 * RATE)
                .run(480)[2];
        assertThat(touched).isEqualTo(alone);
    }

    private static Session session(Decibels send) {
        Cue cue = Cue.empty(CUE, 1, "Cue")
                .outTo(Optional.of(new PairId("phones-1")))
                .withSend(TRACK, each -> each.at(send));
        return RandomSessions.blank()
                .plus(Track.forInputs(TRACK, 5, "Fiddle", 1, List.of(Feed.from(new PortId("in-1"))))
                        .heard(Hear.ALWAYS))
                .plus(cue);
    }

    /** The larger of the two pairs at each frame, wherever the cue leaves. */
    private static float[] louderSide(float[][] out) {
        float[] louder = new float[out[2].length];
        for (int n = 0; n < louder.length; n++) {
            louder[n] = Math.max(Math.abs(out[2][n]), Math.abs(out[4][n]));
        }
        return louder;
    }

    /** From one tenth of a second to the next at most 6 dB louder; from nothing, at most -60 dB + 6. */
    private static void assertRisesGently(float[] samples) {
        int tenth = RATE / 10;
        for (int n = tenth; n < samples.length; n++) {
            double before = Math.max(Math.abs(samples[n - tenth]), 0.001 * INPUT);
            double now = Math.abs(samples[n]);
            if (now > before * 1.9975) {
                throw new AssertionError("At frame " + n + " it is " + MixRun.db(now / before)
                        + " dB louder than a tenth of a second before.");
            }
        }
    }
}
