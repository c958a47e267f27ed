package vividlantern.engine;

import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.SortedMap;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.UnaryOperator;
import vividlantern.hardware.AudioDevice;
import vividlantern.hardware.PreampSetting;
import vividlantern.mix.ControlRoomState;
import vividlantern.mix.DirectWays;
import vividlantern.mix.LiveState;
import vividlantern.mix.Talk;
import vividlantern.preamp.WantedPreamps;
import vividlantern.rig.LatencyProfile;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.ControlRoom;
import vividlantern.session.Session;
import vividlantern.session.cue.CueId;
import vividlantern.units.Decibels;

/**
 * Brings changes of a session to the preamps and to the mixer in an order in which nobody gets to hear a thump or a burst.
 *
 * <ul>
 *   <li>+48 V, pad and level kind are switched while nobody hears the input: it falls silent for all listeners, then the
 *       switch is thrown, and when its thump has died away the input comes back by the performers' own slow rise.
 *   <li>A gain goes down at once, and the mixer takes the new session when that has arrived, so that faders which make up
 *       for it do not come too early.
 *   <li>A gain goes up after the mixer has had the new session long enough to fall, and then no faster than 60 dB a second.
 * </ul>
 *
 * <p>What goes past the engine, by the interface's own matrix, moves along with it.
 *
 * <p>It waits by the engine's frames, never by a clock: {@link #advance} does what has become due and wants to be called
 * every few milliseconds.
 */
public final class ChangeOver {

    private static final double FALL_SECONDS = 0.01;
    /** What performers hear rises no faster. */
    static final double RISE_DB_A_SECOND = 60;
    /** Coupling capacitors charge for so long after +48 V was switched. */
    private static final double PHANTOM_SETTLES_SECONDS = 1;

    private static final double RELAY_SETTLES_SECONDS = 0.25;

    private enum Stage {
        FALLING_SILENT,
        SETTLING,
        RISING
    }

    /** A preamp on its way from one setting to another. */
    private static final class Move {
        private PreampSetting goal;
        private Stage stage;
        private long dueAt;

        private Move(PreampSetting goal, Stage stage, long dueAt) {
            this.goal = goal;
            this.stage = stage;
            this.dueAt = dueAt;
        }

        private boolean silent() {
            return stage != Stage.RISING;
        }
    }

    private final Engine engine;
    private final AudioDevice device;
    private final Map<PortId, PreampSetting> told;
    private final DirectMoves direct;
    private final SortedMap<PortId, Move> moves = new TreeMap<>(Comparator.comparing(PortId::value));
    private volatile Rig rig;
    private Session wanted;
    private volatile Session handed;
    /** Written by whoever changes it, without waiting for a plan. */
    private final AtomicReference<LiveState> live;

    private final Object talkTurn = new Object();

    private volatile SortedSet<PortId> switching = new TreeSet<>();
    private long handOverAt;

    /** Begins with a device whose preamps stand as a session wants them, and an engine that has that session and what is happening. */
    public ChangeOver(Session session, Rig rig, LiveState live, Engine engine, AudioDevice device) {
        this.live = new AtomicReference<>(live);
        this.engine = engine;
        this.device = device;
        this.rig = rig;
        wanted = session;
        handed = session;
        told = WantedPreamps.of(session, rig);
        direct = new DirectMoves(device, session.sampleRate());
        cutHeadphones(live.headphonesCut());
        engine.cut(live.cutCues());
        direct.head(DirectWays.of(session, rig, live), engine.frame());
    }

    /** Sets the preamps of a device to which nobody listens yet. */
    public static void begin(Session session, Rig rig, AudioDevice device) {
        WantedPreamps.of(session, rig).forEach((port, setting) -> device.setPreamp(port.value(), setting));
    }

    /** Takes a new state of the session on its way. */
    public synchronized void change(Session session) {
        wanted = session;
        WantedPreamps.of(session, rig).forEach(this::send);
        noteSwitching();
        advance();
    }

    /**
     * Hands over at once what is happening otherwise; a session that still waits goes on waiting. Headphones are cut, the
     * song is stopped and speakers are dimmed past this.
     */
    public synchronized void change(UnaryOperator<LiveState> change) {
        live.updateAndGet(change);
        handOver();
    }

    /** Silences all that performers hear, past plans and preamps that are on their way, or lets it back. */
    public void cutHeadphones(boolean cut) {
        live.updateAndGet(now -> now.cut(cut));
        engine.cutHeadphones(cut);
        direct.cutHeadphones(cut, engine.frame());
    }

    /**
     * Silences those who hear some cues, and lets all others back.
     *
     * @return whether the control room, if it hears one of them, follows with the engine's next block; if not, it does with the next plan
     */
    boolean cutHeadphones(Set<CueId> cues) {
        live.updateAndGet(now -> now.cut(cues));
        engine.cut(live.get().cutCues());
        direct.head(DirectWays.of(handed, rig, live.get()), engine.frame());
        return engine.controlRoom(live::get);
    }

    /**
     * Lets the control room stand otherwise, past plans and preamps that are on their way.
     *
     * @param change may refuse; then nothing has changed
     * @return whether it is heard with the engine's next block; if not, it is with the next plan
     */
    boolean controlRoom(UnaryOperator<ControlRoomState> change) {
        live.updateAndGet(now -> now.in(change.apply(now.controlRoom().orElseThrow())));
        return engine.controlRoom(live::get);
    }

