package vividlantern.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.basics.Refused;
import vividlantern.hardware.AudioDevice;
import vividlantern.hardware.AudioProcess;
import vividlantern.hardware.DeviceGone;
import vividlantern.hardware.DirectGain;
import vividlantern.hardware.Duty;
import vividlantern.hardware.Lateness;
import vividlantern.hardware.PreampSetting;
import vividlantern.mix.ControlRoomState;
import vividlantern.mix.ControlRoomState.Flipped;
import vividlantern.mix.TestSignal;
import vividlantern.playback.MediaShelf;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.edit.StudioEdit.SetRoomTemperature;
import vividlantern.session.ControlRoom.SpeakerSet;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.InputEdit.SetInputGain;
import vividlantern.session.edit.SessionEdit.SetBuffer;
import vividlantern.session.edit.TrackEdit.SetFader;
import vividlantern.session.song.ClickPattern;
import vividlantern.session.song.VoiceId;
import vividlantern.units.Decibels;

/** Nothing ends a session's stay at the rig without a word, and what ended begins anew by itself. */
public class StayTest {

    private static final int SECONDS = 30;
    private static final Session SESSION =
            new SetFader(new TrackId("click"), Decibels.ZERO).applyTo(RandomSessions.blank(), RandomSessions.RIG);

    private static final ControlRoomState DIMMED = new ControlRoomState(
            "main", SpeakerSet.MAIN, true, false, false, false, Flipped.NONE, false, Optional.empty());
    private static final ControlRoomState MUTED = new ControlRoomState(
            "main", SpeakerSet.MAIN, false, false, true, false, Flipped.NONE, false, Optional.empty());

    private final BlockingQueue<Device> opened = new LinkedBlockingQueue<>();
    private final AtomicInteger troubles = new AtomicInteger();
    private final AtomicInteger preampTroubles = new AtomicInteger();
    private volatile boolean gone;
    /** A room is opened once this is. */
    private volatile CountDownLatch doorOpens = new CountDownLatch(0);

    private volatile boolean waitingAtTheDoor;
    private Stay stay;

    @AfterMethod
    public void end() {
        stay.close();
        opened.clear();
        troubles.set(0);
        preampTroubles.set(0);
        gone = false;
        doorOpens = new CountDownLatch(0);
        waitingAtTheDoor = false;
    }

    /** A device that is let run block by block, and breaks when it is told to. */
    private final class Device implements AudioDevice {
        private final BlockingQueue<String> wishes = new LinkedBlockingQueue<>();
        private final BlockingQueue<Float> peaks = new LinkedBlockingQueue<>();
        /** The loudest that left for the first cue since somebody set it to 0. */
        private volatile float inPhones;

        private final BlockingQueue<Double> gains = new LinkedBlockingQueue<>();
        private final int inputs;
        private volatile Lateness lateness = Lateness.NONE;

        private Device(Rig rig) {
            inputs = rig.engineInputs().size();
        }

        @Override
        public void run(AudioProcess process, Listener listener, int frames, Pace pace) {
            float[][] in = new float[inputs][frames];
            float[][] out = new float[RandomSessions.RIG.engineOutputs().size()][frames];
            boolean goesOn = true;
            for (long frame = 0; goesOn; frame += frames) {
                String wish = next();
                if (wish.equals("vanish")) {
                    throw new DeviceGone("Its cable is out.");
                }
                if (wish.equals("break")) {
                    in = new float[0][0];
                }
                if (wish.equals("babble")) {
                    in[2][0] = Float.NaN;
                    in[2][1] = Float.NEGATIVE_INFINITY;
                }
                goesOn = process.process(in, out, frames, frame);
                listener.played(out, frames, frame);
                listener.left(out, frames, frame);
                inPhones = Math.max(inPhones, peak(out[2]));
                peaks.add(peak(out[0]));
            }
        }

