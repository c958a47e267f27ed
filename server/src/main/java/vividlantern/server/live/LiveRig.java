package vividlantern.server.live;

import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import vividlantern.basics.Refused;
import vividlantern.engine.HeardCues;
import vividlantern.engine.Incidents;
import vividlantern.engine.Stay;
import vividlantern.engine.Threads;
import vividlantern.hardware.PreampSetting;
import vividlantern.mix.ControlRoomStanding;
import vividlantern.mix.ControlRoomState;
import vividlantern.mix.LiveState;
import vividlantern.mix.MixPlan;
import vividlantern.mix.PlayedPeaks;
import vividlantern.mix.Talk;
import vividlantern.mix.TrackStanding;
import vividlantern.preamp.InputStanding;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.server.desk.Desk;
import vividlantern.server.desk.RigChanged;
import vividlantern.server.desk.RigDesk;
import vividlantern.server.desk.SessionChanged;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;

/**
 * Which session is at the rig: the one that has the engine and the devices. Stays begin and end on a thread of their own,
 * never under the desk's lock; what changes is handed to the stay, which works it off by itself.
 */
@Component
public class LiveRig {

    private static final Logger LOG = LoggerFactory.getLogger(LiveRig.class);

    /**
     * What is happening now, for those who follow.
     *
     * @param cutCues the cues whose headphones are cut by themselves
     * @param players "all", "none" or the player who plays alone
     * @param roundTripMs from the interface's inputs through the engine to its outputs
     * @param preamps how the preamps stand, as far as the devices tell
     * @param switching the preamps at which a switch is being thrown: nobody hears them until its thump is over
     * @param fault why nothing sounds; "" while it runs
     * @param trouble what goes wrong while the sound goes on; "" if nothing does
     * @param dropout why sound was missing within the last minute; "" if nothing was
     * @param controlRoom what the control room hears, and how
     * @param interfaceFate what happened to the stand-in's interface
     * @param fronts how the stand-in's preamps stand that only a hand can turn
     * @param outlets how the outlets of the stand-in's headphone amps are left by hands
     * @param cables what was plugged from the stand-in's outputs back into its inputs
     * @param levelsJudged how often there was something else to be said of how high inputs come in and how loud it is at ears
     * @param strain what is done to the stand-in's computer
     */
    public record Happening(
            boolean playing,
            boolean headphonesCut,
            List<CueId> cutCues,
            String players,
            List<String> playerIds,
            double roundTripMs,
            List<StandIns.Preamp> preamps,
            List<PortId> switching,
            String fault,
            String trouble,
            String dropout,
            ControlRoomStanding controlRoom,
            int levelsJudged,
            Command.Fate interfaceFate,
            List<StandIns.Preamp> fronts,
            List<StandIns.OutletKnob> outlets,
            List<StandIns.Cable> cables,
            StandIns.Strained strain) {}

    private final Desk desk;
    private final StandIns standIns;
    private final ExecutorService doorkeeper = Executors.newSingleThreadExecutor(Threads.named("rig"));
    private final Map<SessionId, Standing> standings = new ConcurrentHashMap<>();
    private volatile Stay stay;
    /** The session for which the rig is being taken by itself. */
    private volatile Optional<SessionId> coming = Optional.empty();

    public LiveRig(Desk desk, RigDesk rigs, StandIns standIns) {
        this.desk = desk;
        this.standIns = standIns;
        desk.changesIf(this::requireStopped);
        rigs.changesIf(this::requireStopped);
    }

    /** Gives a session the rig; the one that had it is silent from then on. */
    public void take(SessionId id) {
        ask(() -> {
            if (isAtTheRig(id)) {
                return;
            }
            Rig rig = desk.rigOf(id);
            if (rig.leadingInterface().isEmpty()) {
                throw new Refused(rig.name() + " has no interface yet. Add one under Rig, then take the rig.", "");
            }
            begin(id, rig);
        });
    }

    /** What cannot be played is refused before anything ends; whoever had the rig gets it back if it cannot be taken after all. */
    private void begin(SessionId id, Rig rig) {
        requirePlayable(desk.session(id), rig);
        Optional<SessionId> before =
                Optional.ofNullable(stay).map(had -> had.session().id());
        end();
        try {
            start(id, rig);
        } catch (RuntimeException fault) {
            before.ifPresent(had -> start(had, desk.rigOf(had)));
            throw fault;
        }
    }

    private void start(SessionId id, Rig rig) {
        Stay next = new Stay(desk.session(id), rig, standIns);
        stay = next;
        next.start();
        next.follow(desk.rigOf(id));
        next.follow(desk.session(id));
    }

    private static void requirePlayable(Session session, Rig rig) {
        try {
            MixPlan.compile(session, rig, LiveState.STOPPED);
        } catch (RuntimeException fault) {
            LOG.error("{} cannot be compiled.", session.id(), fault);
            throw new Refused(
                    "\"" + session.name() + "\" cannot be played as it is; the log says more. Whoever has the rig"
                            + " keeps it. Go back to an earlier state of it under History.",
                    "");
        }
    }

