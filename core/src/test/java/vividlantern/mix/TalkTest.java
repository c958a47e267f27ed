package vividlantern.mix;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static vividlantern.RandomSessions.RIG;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.basics.Refused;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.session.ControlRoom.ListenMic;
import vividlantern.session.ControlRoom.TalkbackMic;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Ears;
import vividlantern.units.Decibels;

/** What the control room says to performers: who hears it, how soon, how loud, and what becomes of their music. */
public class TalkTest {

    private static final int RATE = MixRun.RATE;
    private static final CueId ANNA = new CueId("anna");
    private static final CueId BEN = new CueId("ben");
    private static final TrackId FIDDLE = new TrackId("fiddle");
    private static final LiveState SITTING = LiveState.STOPPED.in(ControlRoomState.BEGINNING);
    /** Input 1 brings the fiddle, input 9 what is said. */
    private static final double MUSIC = 0.1;

    private static final double SPEECH = 0.05;
    /** The guard of the talkback mic and that of the pair look 1 ms ahead each. */
    private static final int GUARDS = 96;

    private static final int FALL = RATE / 100;
    private static final double DIM_DB = 20;
    /** A send of 0 dB in the centre. */
    private static final double HEARD = MUSIC * Math.sqrt(0.5);

    private static final Session SESSION = RandomSessions.blank()
            .plus(Input.of(new InputId("fiddle"), 1, "Fiddle").patchedTo(List.of(new PortId("in-1"))))
            .plus(Track.forInputs(FIDDLE, 3, "Fiddle", 1, List.of(Feed.from(new InputId("fiddle"), 0)))
                    .armed(true))
            .plus(cue(ANNA, 1))
            .plus(cue(BEN, 2))
            .withControlRoom(Optional.of(RandomSessions.blank()
                    .inControlRoom()
                    .talkingBy(Optional.of(new TalkbackMic(new PortId("in-9"), Decibels.ZERO, DIM_DB)))));

    private static Cue cue(CueId id, int number) {
        return Cue.empty(id, number, id.value())
                .outTo(Optional.of(new PairId("phones-" + number)))
                .withSend(FIDDLE, send -> send.at(Decibels.ZERO));
    }

    private static MixRun run(Session session, double speech, int frames) {
        float[][] inputs = new float[RandomSessions.INPUTS][frames];
        Arrays.fill(inputs[0], (float) MUSIC);
        Arrays.fill(inputs[8], (float) speech);
        return MixRun.of(MixPlan.compile(session, RIG, SITTING)).inputs(inputs);
    }

    @Test
    public void whoIsTalkedToHearsItWithinTenMillisecondsAndTheirMusicGoesDown() {
        float[][] out = run(SESSION, SPEECH, 3 * RATE)
                .talking(2 * RATE, Talk.to(Set.of(ANNA)), DIM_DB)
                .run(64);
        assertThat((double) out[2][2 * RATE - 1]).isCloseTo(HEARD, within(1e-6));
        for (int output : new int[] {2, 3}) {
            for (int n = 2 * RATE + FALL + GUARDS; n < 3 * RATE; n++) {
                assertThat((double) out[output][n]).isCloseTo(SPEECH + HEARD / 10, within(1e-6));
            }
        }
    }

    /** The same bits as if nobody had been talked to. */
    @Test
    public void othersHearNothingOfItNorDoTheSpeakers() {
        float[][] talked = run(SESSION, SPEECH, 2 * RATE)
                .talking(RATE, Talk.to(Set.of(ANNA)), DIM_DB)
                .run(64);
        float[][] untouched = run(SESSION, SPEECH, 2 * RATE).run(64);
        for (int output : new int[] {0, 1, 4, 5}) {
            assertThat(talked[output]).isEqualTo(untouched[output]);
        }
        assertThat(talked[2]).isNotEqualTo(untouched[2]);
    }

