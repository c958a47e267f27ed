package vividlantern.mix;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.UnaryOperator;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.basics.Refused;
import vividlantern.click.Passage;
import vividlantern.mix.ControlRoomState.Flipped;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.rig.edit.PairEdit.SetPairFeeds;
import vividlantern.session.ControlRoom.NearOpenMics;
import vividlantern.session.ControlRoom.SpeakerSet;
import vividlantern.session.DirectLevel;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.ControlRoomEdit.AddSource;
import vividlantern.session.edit.ControlRoomEdit.SetDim;
import vividlantern.session.edit.ControlRoomEdit.SetListenMic;
import vividlantern.session.edit.ControlRoomEdit.SetNearOpenMics;
import vividlantern.session.edit.ControlRoomEdit.SetSourceLevel;
import vividlantern.session.edit.ControlRoomEdit.SetSpeakerLevel;
import vividlantern.session.edit.ControlRoomEdit.SetSpeakerRoom;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.SessionEdit.SetMainOutput;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** What the speakers of the control room play. */
public class ControlRoomTest {

    /** The plain rig, whose last pair feeds second speakers: outputs 8 and 9. */
    private static final Rig RIG =
            new SetPairFeeds(new PairId("phones-4"), StereoPair.Feeds.SECOND_SPEAKERS).applyTo(RandomSessions.RIG);

    private static final int SECOND = 8;
    /** By then every gain has arrived, those towards performers too. */
    private static final int SETTLED = 60_000;

    private static final int FRAMES = 61_000;
    private static final double MINUS_3_DB = Math.sqrt(0.5);
    private static final ControlRoomState AT_FIRST = ControlRoomState.BEGINNING;
    private static final CueId CUE = new CueId("cue");
    private static final TrackId LEFT = new TrackId("left");
    private static final InputId FIDDLE = new InputId("fiddle");

    /** In the main mix input 1 is at the left, input 2 at the right; the cue hears input 1 alone, at −6 dB in its centre. */
    private static final Session SESSION = RandomSessions.blank()
            .plus(Performer.of(new PerformerId("anna"), 1, "Anna", "live room"))
            .plus(Input.of(FIDDLE, 1, "Fiddle")
                    .playedBy(Optional.of(new PerformerId("anna")))
                    .patchedTo(List.of(new PortId("in-1"))))
            .plus(Input.of(new InputId("harp"), 2, "Harp").at(Port.Signal.LINE).patchedTo(List.of(new PortId("in-2"))))
            .plus(heard(LEFT, FIDDLE, -1))
            .plus(heard(new TrackId("right"), new InputId("harp"), 1))
            .plus(Cue.empty(CUE, 1, "Cue")
                    .outTo(Optional.of(new PairId("phones-1")))
                    .withSend(LEFT, send -> send.at(Decibels.of(-6))));

    private static Track heard(TrackId id, InputId input, double pan) {
        Track plain = Track.forInputs(id, 3, id.value(), 1, List.of(Feed.from(input, 0)));
        return plain.armed(true).faded(Decibels.ZERO).panned(Pan.of(pan));
    }

    private static Session with(Edit... edits) {
        return Edit.applyAll(List.of(edits), SESSION, RIG);
    }

    private static MixRun of(Session session, LiveState live) {
        return MixRun.of(MixPlan.compile(session, RIG, live)).cut(live.headphonesCut());
    }

    private static LiveState live(ControlRoomState state) {
        state.require(SESSION, RIG);
        return LiveState.STOPPED.in(state);
    }

    /** Each input brings a value of its own: input n brings n hundredths. */
    private static float[][] run(Session session, LiveState live) {
        float[][] inputs = new float[RandomSessions.INPUTS][FRAMES];
        for (int input = 0; input < inputs.length; input++) {
            java.util.Arrays.fill(inputs[input], (input + 1) / 100f);
        }
        return of(session, live).inputs(inputs).run(128);
    }

    private static void assertPlays(float[][] out, int pair, double left, double right) {
        for (int n = SETTLED; n < FRAMES; n++) {
            assertThat((double) out[pair][n]).isCloseTo(left, within(1e-7));
            assertThat((double) out[pair + 1][n]).isCloseTo(right, within(1e-7));
        }
    }

