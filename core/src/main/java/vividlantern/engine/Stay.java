package vividlantern.engine;

import java.lang.System.Logger;
import java.time.Clock;
import java.time.Duration;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.Executors;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import vividlantern.basics.Progress;
import vividlantern.basics.Refused;
import vividlantern.hardware.AudioDevice;
import vividlantern.hardware.DeviceGone;
import vividlantern.hardware.Lateness;
import vividlantern.kernel.Kernels;
import vividlantern.mix.ControlRoomStanding;
import vividlantern.mix.ControlRoomState;
import vividlantern.mix.LiveState;
import vividlantern.mix.MixState;
import vividlantern.mix.PlayedPeaks;
import vividlantern.mix.Talk;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.Session;
import vividlantern.session.cue.CueId;
import vividlantern.session.song.TempoCurve;

/**
 * A session's stay at the rig: its engine, the preamps' change-over, the tape of what left, from taking the rig to giving it
 * up. New states of the session and of the rig come in from any thread and are worked off on one of the stay's own, which
 * also compiles plans; only the engine's thread makes sound.
 *
 * <p>Nothing ends it without a word. A device that goes is said and taken again when it answers. Whatever throws in the
 * engine or while preamps are set is logged and said in a sentence, and begun anew after a pause that grows.
 */
public final class Stay implements AutoCloseable {

    private static final Logger LOG = System.getLogger(Stay.class.getName());
    private static final long ADVANCE_MILLIS = 4;
    private static final long LOOK_MILLIS = 500;
    /** For so long after a run began the machine still compiles what it does. */
    private static final long SETTLING_SECONDS = 3;

    private static final int LOWEST_BAR = -8;
    private static final int HIGHEST_BAR = 100_000;

    private final Venue venue;
    private final ScheduledExecutorService worker;
    private final AtomicReference<Session> coming = new AtomicReference<>();
    private final Incidents incidents = new Incidents(Clock.systemUTC());
    private final ReelWatch reels = new ReelWatch(incidents);
    private final InputWatch inputs = new InputWatch();
    private final EffectWatch effects = new EffectWatch();
    private final Pauses enginePauses = new Pauses();
    private final Pauses preampPauses = new Pauses();
    private volatile Session session;
    private volatile Rig rig;
    private volatile TempoCurve curve;
    private volatile Run run;
    /** How often the song was stopped: a start that was asked for before the last stop never comes. */
    private final AtomicLong stops = new AtomicLong();
    /** Whoever cuts headphones waits for nobody but another one who does. */
    private final Object cutTurn = new Object();
    /** Likewise whoever dims the speakers. */
    private final Object controlRoomTurn = new Object();

    private boolean cut;
    private final Measuring measuring = new Measuring(this::ask, this::fault);
    private volatile String preampFault = "";
    private volatile String soundFault = "";
    private final PlayedPeaks played = new PlayedPeaks();
    private final HeardCues heardCues = new HeardCues();
    private Lateness lateness = Lateness.NONE;
    private volatile boolean givenUp;
    private long preampsRestUntil = Long.MIN_VALUE;

    /** Takes the rig for a session; it sounds once {@link #start} is called. */
    public Stay(Session session, Rig rig, Venue venue) {
        this.session = session;
        this.rig = rig;
        this.venue = venue;
        curve = session.tempoMap().curve();
        worker = Executors.newSingleThreadScheduledExecutor(Threads.named("stay"));
        run = new Run(session, rig, LiveState.STOPPED.in(ControlRoomState.BEGINNING), venue, this::accident);
    }

    public void start() {
        LOG.log(Logger.Level.INFO, "The mixer runs on {0}.", Kernels.best().words());
        run.start();
        worker.scheduleWithFixedDelay(this::advance, 0, ADVANCE_MILLIS, TimeUnit.MILLISECONDS);
        worker.scheduleWithFixedDelay(this::look, LOOK_MILLIS, LOOK_MILLIS, TimeUnit.MILLISECONDS);
    }

    /** Goes on with another state of the session; comes back at once. */
    public void follow(Session changed) {
        if (coming.getAndSet(changed) == null) {
            handOver(this::takeWhatIsComing);
        }
    }

    /** Has something done by the stay's own thread; nothing happens if the rig was given up meanwhile. */
    private void handOver(Runnable work) {
        try {
            worker.execute(() -> {
                if (!givenUp) {
                    orBeginAnew(work);
                }
            });
        } catch (RejectedExecutionException over) {
            LOG.log(Logger.Level.DEBUG, "The rig was released meanwhile.", over);
        }
    }

