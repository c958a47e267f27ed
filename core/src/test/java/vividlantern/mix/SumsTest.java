package vividlantern.mix;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.session.Feed;
import vividlantern.session.Hear;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.TrackWay;
import vividlantern.session.chain.Chain;
import vividlantern.session.chain.Chains;
import vividlantern.session.chain.EffectId;
import vividlantern.session.chain.EffectNumber;
import vividlantern.session.chain.EffectType;
import vividlantern.session.chain.EffectValue;
import vividlantern.session.chain.Inserted;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.TrackEdit.RemoveTrack;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** What becomes of tracks that go to a sum, on the speakers and in cues. */
public class SumsTest {

    private static final TrackId LOW = new TrackId("low");
    private static final TrackId HIGH = new TrackId("high");
    private static final TrackId ALONE = new TrackId("alone");
    private static final TrackId SUM = new TrackId("both");
    private static final CueId CUE = new CueId("c");
    private static final int LEFT_SPEAKER = 0;
    private static final int RIGHT_SPEAKER = 1;
    private static final int LEFT_EAR = 2;
    private static final int FRAMES = 144_000;

    private static Track mono(TrackId id, int position, int input) {
        Track plain = Track.forInputs(id, position, id.value(), 1, List.of(Feed.from(new PortId("in-" + input))));
        return plain.heard(Hear.ALWAYS).panned(Pan.of(-1));
    }

    /** Two tracks that go to a sum and one that does not, all to the left; a cue without a guard that hears nothing yet. */
    private static Session session() {
        return RandomSessions.blank()
                .plus(mono(LOW, 3, 1))
                .plus(mono(HIGH, 4, 2))
                .plus(mono(ALONE, 5, 3))
                .plus(Track.forSum(SUM, 6, "Both"))
                .withWays(List.of(TrackWay.to(LOW, SUM), TrackWay.to(HIGH, SUM)))
                .plus(Cue.empty(CUE, 1, "C")
                        .outTo(Optional.of(new PairId("phones-1")))
                        .guarded(false));
    }

    private static Session inCue(Session session) {
        return session.change(
                CUE, cue -> cue.withSend(SUM, send -> send.at(Decibels.ZERO).panned(Pan.CENTRE)));
    }

    private static Session compressed(Session session) {
        Inserted compressor = Inserted.of(new EffectId("c"), EffectType.COMPRESSOR)
                .with(List.of(
                        new EffectValue(EffectNumber.THRESHOLD, -20),
                        new EffectValue(EffectNumber.RATIO, 2),
                        new EffectValue(EffectNumber.KNEE, 0)));
        return session.withChains(List.of(new Chains(SUM, Chain.EMPTY, new Chain(true, List.of(compressor)))));
    }

    private static double db(float[][] out, int output) {
        return MixRun.db(Math.abs(out[output][out[output].length - 1]) / 0.1);
    }

    private static float[][] constant(Session session) {
        return MixRun.of(session).constant(0.1, FRAMES).run(64);
    }

    /** 0.1 twice and once more: 9.54 dB; the two less 6 dB by the sum's fader, and one as it is: 6.03 dB. */
    @Test
    public void aSumHasOneLevelForAllThatGoesIntoIt() {
        Session session = session();
        assertThat(db(constant(session), LEFT_SPEAKER)).isCloseTo(9.54, within(0.01));
        Session lower = session.change(SUM, sum -> sum.faded(Decibels.of(-6)));
        assertThat(db(constant(lower), LEFT_SPEAKER)).isCloseTo(6.03, within(0.01));
        Session right = session.change(SUM, sum -> sum.panned(Pan.of(1)));
        assertThat(db(constant(right), LEFT_SPEAKER))
                .as("its balance takes the left away")
                .isCloseTo(0, within(0.01));
        Session muted = session.change(SUM, sum -> sum.muted(true));
        assertThat(db(constant(muted), LEFT_SPEAKER)).isCloseTo(0, within(0.01));
        Session nowhere = session.withWays(
                List.of(TrackWay.to(LOW, SUM), TrackWay.to(HIGH, SUM), TrackWay.nowhere(SUM), TrackWay.nowhere(ALONE)));
        assertThat(MixRun.peak(constant(nowhere)[LEFT_SPEAKER], 0, FRAMES)).isZero();
    }

    /** With nothing in its chains and at 0 dB, a sum changes no more than the last bit of what it adds up. */
    @Test
    public void aSumThatDoesNothingIsNotHeard() {
        Session straight = session().withWays(List.of());
        float[][] one = MixRun.of(straight).noise(FRAMES).run(480);
        float[][] other = MixRun.of(session()).noise(FRAMES).run(480);
        for (int n = 480; n < FRAMES; n++) {
            assertThat((double) other[LEFT_SPEAKER][n]).isCloseTo(one[LEFT_SPEAKER][n], within(2e-7));
        }
        float[][] going = MixRun.of(straight)
                .goingOn(480 * 50, session(), LiveState.STOPPED)
                .constant(0.1, FRAMES)
                .run(480);
        for (int n = 480 * 49; n < FRAMES; n++) {
            assertThat((double) going[LEFT_SPEAKER][n])
                    .as("on the way to the sum")
                    .isCloseTo(0.3, within(1e-6));
        }
    }

