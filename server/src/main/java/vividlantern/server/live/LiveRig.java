package vividlantern.server.live;

import jakarta.annotation.PreDestroy;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import vividlantern.engine.ChangeOver;
import vividlantern.engine.Engine;
import vividlantern.engine.Transport;
import vividlantern.hardware.AudioDevice;
import vividlantern.hardware.DeviceGone;
import vividlantern.hardware.PreampSetting;
import vividlantern.history.Refused;
import vividlantern.mix.LiveState;
import vividlantern.mix.MixPlan;
import vividlantern.mix.MixState;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.server.desk.Desk;
import vividlantern.server.desk.RigChanged;
import vividlantern.server.desk.SessionChanged;
import vividlantern.session.CueId;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.TempoCurve;
import vividlantern.sim.StandInStudio;

/**
 * The session at the rig: the one that has the engine and the devices. One thread runs the engine at the device's pace;
 * what changes reaches it through the engine's own doors.
 */
@Component
public class LiveRig {

    /**
     * What is happening now, for those who follow.
     *
     * @param players "all", "none" or the player who plays alone
     * @param roundTripMs from the interface's inputs through the engine to its outputs
     * @param preamps how the preamps stand, as far as the devices tell
     * @param switching the preamps at which a switch is being thrown: nobody hears them until its thump is over
     * @param fault why nothing sounds, as the device says; "" while it runs
     * @param interfaceFate what happened to the stand-in's interface
     * @param fronts how the stand-in's preamps stand that only a hand can turn
     */
    public record Happening(
            boolean playing,
            boolean headphonesCut,
            String players,
            List<String> playerIds,
            double roundTripMs,
            List<Preamp> preamps,
            List<PortId> switching,
            String fault,
            Command.Fate interfaceFate,
            List<Preamp> fronts) {}

    /** How a preamp stands. */
    public record Preamp(PortId port, PreampSetting setting) {}

    /** Where the song is. */
    public record Place(boolean playing, int bar, double beat, double seconds, double beatsPerMinute) {}

    /** One session's run, from taking the rig to giving it up. */
    private static final class Run {
        private volatile Rig rig;
        private final StandInStudio studio;
        private final Engine engine;
        private final ChangeOver changeOver;
        private final ScheduledExecutorService hands;
        private final Tape tape;
        private final Thread thread;
        private volatile Session session;
        private volatile String players = StandInStudio.ALL;
        private volatile TempoCurve curve;
        private volatile String fault = "";

        private Run(Session session, Rig rig) {
            this.session = session;
            this.rig = rig;
            curve = session.tempoMap().curve();
            studio = StandInStudio.open(rig, session.sampleRate(), session.bufferFrames(), session.tempoMap());
            ChangeOver.begin(session, rig, studio);
            engine = new Engine(
                    MixPlan.compile(session, rig, LiveState.STOPPED),
                    session.sampleRate(),
                    session.bufferFrames(),
                    Transport.stopped(0, 0),
                    transport -> studio.songAt(transport.deviceFrame(), transport.songFrame(), transport.playing()));
            changeOver = new ChangeOver(session, rig, engine, studio);
            hands = Executors.newSingleThreadScheduledExecutor(task -> {
                Thread thread = new Thread(task, "preamps");
                thread.setDaemon(true);
                return thread;
            });
            tape = new Tape(rig.engineOutputs().size());
            thread = new Thread(this::runDevice, "engine");
            thread.setPriority(Thread.MAX_PRIORITY);
            thread.setDaemon(true);
        }

        private void runDevice() {
            try {
                studio.run(engine, tape::record, session.bufferFrames(), AudioDevice.Pace.REAL_TIME);
            } catch (DeviceGone gone) {
                fault = gone.getMessage();
            }
        }

        private void start() {
            Thread rehearsal = new Thread(studio::warmUp, "rehearsal");
            rehearsal.setDaemon(true);
            rehearsal.setPriority(Thread.MIN_PRIORITY);
            rehearsal.start();
            thread.start();
            hands.scheduleAtFixedRate(changeOver::advance, 0, 4, TimeUnit.MILLISECONDS);
        }

        private void end() {
            hands.shutdownNow();
            engine.end();
            try {
                thread.join(2000);
            } catch (InterruptedException interrupted) {
                Thread.currentThread().interrupt();
            }
        }
    }

