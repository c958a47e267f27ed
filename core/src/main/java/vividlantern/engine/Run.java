package vividlantern.engine;

import java.util.function.BiConsumer;
import vividlantern.hardware.AudioDevice;
import vividlantern.mix.LiveState;
import vividlantern.mix.MixPlan;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.song.TempoMap;

/** One run of the devices: from opening them for a session until they end, by wish or by accident. */
final class Run {

    /** 1.4 s at 48 kHz. */
    private static final int OUTPUT_FRAMES = 1 << 16;
    /** 2.7 s at 48 kHz. */
    private static final int INPUT_FRAMES = 1 << 17;

    private static final int REHEARSED_BLOCKS = 500;
    private static final long LONGEST_REHEARSAL_NANOS = 2_000_000_000L;

    private final Session opened;
    private final Room room;
    private final Engine engine;
    private final ReadAhead readAhead;
    private final ChangeOver changeOver;
    private final Tape tape;
    private final Thread thread;
    private volatile String fault = "";
    private volatile boolean lostItsDevice;

    /**
     * @param live what is so from the first block on
     * @param accidents learns what ended the run if nobody wished it
     */
    Run(Session session, Rig rig, LiveState live, Venue venue, BiConsumer<Run, Throwable> accidents) {
        opened = session;
        room = venue.open(session, rig);
        ChangeOver.begin(session, rig, room.device());
        engine = new Engine(
                MixPlan.compile(session, rig, live, room.media()),
                session.sampleRate(),
                session.bufferFrames(),
                Transport.stopped(0, 0),
                room.follower(),
                new Tape(rig.engineInputs().size(), INPUT_FRAMES));
        readAhead = new ReadAhead(engine);
        changeOver = new ChangeOver(session, rig, live, engine, room.device());
        tape = new Tape(rig.engineOutputs().size(), OUTPUT_FRAMES);
        thread = new Thread(() -> run(rig, accidents), "engine");
        thread.setPriority(Thread.MAX_PRIORITY);
        thread.setDaemon(true);
    }

    private void run(Rig rig, BiConsumer<Run, Throwable> accidents) {
        try {
            Engine.rehearse(opened, rig, REHEARSED_BLOCKS, LONGEST_REHEARSAL_NANOS);
            room.device().run(engine, new Left(tape), opened.bufferFrames(), AudioDevice.Pace.REAL_TIME);
        } catch (Throwable accident) {
            accidents.accept(this, accident);
        }
    }

    /** Keeps what leaves at the sockets. */
    private record Left(Tape tape) implements AudioDevice.Listener {

        @Override
        public void played(float[][] converted, int frames, long frame) {
            // what leaves holds it
        }

        @Override
        public void left(float[][] atSockets, int frames, long frame) {
            tape.record(atSockets, frames, frame);
        }
    }

    void start() {
        readAhead.start();
        thread.start();
    }

    void end() {
        engine.end();
        readAhead.end();
        try {
            thread.join(2000);
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
        }
    }

    /** Whether it can go on with another state of the session, as far as the devices are concerned. */
    boolean fits(Session session) {
        return session.sampleRate() == opened.sampleRate() && session.bufferFrames() == opened.bufferFrames();
    }

    /** What stopped it, or keeps it from being as it should. */
    void fail(String why) {
        fault = why;
    }

    void loseDevice(String why) {
        lostItsDevice = true;
        fault = why;
    }

    boolean lostItsDevice() {
        return lostItsDevice;
    }

    /** Why nothing sounds; "" while it runs. */
    String fault() {
        return fault;
    }

    /** Tells what is around the device that the song is another one. */
    void learn(TempoMap song) {
        room.song().accept(song);
    }

    AudioDevice device() {
        return room.device();
    }

    Engine engine() {
        return engine;
    }

    ChangeOver changeOver() {
        return changeOver;
    }

    Tape tape() {
        return tape;
    }
}
