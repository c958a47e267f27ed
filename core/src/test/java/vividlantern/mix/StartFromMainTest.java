package vividlantern.mix;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.basics.Refused;
import vividlantern.mix.StartFromMain.Taken;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Send;
import vividlantern.session.cue.Tap;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.SessionEdit.SetMainLevel;
import vividlantern.session.edit.TrackEdit.SetFader;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** A cue that starts from main is the main mix; of what is not taken nothing changes. */
public final class StartFromMainTest {

    private static final int FRAMES = 5 * MixRun.RATE;
    private static final TrackId FIRST = new TrackId("t0");
    private static final Taken ALL = new Taken(true, true, true);

    private static Session started(Session session, CueId cue, Taken taken) {
        List<Edit> edits = StartFromMain.of(session, RandomSessions.RIG, LiveState.STOPPED, cue, taken)
                .edits();
        return Edit.applyAll(edits, session, RandomSessions.RIG);
    }

    /** What the speakers get and what the cue gets, the guard's delay later, differ by less than -120 dBFS once all gains have arrived: three in series take 3 s. */
    @Test
    public void theCueAndTheMainMixCancel() {
        int compared = 0;
        for (int seed = 0; seed < 40; seed++) {
            Session session = RandomSessions.session(seed);
            CueId cue = session.cues().get(0).id();
            Session ready = session.change(cue, each -> each.guarded(false));
            StartFromMain start = StartFromMain.of(ready, RandomSessions.RIG, LiveState.STOPPED, cue, ALL);
            if (!start.limited().isEmpty()) {
                continue;
            }
            Session made = Edit.applyAll(start.edits(), ready, RandomSessions.RIG);
            Cue heard = made.find(cue).orElseThrow();
            int later = new CuePaths(made, RandomSessions.RIG, LiveState.STOPPED).processingFrames(0, heard);
            float[][] out = MixRun.of(made).noise(FRAMES).run(480);
            double forAll = heard.level().gain();
            double worst = 0;
            for (int side = 0; side < 2; side++) {
                for (int n = 4 * MixRun.RATE; n + later < FRAMES; n++) {
                    worst = Math.max(worst, Math.abs(out[side][n] - out[2 + side][n + later]));
                }
            }
            assertThat(worst).as("seed %s, cue at %s", seed, forAll).isLessThan(1e-6);
            compared += MixRun.peak(out[0], 4 * MixRun.RATE, FRAMES) > 0.01 ? 1 : 0;
        }
        assertThat(compared).as("mixes that sound").isGreaterThan(15);
    }

    @Test
    public void onlyWhatIsWishedIsTaken() {
        Session session = RandomSessions.session(3);
        Cue before = session.cues().get(0);
        Session panned = started(session, before.id(), new Taken(false, true, false));
        for (Send send : panned.find(before.id()).orElseThrow().sends()) {
            Send was = before.send(send.trackId()).orElseThrow();
            Track track = session.find(send.trackId()).orElseThrow();
            assertThat(send).isEqualTo(was.panned(track.pan()).panAsMain(false));
        }
        Session muted =
                started(session.change(FIRST, each -> each.muted(true)), before.id(), new Taken(false, false, true));
        Send first = muted.find(before.id()).flatMap(cue -> cue.send(FIRST)).orElseThrow();
        assertThat(first).isEqualTo(before.send(FIRST).orElseThrow().muted(true));
    }

    /** A fader at -6 dB under a main level of -4, in a cue at -2 dB: the send stands at -8 dB, pre-fader. */
    @Test
    public void theMainLevelCountsAndTheCuesIsLeftOut() {
        Session session = RandomSessions.session(5);
        CueId cue = session.cues().get(0).id();
        Session set = Edit.applyAll(
                        List.of(new SetMainLevel(Decibels.of(-4)), new SetFader(FIRST, Decibels.of(-6))),
                        session,
                        RandomSessions.RIG)
                .change(cue, each -> each.at(Decibels.of(-2)).withSend(FIRST, send -> send.from(Tap.INPUT)));
        Send send = started(set, cue, ALL)
                .find(cue)
                .flatMap(each -> each.send(FIRST))
                .orElseThrow();
        assertThat(send.level()).isEqualTo(Decibels.of(-8));
        Send linked = started(set.change(cue, each -> each.linkedToMain(true)), cue, ALL)
                .find(cue)
                .flatMap(each -> each.send(FIRST))
                .orElseThrow();
        assertThat(linked.level()).as("the main level moves it already").isEqualTo(Decibels.of(-4));
        assertThat(send.tap()).isEqualTo(Tap.PRE_FADER);
        assertThat(send.pan()).isEqualTo(set.find(FIRST).map(Track::pan).orElse(Pan.CENTRE));
    }

    @Test
    public void whatWouldBeLouderThanASendCanBeIsNamed() {
        Session session = RandomSessions.session(5);
        CueId cue = session.cues().get(0).id();
        Session loud = Edit.applyAll(
                        List.of(new SetMainLevel(Decibels.of(6)), new SetFader(FIRST, Decibels.of(9))),
                        session,
                        RandomSessions.RIG)
                .change(cue, each -> each.at(Decibels.ZERO));
        StartFromMain start = StartFromMain.of(loud, RandomSessions.RIG, LiveState.STOPPED, cue, ALL);
        assertThat(start.limited())
                .contains(loud.find(FIRST).orElseThrow().name())
                .contains("+12.0 dB");
        assertThatThrownBy(() -> started(session, new CueId("nobody"), ALL)).isInstanceOf(Refused.class);
    }
}