    /**
     * Goes on with another state of the rig; comes back at once. One that is wired differently needs another run. What is
     * measured otherwise the stand-ins take when a run begins, which does not break off a song that plays.
     */
    public void follow(Rig changed) {
        handOver(() -> {
            boolean alike = rig.soundsLike(changed);
            boolean goesOn = live().playing() || rig.measuresLike(changed);
            rig = changed;
            if (alike && goesOn) {
                run.changeOver().change(changed);
            } else if (alike) {
                beginAnew();
            } else {
                incidents.add(
                        Incidents.Kind.BEGAN_ANEW,
                        "What the engine plays through was changed under Rig, so it began anew.",
                        session.bufferFrames());
                beginAnew();
            }
        });
    }

    private void takeWhatIsComing() {
        Session changed = coming.getAndSet(null);
        boolean otherSong = !changed.tempoMap().equals(session.tempoMap());
        session = changed;
        if (otherSong) {
            curve = changed.tempoMap().curve();
            run.learn(changed.tempoMap());
        }
        if (run.fits(changed)) {
            run.changeOver().change(changed);
        } else {
            beginAnew();
        }
    }

    /** Plays from a bar, or from the bar where the song stands, counted in; a test signal ends. */
    public void play(Optional<Integer> fromBar) {
        fromBar.ifPresent(Stay::requireBar);
        long stopsBefore = stops.get();
        ask(now -> {
            int bar = Math.max(1, fromBar.orElseGet(() -> place().bar()));
            now.changeOver().change(live -> {
                ControlRoomState room = live.controlRoom().orElseThrow();
                return live.playing(stops.get() == stopsBefore).in(room.playing(Optional.empty()));
            });
            now.engine().play(SongStart.atBar(session, bar), () -> stops.get() == stopsBefore);
        });
    }

    /** Stops the song where it is, with the engine's next block; waits behind nothing. */
    public void stop() {
        stops.incrementAndGet();
        run.changeOver().stop();
        handOver(() -> run.changeOver().change(live -> live));
    }

    /** Moves to the start of a bar. */
    public void locate(int bar) {
        requireBar(bar);
        ask(now -> now.engine().locate(frameOf(bar)));
    }

    /**
     * Sends samples out by an output and takes what comes in at an input meanwhile; waits until that is done.
     *
     * @param firstFrames for how long every input is taken
     * @throws Refused if the song plays, or it was cancelled, or the sound broke off
     */
    public ProbeResponse probe(float[] sent, int output, int input, int firstFrames, Progress progress) {
        return measuring.probe(sent, output, input, firstFrames, progress);
    }

    /** Takes what comes in at some inputs from now on, for some frames; waits until that is done. */
    public float[][] listen(int[] inputs, int frames) {
        return measuring.listen(inputs, frames);
    }

    /** Whether it goes on with another state of the session without a break. */
    public boolean goesOnWith(Session changed) {
        return run.fits(changed);
    }

    /** Silences everything that performers hear with the engine's next block, or lets it back; waits behind nothing. */
    public void cutHeadphones(boolean wanted) {
        synchronized (cutTurn) {
            cut = wanted;
            run.changeOver().cutHeadphones(wanted);
        }
    }

    /**
     * The same for those who hear one cue.
     *
     * @throws Refused if the session has no such cue
     */
    public void cutHeadphones(CueId cue, boolean wanted) {
        if (session.find(cue).isEmpty()) {
            throw new Refused("There is no cue '" + cue + "' in this session.", "cue");
        }
        synchronized (cutTurn) {
            Set<CueId> cues = new HashSet<>(live().cutCues());
            boolean changes = wanted ? cues.add(cue) : cues.remove(cue);
            if (changes && !run.changeOver().cutHeadphones(cues)) {
                handOver(() -> run.changeOver().change(live -> live));
            }
        }
    }

    /**
     * Lets the control room hear something else, or otherwise. What is heard already is dimmed, muted, folded, swapped with the
     * engine's next block and waits behind nothing; something else to hear, and other speakers, wait for a plan.
     */
    public void controlRoom(UnaryOperator<ControlRoomState> change) {
        boolean heard;
        if (givenUp) {
            throw givenUp();
        }
        synchronized (controlRoomTurn) {
            heard = run.changeOver().controlRoom(before -> {
                ControlRoomState next = change.apply(before.among(session, rig));
                next.require(session, rig);
                return next;
            });
        }
        if (!heard) {
            ask(now -> now.changeOver().change(live -> live));
        }
    }