    /** Gives a session the rig if no session has it, and its rig has something to sound through. */
    public void takeIfFree(SessionId id) {
        ask(() -> beginIfFree(id));
    }

    /** The same, coming back at once. Until the rig is taken it {@linkplain #isComing is coming}. */
    public void takeSoon(SessionId id) {
        coming = Optional.of(id);
        doorkeeper.execute(() -> {
            try {
                beginIfFree(id);
            } catch (RuntimeException fault) {
                LOG.error("The rig could not be taken for {}.", id, fault);
            } finally {
                coming = Optional.empty();
            }
        });
    }

    private void beginIfFree(SessionId id) {
        Rig rig = desk.rigOf(id);
        if (stay == null && rig.leadingInterface().isPresent()) {
            begin(id, rig);
        }
    }

    /** Whether the rig is being taken for a session. */
    public boolean isComing(SessionId id) {
        return coming.equals(Optional.of(id)) && stay == null;
    }

    /** Gives up the rig, if this session has it: its engine stops, and the devices are free for others. */
    public void release(SessionId id) {
        at(id);
        ask(this::end);
    }

    /** Has something done with a session that must not be at the rig meanwhile. */
    public void whileAway(SessionId id, Runnable work) {
        ask(() -> {
            if (isAtTheRig(id)) {
                throw new Refused(
                        "\"" + desk.session(id).name() + "\" is at the rig. Give up the rig, or take it for another"
                                + " session first.",
                        "");
            }
            work.run();
        });
    }

    @PreDestroy
    void close() {
        ask(this::end);
        doorkeeper.shutdown();
    }

    private void end() {
        Stay now = stay;
        stay = null;
        if (now != null) {
            now.close();
        }
    }

    /** Whoever talked is gone: an open mic that nobody sees would go on. */
    void endTalk() {
        Stay now = stay;
        if (now != null && now.live().talk().isOn()) {
            try {
                now.talk(Talk.TO_NOBODY);
            } catch (Refused releasedMeanwhile) {
                LOG.debug("The rig was released meanwhile; nobody talks.", releasedMeanwhile);
            }
        }
    }

    /** Whoever played a test signal is gone: somebody may have it on their ears. */
    void endSignal() {
        Stay now = stay;
        if (now != null
                && now.live().controlRoom().flatMap(ControlRoomState::signal).isPresent()) {
            try {
                now.controlRoom(room -> room.playing(Optional.empty()));
            } catch (Refused releasedMeanwhile) {
                LOG.debug("The rig was released meanwhile; no signal plays.", releasedMeanwhile);
            }
        }
    }

    private void ask(Runnable wish) {
        try {
            CompletableFuture.runAsync(wish, doorkeeper).join();
        } catch (CompletionException failed) {
            if (failed.getCause() instanceof RuntimeException reason) {
                throw reason;
            }
            throw failed;
        }
    }

    @EventListener
    public void follow(RigChanged change) {
        Stay now = stay;
        if (now == null || !now.session().rigId().equals(change.after().id())) {
            return;
        }
        if (change.after().leadingInterface().isEmpty()) {
            doorkeeper.execute(this::end);
        } else {
            now.follow(change.after());
        }
    }

    @EventListener
    public void follow(SessionChanged change) {
        Stay now = stay;
        if (now != null && now.session().id().equals(change.after().id())) {
            now.follow(change.after());
        }
    }

    public boolean isAtTheRig(SessionId id) {
        Stay now = stay;
        return now != null && now.session().id().equals(id);
    }

    /** Whether a session has the rig and its device answers. */
    public boolean sounds(SessionId id) {
        Stay now = stay;
        return now != null && now.session().id().equals(id) && now.fault().isEmpty();
    }

    /** The stay of a session that is at the rig; waits for one that is coming. */
    public Stay at(SessionId id) {
        if (isComing(id)) {
            ask(() -> {});
        }
        Stay now = stay;
        if (now == null || !now.session().id().equals(id)) {
            throw new Refused("This session is not at the rig. Take the rig for it first.", "");
        }
        return now;
    }

    /** Refuses a state for which the engine would have to begin anew while the song plays. */
    private void requireStopped(Session changed) {
        Stay now = stay;
        if (now != null
                && now.session().id().equals(changed.id())
                && now.live().playing()
                && !now.goesOnWith(changed)) {
            throw new Refused("The song plays, and another buffer or rate would break it off. Stop it first.", "");
        }
    }

    /** Refuses a state of the rig for which the engine would have to begin anew while the song plays. */
    private void requireStopped(Rig changed) {
        Stay now = stay;
        if (now != null
                && now.session().rigId().equals(changed.id())
                && now.live().playing()
                && !now.rig().soundsLike(changed)) {
            throw new Refused(
                    "The song plays, and this would change what it plays through: the engine would begin anew. Stop it"
                            + " first.",
                    "");
        }
    }