    private static ControlRoomState hearing(String what) {
        return new ControlRoomState(
                what, SpeakerSet.MAIN, false, false, false, false, Flipped.NONE, false, Optional.empty());
    }

    private static ControlRoomState checking(boolean mono, boolean swapped, Flipped flipped) {
        return new ControlRoomState(
                "main", SpeakerSet.MAIN, false, mono, false, swapped, flipped, false, Optional.empty());
    }

    private static ControlRoomState on(SpeakerSet speakers, boolean dimmed, boolean muted) {
        return new ControlRoomState(
                "main", speakers, dimmed, false, muted, false, Flipped.NONE, false, Optional.empty());
    }

    private static ControlRoomState listening() {
        return new ControlRoomState(
                "main", SpeakerSet.MAIN, false, false, true, false, Flipped.NONE, true, Optional.empty());
    }

    /** Where nobody touched anything, whoever sits there hears what a file of the main mix holds. */
    @Test
    public void asItBeginsTheMainMixLeavesBitForBit() {
        for (int seed = 0; seed < 8; seed++) {
            Session session = RandomSessions.session(seed);
            assertThat(of(session, LiveState.STOPPED.in(AT_FIRST)).noise(FRAMES).run(64))
                    .isEqualTo(of(session, LiveState.STOPPED).noise(FRAMES).run(64));
        }
    }

    /** A file of the main mix is the same whatever the speakers are set to. */
    @Test
    public void whereNobodySitsNoSettingOfTheSpeakersIsHeard() {
        Session quiet = with(
                new SetSpeakerLevel(SpeakerSet.MAIN, Decibels.of(-30)),
                new SetSpeakerRoom(SpeakerSet.MAIN, "live room"),
                new SetNearOpenMics(SpeakerSet.MAIN, NearOpenMics.MUTE));
        assertPlays(run(quiet, LiveState.STOPPED), 0, 0.01, 0.02);
    }

    @Test
    public void levelDimAndMuteLowerTheSpeakersThatAreOn() {
        Session lower = with(new SetSpeakerLevel(SpeakerSet.MAIN, Decibels.of(-6)), new SetDim(14));
        assertPlays(run(lower, live(AT_FIRST)), 0, 0.01 * 0.501187, 0.02 * 0.501187);
        assertPlays(run(lower, live(on(SpeakerSet.MAIN, true, false))), 0, 0.001, 0.002);
        assertPlays(run(lower, live(on(SpeakerSet.MAIN, true, true))), 0, 0, 0);
    }

    @Test
    public void theSecondSpeakersPlayInThePlaceOfTheMainOnes() {
        Session session = with(new SetSpeakerLevel(SpeakerSet.SECOND, Decibels.of(-20)));
        float[][] out = run(session, live(on(SpeakerSet.SECOND, false, false)));
        assertPlays(out, SECOND, 0.001, 0.002);
        assertPlays(out, 0, 0, 0);
    }

    @DataProvider
    public Object[][] checks() {
        return new Object[][] {
            {checking(true, false, Flipped.NONE), 0.015, 0.015},
            {checking(false, true, Flipped.NONE), 0.02, 0.01},
            {checking(false, false, Flipped.LEFT), -0.01, 0.02},
            {checking(false, false, Flipped.RIGHT), 0.01, -0.02},
            {checking(true, false, Flipped.LEFT), 0.005, 0.005},
            {checking(false, true, Flipped.LEFT), 0.02, -0.01},
        };
    }

    @Test(dataProvider = "checks")
    public void monoSwapAndOneSidesPolarityAreWhatTheySay(ControlRoomState state, double left, double right) {
        assertPlays(run(SESSION, live(state)), 0, left, right);
    }

    /** A cue is heard as it leaves: behind its filters and its guard, and with what the interface adds direct. */
    @Test
    public void hearingACueIsWhatLeavesThereAndWhatIsAddedDirect() {
        double sent = 0.01 * 0.501187 * MINUS_3_DB;
        float[][] out = run(SESSION, live(hearing("cue/cue")));
        assertPlays(out, 2, sent, sent);
        assertPlays(out, 0, sent, sent);
        Session direct =
                SESSION.withDirect(List.of(new DirectLevel(CUE, new InputId("harp"), Decibels.of(-20), Pan.of(1))));
        assertPlays(run(direct, live(hearing("cue/cue"))), 0, sent, sent + 0.002);
        float[][] cut = run(direct, live(hearing("cue/cue")).cut(true));
        assertPlays(cut, 0, 0, 0);
    }

