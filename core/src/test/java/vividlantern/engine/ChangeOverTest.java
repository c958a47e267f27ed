package vividlantern.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.ShelfDevices;
import vividlantern.hardware.AudioDevice;
import vividlantern.hardware.AudioProcess;
import vividlantern.hardware.DirectGain;
import vividlantern.hardware.Duty;
import vividlantern.hardware.Lateness;
import vividlantern.hardware.PreampSetting;
import vividlantern.mix.LiveState;
import vividlantern.mix.MixPlan;
import vividlantern.preamp.HoldEars;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.StereoPair;
import vividlantern.rig.edit.PairEdit.PairPorts;
import vividlantern.rig.edit.RigEdit;
import vividlantern.session.Feed;
import vividlantern.session.Hear;
import vividlantern.session.InputId;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.TrackId;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Tap;
import vividlantern.session.edit.CueEdit.AddCue;
import vividlantern.session.edit.CueEdit.SetCueGuard;
import vividlantern.session.edit.CueEdit.SetCueOutput;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.AddInput;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.InputEdit.SetInputGain;
import vividlantern.session.edit.InputEdit.SetInputLevel;
import vividlantern.session.edit.InputEdit.SetInputPad;
import vividlantern.session.edit.InputEdit.SetInputPhantom;
import vividlantern.session.edit.SendEdit.SetSendLevel;
import vividlantern.session.edit.SendEdit.SetSendPan;
import vividlantern.session.edit.SendEdit.SetSendTap;
import vividlantern.session.edit.TrackEdit.AddTrack;
import vividlantern.session.edit.TrackEdit.SetFader;
import vividlantern.session.edit.TrackEdit.SetHear;
import vividlantern.session.edit.TrackEdit.SetPan;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/** What the listeners hear, and do not hear, while preamps are set: on a device whose switches thump and whose gains come late. */
public class ChangeOverTest {

    private static final int RATE = 48_000;
    private static final int BUFFER = 128;
    private static final InputId HARP = new InputId("harp");
    private static final TrackId TRACK = new TrackId("track");
    private static final CueId CUE = new CueId("cue");
    private static final PortId PORT = new PortId("skiff-in-1");

    private static final Rig RIG = RigEdit.applyAll(
            List.of(
                    ShelfDevices.device("interface-8", "skiff", "Skiff"),
                    pair("main", 1, StereoPair.Feeds.MAIN_SPEAKERS),
                    pair("phones", 3, StereoPair.Feeds.HEADPHONES)),
            Rig.empty(new RigId("loft"), "Loft"));

    /** A harp at 20 dB of gain, hard left at 0 dB on the speakers and in one cue. */
    private static final Session SESSION = Edit.applyAll(
            List.of(
                    new AddInput(HARP, 1, "Harp"),
                    new PatchInput(HARP, PORT),
                    new SetInputGain(HARP, 20),
                    new AddTrack(TRACK, "Harp", 1, List.of(Feed.from(HARP, 0))),
                    new SetHear(TRACK, Hear.ALWAYS),
                    new SetPan(TRACK, Pan.of(-1)),
                    new AddCue(CUE, "Cue"),
                    new SetCueOutput(CUE, Optional.of(new PairId("phones"))),
                    new SetCueGuard(CUE, false),
                    new SetSendPan(CUE, TRACK, Pan.of(-1)),
                    new SetSendLevel(CUE, TRACK, Decibels.ZERO)),
            Session.blank(new SessionId("s"), "S", "Song", RIG.id(), Optional.of(new PairId("main"))),
            RIG);

    private static PairPorts pair(String id, int left, StereoPair.Feeds feeds) {
        return new PairPorts(
                new PairId(id), new PortId("skiff-out-" + left), new PortId("skiff-out-" + (left + 1)), id, feeds);
    }

    /** Gives 0.001 times the gain at each input; shows a setting one way in later, a switch as full scale for 0.2 s. */
    private static final class Thumping implements AudioDevice {
        private final Map<String, PreampSetting> told = new HashMap<>();
        private final Map<Integer, TreeMap<Long, PreampSetting>> shown = new HashMap<>();
        private final List<String> switched = new ArrayList<>();
        private long now;

        @Override
        public void run(AudioProcess process, Listener listener, int buffer, Pace pace) {
            throw new UnsupportedOperationException("It is driven block by block.");
        }

        @Override
        public Duty duty() {
            return new Duty();
        }

        @Override
        public void setDirect(List<DirectGain> gains) {}

        @Override
        public Lateness lateness() {
            return Lateness.NONE;
        }

        @Override
        public boolean answers() {
            return true;
        }

