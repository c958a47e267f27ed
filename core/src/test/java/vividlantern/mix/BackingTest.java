package vividlantern.mix;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.Random;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.click.Passage;
import vividlantern.playback.SoundsInMemory;
import vividlantern.rig.PairId;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.BackingEdit.AddBacking;
import vividlantern.session.edit.BackingEdit.SetBacking;
import vividlantern.session.edit.TempoEdit.SetTempo;
import vividlantern.session.edit.TrackEdit.RemoveTrack;
import vividlantern.session.song.Backing;
import vividlantern.session.song.Media;
import vividlantern.session.song.NoteValue;
import vividlantern.session.song.TempoMap;
import vividlantern.units.Decibels;
import vividlantern.units.Noise;

/** What backing tracks play reaches who has a send of it and the speakers, to the frame, like any other track. */
public class BackingTest {

    private static final TrackId GUIDE = new TrackId("guide");
    private static final int FRAMES = 96_000;
    /** The guard before headphones looks so far ahead. */
    private static final int GUARD_FRAMES = 60;

    private final SoundsInMemory sounds = new SoundsInMemory();

    /** A guide on the speakers and at -6 dB in the first cue; the second cue does not hear it. */
    private Session guided(Media media) {
        Session session = new AddBacking(GUIDE, "Guide", media).applyTo(RandomSessions.blank(), RandomSessions.RIG);
        Cue hears = Cue.empty(new CueId("c1"), 1, "One")
                .outTo(Optional.of(new PairId("phones-1")))
                .withSend(GUIDE, send -> send.at(Decibels.of(-6)));
        Cue without = Cue.empty(new CueId("c2"), 2, "Two").outTo(Optional.of(new PairId("phones-2")));
        return session.plus(hears).plus(without);
    }

    private MixRun run(Session session) {
        return MixRun.of(session, LiveState.PLAYING, sounds)
                .constant(0, FRAMES)
                .playing(-48_000, Passage.from(-48_000, 0));
    }

    private Media noise(int channels) {
        float[][] samples = new float[channels][480_000];
        for (int channel = 0; channel < channels; channel++) {
            for (int n = 0; n < 480_000; n++) {
                samples[channel][n] = (float) (Noise.uniform(channel, n) - 0.5) / 2;
            }
        }
        return sounds.keep("noise" + channels, samples);
    }

    @Test
    public void eachSideArrivesAsItIsInTheFile() {
        Session session = guided(sounds.counting("count", 2, 480_000));
        for (int block : new int[] {64, 480, 4096}) {
            float[][] out = run(session).run(block);
            assertThat(out[0][47_999]).isZero();
            for (int n = 0; n < 40_000; n++) {
                assertThat(out[0][48_000 + n]).isEqualTo(SoundsInMemory.at(n));
                assertThat(out[1][48_000 + n]).isEqualTo(-SoundsInMemory.at(n));
            }
            double send = Decibels.of(-6).gain();
            assertThat(out[2][48_000 + GUARD_FRAMES + 30_000])
                    .isCloseTo((float) (send * SoundsInMemory.at(30_000)), within(1e-7f));
            assertThat(MixRun.peak(out[4], 0, FRAMES)).as("who has no send").isZero();
        }
    }

    @Test
    public void theMapIsEditedUnderItAndItFollowsItsBarOrItsTime() {
        Session session = guided(sounds.counting("count", 2, 480_000)).with(TempoMap.steady(120, 4, 4));
        Backing whole = session.backing(GUIDE).orElseThrow();
        Backing late = new Backing(GUIDE, whole.media(), Backing.Follows.BARS, 1, 3, 0, 0, 10, false);
        Session atBar = new SetBacking(late).applyTo(session, RandomSessions.RIG);
        Session faster = new SetTempo(1, 1, 240, NoteValue.CROTCHET, false).applyTo(atBar, RandomSessions.RIG);
        for (int block : new int[] {64, 480, 1000}) {
            float[][] out =
                    run(atBar).goingOn(30_000, faster, LiveState.PLAYING).run(block);
            assertThat(out[0][48_000 + 23_999]).isZero();
            assertThat(out[0][48_000 + 24_000]).as("a half bar at 240").isEqualTo(SoundsInMemory.at(0), within(1e-9f));
        }
        Backing timed = new Backing(GUIDE, whole.media(), Backing.Follows.TIME, 1, 1, 0.25, 0, 10, false);
        Session atTime = new SetBacking(timed).applyTo(session, RandomSessions.RIG);
        Session fasterToo = new SetTempo(1, 1, 240, NoteValue.CROTCHET, false).applyTo(atTime, RandomSessions.RIG);
        float[][] out =
                run(atTime).goingOn(70_000, fasterToo, LiveState.PLAYING).run(480);
        for (int n = 0; n < 30_000; n++) {
            assertThat(out[0][60_000 + n]).isEqualTo(SoundsInMemory.at(n));
        }
    }

    /** Another track goes, and this one's sound moves to another wire: nobody hears anything of it. */
    @Test
    public void oneThatIsRemovedFadesOutAndLeavesTheOthersAlone() {
        Session one = guided(noise(1));
        TrackId first = new TrackId("first");
        Session two = new AddBacking(first, "First", noise(2)).applyTo(one, RandomSessions.RIG);
        Session both = two.change(new CueId("c2"), cue -> cue.withSend(first, send -> send.at(Decibels.ZERO)));
        Session left = new RemoveTrack(first).applyTo(both, RandomSessions.RIG);
        float[][] alone = run(one).run(480);
        float[][] out = run(both).goingOn(72_000, left, LiveState.PLAYING).run(480);
        assertThat(out[2]).as("the other one's cue").isEqualTo(alone[2]);
        assertThat(MixRun.peak(out[4], 60_000, 72_000)).isGreaterThan(0.1);
        assertThat(MixRun.peak(out[4], 72_000 + 480 + GUARD_FRAMES, FRAMES)).isZero();
        assertThat(MixRun.peak(out[4], 72_000 + GUARD_FRAMES + 50, 72_000 + GUARD_FRAMES + 150))
                .as("on its way out")
                .isGreaterThan(0.05);
    }

    /** A main path that does anything changes no bit of what a guide is in a cue. */
    @Test
    public void aCueWithAGuideHearsNothingOfTheMainPath() {
        Random random = new Random(14);
        Session calm = guided(noise(2));
        float[][] reference = run(calm).run(480);
        assertThat(MixRun.peak(reference[2], 50_000, FRAMES)).isGreaterThan(0.1);
        for (int round = 0; round < 10; round++) {
            MixRun run = run(calm);
            Session wild = calm;
            for (int change = 1; change < 8; change++) {
                wild = RandomSessions.mainEdit(wild, random).applyTo(wild, RandomSessions.RIG);
                run.goingOn(change * 11_000L, wild, LiveState.PLAYING);
            }
            float[][] out = run.run(480);
            assertThat(out[2]).isEqualTo(reference[2]);
            assertThat(out[3]).isEqualTo(reference[3]);
        }
    }
}