        private static float peak(float[] samples) {
            float peak = 0;
            for (float sample : samples) {
                peak = Math.max(peak, Math.abs(sample));
            }
            return peak;
        }

        private String next() {
            try {
                String wish = wishes.poll(2, TimeUnit.MILLISECONDS);
                return wish == null ? "" : wish;
            } catch (InterruptedException interrupted) {
                Thread.currentThread().interrupt();
                return "";
            }
        }

        @Override
        public Duty duty() {
            return new Duty();
        }

        @Override
        public void setDirect(List<DirectGain> gains) {}

        @Override
        public Lateness lateness() {
            return lateness;
        }

        @Override
        public boolean answers() {
            return !gone;
        }

        @Override
        public void setPreamp(String port, PreampSetting setting) {
            if (preampTroubles.getAndUpdate(left -> Math.max(0, left - 1)) > 0) {
                throw new IllegalStateException("the preamp's relay sticks");
            }
            gains.add(setting.gainDb());
        }

        @Override
        public Optional<PreampSetting> preamp(String port) {
            return Optional.empty();
        }
    }

    private Room open(Session session, Rig rig) {
        if (troubles.getAndUpdate(left -> Math.max(0, left - 1)) > 0) {
            throw new IllegalStateException("the room is locked");
        }
        Device device = new Device(rig);
        if (doorOpens.getCount() > 0) {
            waitingAtTheDoor = true;
            awaitQuietly(doorOpens);
        }
        opened.add(device);
        return new Room(device, transport -> {}, map -> {}, MediaShelf.EMPTY);
    }

    private Device begin(Session session, Rig rig) throws InterruptedException {
        stay = new Stay(session, rig, this::open);
        stay.start();
        return opened.poll(SECONDS, TimeUnit.SECONDS);
    }

    @Test(timeOut = 120_000)
    public void anEngineThatThrowsSaysSoAndBeginsAnewWithTheSessionAsItStands() throws Exception {
        Device first = begin(SESSION, RandomSessions.RIG);
        assertThat(first.peaks.poll(SECONDS, TimeUnit.SECONDS)).isZero();
        assertThat(stay.fault()).isEmpty();
        stay.cutHeadphones(true);
        stay.controlRoom(room -> DIMMED);
        first.wishes.add("break");
        await(() -> !stay.fault().isEmpty());
        assertThat(stay.fault())
                .startsWith("The engine stopped with an error and restarts in a second (")
                .contains("IndexOutOfBounds");
        Session edited = new SetFader(new TrackId("click"), Decibels.of(-6)).applyTo(SESSION, RandomSessions.RIG);
        stay.follow(edited);
        Device second = opened.poll(SECONDS, TimeUnit.SECONDS);
        assertThat(second).as("another run").isNotNull();
        await(() -> stay.fault().isEmpty());
        stay.play(Optional.of(1));
        await(() -> loudest(second) > 0.005f);
        assertThat(stay.session()).isEqualTo(edited);
        assertThat(stay.live().headphonesCut())
                .as("nothing comes back to ears by itself")
                .isTrue();
        assertThat(stay.live().controlRoom()).as("nor gets speakers up").contains(DIMMED);
        second.wishes.add("break");
        await(() -> stay.fault().contains("restarts in 2 seconds"));
    }

    @Test(timeOut = 120_000)
    public void theControlRoomHearsWhatItCanAndGoesOnAsItWasWhereItCannot() throws Exception {
        Device device = begin(SESSION, RandomSessions.RIG);
        stay.play(Optional.of(1));
        await(() -> loudest(device) > 0.05f);
        stay.controlRoom(room -> MUTED);
        await(() -> {
            device.peaks.clear();
            return IntStream.range(0, 40).allMatch(block -> peakOf(device) == 0);
        });
        assertThatThrownBy(() -> stay.controlRoom(room -> hearing("cue/ghost")))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("no cue 'ghost'");
        assertThat(stay.live().controlRoom()).contains(MUTED);
        assertThat(stay.live().playing()).isTrue();
        stay.controlRoom(room -> MUTED.playing(Optional.of(
                new TestSignal(TestSignal.Kind.TONE, 1000, Decibels.of(-20), List.of(new PortId("out-1"))))));
        await(() -> loudest(device) > 0.09f);
        stay.play(Optional.of(1));
        assertThat(stay.live().controlRoom())
                .as("no test signal goes on into a song")
                .contains(MUTED);
    }