    /** Both are -13.98 dBFS together, 6.02 above the threshold of -20: at 2 : 1 they lose 3.01 dB, and neither alone would. */
    @Test
    public void oneCompressorWorksOnTheirSum() {
        Session session = compressed(session())
                .withWays(List.of(TrackWay.to(LOW, SUM), TrackWay.to(HIGH, SUM), TrackWay.nowhere(ALONE)));
        assertThat(db(constant(session), LEFT_SPEAKER)).isCloseTo(3.01, within(0.02));
    }

    /** The track's own solo leaves its sum open, and a sum's solo leaves in all that goes into it. */
    @Test
    public void soloGoesThroughSums() {
        Session one = session().change(LOW, track -> track.soloed(true));
        assertThat(db(constant(one), LEFT_SPEAKER)).isCloseTo(0, within(0.01));
        Session both = session().change(SUM, track -> track.soloed(true));
        assertThat(db(constant(both), LEFT_SPEAKER)).isCloseTo(6.02, within(0.01));
        Session safe = session().change(SUM, track -> track.soloSafe(true)).change(ALONE, track -> track.soloed(true));
        assertThat(db(constant(safe), LEFT_SPEAKER)).isCloseTo(9.54, within(0.01));
    }

    /** In a cue it has its tracks' faders and mutes; of solo, its own fader and the main level no cue knows. */
    @Test
    public void aCueHearsASumBehindItsTracksFaders() {
        Session session = inCue(session());
        assertThat(db(constant(session), LEFT_EAR)).isCloseTo(6.02, within(0.01));
        Session lower =
                session.change(LOW, track -> track.muted(true)).change(HIGH, track -> track.faded(Decibels.of(-3)));
        assertThat(db(constant(lower), LEFT_EAR)).isCloseTo(-3, within(0.01));
        Session mainMoved = session.change(ALONE, track -> track.soloed(true))
                .change(SUM, sum -> sum.faded(Decibels.OFF).muted(true).panned(Pan.of(1)));
        float[][] before = MixRun.of(compressed(session)).noise(FRAMES).run(64);
        float[][] after = MixRun.of(compressed(mainMoved)).noise(FRAMES).run(64);
        assertThat(Arrays.mismatch(before[LEFT_EAR], after[LEFT_EAR])).isEqualTo(-1);
        assertThat(MixRun.peak(before[LEFT_EAR], 0, FRAMES)).isGreaterThan(0.1);
    }

    /** A fader into a sum and the sum's send, both raised at once, rise together by no more than 60 dB a second. */
    @Test
    public void whatRisesInASumAndBehindItRisesNoFasterThanOneMay() {
        Session low = inCue(session())
                .change(LOW, track -> track.faded(Decibels.of(-40)))
                .change(HIGH, track -> track.faded(Decibels.OFF))
                .change(CUE, cue -> cue.withSend(SUM, send -> send.at(Decibels.of(-20))));
        Session high = inCue(session()).change(HIGH, track -> track.faded(Decibels.OFF));
        float[] out =
                MixRun.of(low).then(64 * 2000, high).constant(0.1, 288_000).run(64)[LEFT_EAR];
        for (int n = 64 * 1990; n < out.length - 480; n++) {
            assertThat(MixRun.db(out[n + 480] / out[n])).isLessThan(0.62);
        }
        assertThat((double) out[out.length - 1]).isCloseTo(0.1, within(1e-6));
    }

    /** A limiter in the sum makes it 60 frames late; the track beside it waits as long on the speakers, and not in a cue. */
    @Test
    public void onTheSpeakersAllIsInLineBehindASum() {
        Inserted limiter = Inserted.of(new EffectId("l"), EffectType.LIMITER);
        Session session = inCue(session())
                .withChains(List.of(new Chains(SUM, Chain.EMPTY, new Chain(true, List.of(limiter)))))
                .change(ALONE, track -> track.panned(Pan.of(1)))
                .change(
                        CUE,
                        cue -> cue.withSend(
                                ALONE, send -> send.at(Decibels.ZERO).panned(Pan.of(1))));
        float[][] out = MixRun.of(session).pulses(24_000, 0.1, 288_000).run(64);
        assertThat(lastPulse(out[LEFT_SPEAKER])).isEqualTo(264_060);
        assertThat(lastPulse(out[RIGHT_SPEAKER])).isEqualTo(264_060);
        assertThat(lastPulse(out[LEFT_EAR])).as("and the guard's 60").isEqualTo(264_120);
        assertThat(lastPulse(out[LEFT_EAR + 1]))
                .as("who plays waits for nothing else")
                .isEqualTo(264_060);
    }

    @Test
    public void nobodyWaitsForATrackThatGoesNowhere() {
        Inserted limiter = Inserted.of(new EffectId("l"), EffectType.LIMITER);
        Session session = session()
                .withWays(List.of(TrackWay.nowhere(LOW)))
                .withChains(List.of(new Chains(LOW, Chain.EMPTY, new Chain(true, List.of(limiter)))));
        float[][] out = MixRun.of(session).pulses(24_000, 0.1, 288_000).run(64);
        assertThat(lastPulse(out[LEFT_SPEAKER])).isEqualTo(264_000);
    }