    /**
     * Lets performers hear what is said at the talkback mic with the engine's next block, or ends that; waits behind nothing.
     *
     * @throws Refused if somebody it is for would not hear it
     */
    public void talk(Talk to) {
        if (givenUp) {
            throw givenUp();
        }
        if (to.isOn()) {
            to.require(session, rig);
        }
        synchronized (controlRoomTurn) {
            if (!run.changeOver().talk(to)) {
                handOver(() -> run.changeOver().change(live -> live));
            }
        }
    }

    /** How the control room stands. */
    public ControlRoomStanding controlRoom() {
        return ControlRoomStanding.of(session, rig, live());
    }

    private long frameOf(int bar) {
        return curve.frame(curve.quarterOf(bar, 0), session.sampleRate());
    }

    private static void requireBar(int bar) {
        if (bar < LOWEST_BAR || bar > HIGHEST_BAR) {
            throw new Refused("Bars are counted from 1.", "bar");
        }
    }

    /** Has something done by the stay's own thread and waits until it is. */
    private void ask(Consumer<Run> wish) {
        try {
            CompletableFuture.runAsync(
                            () -> {
                                if (givenUp) {
                                    throw givenUp();
                                }
                                wish.accept(run);
                            },
                            worker)
                    .join();
        } catch (RejectedExecutionException over) {
            throw givenUp();
        } catch (CompletionException failed) {
            if (failed.getCause() instanceof RuntimeException reason) {
                throw reason;
            }
            throw failed;
        }
    }

    private static Refused givenUp() {
        return new Refused("The rig was released meanwhile. Take it again first.", "");
    }

    public Session session() {
        return session;
    }

    public Rig rig() {
        return rig;
    }

    /** Why nothing sounds; "" while it does. */
    public String fault() {
        return run.fault();
    }

    /** What goes wrong while the sound goes on; "" if nothing does. */
    public String trouble() {
        return preampFault.isEmpty() ? soundFault : preampFault;
    }

    /** What went wrong with the sound during this stay. */
    public Incidents incidents() {
        return incidents;
    }

    /** What was heard of cues while the song played. */
    public HeardCues heardCues() {
        return heardCues;
    }

    /** How high inputs came in while the song played. */
    public PlayedPeaks played() {
        return played;
    }

    public LiveState live() {
        return run.changeOver().live();
    }

    /** The preamps at which a switch is being thrown; nobody hears what comes through them. */
    public List<PortId> switching() {
        return List.copyOf(run.changeOver().switching());
    }

    public SongPosition place() {
        Engine engine = run.engine();
        return SongPosition.of(engine.transport(), engine.frame(), curve, session.sampleRate());
    }

    public AudioDevice device() {
        return run.device();
    }

    /** What runs now; its meters are for one reader. */
    public MixState state() {
        return run.engine().state();
    }

    public Tape tape() {
        return run.tape();
    }

    /** The two outputs at which each cue leaves that does. */
    public SortedMap<CueId, int[]> cueOutputs() {
        SortedMap<CueId, int[]> outputs = new TreeMap<>(Comparator.comparing(CueId::value));
        session.cues().forEach(cue -> outputs(cue.id().value()).ifPresent(channels -> outputs.put(cue.id(), channels)));
        return outputs;
    }

    /** The two outputs at which a cue leaves or, for "main", the speakers that are on; empty if there are none. */
    public Optional<int[]> outputs(String mix) {
        Optional<PairId> pair = mix.equals("main")
                ? controlRoom().pairThatIsOn()
                : session.find(new CueId(mix)).flatMap(cue -> cue.output());
        return pair.flatMap(rig::outputPair).flatMap(this::channels);
    }

    private Optional<int[]> channels(StereoPair pair) {
        Optional<Integer> left = rig.engineOutput(pair.left());
        Optional<Integer> right = rig.engineOutput(pair.right());
        return left.isPresent() && right.isPresent()
                ? Optional.of(new int[] {left.get(), right.get()})
                : Optional.empty();
    }