    @Test
    public void afterwardsItIsSilentWithinTenMillisecondsAndTheMusicComesBackBySixtyDecibelsASecond() {
        int end = 2 * RATE;
        float[] left = run(SESSION, 0, 3 * RATE)
                .talking(RATE, Talk.TO_ALL, DIM_DB)
                .talking(end, Talk.TO_NOBODY, DIM_DB)
                .run(64)[2];
        assertThat((double) left[end]).isCloseTo(HEARD / 10, within(1e-6));
        for (int n = end; n < end + RATE / 2; n += 480) {
            double riseDb = MixRun.db(left[n + 4800] / left[n]);
            assertThat(riseDb).isBetween(-0.01, 6.05);
        }
        assertThat((double) left[end + RATE / 2]).isCloseTo(HEARD, within(1e-6));
        float[] speech = run(SESSION, SPEECH, 3 * RATE)
                .talking(RATE, Talk.TO_ALL, 0)
                .talking(end, Talk.TO_NOBODY, 0)
                .run(64)[2];
        assertThat((double) speech[end + FALL + GUARDS]).isCloseTo(HEARD, within(1e-6));
    }

    @Test
    public void howeverLoudSomebodyTalksItStaysBelowTheCeiling() {
        Session loud = SESSION.withControlRoom(Optional.of(SESSION.inControlRoom()
                .talkingBy(Optional.of(new TalkbackMic(new PortId("in-9"), Decibels.of(12), 60)))));
        float[] left = run(loud, 0.9, 2 * RATE).talking(RATE, Talk.TO_ALL, 60).run(64)[2];
        assertThat(MixRun.db(MixRun.peak(left, RATE, 2 * RATE))).isBetween(-12.8, -12.0);
    }

    @Test
    public void itFollowsTheCuesLevelAndItsEarsAndIsCutWithTheHeadphones() {
        Session leftEar = SESSION.change(ANNA, cue -> cue.at(Ears.LEFT_ONLY).at(Decibels.of(-20)));
        float[][] out =
                run(leftEar, SPEECH, 2 * RATE).talking(0, Talk.TO_ALL, 60).run(128);
        assertThat((double) out[2][2 * RATE - 1]).isCloseTo(SPEECH / 10, within(2e-5));
        assertThat(out[3][2 * RATE - 1]).isZero();
        float[][] cut = run(SESSION, SPEECH, 2 * RATE)
                .talking(RATE, Talk.TO_ALL, DIM_DB)
                .cut(true)
                .run(128);
        assertThat(MixRun.peak(cut[2], 0, 2 * RATE)).isZero();
    }

    @Test
    public void theHeadphonesOfOneCueAreCutAndComeBackGently() {
        float[][] out = run(SESSION, SPEECH, 4 * RATE)
                .talking(0, Talk.to(Set.of(BEN)), DIM_DB)
                .cutting(2 * RATE, Set.of(ANNA))
                .cutting(3 * RATE, Set.of())
                .run(64);
        float[][] uncut = run(SESSION, SPEECH, 4 * RATE)
                .talking(0, Talk.to(Set.of(BEN)), DIM_DB)
                .run(64);
        assertThat(MixRun.peak(out[2], 2 * RATE + FALL + GUARDS, 3 * RATE)).isZero();
        for (int n = 3 * RATE + GUARDS + 480; n < 4 * RATE - 4800; n += 480) {
            assertThat(MixRun.db(out[2][n + 4800] / Math.max(out[2][n], 1e-4))).isLessThan(6.1);
        }
        assertThat((double) out[2][4 * RATE - 1]).isCloseTo(HEARD, within(0.02 * HEARD));
        assertThat(out[4]).as("another one goes on").isEqualTo(uncut[4]);
        float[][] both = run(SESSION, SPEECH, 2 * RATE)
                .talking(0, Talk.TO_ALL, DIM_DB)
                .cutting(0, Set.of(ANNA))
                .run(64);
        assertThat(MixRun.peak(both[2], 0, 2 * RATE)).as("nor is speech heard").isZero();
    }

    /** Random sessions whose cues are talked to by turns, rendered with another main mix: the same bits. */
    @Test
    public void aCueIsIndependentOfTheMainMixWhileItIsTalkedTo() {
        for (int seed = 0; seed < 25; seed++) {
            Random random = new Random(seed);
            Session session =
                    RandomSessions.processed(RandomSessions.session(seed), seed).withControlRoom(SESSION.controlRoom());
            Session moved = IndependenceTest.withAnotherMainMix(session, seed);
            Talk to = Talk.to(Set.of(
                    session.cues().get(random.nextInt(session.cues().size())).id()));
            float[][] one = talkedTo(session, to);
            float[][] other = talkedTo(moved, to);
            for (int output = 2; output < one.length; output++) {
                assertThat(one[output])
                        .as("session %d, output %d", seed, output)
                        .isEqualTo(other[output]);
            }
        }
    }