    private final Desk desk;
    private volatile Run run;
    private volatile Command.Fate fate = Command.Fate.THERE;
    /** The room as it was left: what hands have turned there stays turned. */
    private Optional<StandInStudio> room = Optional.empty();

    public LiveRig(Desk desk) {
        this.desk = desk;
    }

    /** Gives a session the rig; the one that had it is silent from then on. */
    public synchronized void take(SessionId id) {
        if (isAtTheRig(id)) {
            return;
        }
        Rig rig = desk.rigOf(id);
        if (rig.leadingInterface().isEmpty()) {
            throw new Refused(rig.name() + " has no interface yet. Add one under Rig, then take the rig.", "");
        }
        release();
        begin(new Run(desk.session(id), rig), StandInStudio.ALL);
    }

    private void begin(Run next, String players) {
        room.ifPresent(before -> next.studio.inPlaceOf(before, players));
        room = Optional.of(next.studio);
        next.players = players;
        next.start();
        run = next;
    }

    /** Gives a session the rig unless its rig has nothing to sound through. */
    public synchronized void takeIfItCan(SessionId id) {
        if (desk.rigOf(id).leadingInterface().isPresent()) {
            take(id);
        }
    }

    /** A rig that is wired differently needs another run; one where only names changed goes on. */
    @EventListener
    public synchronized void follow(RigChanged change) {
        Run now = run;
        if (now == null || !now.session.rigId().equals(change.after().id())) {
            return;
        }
        if (change.before().soundsLike(change.after())) {
            now.rig = change.after();
            now.changeOver.rename(change.after());
            return;
        }
        beginAnew(now, now.session, change.after());
    }

    /** Another run in place of one; whoever looks meanwhile sees the old one. */
    private void beginAnew(Run before, Session session, Rig rig) {
        if (rig.leadingInterface().isEmpty()) {
            release();
            return;
        }
        Run next = new Run(session, rig);
        before.end();
        begin(next, before.players);
    }

    /** Looks whether a device that went is back, and goes on with it as the session stands now. */
    @Scheduled(fixedDelay = 500)
    synchronized void comeBack() {
        Run now = run;
        if (now != null && !now.fault.isEmpty() && now.studio.answers()) {
            beginAnew(now, now.session, now.rig);
        }
    }

    /** Lets something happen to the stand-in's interface. */
    public synchronized void befall(SessionId id, Command.Fate happens) {
        at(id).studio.vanish(happens.reason());
        fate = happens;
    }

    /** Gives up the rig, if this session has it: its engine stops, and the devices are free for others. */
    public synchronized void release(SessionId id) {
        at(id);
        release();
    }

    @PreDestroy
    public synchronized void release() {
        if (run != null) {
            run.end();
            run = null;
        }
    }

    public boolean isAtTheRig(SessionId id) {
        Run now = run;
        return now != null && now.session.id().equals(id);
    }

    /** Whether a session has the rig and its device answers. */
    public boolean sounds(SessionId id) {
        Run now = run;
        return isAtTheRig(id) && now != null && now.fault.isEmpty();
    }

    @EventListener
    public synchronized void follow(SessionChanged change) {
        Run now = run;
        if (now == null || !now.session.id().equals(change.after().id())) {
            return;
        }
        if (change.before().sampleRate() != change.after().sampleRate()
                || change.before().bufferFrames() != change.after().bufferFrames()) {
            beginAnew(now, change.after(), now.rig);
            return;
        }
        now.session = change.after();
        if (!change.before().tempoMap().equals(change.after().tempoMap())) {
            now.curve = change.after().tempoMap().curve();
            now.studio.follow(change.after().tempoMap());
        }
        now.changeOver.change(change.after());
    }

    /** Plays from a bar, or from the bar where the song stands, counted in. */
    public synchronized void play(SessionId id, Optional<Integer> fromBar) {
        Run now = at(id);
        int bar = fromBar.orElseGet(() -> place(now).bar());
        requireBar(bar);
        int countIn = now.session.click().countInBars();
        long frame = now.curve.frame(now.curve.quarterOf(Math.max(1, bar) - countIn, 0), now.session.sampleRate());
        now.changeOver.change(now.changeOver.live().playing(true));
        now.engine.play(frame);
    }

    public synchronized void stop(SessionId id) {
        Run now = at(id);
        now.changeOver.change(now.changeOver.live().playing(false));
        now.engine.stop();
    }