    @Test(timeOut = 120_000)
    public void cuttingDimmingMutingAndStoppingWaitForNothingElse() throws Exception {
        TrackId click = new TrackId("click");
        CueId cue = new CueId("c");
        Session heard = new SetBuffer(512)
                .applyTo(SESSION, RandomSessions.RIG)
                .plus(Cue.empty(cue, 1, "C").outTo(Optional.of(new PairId("phones-1"))))
                .change(cue, each -> each.withSend(click, send -> send.at(Decibels.ZERO)));
        stay = new Stay(heard, RandomSessions.RIG, this::open);
        stay.start();
        Device device = opened.poll(SECONDS, TimeUnit.SECONDS);
        stay.play(Optional.of(1));
        await(() -> device.inPhones > 0.005f);
        CountDownLatch door = new CountDownLatch(1);
        doorOpens = door;
        stay.follow(new SetBuffer(256).applyTo(heard, RandomSessions.RIG));
        await(() -> waitingAtTheDoor);
        stay.cutHeadphones(true);
        assertThat(stay.live().headphonesCut()).isTrue();
        await(() -> {
            device.inPhones = 0;
            return loudestOf(device, 60) > 0.05f && device.inPhones == 0;
        });
        stay.controlRoom(room -> DIMMED);
        await(() -> loudestOf(device, 60) < 0.03f);
        assertThat(loudestOf(device, 60)).as("20 dB below a click").isBetween(0.01f, 0.03f);
        stay.controlRoom(room -> ControlRoomState.BEGINNING);
        await(() -> loudestOf(device, 60) > 0.1f);
        stay.controlRoom(room -> MUTED);
        await(() -> loudestOf(device, 60) == 0);
        stay.stop();
        assertThat(stay.live().playing()).isFalse();
        stay.controlRoom(room -> DIMMED);
        await(() -> loudestOf(device, 60) == 0);
        Thread tooLate = new Thread(() -> stay.play(Optional.of(1)));
        tooLate.start();
        await(() -> tooLate.getState() == Thread.State.WAITING);
        stay.stop();
        assertThat(opened).as("all that while the interface was being opened").isEmpty();
        door.countDown();
        tooLate.join();
        Device second = opened.poll(SECONDS, TimeUnit.SECONDS);
        assertThat(stay.live().playing()).as("the stop came after it").isFalse();
        assertThat(stay.live().controlRoom()).contains(DIMMED);
        assertThat(stay.live().headphonesCut()).isTrue();
        assertThat(loudestOf(second, 40)).isZero();
        stay.play(Optional.of(1));
        await(() -> loudestOf(second, 120) > 0.01f);
        assertThat(loudestOf(second, 120)).as("still dimmed").isBetween(0.01f, 0.03f);
        assertThat(second.inPhones).isZero();
        stay.cutHeadphones(false);
        assertThat(stay.live().headphonesCut()).isFalse();
    }

