package vividlantern.server.live;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import vividlantern.basics.Refused;
import vividlantern.ears.OutletNote;
import vividlantern.engine.Room;
import vividlantern.engine.Venue;
import vividlantern.hardware.PreampSetting;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.server.desk.MediaDesk;
import vividlantern.server.desk.RigDesk;
import vividlantern.server.desk.SessionChanged;
import vividlantern.session.ControlRoom;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.sim.HeadphoneAmps;
import vividlantern.sim.NoteBank;
import vividlantern.sim.StandInStudio;
import vividlantern.sim.Strain;

/**
 * The simulated devices and players: the one place at which the server names them. What hands have turned there stays turned,
 * whichever session has the rig, and a rendering finds it so.
 */
@Component
public class StandIns implements Venue {

    /** Everybody plays. */
    public static final String ALL = StandInStudio.ALL;

    /** What is done to the computer: the share of each block's time that another program takes, and by how much blocks begin late. */
    public record Strained(double load, double jitterMs) {}

    /** A cable from an output back into an input. */
    public record Cable(PortId output, PortId input) {}

    /** How an outlet of a headphone amp is left by hands: by how much it is turned down, and whether it is switched on. */
    public record OutletKnob(PortId port, double turnedDownDb, boolean on) {}

    /** How high the sound in an outlet is on either side, relative to where the amp overloads. */
    record OutletLevel(PortId outlet, float leftDb, float rightDb) {}

    /** How a preamp stands. */
    public record Preamp(PortId port, PreampSetting setting) {}

    private static final double MOST_LOAD = 1.5;
    private static final double MOST_JITTER_MS = 50;

    private final RigDesk rigs;
    private final MediaDesk media;
    private final NoteBank notes = new NoteBank();
    private final Map<RigId, Map<PortId, PreampSetting>> turned = new ConcurrentHashMap<>();
    private final Map<RigId, Map<PortId, HeadphoneAmps.Knob>> outlets = new ConcurrentHashMap<>();
    private volatile StandInStudio studio;
    private volatile RigId rig;
    private volatile SessionId playing;
    private volatile String players = ALL;
    private volatile Command.Fate fate = Command.Fate.THERE;
    private volatile List<Cable> cables = List.of();
    private volatile Strain strain = Strain.NONE;

    StandIns(RigDesk rigs, MediaDesk media) {
        this.rigs = rigs;
        this.media = media;
    }

    @Override
    public Room open(Session session, Rig wanted) {
        StandInStudio opened = studio(session, wanted);
        if (!knows(opened, players)) {
            players = ALL;
        }
        opened.letPlay(players);
        opened.plugTalkMic(talkMicOf(session));
        opened.vanish(fate.reason());
        opened.suffer(strain);
        cables = cables.stream()
                .filter(cable -> wanted.engineOutput(cable.output()).isPresent()
                        && wanted.engineInput(cable.input()).isPresent())
                .toList();
        cables.forEach(cable -> opened.plugCable(cable.output(), cable.input()));
        studio = opened;
        rig = wanted.id();
        playing = session.id();
        Thread rehearsal = new Thread(opened::warmUp, "rehearsal");
        rehearsal.setDaemon(true);
        rehearsal.setPriority(Thread.MIN_PRIORITY);
        rehearsal.start();
        return room(opened);
    }

    /**
     * A room of its own for a rendering.
     *
     * @param who "all", "none", or the one player who plays
     */
    public Room openFor(Session session, Rig wanted, String who) {
        StandInStudio opened = studio(session, wanted);
        requireKnown(opened, who, "players");
        return room(opened.begin(who));
    }

    private StandInStudio studio(Session session, Rig wanted) {
        StandInStudio opened =
                StandInStudio.open(wanted, notes, session.sampleRate(), session.bufferFrames(), session.tempoMap());
        turnedAt(wanted.id()).forEach((port, setting) -> opened.turn(port.value(), setting));
        outlets.getOrDefault(wanted.id(), Map.of()).forEach(opened.headphoneAmps()::turn);
        opened.wear(session.worn());
        return opened;
    }

    private Room room(StandInStudio studio) {
        return new Room(
                studio,
                transport -> studio.songAt(
                        transport.deviceFrame(),
                        transport.songFrame(),
                        transport.playing(),
                        transport.passage().from()),
                studio::follow,
                media.shelf());
    }

    /** Somebody plugs the engineer's mic where the session that is played wants it, and players put on what it says they wear. */
    @EventListener
    public void follow(SessionChanged change) {
        if (change.after().id().equals(playing)) {
            studio.plugTalkMic(talkMicOf(change.after()));
            studio.wear(change.after().worn());
        }
    }

    private static Optional<PortId> talkMicOf(Session session) {
        return session.inControlRoom().talkback().map(ControlRoom.TalkbackMic::port);
    }