    /** What went wrong with the sound since a session took the rig, newest first; nothing if it is not at the rig. */
    public List<Incidents.Incident> incidents(SessionId id) {
        Stay now = stay;
        return now != null && now.session().id().equals(id) ? now.incidents().newestFirst() : List.of();
    }

    /** How high a session's inputs came in while the song played; nothing if it is not at the rig. */
    public Map<InputId, PlayedPeaks.Played> played(Session session) {
        Stay now = stay;
        return now != null && now.session().id().equals(session.id())
                ? now.played().of(session)
                : Map.of();
    }

    /** How high what printed chains leave of a session's tracks became while the song played; nothing if it is not at the rig. */
    public Map<TrackId, PlayedPeaks.Played> printed(Session session) {
        Stay now = stay;
        return now != null && now.session().id().equals(session.id())
                ? now.played().printsOf(session)
                : Map.of();
    }

    /** What was heard of cues while the song played; nothing if the session is not at the rig. */
    public Map<CueId, HeardCues.Heard> heardCues(Session session) {
        Stay now = stay;
        return now != null && now.session().id().equals(session.id())
                ? now.heardCues().of(session)
                : Map.of();
    }

    /** What is true of a session's inputs and tracks just now. */
    public Standing standing(SessionId id) {
        Stay now = stay;
        boolean here = now != null && now.session().id().equals(id);
        Because because = new Because(
                desk.session(id),
                desk.rigOf(id),
                here ? now.live() : LiveState.STOPPED,
                preamps(id),
                here ? Set.copyOf(now.switching()) : Set.of());
        return standings.compute(id, (same, known) -> known == null ? Standing.of(because) : known.now(because));
    }

    /** Forgets how things stand in sessions that nobody has open. */
    void forgetClosed() {
        standings.keySet().removeIf(id -> !desk.isOpen(id));
    }

    /** How inputs and tracks stand, and what that was worked out from. */
    public record Standing(Because because, List<InputStanding> inputs, List<TrackStanding> tracks) {

        private static Standing of(Because now) {
            return of(now, InputStanding.of(now.session(), now.rig(), now.preamps(), now.switching()));
        }

        private static Standing of(Because now, List<InputStanding> inputs) {
            return new Standing(now, inputs, TrackStanding.of(now.session(), now.rig(), now.live(), now.switching()));
        }

        /** The same again, as far as it still holds. */
        private Standing now(Because now) {
            if (because.is(now)) {
                return this;
            }
            return because.isForInputs(now) ? of(now, inputs) : of(now);
        }
    }

    /** What the standing of inputs and tracks comes from. */
    private record Because(
            Session session, Rig rig, LiveState live, Map<PortId, PreampSetting> preamps, Set<PortId> switching) {

        boolean is(Because other) {
            return session == other.session && live.equals(other.live) && isForInputs(other);
        }

        boolean isForInputs(Because other) {
            return session.inputs() == other.session.inputs()
                    && session.tracks() == other.session.tracks()
                    && rig == other.rig
                    && preamps.equals(other.preamps)
                    && switching.equals(other.switching);
        }
    }

    /** How the preamps stand, as far as the devices tell; nothing for a session that is not at the rig. */
    public Map<PortId, PreampSetting> preamps(SessionId id) {
        Stay now = stay;
        if (now == null || !now.session().id().equals(id)) {
            return Map.of();
        }
        Map<PortId, PreampSetting> settings = new LinkedHashMap<>();
        for (Port port : now.rig().ports()) {
            if (port.hasPreamp()) {
                now.device().preamp(port.id().value()).ifPresent(setting -> settings.put(port.id(), setting));
            }
        }
        return settings;
    }

    public Happening happening(SessionId id) {
        Stay now = at(id);
        Rig rig = now.rig();
        double roundTripMs = rig.leadingInterface()
                .map(leading -> leading.latency()
                        .roundTripMs(now.session().bufferFrames(), now.session().sampleRate()))
                .orElse(0.0);
        return new Happening(
                now.live().playing(),
                now.live().headphonesCut(),
                now.session().cues().stream()
                        .map(Cue::id)
                        .filter(now.live().cutCues()::contains)
                        .toList(),
                standIns.players(),
                standIns.playerIds(),
                roundTripMs,
                preamps(id).entrySet().stream()
                        .map(each -> new StandIns.Preamp(each.getKey(), each.getValue()))
                        .toList(),
                now.switching(),
                now.fault(),
                now.trouble(),
                now.incidents()
                        .within(Duration.ofMinutes(1))
                        .filter(Incidents.Incident::isHeard)
                        .map(Incidents.Incident::sentence)
                        .orElse(""),
                now.controlRoom(),
                now.played().changes() + now.heardCues().changes(),
                standIns.fate(),
                standIns.fronts(),
                standIns.outlets(),
                standIns.cables(),
                standIns.strained());
    }
}
