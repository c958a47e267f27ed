package vividlantern.mix;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.Tap;
import vividlantern.session.edit.Edit;

/** No control of the main path changes a cue by one bit, and no cue is proven by silence. */
public class IndependenceTest {

    private static final int FRAMES = 24_000;

    @Test
    public void sixtyRandomSessionsRenderedWithAnotherMainMixGiveTheSameCues() {
        int differing = 0;
        for (int seed = 0; seed < 60; seed++) {
            Session session = RandomSessions.processed(RandomSessions.session(seed), seed);
            float[][] first = MixRun.of(session).noise(FRAMES).run(480);
            float[][] second =
                    MixRun.of(withAnotherMainMix(session, seed)).noise(FRAMES).run(480);
            assertCuesAreTheSameAndSound(session, seed, first, second);
            differing += java.util.Arrays.equals(first[0], second[0]) ? 0 : 1;
        }
        assertThat(differing).as("main mixes that did change").isGreaterThan(45);
    }

    @Test
    public void threeHundredMainEditsWhileItRunsLeaveTheCuesUntouched() {
        for (int seed = 0; seed < 3; seed++) {
            Session session = RandomSessions.processed(RandomSessions.session(seed), seed);
            Random random = new Random(seed);
            MixRun edited = MixRun.of(session);
            Session now = session;
            for (int edit = 1; edit <= 300; edit++) {
                now = RandomSessions.mainEdit(now, random).applyTo(now, RandomSessions.RIG);
                edited.then(64L * edit, now);
            }
            float[][] untouched = MixRun.of(session).noise(64 * 400).run(64);
            assertCuesAreTheSameAndSound(
                    session, seed, untouched, edited.noise(64 * 400).run(64));
        }
    }

    @Test
    public void aPostFaderSendFollowsTheSpeakersAndSaysSo() {
        Session session = RandomSessions.session(1);
        Cue cue = session.cues().get(0);
        TrackId track = new TrackId("t0");
        Session postFader = session.change(cue.id(), each -> each.withSend(track, send -> send.from(Tap.POST_FADER)));
        assertThat(postFader.cues().get(0).send(track).orElseThrow().followsTheSpeakers())
                .isTrue();
        Session muted = postFader.change(track, each -> each.muted(!each.muted()));
        assertThat(MixRun.of(postFader).noise(4800).run(480)[2])
                .isNotEqualTo(MixRun.of(muted).noise(4800).run(480)[2]);
    }

    static Session withAnotherMainMix(Session session, int seed) {
        Random random = new Random(1000 + seed);
        Session now = session;
        for (int edit = 0; edit < 40; edit++) {
            Edit change = RandomSessions.mainEdit(now, random);
            now = change.applyTo(now, RandomSessions.RIG);
        }
        return now;
    }

    private static void assertCuesAreTheSameAndSound(Session session, int seed, float[][] first, float[][] second) {
        for (int cue = 0; cue < session.cues().size(); cue++) {
            for (int side = 0; side < 2; side++) {
                int output = 2 + 2 * cue + side;
                assertThat(second[output])
                        .as("cue %s, side %s, seed %s", cue, side, seed)
                        .isEqualTo(first[output]);
            }
            double peak = Math.max(
                    MixRun.peak(first[2 + 2 * cue], 0, first[0].length),
                    MixRun.peak(first[3 + 2 * cue], 0, first[0].length));
            assertThat(MixRun.db(peak)).as("cue %s, seed %s", cue, seed).isGreaterThan(-60);
        }
    }
}