    /** Left, right, centre, LFE, surrounds by ITU-R BS.775: 1, 1, 0.7071 to both, nothing, 0.7071 each. */
    @Test
    public void aSourceOfSixChannelsIsFoldedAsItsCoefficientsSay() {
        Session session = with(new AddSource("Player", 6, new PortId("in-7")));
        LiveState live = LiveState.STOPPED.in(hearing("source/player"));
        assertPlays(run(session, live), 0, 0.07 + MINUS_3_DB * (0.09 + 0.11), 0.08 + MINUS_3_DB * (0.09 + 0.12));
        List<ControlRoomStanding.FoldedChannel> channels =
                ControlRoomStanding.of(session, RIG, live).sources().get(0).channels();
        assertThat(channels)
                .extracting(ControlRoomStanding.FoldedChannel::label)
                .containsExactly("House in-7", "House in-8", "House in-9", "House in-10", "House in-11", "House in-12");
        assertThat(channels)
                .extracting(ControlRoomStanding.FoldedChannel::left)
                .containsExactly(1.0, 0.0, MINUS_3_DB, 0.0, MINUS_3_DB, 0.0);
        assertThat(channels)
                .extracting(ControlRoomStanding.FoldedChannel::right)
                .containsExactly(0.0, 1.0, MINUS_3_DB, 0.0, 0.0, MINUS_3_DB);
    }

    @Test
    public void aSourceHasALevelOfItsOwn() {
        Session session = with(
                new AddSource("Phone", 2, new PortId("in-15")),
                new SetSourceLevel(new vividlantern.session.SourceId("phone"), Decibels.of(6)));
        assertPlays(run(session, LiveState.STOPPED.in(hearing("source/phone"))), 0, 0.15 * 1.995262, 0.16 * 1.995262);
    }

    @Test
    public void whatIsGoneGivesWayToTheMainMixAndSaysSo() {
        LiveState live = LiveState.STOPPED.in(hearing("source/phone"));
        assertPlays(run(SESSION, live), 0, 0.01, 0.02);
        ControlRoomStanding standing = ControlRoomStanding.of(SESSION, RIG, live);
        assertThat(standing.hears()).isEqualTo("main");
        assertThat(standing.silent()).isEqualTo("What was chosen is gone; the main mix is heard in its place.");
    }

    @Test
    public void aCueThatLeavesNowhereAnyMoreIsSaid() {
        Session nowhere = SESSION.change(CUE, cue -> cue.outTo(Optional.empty()));
        LiveState live = LiveState.STOPPED.in(hearing("cue/cue"));
        assertPlays(run(nowhere, live), 0, 0, 0);
        assertThat(ControlRoomStanding.of(nowhere, RIG, live).silent())
                .isEqualTo("Cue Cue leaves by no output pair of its own, so nothing of it is heard.");
        assertThat(ControlRoomStanding.of(SESSION, RIG, live).silent()).isEmpty();
    }

    /** Once something is gone, what is left can still be switched. */
    @Test
    public void whatIsGoneDoesNotStandInTheWay() {
        ControlRoomState gone = new ControlRoomState(
                "source/phone",
                SpeakerSet.SECOND,
                true,
                false,
                false,
                false,
                Flipped.NONE,
                true,
                Optional.of(
                        new TestSignal(TestSignal.Kind.TONE, 1000, Decibels.of(-20), List.of(new PortId("ghost")))));
        assertThat(gone.among(SESSION, RandomSessions.RIG)).isEqualTo(on(SpeakerSet.MAIN, true, false));
        Session there =
                with(new AddSource("Phone", 2, new PortId("in-15")), new SetListenMic(Optional.of(new PortId("in-9"))));
        ControlRoomState whole = gone.playing(Optional.empty());
        assertThat(whole.among(there, RIG)).isEqualTo(whole);
    }

    @Test
    public void speakersThatHangNowhereAreSaid() {
        Session nowhere = new SetMainOutput(Optional.empty()).applyTo(SESSION, RIG);
        assertThat(ControlRoomStanding.of(nowhere, RIG, live(AT_FIRST)).silent())
                .isEqualTo("The main speakers hang on no output pair. Choose one under Set up.");
        assertPlays(run(nowhere, live(on(SpeakerSet.SECOND, false, false))), SECOND, 0.01, 0.02);
    }

