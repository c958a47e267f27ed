package vividlantern.engine;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.management.ThreadMXBean;
import java.lang.management.ManagementFactory;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicReference;
import java.util.stream.Stream;
import org.testng.annotations.Test;
import vividlantern.RandomSessions;
import vividlantern.click.Passage;
import vividlantern.mix.ControlRoomState;
import vividlantern.mix.LiveState;
import vividlantern.mix.MixPlan;
import vividlantern.mix.Talk;
import vividlantern.mix.TestSignal;
import vividlantern.playback.SoundsInMemory;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.session.ControlRoom.SpeakerSet;
import vividlantern.session.Feed;
import vividlantern.session.Hear;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.chain.Chain;
import vividlantern.session.chain.Chains;
import vividlantern.session.chain.EffectId;
import vividlantern.session.chain.EffectType;
import vividlantern.session.chain.EffectValue;
import vividlantern.session.chain.Inserted;
import vividlantern.session.cue.Comfort;
import vividlantern.session.cue.Compressor;
import vividlantern.session.cue.Corner;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Echo;
import vividlantern.session.edit.BackingEdit.AddBacking;
import vividlantern.session.edit.ControlRoomEdit.SetTalkbackMic;
import vividlantern.session.song.NoteValue;
import vividlantern.units.Decibels;

/**
 * The audio thread puts nothing on the heap, whatever sounds and whatever comes in, but at play, locate and stop the one
 * record of where the song is.
 */
public class AudioThreadTest {

    private static final int RATE = 48_000;
    private static final int BLOCK = 128;
    private static final int MOST_ROUNDS = 10;

    private static final int PRESSES = 3;
    /** A {@link Transport} and its {@link Passage}. */
    private static final int BYTES_A_PRESS = 96;

    private static final ThreadMXBean THREADS = (ThreadMXBean) ManagementFactory.getThreadMXBean();
    private static final TrackId VOICE = new TrackId("voice");
    private static final TrackId GUIDE = new TrackId("guide");
    private static final CueId CUE = new CueId("c");

    private final AtomicReference<LiveState> live =
            new AtomicReference<>(LiveState.PLAYING.in(ControlRoomState.BEGINNING));
    private final float[][] in = new float[RandomSessions.INPUTS][BLOCK];
    private final float[][] out = new float[RandomSessions.RIG.engineOutputs().size()][BLOCK];
    private Session session;
    private Engine engine;
    private long frame;
    private long bytes;

    /** Blocks with what comes in at their begin; only they are counted. */
    private void run(int blocks) {
        for (int block = 0; block < blocks; block++) {
            for (float[] input : in) {
                for (int n = 0; n < BLOCK; n++) {
                    input[n] = (n * 37 % 64 - 32) / 40f;
                }
            }
            long thread = Thread.currentThread().getId();
            long before = THREADS.getThreadAllocatedBytes(thread);
            engine.process(in, out, BLOCK, frame);
            bytes += THREADS.getThreadAllocatedBytes(thread) - before;
            frame += BLOCK;
        }
    }

    private void hear(Session next) {
        session = next;
        engine.change(session, RandomSessions.RIG, live::get);
        engine.reels().forEach(reel -> reel.readAhead(engine.transport().songFrameAt(frame)));
        run(12);
    }

    private void controlRoom(String hears, boolean dimmed, Optional<TestSignal> signal) {
        live.updateAndGet(now -> now.in(new ControlRoomState(
                hears, SpeakerSet.MAIN, dimmed, dimmed, false, dimmed, ControlRoomState.Flipped.LEFT, dimmed, signal)));
        engine.controlRoom(live::get);
        run(12);
        hear(session);
    }

    private static Optional<TestSignal> signal(TestSignal.Kind kind) {
        return Optional.of(
                new TestSignal(kind, 1000, Decibels.of(-20), List.of(new PortId("out-1"), new PortId("out-4"))));
    }

