package vividlantern.mix;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.ControlRoom;
import vividlantern.session.ControlRoom.NearOpenMics;
import vividlantern.session.ControlRoom.SpeakerSet;
import vividlantern.session.ControlRoomSource;
import vividlantern.session.Input;
import vividlantern.session.OpenMics;
import vividlantern.session.Session;
import vividlantern.session.SourceId;
import vividlantern.session.Track;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/**
 * What follows from how the control room is set up and from what it listens to: the one answer that the mixer and pages
 * share.
 *
 * @param hears what it hears really: what was chosen, or main if that is gone
 * @param silent why what was chosen is not heard; "" if it is
 * @param speakers the main ones, then the second
 * @param listenMic the mic by which it listens into the room, if there is one
 * @param talkback the mic by which it talks to performers, if there is one
 */
public record ControlRoomStanding(
        ControlRoomState state,
        String hears,
        String silent,
        List<SpeakerStanding> speakers,
        Optional<ListenStanding> listenMic,
        Optional<TalkStanding> talkback,
        List<SourceStanding> sources) {

    /**
     * How speakers stand.
     *
     * @param pair where they hang; empty if nowhere
     * @param on whether they were chosen
     * @param gain by which they get what is heard; off while they are not on
     * @param down why they went down by themselves; "" if they did not
     */
    public record SpeakerStanding(SpeakerSet which, Optional<PairId> pair, boolean on, Decibels gain, String down) {}

    /**
     * How the listen mic stands.
     *
     * @param heldOff why it is off though it was switched on; "" if nothing holds it off
     */
    public record ListenStanding(PortId port, boolean heard, String heldOff) {}

    /**
     * How the talkback mic stands.
     *
     * @param on whether somebody is talked to
     * @param to the cues whose performers are
     * @param heard those of them who hear it: their headphones are not cut
     * @param unheard why nobody could hear it; "" if somebody can
     */
    public record TalkStanding(PortId port, boolean on, List<CueId> to, List<CueId> heard, String unheard) {}

    /**
     * How a source stands.
     *
     * @param trouble what of it cannot be heard; "" if all can
     */
    public record SourceStanding(SourceId id, List<FoldedChannel> channels, String trouble) {}

    /**
     * How much of a channel goes to each side.
     *
     * @param label its port, as it is called in the house
     */
    public record FoldedChannel(String label, double left, double right) {}

    /** How the control room stands; one in which nobody sits hears the main mix as it is. */
    public static ControlRoomStanding of(Session session, Rig rig, LiveState live) {
        ControlRoomState state = live.controlRoom().orElse(ControlRoomState.BEGINNING);
        String hears = heard(state, session);
        boolean ofFile = live.controlRoom().isEmpty();
        SpeakerSet on = pair(state.speakers(), session, rig).isPresent() ? state.speakers() : SpeakerSet.MAIN;
        List<SpeakerStanding> speakers = new ArrayList<>();
        for (SpeakerSet which : SpeakerSet.values()) {
            speakers.add(
                    ofFile
                            ? asItIs(which, session, rig)
                            : standing(which, which == on, state, session, rig, live.talk()));
        }
        return new ControlRoomStanding(
                state,
                hears,
                silent(state, hears, speakers.get(on.ordinal()), session, rig),
                speakers,
                session.inControlRoom().listenMic().map(mic -> listening(mic, state, session, rig, live)),
                session.inControlRoom().talkback().map(mic -> talking(mic.port(), session, rig, live)),
                session.inControlRoom().sources().stream()
                        .map(source -> standing(source, session, rig))
                        .toList());
    }

    private static String silent(ControlRoomState state, String hears, SpeakerStanding on, Session session, Rig rig) {
        if (on.pair().isEmpty()) {
            return "The main speakers hang on no output pair. Choose one under Set up.";
        }
        if (!hears.equals(state.hears())) {
            return "What was chosen is gone; the main mix is heard in its place.";
        }
        return state.cue()
                .flatMap(session::find)
                .filter(cue -> heardFrom(cue, on.pair().get(), rig).isEmpty())
                .map(cue -> "Cue " + cue.name() + " leaves by no output pair of its own, so nothing of it is heard.")
                .orElse("");
    }

    /** The pair at which a cue is heard; none if it leaves nowhere or by the speakers that are on. */
    static Optional<StereoPair> heardFrom(Cue cue, PairId speakers, Rig rig) {
        return cue.output()
                .filter(pair -> !pair.equals(speakers))
                .flatMap(rig::outputPair)
                .filter(rig::isDriven);
    }

    static String heard(ControlRoomState state, Session session) {
        boolean gone = state.cue().filter(id -> session.find(id).isEmpty()).isPresent()
                || state.source()
                        .filter(id -> session.inControlRoom().source(id).isEmpty())
                        .isPresent();
        return gone ? ControlRoomState.MAIN : state.hears();
    }

    private static SpeakerStanding asItIs(SpeakerSet which, Session session, Rig rig) {
        boolean main = which == SpeakerSet.MAIN;
        return new SpeakerStanding(which, idOf(which, session, rig), main, main ? Decibels.ZERO : Decibels.OFF, "");
    }

    private static SpeakerStanding standing(
            SpeakerSet which, boolean on, ControlRoomState state, Session session, Rig rig, Talk talk) {
        ControlRoom room = session.inControlRoom();
        ControlRoom.Speakers speakers = room.speakers(which);
        NearOpenMics then = speakers.nearOpenMics();
        List<Input> open = then == NearOpenMics.DIM || then == NearOpenMics.MUTE
                ? OpenMics.in(speakers.room(), session, rig)
                : List.of();
        boolean silent = !on || state.muted() || !open.isEmpty() && then == NearOpenMics.MUTE;
        boolean dimmed = state.dimmed() || !open.isEmpty() || talk.isOn();
        double gain = silent ? 0 : speakers.level().gain() * (dimmed ? dim(room) : 1);
        String down = open.isEmpty()
                ? talk.isOn() && on ? "Dimmed while you talk." : ""
                : (then == NearOpenMics.DIM ? "Dimmed" : "Muted") + " by itself: " + OpenMics.words(open)
                        + " open in the " + speakers.room() + ".";
        return new SpeakerStanding(which, idOf(which, session, rig), on, Decibels.ofGain(gain), down);
    }

    private static double dim(ControlRoom room) {
        return Decibels.of(-room.dimDb()).gain();
    }

    private static ListenStanding listening(
            ControlRoom.ListenMic mic, ControlRoomState state, Session session, Rig rig, LiveState live) {
        boolean recording = live.playing() && session.tracks().stream().anyMatch(Track::armed);
        boolean wanted = state.listening() || mic.byItself() && !live.playing();
        String heldOff = "";
        if (wanted && rig.engineInput(mic.port(), session.sampleRate()).isEmpty()) {
            heldOff = rig.label(mic.port()) + " does not reach the engine.";
        } else if (wanted && recording) {
            heldOff = "Off by itself while the song plays with tracks armed.";
        } else if (wanted && live.talk().isOn()) {
            heldOff = "Off by itself while you talk.";
        }
        return new ListenStanding(mic.port(), wanted && heldOff.isEmpty(), heldOff);
    }

    private static TalkStanding talking(PortId port, Session session, Rig rig, LiveState live) {
        List<CueId> to = session.cues().stream()
                .filter(cue -> live.talk().reaches(cue.id()) && Talk.isHeard(cue, rig))
                .map(Cue::id)
                .toList();
        List<CueId> heard = to.stream().filter(cue -> !live.isCut(cue)).toList();
        return new TalkStanding(port, live.talk().isOn(), to, heard, Talk.unheard(session, rig));
    }

    private static SourceStanding standing(ControlRoomSource source, Session session, Rig rig) {
        List<PortId> ports = source.ports(rig);
        List<FoldedChannel> channels = IntStream.range(0, ports.size())
                .mapToObj(channel -> new FoldedChannel(
                        rig.label(ports.get(channel)),
                        Fold.left(source.width(), channel, Pan.CENTRE),
                        Fold.right(source.width(), channel, Pan.CENTRE)))
                .toList();
        return new SourceStanding(source.id(), channels, trouble(source, ports, session, rig));
    }

    private static String trouble(ControlRoomSource source, List<PortId> ports, Session session, Rig rig) {
        if (ports.size() < source.width()) {
            return ports.isEmpty()
                    ? "Its port is not in " + rig.name() + "."
                    : "Only " + ports.size() + " of its " + source.width() + " ports are there.";
        }
        return ports.stream()
                .filter(port -> rig.engineInput(port, session.sampleRate()).isEmpty())
                .findFirst()
                .map(port -> rig.label(port) + " does not reach the engine.")
                .or(() -> session.inputs().stream()
                        .filter(input -> input.ports().stream().anyMatch(ports::contains))
                        .findFirst()
                        .map(input -> input.source() + " comes in by the same port."))
                .orElse("");
    }

    private static Optional<PairId> idOf(SpeakerSet which, Session session, Rig rig) {
        return pair(which, session, rig).map(StereoPair::id);
    }

    /** The output pair of speakers; the second ones are those of the rig, unless main leaves there. */
    static Optional<StereoPair> pair(SpeakerSet which, Session session, Rig rig) {
        Optional<StereoPair> main = session.main().output().flatMap(rig::outputPair);
        Optional<StereoPair> wanted =
                which == SpeakerSet.MAIN ? main : rig.secondSpeakers().filter(pair -> !main.equals(Optional.of(pair)));
        return wanted.filter(rig::isDriven);
    }

    /** The output pairs by whose sides a test signal can leave. */
    public static List<StereoPair> outputs(Rig rig) {
        return rig.outputPairs().stream().filter(rig::isDriven).toList();
    }

    SpeakerStanding speakers(SpeakerSet which) {
        return speakers.get(which.ordinal());
    }

    /** The pair of the speakers that are on. */
    public Optional<PairId> pairThatIsOn() {
        return speakers.stream().filter(SpeakerStanding::on).findFirst().flatMap(SpeakerStanding::pair);
    }
}