    /**
     * Lets performers hear what is said to them, past plans and preamps that are on their way, or ends it.
     *
     * @return whether the control room's own speakers follow with the engine's next block; if not, they do with the next plan
     */
    boolean talk(Talk to) {
        live.updateAndGet(now -> now.talking(to));
        tellTalk();
        return engine.controlRoom(live::get);
    }

    /** In turn, so that what was wanted last is what was told last. */
    private void tellTalk() {
        synchronized (talkTurn) {
            double downDb = handed.inControlRoom()
                    .talkback()
                    .map(ControlRoom.TalkbackMic::dimDb)
                    .orElse(0.0);
            engine.talk(live.get().talk(), Decibels.of(-downDb).gain());
        }
    }

    /** Stops the song; what is heard otherwise while it stands comes with the next plan. */
    void stop() {
        live.updateAndGet(now -> now.playing(false));
        engine.stop();
    }

    private void handOver() {
        live.updateAndGet(now -> now.talking(now.talk().among(handed)));
        engine.change(handed, rig, live::get);
        tellTalk();
        direct.head(DirectWays.of(handed, rig, live.get()), engine.frame());
    }

    /** Goes on with a rig that sounds like the one before; a preamp that is new in it leads nowhere. */
    public synchronized void change(Rig alike) {
        rig = alike;
        WantedPreamps.of(wanted, rig).forEach((port, setting) -> {
            if (!told.containsKey(port)) {
                tell(port, setting);
            }
        });
        handOver();
    }

    public LiveState live() {
        return live.get();
    }

    /** The preamps at which a switch is being thrown; nobody hears what comes through them. */
    public SortedSet<PortId> switching() {
        return switching;
    }

    private void noteSwitching() {
        SortedSet<PortId> now = new TreeSet<>(Comparator.comparing(PortId::value));
        moves.forEach((port, move) -> {
            if (move.silent()) {
                now.add(port);
            }
        });
        switching = Collections.unmodifiableSortedSet(now);
    }

    /** Whether everything has arrived. */
    public synchronized boolean isDone() {
        return moves.isEmpty() && handed.equals(wanted) && direct.isDone();
    }

    /** Does what has become due by now. */
    public synchronized void advance() {
        if (isDone()) {
            return;
        }
        long now = engine.frame();
        moves.entrySet().removeIf(entry -> arrives(entry.getKey(), entry.getValue(), now));
        noteSwitching();
        Set<Integer> silent = silentInputs();
        boolean due = !handed.equals(wanted) && now >= handOverAt;
        if (due || !silent.equals(live.get().silentInputs())) {
            handed = due ? wanted : handed;
            live.updateAndGet(happening -> happening.silencing(silent));
            handOver();
        }
        direct.advance(now);
    }

    /** Sends a preamp on its way to a setting. */
    private void send(PortId port, PreampSetting goal) {
        PreampSetting now = told.get(port);
        Move move = moves.get(port);
        if (move != null && move.silent()) {
            move.goal = goal;
        } else if (now.switchesTo(goal)) {
            moves.put(port, new Move(goal, Stage.FALLING_SILENT, engine.frame() + frames(FALL_SECONDS) + buffer()));
        } else if (goal.gainDb() > now.gainDb()) {
            long heard = Math.max(engine.frame(), handOverAt) + frames(FALL_SECONDS) + buffer();
            moves.put(port, new Move(goal, Stage.RISING, move == null ? heard : move.dueAt));
        } else {
            moves.remove(port);
            if (goal.gainDb() < now.gainDb()) {
                tell(port, goal);
                handOverAt = engine.frame() + latency().inFrames(buffer()) + buffer();
            }
        }
    }

    /** One step of a preamp on its way; true once it is there and heard. */
    private boolean arrives(PortId port, Move move, long now) {
        boolean unsettled = move.stage == Stage.SETTLING && !told.get(port).equals(move.goal);
        if (now < move.dueAt && !unsettled) {
            return false;
        }
        if (move.stage == Stage.RISING) {
            return rises(port, move, now);
        }
        PreampSetting before = told.get(port);
        if (before.equals(move.goal)) {
            return true;
        }
        tell(port, move.goal);
        double settles = before.phantom() != move.goal.phantom() ? PHANTOM_SETTLES_SECONDS : RELAY_SETTLES_SECONDS;
        move.stage = Stage.SETTLING;
        move.dueAt = Math.max(move.dueAt, now + frames(settles) + latency().inFrames(buffer()));
        return false;
    }

    private boolean rises(PortId port, Move move, long now) {
        double stepDb =
                rig.port(port).map(Port::gain).map(Port.GainRange::stepDb).orElse(1.0);
        PreampSetting before = told.get(port);
        tell(port, before.amplified(Math.min(move.goal.gainDb(), before.gainDb() + stepDb)));
        move.dueAt = now + frames(stepDb / RISE_DB_A_SECOND);
        return told.get(port).equals(move.goal);
    }

    private void tell(PortId port, PreampSetting setting) {
        device.setPreamp(port.value(), setting);
        told.put(port, setting);
    }

    private Set<Integer> silentInputs() {
        Set<Integer> inputs = new HashSet<>();
        switching().forEach(port -> rig.engineInput(port).ifPresent(inputs::add));
        return inputs;
    }

    private LatencyProfile latency() {
        return rig.leadingInterface().map(leading -> leading.latency()).orElse(LatencyProfile.NONE);
    }

    private int buffer() {
        return wanted.bufferFrames();
    }

    private long frames(double seconds) {
        return Math.round(seconds * wanted.sampleRate());
    }
}