    /** When the last pulse comes; by then all gains have arrived. */
    private static int lastPulse(float[] samples) {
        for (int n = 263_000; n < samples.length; n++) {
            if (Math.abs(samples[n]) > 0.05) {
                return n;
            }
        }
        return -1;
    }

    @Test
    public void aSumRemovedWhileItSoundsCrossFadesIntoWhatItsTracksDoThen() {
        Session with = session().change(SUM, sum -> sum.faded(Decibels.of(-12)));
        Session without = new RemoveTrack(SUM).applyTo(with, RandomSessions.RIG);
        float[] out = MixRun.of(with)
                .goingOn(480 * 50, without, LiveState.STOPPED)
                .constant(0.1, FRAMES)
                .run(480)[LEFT_SPEAKER];
        assertThat((double) out[480 * 50 - 1]).isCloseTo(0.1 + 0.2 * Math.pow(10, -12 / 20.0), within(1e-6));
        for (int n = 480 * 49; n < FRAMES - 1; n++) {
            assertThat((double) out[n + 1])
                    .isGreaterThanOrEqualTo(out[n] - 1e-6)
                    .isLessThan(out[n] + 0.001);
        }
        assertThat((double) out[FRAMES - 1]).isCloseTo(0.3, within(1e-6));
    }

    @Test
    public void aRowSaysWhereItsSoundStops() {
        Session session = inCue(session()).change(SUM, sum -> sum.muted(true));
        assertThat(standing(session, LOW).offSpeakers()).isEqualTo("Both is muted");
        assertThat(standing(session, LOW).cues()).as("by the sum").containsExactly(CUE);
        assertThat(standing(session, ALONE).cues()).isEmpty();
        assertThat(standing(session, SUM).fedBy()).isEqualTo("low, high");
        assertThat(standing(session, SUM).cues()).containsExactly(CUE);
        Session nowhere = session().withWays(List.of(TrackWay.to(LOW, SUM), TrackWay.nowhere(SUM)));
        assertThat(standing(nowhere, LOW).offSpeakers()).isEqualTo("Both goes nowhere");
        assertThat(standing(nowhere, SUM).offSpeakers()).isEqualTo("goes nowhere");
        Session empty = inCue(session()).withWays(List.of());
        assertThat(standing(empty, SUM).cues()).as("nothing goes into it").isEmpty();
    }

    /** In a folder with all that goes through it, a sum is the folder's one level; with something beside it, it is none's. */
    @Test
    public void aFolderHasOneLevelIfAllInItGoesThroughASum() {
        UnaryOperator<Track> inFolder = track -> track.looking(track.look().inFolder("Drums"));
        Session session = session().change(LOW, inFolder).change(HIGH, inFolder);
        assertThat(standing(session, SUM).levelOf()).as("it stands elsewhere").isEmpty();
        session = session.change(SUM, inFolder);
        assertThat(standing(session, SUM).levelOf()).isEqualTo("Drums");
        assertThat(standing(session, LOW).levelOf()).isEmpty();
        assertThat(standing(session.change(ALONE, inFolder), SUM).levelOf()).isEmpty();
    }

    private static TrackStanding standing(Session session, TrackId track) {
        List<TrackStanding> all = TrackStanding.of(session, RandomSessions.RIG, LiveState.STOPPED, Set.of());
        return all.stream()
                .filter(each -> each.track().equals(track))
                .findFirst()
                .orElseThrow();
    }

    /** The fader at -6, the sum at -4 and trimmed by 1 dB, in a cue at -2: the send stands at -7 dB; the sum itself is not sent. */
    @Test
    public void startFromMainGoesThroughSumsAndNamesWhatSendsCannotSay() {
        Session session = compressed(inCue(session()))
                .change(LOW, track -> track.faded(Decibels.of(-6)))
                .change(SUM, sum -> sum.faded(Decibels.of(-4)).trimmed(Decibels.of(1)))
                .change(CUE, cue -> cue.at(Decibels.of(-2)));
        StartFromMain start = StartFromMain.of(
                session, RandomSessions.RIG, LiveState.STOPPED, CUE, new StartFromMain.Taken(true, true, true));
        Cue made = Edit.applyAll(start.edits(), session, RandomSessions.RIG)
                .find(CUE)
                .orElseThrow();
        assertThat(made.send(LOW).orElseThrow().level()).isEqualTo(Decibels.of(-7));
        assertThat(made.send(SUM).orElseThrow().level()).isEqualTo(Decibels.OFF);
        assertThat(start.limited()).isEqualTo("The cue hears the tracks without the compressor of Both.");
        StartFromMain pans = StartFromMain.of(
                session, RandomSessions.RIG, LiveState.STOPPED, CUE, new StartFromMain.Taken(false, true, false));
        assertThat(pans.limited()).isEmpty();
    }
}