    public synchronized void locate(SessionId id, int bar) {
        Run now = at(id);
        requireBar(bar);
        now.engine.locate(now.curve.frame(now.curve.quarterOf(bar, 0), now.session.sampleRate()));
    }

    public synchronized void cutHeadphones(SessionId id, boolean cut) {
        Run now = at(id);
        now.changeOver.change(now.changeOver.live().cut(cut));
    }

    public synchronized void players(SessionId id, String who) {
        Run now = at(id);
        if (!who.equals(StandInStudio.ALL)
                && !who.equals(StandInStudio.NONE)
                && !now.studio.players().contains(who)) {
            throw new Refused("There is no stand-in player '" + who + "'.", "who");
        }
        now.players = who;
        now.studio.letPlay(who);
    }

    /** A studio of its own for a rendering, with the preamps as they stand now. */
    public StandInStudio studioFor(Session session, Rig rig, String who) {
        Run now = run;
        if (now != null && now.session.id().equals(session.id())) {
            return now.studio.fresh(session.tempoMap(), who);
        }
        StandInStudio studio =
                StandInStudio.open(rig, session.sampleRate(), session.bufferFrames(), session.tempoMap());
        ChangeOver.begin(session, rig, studio);
        return studio.fresh(session.tempoMap(), who);
    }

    public Happening happening(SessionId id) {
        Run now = at(id);
        double roundTripMs = now.rig
                .leadingInterface()
                .orElseThrow()
                .latency()
                .roundTripMs(now.session.bufferFrames(), now.session.sampleRate());
        return new Happening(
                now.changeOver.live().playing(),
                now.changeOver.live().headphonesCut(),
                now.players,
                now.studio.players(),
                roundTripMs,
                preamps(now),
                List.copyOf(now.changeOver.switching()),
                now.fault,
                fate,
                now.studio.fronts().entrySet().stream()
                        .map(front -> new Preamp(new PortId(front.getKey()), front.getValue()))
                        .toList());
    }

    private static List<Preamp> preamps(Run now) {
        return now.rig.ports().stream()
                .filter(Port::hasPreamp)
                .flatMap(port ->
                        now.studio.preamp(port.id().value()).stream().map(setting -> new Preamp(port.id(), setting)))
                .toList();
    }

    /** A hand at a preamp's front, in the stand-in's room. */
    public synchronized void turn(SessionId id, PortId port, double gainDb, boolean phantom) {
        Run now = at(id);
        if (!now.studio.fronts().containsKey(port.value())) {
            throw new Refused("There is no preamp at '" + port + "' that a hand would have to turn.", "port");
        }
        now.studio.turn(port.value(), new PreampSetting(gainDb, phantom, false, PreampSetting.Level.MIC));
    }

    Place place(SessionId id) {
        return place(at(id));
    }

    Tape tape(SessionId id) {
        return at(id).tape;
    }

    MixState state(SessionId id) {
        return at(id).engine.state();
    }

    LiveState liveState(SessionId id) {
        return at(id).changeOver.live();
    }

    /** The two outputs at which "main" or a cue leaves; empty if it has none. */
    Optional<int[]> outputs(SessionId id, String to) {
        Run now = at(id);
        Optional<PairId> pair = to.equals("main")
                ? now.session.main().output()
                : now.session.find(new CueId(to)).flatMap(cue -> cue.output());
        return pair.flatMap(now.rig::outputPair).map(found -> channels(now.rig, found));
    }

    private static int[] channels(Rig rig, StereoPair pair) {
        return new int[] {
            rig.engineOutput(pair.left()).orElseThrow(),
            rig.engineOutput(pair.right()).orElseThrow()
        };
    }

    private Place place(Run now) {
        long frame = now.engine.transport().songFrameAt(now.engine.frame());
        double seconds = (double) frame / now.session.sampleRate();
        double quarter = now.curve.quarter(seconds + 0.5 / now.session.sampleRate());
        return new Place(
                now.engine.transport().playing(),
                now.curve.barAt(quarter),
                now.curve.beatAt(quarter) + 1,
                seconds,
                now.curve.beatsPerMinute(quarter));
    }

    private Run at(SessionId id) {
        Run now = run;
        if (now == null || !now.session.id().equals(id)) {
            throw new Refused("This session is not at the rig. Take the rig for it first.", "");
        }
        return now;
    }

    private static void requireBar(int bar) {
        if (bar < -8 || bar > 100_000) {
            throw new Refused("Bars are counted from 1.", "bar");
        }
    }
}