    /** Everything that sounds, and everything that is pressed or changed meanwhile. */
    private void round() {
        engine.play(new SongStart(0, Passage.from(0, 0)), () -> true);
        run(12);
        hear(session.change(VOICE, track -> track.faded(Decibels.of(-6)).shifted(700)));
        hear(session.change(VOICE, track -> track.faded(Decibels.ZERO).shifted(0)));
        hear(session.change(CUE, cue -> cue.withHighPass(new Corner(true, 90))));
        hear(session.change(CUE, cue -> cue.withLowPass(new Corner(true, 9000)).guarded(false)));
        hear(session.change(CUE, cue -> cue.withHighPass(new Corner(false, 90)).withLowPass(new Corner(false, 9000))));
        hear(session.change(CUE, cue -> cue.guarded(true).withoutSend(GUIDE)));
        hear(session.change(CUE, cue -> cue.withSend(GUIDE, send -> send.at(Decibels.of(3)))));
        Comfort comfort = new Comfort(true, Comfort.Room.SMALL, Decibels.ZERO);
        Echo echo = new Echo(NoteValue.QUAVER, 10, Decibels.ZERO);
        hear(session.change(
                CUE,
                cue -> cue.withSend(VOICE, send -> send.comforted(Decibels.ZERO))
                        .compressed(new Compressor(true, -30, 3, 10, 200, 4))
                        .comforted(comfort.echoing(Optional.of(echo)))));
        hear(session.change(
                CUE,
                cue -> cue.withSend(VOICE, send -> send.comforted(Decibels.OFF))
                        .compressed(new Compressor())
                        .comforted(new Comfort())));
        List<Inserted> all = Stream.of(EffectType.values())
                .map(type -> Inserted.of(new EffectId(type.word().toLowerCase(Locale.ROOT)), type))
                .toList();
        hear(chained(all));
        hear(chained(all.stream().map(AudioThreadTest::moved).toList()));
        hear(chained(all.stream().map(each -> moved(each).on(false)).toList()));
        hear(chained(all));
        hear(chained(List.of()));
        engine.cutHeadphones(true);
        run(12);
        engine.cutHeadphones(false);
        run(12);
        engine.talk(Talk.TO_ALL, 0.25);
        run(12);
        engine.talk(Talk.to(Set.of(CUE)), 0.25);
        run(12);
        engine.talk(Talk.TO_NOBODY, 1);
        run(12);
        controlRoom("main", true, Optional.empty());
        for (TestSignal.Kind kind : TestSignal.Kind.values()) {
            controlRoom("cue/c", false, signal(kind));
        }
        controlRoom("main", false, Optional.empty());
        live.updateAndGet(now -> now.silencing(java.util.Set.of(0)));
        hear(session);
        live.updateAndGet(now -> now.silencing(java.util.Set.of()));
        hear(session);
        engine.locate(24_000);
        run(12);
        engine.stop();
        run(40);
    }

    private Session chained(List<Inserted> effects) {
        return session.withChains(List.of(new Chains(VOICE, new Chain(true, effects), new Chain(true, effects))));
    }

    /** The same with all of its numbers elsewhere. */
    private static Inserted moved(Inserted effect) {
        return effect.with(effect.type().ranges().stream()
                .filter(range -> range.choices().isEmpty())
                .map(range -> new EffectValue(range.number(), (range.begins() + range.to()) / 2))
                .toList());
    }

    private AudioThreadTest begin() {
        SoundsInMemory sounds = new SoundsInMemory();
        session = RandomSessions.blank()
                .plus(Track.forInputs(VOICE, 1, "Voice", 2, List.of(port("in-1"), port("in-2")))
                        .heard(Hear.ALWAYS)
                        .faded(Decibels.ZERO));
        session = new AddBacking(GUIDE, "Guide", sounds.counting("count", 2, 480_000))
                .applyTo(session, RandomSessions.RIG);
        session = session.plus(Cue.empty(CUE, 1, "C")
                .outTo(Optional.of(new PairId("phones-1")))
                .withSend(VOICE, send -> send.at(Decibels.of(6)))
                .withSend(new TrackId("click"), send -> send.at(Decibels.ZERO)));
        session = new SetTalkbackMic(Optional.of(new PortId("in-9"))).applyTo(session, RandomSessions.RIG);
        engine = new Engine(
                MixPlan.compile(session, RandomSessions.RIG, live.get(), sounds),
                RATE,
                BLOCK,
                Transport.stopped(0, 0),
                transport -> {});
        return this;
    }

    /**
     * By plain loops, since vectors stand on the heap until they are compiled: without their module, which takes a program of
     * its own.
     */
    @Test(timeOut = 120_000)
    public void nothingOfASessionAndOfWhatIsPressedAllocates() throws Exception {
        Process program = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-cp",
                        System.getProperty("java.class.path"),
                        AudioThreadTest.class.getName())
                .redirectErrorStream(true)
                .start();
        String said = new String(program.getInputStream().readAllBytes(), StandardCharsets.UTF_8).strip();
        assertThat(said).as("bytes of the first rounds, those of the last").matches("\\[.*\\] \\d+");
        long last = Long.parseLong(said.substring(said.lastIndexOf(' ') + 1));
        assertThat(last).as(said).isLessThanOrEqualTo(PRESSES * BYTES_A_PRESS);
    }

    /** Rounds until one has nothing to say, of which the first load classes. */
    public static void main(String[] none) {
        AudioThreadTest test = new AudioThreadTest().begin();
        List<Long> rounds = new ArrayList<>();
        do {
            test.bytes = 0;
            test.round();
            rounds.add(test.bytes);
        } while (test.bytes > PRESSES * BYTES_A_PRESS && rounds.size() < MOST_ROUNDS);
        System.out.println(rounds + " " + test.bytes);
    }

    private static Feed port(String id) {
        return Feed.from(new PortId(id));
    }
}