    /** Whatever is heard after another thing, nothing jumps: both fade in lines of 10 ms. */
    @Test
    public void changingWhatIsHeardMakesNoClick() {
        float[][] out = of(SESSION, live(AT_FIRST))
                .then(SETTLED, MixPlan.compile(SESSION, RIG, live(hearing("cue/cue"))))
                .then(SETTLED + 3200, MixPlan.compile(SESSION, RIG, live(on(SpeakerSet.SECOND, false, false))))
                .constant(0.5, SETTLED + 6400)
                .run(64);
        for (int output : new int[] {0, 1, SECOND, SECOND + 1}) {
            for (int n = 1; n < SETTLED + 6400; n++) {
                assertThat(Math.abs(out[output][n] - out[output][n - 1])).isLessThan(0.5f / 200);
            }
        }
        assertThat(out[SECOND][SETTLED + 6399]).isEqualTo(0.5f);
    }

    @Test
    public void theListenMicIsHeardBesideTheRestAndItsGuardHoldsItBack() {
        Session session = with(new SetListenMic(Optional.of(new PortId("in-9"))));
        ControlRoomState listens = new ControlRoomState(
                "main", SpeakerSet.MAIN, false, false, false, false, Flipped.NONE, true, Optional.empty());
        LiveState live = LiveState.STOPPED.in(listens);
        assertPlays(run(session, live), 0, 0.01 + 0.09, 0.02 + 0.09);
        assertPlays(run(session, LiveState.STOPPED.in(listening())), 0, 0, 0);
        float[][] loud = of(session, live).constant(0.9, 24_000).run(64);
        assertThat(MixRun.db(loud[0][23_999] - 0.9)).isBetween(-13.0, -12.0);
    }

    @Test
    public void theListenMicIsOffByItselfWhileTheSongPlaysWithTracksArmed() {
        Session session = with(new SetListenMic(Optional.of(new PortId("in-9"))));
        LiveState playing = LiveState.PLAYING.in(new ControlRoomState(
                "main", SpeakerSet.MAIN, false, false, false, false, Flipped.NONE, true, Optional.empty()));
        assertPlays(run(session, playing), 0, 0.01, 0.02);
        assertThat(ControlRoomStanding.of(session, RIG, playing)
                        .listenMic()
                        .orElseThrow()
                        .heldOff())
                .isEqualTo("Off by itself while the song plays with tracks armed.");
        Session idle = session.change(LEFT, track -> track.armed(false))
                .change(new TrackId("right"), track -> track.armed(false).heard(vividlantern.session.Hear.ALWAYS));
        assertPlays(run(idle, playing), 0, 0.09, 0.02 + 0.09);
    }

    private static Session near(NearOpenMics then) {
        return with(new SetSpeakerRoom(SpeakerSet.MAIN, "live room"), new SetNearOpenMics(SpeakerSet.MAIN, then));
    }

    @Test
    public void speakersGoDownByThemselvesNearAnOpenMicAndSayWhy() {
        assertPlays(run(near(NearOpenMics.DIM), live(AT_FIRST)), 0, 0.001, 0.002);
        assertPlays(run(near(NearOpenMics.DIM), live(on(SpeakerSet.MAIN, true, false))), 0, 0.001, 0.002);
        assertPlays(run(near(NearOpenMics.MUTE), live(AT_FIRST)), 0, 0, 0);
        assertPlays(run(near(NearOpenMics.WARN), live(AT_FIRST)), 0, 0.01, 0.02);
        assertThat(down(near(NearOpenMics.DIM)))
                .isEqualTo("Dimmed by itself: the mic of Fiddle is open in the live room.");
        assertThat(down(near(NearOpenMics.MUTE)))
                .isEqualTo("Muted by itself: the mic of Fiddle is open in the live room.");
        assertThat(down(near(NearOpenMics.WARN))).isEmpty();
        Session disarmed = near(NearOpenMics.MUTE).change(LEFT, track -> track.armed(false));
        assertPlays(run(disarmed, live(AT_FIRST)), 0, 0, 0.02);
        assertThat(down(disarmed)).isEmpty();
    }