    /** Does what has become due at the preamps; after a failure not before its pause is over. */
    private void advance() {
        if (System.nanoTime() < preampsRestUntil) {
            return;
        }
        try {
            run.changeOver().advance();
            preampFault = "";
        } catch (RuntimeException | Error fault) {
            Duration pause = preampPauses.afterFailure(System.nanoTime());
            preampsRestUntil = System.nanoTime() + pause.toNanos();
            preampFault = "The preamps could not be set; it is tried again in " + Pauses.words(pause) + " (" + fault
                    + "). Until then they may be set otherwise than the list says.";
            LOG.log(Logger.Level.ERROR, "Setting the preamps met a fault.", fault);
        }
    }

    /** A device that went is taken again when it answers; an input that brings what is no sound is said. */
    private void look() {
        orBeginAnew(() -> {
            MixState state = run.engine().state();
            soundFault = Stream.of(
                            inputs.look(state, rig),
                            effects.look(state, session),
                            reels.look(run.engine().reels(), session))
                    .filter(fault -> !fault.isEmpty())
                    .findFirst()
                    .orElse("");
            lookWhetherItIsInTime();
            if (!givenUp && run.lostItsDevice() && run.device().answers()) {
                incidents.add(Incidents.Kind.DEVICE, "The interface answers again.", session.bufferFrames());
                beginAnew();
            }
        });
    }

    /** While it settles and plays no song, what comes late is no incident. */
    private void lookWhetherItIsInTime() {
        Lateness here = run.device().lateness();
        boolean settling = run.engine().frame() < SETTLING_SECONDS * session.sampleRate() && !live().playing();
        if (settling) {
            lateness = here;
        } else if (!here.equals(lateness)) {
            double missedMs = 1000.0 * (here.missedFrames() - lateness.missedFrames()) / session.sampleRate();
            incidents.late(here.lateBlocks() - lateness.lateBlocks(), missedMs, session.bufferFrames());
            lateness = here;
        }
    }

    private void accident(Run which, Throwable accident) {
        if (accident instanceof DeviceGone gone) {
            which.loseDevice(gone.getMessage());
            incidents.add(Incidents.Kind.DEVICE, gone.getMessage(), session.bufferFrames());
            return;
        }
        incidents.add(
                Incidents.Kind.BEGAN_ANEW,
                "The engine stopped with an error and restarted (" + accident + ").",
                session.bufferFrames());
        Duration pause = enginePauses.afterFailure(System.nanoTime());
        which.fail("The engine stopped with an error and restarts in " + Pauses.words(pause) + " (" + accident + ").");
        LOG.log(Logger.Level.ERROR, "The engine met a fault and begins anew in " + Pauses.words(pause) + ".", accident);
        try {
            worker.schedule(
                    () -> {
                        if (run == which && !givenUp) {
                            beginAnew();
                        }
                    },
                    pause.toMillis(),
                    TimeUnit.MILLISECONDS);
        } catch (RejectedExecutionException givenUp) {
            LOG.log(Logger.Level.DEBUG, "The rig was released meanwhile.", givenUp);
        }
    }

    /** Another run in place of this one. The song stands; what was cut or dimmed stays so. */
    private void beginAnew() {
        Run before = run;
        try {
            run = new Run(session, rig, before.changeOver().live().begunAnew(), venue, this::accident);
            lateness = Lateness.NONE;
            goOnAsPressed(before);
            before.end();
            run.start();
        } catch (RuntimeException | Error fault) {
            before.end();
            accident(run, fault);
        }
    }

    /** What was pressed while the run was being opened reached the one before. */
    private void goOnAsPressed(Run before) {
        synchronized (cutTurn) {
            run.changeOver().cutHeadphones(cut);
            run.changeOver().cutHeadphones(before.changeOver().live().cutCues());
        }
        boolean heard;
        synchronized (controlRoomTurn) {
            ControlRoomState room = before.changeOver().live().controlRoom().orElseThrow();
            heard = run.changeOver().controlRoom(begun -> room);
        }
        if (!heard) {
            run.changeOver().change(live -> live);
        }
    }

    /** Work of the stay's own thread; if it throws, the run does not stand as it should, and another one begins. */
    private void orBeginAnew(Runnable work) {
        try {
            work.run();
        } catch (RuntimeException | Error fault) {
            accident(run, fault);
        }
    }

    /** Gives up the rig: everything ends. */
    @Override
    public void close() {
        ask(now -> {
            givenUp = true;
            now.end();
        });
        worker.shutdown();
    }
}
