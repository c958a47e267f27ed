package vividlantern.mix;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.click.Passage;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.session.Feed;
import vividlantern.session.Hear;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.units.Decibels;

/** What lamps and level lines show is what is really there. */
public class LightsTest {

    private static final TrackId FIDDLE = new TrackId("fiddle");
    private static final double LEVEL = 0.125;

    private Session session;

    @BeforeMethod
    public void begin() {
        Input input = Input.of(new InputId("fiddle"), 1, "Fiddle").patchedTo(List.of(new PortId("in-3")));
        Cue cue = Cue.empty(new CueId("cue"), 1, "Cue")
                .outTo(Optional.of(new PairId("phones-2")))
                .at(Decibels.of(-6))
                .withSend(FIDDLE, send -> send.at(Decibels.of(-20)));
        session = RandomSessions.blank()
                .plus(input)
                .plus(Input.of(new InputId("spare"), 2, "Spare"))
                .plus(Track.forInputs(FIDDLE, 5, "Fiddle", 1, List.of(Feed.from(input.id(), 0)))
                        .heard(Hear.ALWAYS)
                        .trimmed(Decibels.of(6))
                        .faded(Decibels.of(-14)))
                .plus(cue);
    }

    /** Where a cue's clips, its guard and its click are read: of two sends the click's alone. */
    @Test
    public void whatIsReadOfACueHasItsPlace() {
        CueId cue = new CueId("cue");
        session = session.change(cue, each -> each.withSend(new TrackId("click"), send -> send.at(Decibels.of(-9))));
        MixState state =
                new Mixer(MixRun.RATE, 480).prepare(MixPlan.compile(session, RandomSessions.RIG, LiveState.STOPPED));
        Lights lights = new Lights(session, RandomSessions.RIG, LiveState.STOPPED, state);
        Lights.OfCue of = lights.cues().get(cue);
        assertThat(lights.keys().get(of.clips())).isEqualTo("clip/cue/cue");
        assertThat(lights.keys().get(of.guard())).isEqualTo("guard/cue");
        assertThat(of.clicks()).extracting(lights.keys()::get).containsExactly("send/cue/click");
    }

    @Test
    public void anInputShowsWhatComesInAtItsPort() {
        assertThat(value("input/fiddle", LiveState.STOPPED)).isCloseTo(LEVEL, within(1e-6));
        assertThat(value("input/spare", LiveState.STOPPED)).isZero();
        assertThat(value("track/fiddle", LiveState.STOPPED)).isCloseTo(LEVEL, within(1e-6));
    }

    @Test
    public void aTrackShowsWhatItGivesToTheSpeakersTrimAndFaderIncluded() {
        assertThat(value("main/fiddle", LiveState.STOPPED)).isCloseTo(LEVEL * 0.398107, within(1e-6));
        session = session.change(FIDDLE, track -> track.muted(true));
        assertThat(value("main/fiddle", LiveState.STOPPED)).isZero();
    }

    @Test
    public void aSendShowsWhatItGivesToTheCueAndNothingWhileHeadphonesAreCut() {
        assertThat(value("send/cue/fiddle", LiveState.STOPPED)).isCloseTo(LEVEL * 0.199526, within(1e-6));
        assertThat(value("send/cue/fiddle", LiveState.STOPPED.cut(true))).isZero();
    }

    @Test
    public void aCutInputComesInAndReachesNobody() {
        session = session.change(new InputId("fiddle"), input -> input.cut(true));
        assertThat(value("input/fiddle", LiveState.STOPPED)).isCloseTo(LEVEL, within(1e-6));
        assertThat(value("track/fiddle", LiveState.STOPPED)).isCloseTo(LEVEL, within(1e-6));
        assertThat(value("main/fiddle", LiveState.STOPPED)).isZero();
        assertThat(value("send/cue/fiddle", LiveState.STOPPED)).isZero();
    }

    @Test
    public void whileASwitchIsThrownAtItsPreampAnInputReachesNobody() {
        LiveState switching = LiveState.STOPPED.silencing(Set.of(2));
        assertThat(value("input/fiddle", switching)).isCloseTo(LEVEL, within(1e-6));
        assertThat(value("main/fiddle", switching)).isZero();
        assertThat(value("send/cue/fiddle", switching)).isZero();
    }

    @Test
    public void aStereoInputShowsTheLouderOfItsSides() {
        session = session.change(
                new InputId("spare"),
                input -> input.widened(2).patchedTo(List.of(new PortId("in-1"), new PortId("in-3"))));
        assertThat(value("input/spare", LiveState.STOPPED)).isCloseTo(LEVEL, within(1e-6));
    }

    @Test
    public void aCueAndTheSpeakersShowWhatLeavesTheInterface() {
        assertThat(value("cue/cue", LiveState.STOPPED)).isCloseTo(LEVEL * 0.1 * Math.sqrt(0.5), within(1e-5));
        assertThat(value("main", LiveState.STOPPED)).isCloseTo(LEVEL * 0.398107 * Math.sqrt(0.5), within(1e-5));
        assertThat(value("guard/cue", LiveState.STOPPED)).isEqualTo(1);
    }