    private static void awaitQuietly(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
        }
    }

    /** The loudest of so many blocks to come. */
    private static float loudestOf(Device device, int blocks) {
        device.peaks.clear();
        float loudest = 0;
        for (int block = 0; block < blocks; block++) {
            loudest = Math.max(loudest, peakOf(device));
        }
        return loudest;
    }

    private static float peakOf(Device device) {
        try {
            return device.peaks.take();
        } catch (InterruptedException interrupted) {
            throw new IllegalStateException(interrupted);
        }
    }

    private static ControlRoomState hearing(String what) {
        return new ControlRoomState(
                what, SpeakerSet.MAIN, false, false, false, false, Flipped.NONE, false, Optional.empty());
    }

    @Test(timeOut = 120_000)
    public void nineClickVoicesOfAnOlderSessionEndNothing() throws Exception {
        ClickPattern.Voice beats = SESSION.click().voices().get(0);
        List<ClickPattern.Voice> nine =
                new java.util.ArrayList<>(SESSION.click().voices());
        for (int n = 3; n <= 9; n++) {
            nine.add(new ClickPattern.Voice(new VoiceId("v" + n), "V" + n, beats.sound(), 500, n, false, Decibels.OFF));
        }
        Device device = begin(SESSION, RandomSessions.RIG);
        stay.follow(SESSION.with(new ClickPattern(1, nine)));
        stay.play(Optional.of(1));
        await(() -> loudest(device) > 0.05f);
        assertThat(stay.fault()).isEmpty();
    }

    @Test(timeOut = 120_000)
    public void theSongGoesOnWhenSomethingElseIsSaidOfTheRig() throws Exception {
        begin(SESSION, RandomSessions.RIG);
        stay.play(Optional.of(5));
        await(() -> stay.place().seconds() > 8);
        Rig warmer = new SetRoomTemperature(27).applyTo(RandomSessions.RIG);
        stay.follow(warmer);
        await(() -> stay.rig().equals(warmer));
        stay.follow(new SetFader(new TrackId("click"), Decibels.of(-3)).applyTo(SESSION, warmer));
        double before = stay.place().seconds();
        await(() -> stay.place().seconds() > before + 0.1);
        assertThat(stay.live().playing()).isTrue();
        assertThat(opened).isEmpty();
        assertThat(stay.incidents().newestFirst()).isEmpty();
    }

    @Test(timeOut = 120_000)
    public void aRigThatIsWiredAnewBeginsAnewAndSaysSo() throws Exception {
        begin(SESSION, RandomSessions.RIG);
        stay.follow(withPreamp());
        assertThat(opened.poll(SECONDS, TimeUnit.SECONDS)).isNotNull();
        assertThat(stay.incidents().newestFirst())
                .singleElement()
                .satisfies(incident -> assertThat(incident.sentence()).contains("changed under Rig"));
    }

    @Test(timeOut = 120_000)
    public void aRoomThatCannotBeOpenedIsTriedAgain() throws Exception {
        begin(SESSION, RandomSessions.RIG);
        troubles.set(1);
        stay.follow(new SetBuffer(256).applyTo(SESSION, RandomSessions.RIG));
        await(() -> stay.fault().contains("the room is locked"));
        assertThat(opened.poll(SECONDS, TimeUnit.SECONDS)).isNotNull();
        await(() -> stay.fault().isEmpty());
        assertThat(stay.session().bufferFrames()).isEqualTo(256);
    }

    @Test(timeOut = 120_000)
    public void aDeviceThatWentIsTakenAgainWhenItAnswers() throws Exception {
        Device device = begin(SESSION, RandomSessions.RIG);
        gone = true;
        device.wishes.add("vanish");
        await(() -> stay.fault().equals("Its cable is out."));
        gone = false;
        assertThat(opened.poll(SECONDS, TimeUnit.SECONDS)).isNotNull();
        await(() -> stay.fault().isEmpty());
        assertThat(stay.incidents().newestFirst().stream().map(Incidents.Incident::sentence))
                .containsExactly("The interface answers again.", "Its cable is out.");
    }

    /** What a device could not wait for is counted, together while it goes on, anew when the devices run anew. */
    @Test
    public void blocksThatComeLateAreCountedAndSaid() throws Exception {
        Device device = begin(SESSION, RandomSessions.RIG);
        stay.play(Optional.of(1));
        device.lateness = new Lateness(1, 0);
        await(() -> said().equals(
                        "The computer was too busy: one block came late. A larger buffer or fewer programs help."));
        device.lateness = new Lateness(4, 14_400);
        await(() -> said().contains("4 blocks came late, 300 ms of sound are missing"));
        assertThat(stay.incidents().newestFirst()).hasSize(1);
        device.wishes.add("break");
        await(() -> stay.incidents().newestFirst().size() == 2);
        assertThat(said()).startsWith("The engine stopped with an error and restarted");
    }

    private String said() {
        return stay.incidents()
                .within(Duration.ofMinutes(1))
                .map(Incidents.Incident::sentence)
                .orElse("");
    }

    @Test(timeOut = 120_000)
    public void preampsThatCannotBeSetAreSaidAndTriedAgain() throws Exception {
        Rig rig = withPreamp();
        Session session = SESSION.plus(Input.of(new InputId("harp"), 1, "Harp")
                .patchedTo(List.of(new PortId("in-1")))
                .amplified(20));
        Device device = begin(session, rig);
        await(() -> device.gains.contains(20.0));
        preampTroubles.set(2);
        stay.follow(new SetInputGain(new InputId("harp"), 40).applyTo(session, rig));
        await(() -> stay.trouble().contains("the preamp's relay sticks"));
        assertThat(stay.trouble()).startsWith("The preamps could not be set; it is tried again in a second");
        assertThat(stay.fault()).as("the sound goes on").isEmpty();
        await(() -> device.gains.contains(40.0));
        await(() -> stay.trouble().isEmpty());
    }

    @Test(timeOut = 120_000)
    public void anInputThatBringsWhatIsNoSoundIsSaid() throws Exception {
        Device device = begin(SESSION, RandomSessions.RIG);
        device.wishes.add("babble");
        await(() -> stay.trouble().startsWith("House in-3 sends samples that are not numbers, 2 so far."));
        assertThat(stay.fault()).isEmpty();
    }

    @Test(timeOut = 120_000)
    public void whatCannotBePlayedIsRefusedAndTheSongStandsWhereItStood() throws Exception {
        begin(SESSION, RandomSessions.RIG);
        assertThatThrownBy(() -> stay.locate(200_000)).isInstanceOf(Refused.class);
        stay.locate(3);
        // At 120 in 4/4 bar 3 begins after four seconds.
        await(() -> stay.place().bar() == 3);
        assertThat(stay.place().seconds()).isEqualTo(4.0);
        assertThat(stay.outputs("main"))
                .hasValueSatisfying(outputs -> assertThat(outputs).containsExactly(0, 1));
        assertThat(stay.outputs("nobody")).isEmpty();
    }

    private static Rig withPreamp() {
        Rig rig = RandomSessions.RIG;
        List<Port> ports = rig.ports().stream()
                .map(port -> port.id().value().equals("in-1")
                        ? new Port(
                                port.id(),
                                port.device(),
                                port.direction(),
                                port.number(),
                                port.panelName(),
                                port.houseLabel(),
                                port.takes(),
                                false,
                                "",
                                0,
                                new Port.GainRange(0, 60, 20),
                                true,
                                false,
                                Optional.empty())
                        : port)
                .toList();
        return new Rig(
                rig.id(), 0, rig.name(), 20, rig.devices(), ports, rig.ties(), rig.pairs(), rig.groups(), rig.mics());
    }

    private static float loudest(Device device) {
        float loudest = 0;
        for (Float peak = device.peaks.poll(); peak != null; peak = device.peaks.poll()) {
            loudest = Math.max(loudest, peak);
        }
        return loudest;
    }

    /** Waits for something that another thread does; the test's own time limit ends it. */
    private static void await(BooleanSupplier there) {
        while (!there.getAsBoolean()) {
            Thread.onSpinWait();
            Thread.yield();
        }
    }
}