    private static float[][] talkedTo(Session session, Talk to) {
        return MixRun.of(session, SITTING)
                .noise(RATE / 2)
                .talking(6000, to, DIM_DB)
                .talking(15_000, Talk.TO_NOBODY, DIM_DB)
                .run(64);
    }

    @Test
    public void aFileHoldsNothingOfIt() {
        float[][] inputs = new float[RandomSessions.INPUTS][RATE];
        Arrays.fill(inputs[8], (float) SPEECH);
        float[][] out = MixRun.of(MixPlan.compile(SESSION, RIG, LiveState.STOPPED))
                .inputs(inputs)
                .talking(0, Talk.TO_ALL, 0)
                .run(128);
        assertThat(MixRun.peak(out[2], 0, RATE)).isZero();
    }

    @Test
    public void theSpeakersAreDimmedAndTheListenMicIsOffWhileOneTalks() {
        Session session = SESSION.withControlRoom(Optional.of(SESSION.inControlRoom()
                .listeningBy(Optional.of(new ListenMic(new PortId("in-10"), Decibels.ZERO, true)))));
        ControlRoomStanding quiet = ControlRoomStanding.of(session, RIG, SITTING);
        assertThat(quiet.listenMic().orElseThrow().heard())
                .as("while the song stands")
                .isTrue();
        assertThat(quiet.talkback().orElseThrow().to()).isEmpty();
        ControlRoomStanding talks = ControlRoomStanding.of(session, RIG, SITTING.talking(Talk.to(Set.of(BEN))));
        assertThat(talks.listenMic().orElseThrow().heldOff()).isEqualTo("Off by itself while you talk.");
        assertThat(talks.listenMic().orElseThrow().heard()).isFalse();
        assertThat(talks.speakers().get(0).gain()).isEqualTo(Decibels.of(-20));
        assertThat(talks.speakers().get(0).down()).isEqualTo("Dimmed while you talk.");
        assertThat(talks.talkback().orElseThrow().to()).containsExactly(BEN);
        ControlRoomStanding cut =
                ControlRoomStanding.of(session, RIG, SITTING.cut(Set.of(BEN)).talking(Talk.to(Set.of(BEN))));
        assertThat(cut.talkback().orElseThrow().on()).isTrue();
        assertThat(cut.talkback().orElseThrow().to()).containsExactly(BEN);
        assertThat(cut.talkback().orElseThrow().heard())
                .as("who hears nothing hears no speech")
                .isEmpty();
        ControlRoomStanding playing =
                ControlRoomStanding.of(session, RIG, LiveState.PLAYING.in(ControlRoomState.BEGINNING));
        assertThat(playing.listenMic().orElseThrow().heard())
                .as("while it plays")
                .isFalse();
    }

    @Test
    public void whatNobodyWouldHearIsRefusedAndWhatIsGoneIsForgotten() {
        Talk.TO_ALL.require(SESSION, RIG);
        refused(Talk.TO_ALL, RandomSessions.blank(), "There is no talkback mic yet.");
        refused(Talk.to(Set.of(new CueId("ghost"))), SESSION, "There is no cue 'ghost'");
        Session mute = SESSION.change(ANNA, cue -> cue.outTo(Optional.empty()));
        refused(Talk.to(Set.of(ANNA)), mute, "Cue anna leaves by no output pair, so nobody would hear you.");
        Session deaf = mute.change(BEN, cue -> cue.outTo(Optional.empty()));
        refused(Talk.TO_ALL, deaf, "No cue leaves by an output pair");
        assertThat(Talk.to(Set.of(ANNA, new CueId("ghost"))).among(SESSION)).isEqualTo(Talk.to(Set.of(ANNA)));
        assertThat(Talk.TO_ALL.among(RandomSessions.blank())).isEqualTo(Talk.TO_NOBODY);
    }

    private static void refused(Talk talk, Session session, String why) {
        assertThatThrownBy(() -> talk.require(session, RIG))
                .isInstanceOf(Refused.class)
                .hasMessageContaining(why);
    }
}