    @Test
    public void whatLeavesToACueClipsAtFullScaleAndNotBelowIt() {
        assertThat(value("clip/cue/cue", LiveState.STOPPED)).isZero();
        session = session.withCues(List.of(session.find(new CueId("cue"))
                .orElseThrow()
                .guarded(false)
                .at(Decibels.of(12))
                .withSend(FIDDLE, send -> send.at(Decibels.of(12)))));
        assertThat(value("cue/cue", LiveState.STOPPED)).isGreaterThan(1);
        assertThat(value("clip/cue/cue", LiveState.STOPPED)).isEqualTo(1);
    }

    /** The first one is at -6 dB as a whole, the other at -12.02 dB. */
    @Test
    public void cuesThatShareAPairShowTheirOwnLevels() {
        CueId other = new CueId("other");
        session = session.plus(Cue.empty(other, 2, "Other")
                .outTo(session.find(new CueId("cue")).orElseThrow().output())
                .at(Decibels.ofGain(Decibels.of(-6).gain() / 2))
                .withSend(FIDDLE, send -> send.at(Decibels.of(-20))));
        double first = LEVEL * 0.1 * Math.sqrt(0.5);
        assertThat(value("cue/cue", LiveState.STOPPED)).isCloseTo(first, within(1e-5));
        assertThat(value("cue/other", LiveState.STOPPED)).isCloseTo(first / 2, within(1e-5));
        assertThat(value("pair/phones-2", LiveState.STOPPED)).isCloseTo(first * 1.5, within(1e-5));
    }

    @Test
    public void everyPartThatSoundsHasAKey() {
        MixState state =
                new Mixer(MixRun.RATE, 480).prepare(MixPlan.compile(session, RandomSessions.RIG, LiveState.STOPPED));
        assertThat(new Lights(session, RandomSessions.RIG, LiveState.STOPPED, state).keys())
                .containsExactlyInAnyOrder(
                        "input/fiddle",
                        "clip/fiddle",
                        "input/spare",
                        "clip/spare",
                        "track/click",
                        "main/click",
                        "track/click-between",
                        "main/click-between",
                        "track/fiddle",
                        "main/fiddle",
                        "main",
                        "pair/main",
                        "pair/phones-1",
                        "pair/phones-2",
                        "pair/phones-3",
                        "pair/phones-4",
                        "cue/cue",
                        "clip/cue/cue",
                        "guard/cue",
                        "send/cue/fiddle");
    }

    /** To each side it rises from -60 dB by 60 dB a second: 0.48 s later it is at -31.2 dB there, 3.01 dB more for both. */
    @Test
    public void aSendOnItsWayShowsHowFarItHasCome() {
        Session off = session;
        session = off.withCues(List.of(off.find(new CueId("cue"))
                .orElseThrow()
                .at(Decibels.ZERO)
                .withSend(FIDDLE, send -> send.at(Decibels.OFF))));
        Mixer mixer = new Mixer(MixRun.RATE, 480);
        MixState state = mixer.prepare(MixPlan.compile(session, RandomSessions.RIG, LiveState.STOPPED));
        Lights lights = new Lights(session, RandomSessions.RIG, LiveState.STOPPED, state);
        assertThat(last("send/cue/fiddle", mixer, state, lights, 0, 1)).isZero();
        Session raised = session.withCues(List.of(
                session.find(new CueId("cue")).orElseThrow().withSend(FIDDLE, send -> send.at(Decibels.of(-26)))));
        assertThat(mixer.prepare(state.plan().then(raised, RandomSessions.RIG, LiveState.STOPPED)))
                .isSameAs(state);
        double reached = Decibels.of(-31.2).gain() * Math.sqrt(2);
        assertThat(last("send/cue/fiddle", mixer, state, lights, 1, 0.48)).isCloseTo(LEVEL * reached, within(1e-5));
        assertThat(last("send/cue/fiddle", mixer, state, lights, 2, 1)).isCloseTo(LEVEL * 0.1, within(1e-6));
    }

    @Test
    public void aCueThatLeavesNowhereShowsNothing() {
        session = session.withCues(
                List.of(session.find(new CueId("cue")).orElseThrow().outTo(Optional.empty())));
        assertThat(value("send/cue/fiddle", LiveState.STOPPED)).isZero();
    }

    /** The value of a key in the last window of three seconds, in which all gains have arrived. */
    private double value(String key, LiveState live) {
        Mixer mixer = new Mixer(MixRun.RATE, 480);
        MixState state = mixer.prepare(MixPlan.compile(session, RandomSessions.RIG, live));
        mixer.cutHeadphones(live.headphonesCut());
        return last(key, mixer, state, new Lights(session, RandomSessions.RIG, live, state), 0, 3);
    }

    /** The value of a key in the last window of some seconds. */
    private static double last(
            String key, Mixer mixer, MixState state, Lights lights, double fromSeconds, double seconds) {
        float[][] in = new float[RandomSessions.INPUTS][480];
        Arrays.fill(in[2], (float) LEVEL);
        float[][] out = new float[2 + 2 * RandomSessions.CUES][480];
        Meters.Window window = state.meters().newWindow();
        double last = -1;
        long begin = Math.round(fromSeconds * MixRun.RATE);
        for (long frame = begin; frame < begin + seconds * MixRun.RATE; frame += 480) {
            mixer.process(state, in, out, 480, frame, 0, Passage.nothing(0));
            while (state.meters().read(window)) {
                last = lights.value(lights.keys().indexOf(key), window);
            }
        }
        return last;
    }
}
