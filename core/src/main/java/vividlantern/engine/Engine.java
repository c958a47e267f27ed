package vividlantern.engine;

import java.util.List;
import java.util.Set;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import vividlantern.click.Passage;
import vividlantern.hardware.AudioProcess;
import vividlantern.mix.LiveState;
import vividlantern.mix.MixPlan;
import vividlantern.mix.MixState;
import vividlantern.mix.Mixer;
import vividlantern.mix.Talk;
import vividlantern.playback.Reel;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.cue.CueId;

/**
 * The transport and the mixer between a device's inputs and outputs. New plans and transport wishes come in by atomic
 * references and take effect at a block's start; nothing here waits.
 */
public final class Engine implements AudioProcess {

    /** Learns at once where the song is; called by the audio thread. */
    @FunctionalInterface
    public interface Follower {
        void follow(Transport transport);
    }

    /** What the transport shall do from the next block on. */
    private sealed interface Wish {}

    private record Play(SongStart start) implements Wish {}

    private record Locate(long songFrame) implements Wish {}

    private record Stop() implements Wish {}

    private final Mixer mixer;
    private final Follower follower;
    private final Tape inputs;
    private final AtomicReference<MixState> next = new AtomicReference<>();
    private final AtomicReference<Wish> wish = new AtomicReference<>();
    private volatile Probe probe;
    private volatile Transport transport;
    private volatile long frame;
    private volatile boolean ended;
    private volatile MixState latest;
    private volatile List<Reel> reels;
    private MixState running;
    private MixPlan plan;

    /** @param maxFrames the longest block the device will ask for */
    public Engine(MixPlan plan, int sampleRate, int maxFrames, Transport start, Follower follower) {
        this(plan, sampleRate, maxFrames, start, follower, new Tape(0, 1));
    }

    /** @param inputs keeps what comes in, for a while */
    Engine(MixPlan plan, int sampleRate, int maxFrames, Transport start, Follower follower, Tape inputs) {
        this.inputs = inputs;
        mixer = new Mixer(sampleRate, maxFrames);
        this.plan = plan;
        reels = plan.reels();
        latest = mixer.prepare(plan);
        running = latest;
        transport = start;
        this.follower = follower;
        follower.follow(start);
    }

    /**
     * Runs blocks of a session to nobody, so that what makes sound is compiled by the time somebody listens: unrehearsed, the
     * first blocks come late.
     *
     * @param longestNanos after which it is enough in any case
     */
    static void rehearse(Session session, Rig rig, int blocks, long longestNanos) {
        int frames = session.bufferFrames();
        Mixer mixer = new Mixer(session.sampleRate(), frames);
        MixState state = mixer.prepare(MixPlan.compile(session, rig, LiveState.PLAYING));
        float[][] in = new float[rig.engineInputs().size()][frames];
        float[][] out = new float[rig.engineOutputs().size()][frames];
        long end = System.nanoTime() + longestNanos;
        for (int block = 0; block < blocks && System.nanoTime() < end; block++) {
            long frame = (long) block * frames;
            mixer.process(state, in, out, frames, frame, frame, Passage.ENDLESS);
        }
    }

    /**
     * Hands over another state of the session; the last one before a block begins is the one that counts. One thread at a time.
     *
     * @param live asked once more when the plan is ready
     */
    public void change(Session session, Rig rig, Supplier<LiveState> live) {
        plan = plan.then(session, rig, live.get());
        reels = plan.reels();
        readFirst(transport.songFrameAt(frame));
        latest = mixer.prepare(plan, live);
        next.set(latest);
    }

    /** Lets the control room stand otherwise from the next block on; comes back at once, false if that needs a plan. */
    boolean controlRoom(Supplier<LiveState> live) {
        return mixer.controlRoom(live);
    }

    /** Plays from a start on, if that is still wanted when its sounds are read. */
    void play(SongStart start, BooleanSupplier stillWanted) {
        readFirst(start.frame());
        synchronized (wish) {
            if (stillWanted.getAsBoolean()) {
                wish.set(new Play(start));
            }
        }
    }

    /** Stops the song with the next block; comes back at once. */
    public void stop() {
        synchronized (wish) {
            wish.set(new Stop());
        }
    }

    /** Silences all that performers hear from the next block on, or lets it back; comes back at once. */
    void cutHeadphones(boolean cut) {
        mixer.cutHeadphones(cut);
    }

    /** Silences those who hear some cues from the next block on, and lets all others back; comes back at once. */
    void cut(Set<CueId> cues) {
        mixer.cut(cues);
    }

    /** Lets cues hear what is said to them from the next block on; comes back at once. */
    void talk(Talk to, double dim) {
        mixer.talk(to, dim);
    }

    public void locate(long songFrame) {
        readFirst(songFrame);
        wish.set(new Locate(songFrame));
    }

    private void readFirst(long songFrame) {
        reels.forEach(reel -> reel.readFirst(songFrame));
    }

    /** What the backing tracks play. */
    List<Reel> reels() {
        return reels;
    }

    /** What came in last at every input, with what is no number silenced. */
    Tape inputs() {
        return inputs;
    }

    /** Begins to measure; what it sends leaves by its output from the next block on. */
    public void begin(Probe measuring) {
        probe = measuring;
    }

    /** Ends the run after the block that is being worked on. */
    public void end() {
        ended = true;
    }

    public Transport transport() {
        return transport;
    }

    /** The first frame of the next block. */
    public long frame() {
        return frame;
    }

    /** What runs by the next block; its meters are for one reader. */
    public MixState state() {
        return latest;
    }

    @Override
    public boolean process(float[][] in, float[][] out, int frames, long blockFrame) {
        MixState changed = next.getAndSet(null);
        if (changed != null) {
            running = changed;
        }
        Wish wanted = wish.getAndSet(null);
        if (wanted != null) {
            grant(wanted, blockFrame);
        }
        Transport now = transport;
        mixer.process(running, in, out, frames, blockFrame, now.movedTo(blockFrame), now.passage());
        inputs.record(in, frames, blockFrame);
        Probe probing = probe;
        if (probing != null && !probing.process(out, frames, blockFrame)) {
            probe = null;
        }
        frame = blockFrame + frames;
        return !ended;
    }

    private void grant(Wish wanted, long blockFrame) {
        if (wanted instanceof Play play) {
            transport = Transport.playing(
                    blockFrame, play.start().frame(), play.start().passage());
        } else if (wanted instanceof Locate locate) {
            transport = transport.playing()
                    ? Transport.playing(blockFrame, locate.songFrame())
                    : Transport.stopped(blockFrame, locate.songFrame());
        } else if (transport.playing()) {
            transport = transport.stopAt(blockFrame);
        }
        follower.follow(transport);
    }
}