        @Override
        public void setPreamp(String port, PreampSetting setting) {
            PreampSetting before = told.put(port, setting);
            if (before != null && before.switchesTo(setting)) {
                switched.add(port);
            }
            int channel = RIG.engineInput(new PortId(port)).orElseThrow();
            shown.computeIfAbsent(channel, at -> new TreeMap<>()).put(now + 57 + BUFFER, setting);
        }

        @Override
        public Optional<PreampSetting> preamp(String port) {
            return Optional.ofNullable(told.get(port));
        }

        float sample(int channel, long frame) {
            TreeMap<Long, PreampSetting> settings = shown.get(channel);
            Map.Entry<Long, PreampSetting> is = settings.floorEntry(frame);
            if (is == null) {
                return 0.01f;
            }
            Map.Entry<Long, PreampSetting> was = settings.lowerEntry(is.getKey());
            boolean thumps = was != null && was.getValue().switchesTo(is.getValue()) && frame < is.getKey() + RATE / 5;
            return thumps ? 1 : (float) (0.001 * Math.pow(10, is.getValue().gainDb() / 20));
        }
    }

    private Thumping device;
    private Engine engine;
    private ChangeOver changeOver;
    private final List<Float> recorded = new ArrayList<>();
    private final List<Float> speakers = new ArrayList<>();
    private final List<Float> phones = new ArrayList<>();

    @BeforeMethod
    public void begin() {
        begin(SESSION);
    }

    private void begin(Session session) {
        recorded.clear();
        speakers.clear();
        phones.clear();
        device = new Thumping();
        device.now = -RATE;
        ChangeOver.begin(session, RIG, device);
        device.now = 0;
        engine = new Engine(
                MixPlan.compile(session, RIG, LiveState.STOPPED), RATE, BUFFER, Transport.stopped(0, 0), song -> {});
        changeOver = new ChangeOver(session, RIG, LiveState.STOPPED, engine, device);
        run(1.5);
    }

    private void run(double seconds) {
        long until = device.now + Math.round(seconds * RATE);
        float[][] in = new float[8][BUFFER];
        float[][] out = new float[8][BUFFER];
        while (device.now < until) {
            for (int channel = 0; channel < 8; channel++) {
                for (int n = 0; n < BUFFER; n++) {
                    in[channel][n] = device.sample(channel, device.now + n);
                }
            }
            engine.process(in, out, BUFFER, device.now);
            for (int n = 0; n < BUFFER; n++) {
                recorded.add(in[0][n]);
                speakers.add(out[0][n]);
                phones.add(out[2][n]);
            }
            device.now += BUFFER;
            changeOver.advance();
        }
    }

    private void change(Edit... edits) {
        changeOver.change(Edit.applyAll(List.of(edits), SESSION, RIG));
    }

    private static double db(double gain) {
        return 20 * Math.log10(gain);
    }

    private static double last(List<Float> samples) {
        return db(samples.get(samples.size() - 1));
    }

    private static double loudest(List<Float> samples, int from) {
        return db(samples.subList(from, samples.size()).stream()
                .mapToDouble(Math::abs)
                .max()
                .orElseThrow());
    }

    @Test
    public void beforeAnythingChangesItIsHeardAsItIs() {
        assertThat(last(recorded)).isCloseTo(-40, within(0.001));
        assertThat(last(speakers)).isCloseTo(-40, within(0.001));
        assertThat(last(phones)).isCloseTo(-40, within(0.001));
        assertThat(changeOver.isDone()).isTrue();
    }

    @DataProvider
    public Object[][] switches() {
        return new Object[][] {
            {new SetInputPhantom(HARP, PhantomWish.ON), 4},
            {new SetInputPad(HARP, true), 1},
            {new SetInputLevel(HARP, Port.Signal.INSTRUMENT), 1},
        };
    }

    @Test(dataProvider = "switches")
    public void nobodyHearsASwitchBeingThrownAndTheRecordingDoes(Edit edit, int preamps) {
        int from = recorded.size();
        change(edit);
        run(3);
        assertThat(device.switched).as("the bank is switched together").hasSize(preamps);
        assertThat(loudest(recorded, from)).isZero();
        assertThat(loudest(speakers, from)).isLessThan(-39.99);
        assertThat(loudest(phones, from)).isLessThan(-39.99);
        int thump = recorded.indexOf(1f);
        assertThat(loudest(phones.subList(0, thump + RATE / 5), thump - 48)).isLessThan(-90);
        assertThat(loudest(speakers.subList(0, thump + RATE / 5), thump)).isLessThan(-90);
        assertThat(last(speakers)).isCloseTo(-40, within(0.001));
        assertThat(last(phones)).isCloseTo(-40, within(0.001));
        assertThat(changeOver.isDone()).isTrue();
        assertThat(changeOver.switching()).isEmpty();
    }

