package vividlantern.mix;

import java.util.Optional;
import vividlantern.basics.Refused;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.ControlRoom.SpeakerSet;
import vividlantern.session.Session;
import vividlantern.session.SourceId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.units.Decibels;

/**
 * What the control room listens to just now, and how. It changes no session and is lost with the engine.
 *
 * @param hears "main", "cue/" and a cue's id, or "source/" and the id of one of the control room's sources
 * @param mono both sides carry half the sum of both
 * @param swapped left is played by the right speaker
 * @param listening the listen mic is switched on
 * @param signal what the engine plays to find something out
 */
public record ControlRoomState(
        String hears,
        SpeakerSet speakers,
        boolean dimmed,
        boolean mono,
        boolean muted,
        boolean swapped,
        Flipped flipped,
        boolean listening,
        Optional<TestSignal> signal) {

    public static final String MAIN = "main";
    private static final String CUE = "cue/";
    private static final String SOURCE = "source/";

    /** The side whose polarity is turned over. */
    public enum Flipped {
        NONE,
        LEFT,
        RIGHT
    }

    /** As it begins: the main mix on the main speakers. */
    public static final ControlRoomState BEGINNING = new ControlRoomState(
            MAIN, SpeakerSet.MAIN, false, false, false, false, Flipped.NONE, false, Optional.empty());

    public Optional<CueId> cue() {
        return behind(CUE).map(CueId::new);
    }

    public Optional<SourceId> source() {
        return behind(SOURCE).map(SourceId::new);
    }

    private Optional<String> behind(String word) {
        return hears.startsWith(word) ? Optional.of(hears.substring(word.length())) : Optional.empty();
    }

    public ControlRoomState playing(Optional<TestSignal> other) {
        return new ControlRoomState(hears, speakers, dimmed, mono, muted, swapped, flipped, listening, other);
    }

    /** What of it a session and a rig still have: where something is gone, it is as it began. */
    public ControlRoomState among(Session session, Rig rig) {
        boolean secondThere =
                ControlRoomStanding.pair(SpeakerSet.SECOND, session, rig).isPresent();
        return new ControlRoomState(
                ControlRoomStanding.heard(this, session),
                secondThere ? speakers : SpeakerSet.MAIN,
                dimmed,
                mono,
                muted,
                swapped,
                flipped,
                listening && session.inControlRoom().listenMic().isPresent(),
                signal.filter(each -> each.outputs().stream().allMatch(output -> canPlay(output, rig))));
    }

    /** @throws Refused if a session and a rig have not what it speaks of */
    public void require(Session session, Rig rig) {
        if (!hears.equals(MAIN) && cue().isEmpty() && source().isEmpty()) {
            throw new Refused("The control room hears main, a cue or a source; '" + hears + "' is none.", "hears");
        }
        cue().ifPresent(id -> requireHeard(session, rig, id));
        source().filter(id -> session.inControlRoom().source(id).isEmpty()).ifPresent(id -> {
            throw new Refused("The control room has no source '" + id + "'.", "hears");
        });
        if (speakers == SpeakerSet.SECOND
                && ControlRoomStanding.pair(SpeakerSet.SECOND, session, rig).isEmpty()) {
            throw new Refused(
                    rig.name() + " has no second speakers. Say under Rig which output pair feeds them.", "speakers");
        }
        if (listening && session.inControlRoom().listenMic().isEmpty()) {
            throw new Refused("There is no listen mic yet. Choose its port first.", "listening");
        }
        signal.ifPresent(each -> require(each, rig));
    }

    private static void requireHeard(Session session, Rig rig, CueId id) {
        Cue cue = session.find(id)
                .orElseThrow(() -> new Refused("There is no cue '" + id + "' in this session.", "hears"));
        Optional<PairId> pair = cue.output();
        if (pair.isEmpty()) {
            throw new Refused(
                    "Cue " + cue.name() + " leaves by no output pair, so nobody hears it. Give it one first.", "hears");
        }
        if (pair.equals(session.main().output())) {
            throw new Refused("Cue " + cue.name() + " leaves by the main speakers itself.", "hears");
        }
    }

    private static void require(TestSignal signal, Rig rig) {
        if (signal.outputs().isEmpty()) {
            throw new Refused("Choose the outputs that the signal shall leave by.", "outputs");
        }
        if (!(signal.hertz() >= TestSignal.LOWEST_HERTZ && signal.hertz() <= TestSignal.HIGHEST_HERTZ)) {
            throw new Refused("A tone has 20 to 20 000 Hz; " + signal.hertz() + " is not.", "hertz");
        }
        boolean tooLoud = signal.level().compareTo(TestSignal.LOUDEST) > 0;
        if (tooLoud || signal.level().value() < Decibels.FADER_MIN) {
            throw new Refused(
                    "A signal has \u221290.0 to \u221212.0 dBFS; louder could hurt somebody. " + signal.level()
                            + " is not.",
                    "level");
        }
        signal.outputs().forEach(output -> requirePair(output, rig));
    }

    private static void requirePair(PortId id, Rig rig) {
        Port port = rig.port(id)
                .filter(each -> each.direction() == Port.Direction.OUT)
                .orElseThrow(() -> new Refused("There is no output '" + id + "' in " + rig.name() + ".", "outputs"));
        if (!canPlay(id, rig)) {
            throw new Refused(
                    port.houseLabel()
                            + " belongs to no output pair of the interface that the engine runs on. Make a pair of it"
                            + " under Rig first.",
                    "outputs");
        }
    }

    private static boolean canPlay(PortId output, Rig rig) {
        return ControlRoomStanding.outputs(rig).stream()
                .anyMatch(pair -> pair.left().equals(output) || pair.right().equals(output));
    }
}