    private static String down(Session session) {
        return ControlRoomStanding.of(session, RIG, LiveState.STOPPED.in(AT_FIRST))
                .speakers(SpeakerSet.MAIN)
                .down();
    }

    /** Nothing that the control room does changes what performers hear by one bit. */
    @Test
    public void cuesAreTheSameWhateverTheControlRoomDoes() {
        for (int seed = 0; seed < 20; seed++) {
            Session session = RandomSessions.session(seed);
            Random random = new Random(seed);
            MixRun touched = MixRun.of(session, LiveState.STOPPED.in(AT_FIRST));
            for (int change = 1; change <= 60; change++) {
                touched.with(64L * change, session, LiveState.STOPPED.in(any(session, random)));
            }
            float[][] untouched = MixRun.of(session).noise(64 * 100).run(64);
            float[][] changed = touched.noise(64 * 100).run(64);
            for (int output = 2; output < untouched.length; output++) {
                assertThat(changed[output])
                        .as("output %s, seed %s", output, seed)
                        .isEqualTo(untouched[output]);
            }
            assertThat(changed[0]).isNotEqualTo(untouched[0]);
        }
    }

    private static ControlRoomState any(Session session, Random random) {
        List<String> heard = new java.util.ArrayList<>(List.of("main", "source/phone"));
        session.cues().forEach(cue -> heard.add("cue/" + cue.id()));
        return new ControlRoomState(
                heard.get(random.nextInt(heard.size())),
                SpeakerSet.MAIN,
                random.nextBoolean(),
                random.nextBoolean(),
                random.nextInt(4) == 0,
                random.nextBoolean(),
                Flipped.values()[random.nextInt(3)],
                random.nextBoolean(),
                Optional.empty());
    }

    @Test
    public void whatTheRigOrTheSessionHasNotIsRefused() {
        refused(hearing("harp"), SESSION, RIG, "hears main, a cue or a source; 'harp' is none");
        refused(hearing("cue/ghost"), SESSION, RIG, "no cue 'ghost'");
        refused(hearing("source/phone"), SESSION, RIG, "no source 'phone'");
        refused(on(SpeakerSet.SECOND, false, false), SESSION, RandomSessions.RIG, "Plain has no second speakers");
        refused(listening(), SESSION, RIG, "no listen mic yet");
        Session nowhere = SESSION.change(CUE, cue -> cue.outTo(Optional.empty()));
        refused(hearing("cue/cue"), nowhere, RIG, "leaves by no output pair");
        Session onSpeakers = SESSION.change(CUE, cue -> cue.outTo(Optional.of(new PairId("main"))));
        refused(hearing("cue/cue"), onSpeakers, RIG, "leaves by the main speakers itself");
    }

    private static void refused(ControlRoomState state, Session session, Rig rig, String why) {
        assertThatThrownBy(() -> state.require(session, rig))
                .isInstanceOf(Refused.class)
                .hasMessageContaining(why);
    }

    /** The level of the main mix is its own; those of pairs are what leaves there. */
    @Test
    public void theMainMixAndTheSpeakersAreMeteredApart() {
        UnaryOperator<LiveState> dimmed = state -> state.in(on(SpeakerSet.MAIN, true, false));
        LiveState live = dimmed.apply(LiveState.STOPPED);
        Mixer mixer = new Mixer(MixRun.RATE, 480);
        MixState state = mixer.prepare(MixPlan.compile(SESSION, RIG, live));
        float[][] in = new float[RandomSessions.INPUTS][480];
        float[][] out = new float[RIG.engineOutputs().size()][480];
        Meters.Window window = state.meters().newWindow();
        for (int block = 0; block < 40; block++) {
            java.util.Arrays.fill(in[1], 0.5f);
            mixer.process(state, in, out, 480, 480L * block, 0, Passage.nothing(0));
            state.meters().read(window);
        }
        Lights lights = new Lights(SESSION, RIG, live, state);
        assertThat(lights.value(lights.keys().indexOf("main"), window)).isCloseTo(0.5, within(1e-6));
        assertThat(lights.value(lights.keys().indexOf("pair/main"), window)).isCloseTo(0.05, within(1e-6));
        assertThat(lights.value(lights.keys().indexOf("pair/phones-4"), window)).isZero();
    }
}