    @Test
    public void whatIsBeingSwitchedIsNamedUntilItIsOver() {
        change(new SetInputPhantom(HARP, PhantomWish.ON));
        assertThat(changeOver.switching())
                .extracting(PortId::value)
                .containsExactly("skiff-in-1", "skiff-in-2", "skiff-in-3", "skiff-in-4");
        run(0.5);
        assertThat(changeOver.switching()).hasSize(4);
        run(1);
        assertThat(changeOver.switching()).isEmpty();
    }

    @Test
    public void aSwitchThatIsTakenBackInTimeIsNeverThrown() {
        change(new SetInputPhantom(HARP, PhantomWish.ON));
        changeOver.change(SESSION);
        run(1.5);
        assertThat(device.switched).isEmpty();
        assertThat(last(phones)).isCloseTo(-40, within(0.001));
    }

    @Test
    public void aSwitchThrownAgainWhileItSettlesKeepsTheInputSilent() {
        int from = phones.size();
        change(new SetInputPhantom(HARP, PhantomWish.ON));
        run(0.5);
        changeOver.change(SESSION);
        run(3);
        assertThat(device.switched).hasSize(8);
        assertThat(loudest(phones, from)).isLessThan(-39.99);
        assertThat(device.preamp("skiff-in-1").orElseThrow().phantom()).isFalse();
        assertThat(last(phones)).isCloseTo(-40, within(0.001));
    }

    @DataProvider
    public Object[][] gains() {
        return new Object[][] {{32, Tap.PRE_FADER}, {32, Tap.INPUT}, {9, Tap.PRE_FADER}, {9, Tap.INPUT}};
    }

    @Test(dataProvider = "gains")
    public void heldEarsHearNoChangeAndNeverMoreWhileTheRecordingGetsIt(int gainDb, Tap tap) {
        Session tapped = new SetSendTap(CUE, TRACK, tap).applyTo(SESSION, RIG);
        begin(tapped);
        int from = phones.size();
        changeOver.change(
                Edit.applyAll(HoldEars.edits(tapped, RIG, List.of(new HoldEars.Gain(HARP, gainDb))), tapped, RIG));
        run(1.5);
        assertThat(last(recorded)).isCloseTo(-60 + gainDb, within(0.001));
        assertThat(last(speakers)).isCloseTo(-40, within(0.5));
        assertThat(last(phones)).isCloseTo(-40, within(0.5));
        assertThat(loudest(speakers, from)).isLessThan(-39.95);
        assertThat(loudest(phones, from)).isLessThan(-39.95);
    }

    @Test
    public void aGainThatNobodyHoldsRisesInACueBySixDecibelsInATenthOfASecond() {
        int from = phones.size();
        change(new SetInputGain(HARP, 50));
        run(1.5);
        assertThat(last(phones)).isCloseTo(-10, within(0.001));
        int tenth = RATE / 10;
        for (int n = from; n + tenth < phones.size(); n += 64) {
            double rise = db(phones.get(n + tenth)) - db(phones.get(n));
            assertThat(rise).as("one step of the preamp more than the slope").isLessThan(6 + 1.1);
        }
    }

    @Test
    public void aGainGoesDownAtOnce() {
        change(new SetInputGain(HARP, 0));
        run(0.02);
        assertThat(last(phones)).isCloseTo(-60, within(0.001));
    }

    @Test
    public void aGainTakenBackOnItsWayStaysWhereItBegan() {
        change(new SetInputGain(HARP, 60));
        run(0.2);
        changeOver.change(SESSION);
        run(0.1);
        assertThat(last(phones)).isCloseTo(-40, within(0.001));
        assertThat(changeOver.isDone()).isTrue();
    }

    @Test
    public void headphonesAreCutAtOnceEvenWhileASessionWaits() {
        change(new SetInputGain(HARP, 0), new SetFader(TRACK, Decibels.of(6)));
        changeOver.cutHeadphones(true);
        run(0.02);
        assertThat(loudest(phones, phones.size() - 1)).isLessThan(-90);
        run(0.1);
        assertThat(last(speakers)).as("0 dB of gain, 6 dB at the fader").isCloseTo(-54, within(0.001));
        changeOver.cutHeadphones(false);
        run(1.5);
        assertThat(last(phones)).isCloseTo(-60, within(0.001));
    }

    @Test
    public void whatHasNothingToDoWithPreampsIsHeardWithTheNextBlock() {
        change(new SetFader(TRACK, Decibels.of(-10)));
        run(0.02);
        assertThat(last(speakers)).isCloseTo(-50, within(0.001));
    }
}