    /** How hands have left the fronts of a rig: as they were turned here, before that as it was noted. */
    private Map<PortId, PreampSetting> turnedAt(RigId id) {
        return turned.computeIfAbsent(id, asked -> {
            Map<PortId, PreampSetting> fronts = new ConcurrentHashMap<>();
            rigs.turned(asked).forEach(note -> fronts.put(note.port(), front(note.gainDb(), note.phantom())));
            return fronts;
        });
    }

    private static PreampSetting front(double gainDb, boolean phantom) {
        return new PreampSetting(gainDb, phantom, false, PreampSetting.Level.MIC);
    }

    /** Who could play. */
    List<String> playerIds() {
        return studio.players();
    }

    /** "all", "none" or the player who plays alone. */
    String players() {
        return players;
    }

    void letPlay(String who) {
        requireKnown(studio, who, "who");
        players = who;
        studio.letPlay(who);
    }

    private static void requireKnown(StandInStudio studio, String who, String field) {
        if (!knows(studio, who)) {
            throw new Refused(
                    "There is no stand-in player '" + who + "'; there are " + String.join(", ", studio.players())
                            + ", and \"" + StandInStudio.ALL + "\" and \"" + StandInStudio.NONE + "\".",
                    field);
        }
    }

    private static boolean knows(StandInStudio studio, String who) {
        return who.equals(StandInStudio.ALL)
                || who.equals(StandInStudio.NONE)
                || studio.players().contains(who);
    }

    /** How the preamps stand that only a hand can turn. */
    List<Preamp> fronts() {
        return studio.fronts().entrySet().stream()
                .map(front -> new Preamp(new PortId(front.getKey()), front.getValue()))
                .toList();
    }

    /** A hand at a preamp's front. */
    void turn(PortId port, double gainDb, boolean phantom) {
        if (!studio.fronts().containsKey(port.value())) {
            throw new Refused("There is no preamp at '" + port + "' that is set by hand.", "port");
        }
        studio.turn(port.value(), front(gainDb, phantom));
        turnedAt(rig).put(port, studio.fronts().get(port.value()));
    }

    /** How the outlets of the headphone amps are left. */
    List<OutletKnob> outlets() {
        return studio.headphoneAmps().readings().stream()
                .map(each -> new OutletKnob(
                        each.outlet(), each.knob().turnedDownDb(), each.knob().on()))
                .toList();
    }

    /** How high the sound in each of them is. */
    List<OutletLevel> outletLevels() {
        return studio.headphoneAmps().readings().stream()
                .map(each -> new OutletLevel(each.outlet(), each.leftDb(), each.rightDb()))
                .toList();
    }

    /** A hand at an outlet. */
    void turn(OutletKnob wanted) {
        if (outlets().stream().noneMatch(each -> each.port().equals(wanted.port()))) {
            throw new Refused("There is no outlet '" + wanted.port() + "' at a headphone amp.", "port");
        }
        OutletNote.requireTurnedDown(wanted.turnedDownDb());
        HeadphoneAmps.Knob knob = new HeadphoneAmps.Knob(wanted.turnedDownDb(), wanted.on());
        studio.headphoneAmps().turn(wanted.port(), knob);
        outlets.computeIfAbsent(rig, id -> new ConcurrentHashMap<>()).put(wanted.port(), knob);
    }

    /** The cables that were plugged from outputs back into inputs. */
    List<Cable> cables() {
        return cables;
    }

    void plug(PortId output, PortId input) {
        Rig here = rigs.rig(rig);
        if (here.engineOutput(output).isEmpty()) {
            throw new Refused("There is no output '" + output + "' at the interface.", "output");
        }
        if (here.engineInput(input).isEmpty()) {
            throw new Refused("There is no input '" + input + "' at the interface.", "input");
        }
        studio.plugCable(output, input);
        cables = Stream.concat(
                        cables.stream().filter(each -> !each.input().equals(input)),
                        Stream.of(new Cable(output, input)))
                .toList();
    }

    void pullCables() {
        studio.pullCables();
        cables = List.of();
    }

    /** What is done to the computer. */
    Strained strained() {
        return new Strained(strain.load(), strain.jitterMs());
    }

    void strain(double load, double jitterMs) {
        if (!(load >= 0 && load <= MOST_LOAD)) {
            throw new Refused("Another program takes from nothing to 1.5 times the time there is.", "load");
        }
        if (!(jitterMs >= 0 && jitterMs <= MOST_JITTER_MS)) {
            throw new Refused("Blocks begin up to 50 ms late.", "jitterMs");
        }
        strain = new Strain(load, jitterMs);
        studio.suffer(strain);
    }

    /** What happened to the interface. */
    Command.Fate fate() {
        return fate;
    }

    void befall(Command.Fate happens) {
        fate = happens;
        studio.vanish(happens.reason());
    }
}
