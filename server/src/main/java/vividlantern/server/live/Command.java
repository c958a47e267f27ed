package vividlantern.server.live;

import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.fasterxml.jackson.annotation.Nulls;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import vividlantern.mix.ControlRoomState;
import vividlantern.mix.TestSignal;
import vividlantern.rig.PortId;
import vividlantern.session.ControlRoom.SpeakerSet;
import vividlantern.session.cue.CueId;

/** Something the running engine shall do now. It changes no session and is lost with the engine. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Command.TakeRig.class, name = "take-rig"),
    @JsonSubTypes.Type(value = Command.Play.class, name = "play"),
    @JsonSubTypes.Type(value = Command.Stop.class, name = "stop"),
    @JsonSubTypes.Type(value = Command.Locate.class, name = "locate"),
    @JsonSubTypes.Type(value = Command.CutHeadphones.class, name = "cut-headphones"),
    @JsonSubTypes.Type(value = Command.TalkTo.class, name = "talk"),
    @JsonSubTypes.Type(value = Command.SwitchControlRoom.class, name = "switch-control-room"),
    @JsonSubTypes.Type(value = Command.PlaySignal.class, name = "play-signal"),
    @JsonSubTypes.Type(value = Command.StopSignal.class, name = "stop-signal"),
    @JsonSubTypes.Type(value = Command.Players.class, name = "players"),
    @JsonSubTypes.Type(value = Command.Listen.class, name = "listen"),
    @JsonSubTypes.Type(value = Command.ClearClips.class, name = "clear-clips"),
    @JsonSubTypes.Type(value = Command.Turn.class, name = "turn"),
    @JsonSubTypes.Type(value = Command.TurnOutlet.class, name = "turn-outlet"),
    @JsonSubTypes.Type(value = Command.ReleaseRig.class, name = "release-rig"),
    @JsonSubTypes.Type(value = Command.InterfaceFate.class, name = "interface-fate"),
    @JsonSubTypes.Type(value = Command.PlugCable.class, name = "plug-cable"),
    @JsonSubTypes.Type(value = Command.PullCables.class, name = "pull-cables"),
    @JsonSubTypes.Type(value = Command.StrainComputer.class, name = "strain-computer")
})
public sealed interface Command {

    /** Every command by its kind. */
    static SortedMap<String, Class<?>> kinds() {
        SortedMap<String, Class<?>> kinds = new TreeMap<>();
        for (JsonSubTypes.Type type :
                Command.class.getAnnotation(JsonSubTypes.class).value()) {
            kinds.put(type.name(), type.value());
        }
        return kinds;
    }

    /** Which session has the rig. */
    sealed interface OfTheRig extends Command {}

    /** Where the song is. */
    sealed interface OfTheTransport extends Command {}

    /** What performers hear at all. */
    sealed interface OfHeadphones extends Command {}

    /** What the control room hears. */
    sealed interface OfTheControlRoom extends Command {}

    /** What the engine plays to find something out. */
    sealed interface OfASignal extends Command {}

    /** What the control room says to performers. */
    sealed interface OfTalk extends Command {}

    /** What one page gets, or shows. */
    sealed interface OfAPage extends Command {}

    /** What the simulated devices and players do. */
    sealed interface OfStandIns extends Command {}

    /** Gives the session the engine and the devices. */
    record TakeRig() implements OfTheRig {}

    /** Plays from the start of a bar, after the count-in; from the bar where the song stands if none is given. */
    record Play(Optional<Integer> bar) implements OfTheTransport {}

    /** Stops the song where it is. */
    record Stop() implements OfTheTransport {}

    /** Moves to the start of a bar. */
    record Locate(int bar) implements OfTheTransport {}

    /**
     * Silences everything that performers hear, or lets it back.
     *
     * @param cue whose headphones alone; everybody's if none is given
     */
    record CutHeadphones(boolean cut, Optional<CueId> cue) implements OfHeadphones {}

    /**
     * Lets performers hear what is said at the talkback mic, from a page on; nobody any more if it is not on. It ends with the page
     * from which it was begun.
     *
     * @param connection the page's, needed to begin
     * @param to the cues whose performers hear it; all of them if none is named
     * @param again whether this only says that the page is still there; it begins nothing that somebody has ended meanwhile
     */
    record TalkTo(
            boolean on,
            Optional<String> connection,
            @JsonSetter(nulls = Nulls.AS_EMPTY) List<CueId> to,
            @JsonSetter(nulls = Nulls.AS_EMPTY) boolean again)
            implements OfTalk {}

    /**
     * Lets the control room hear something else, or otherwise; what is not given stays.
     *
     * @param hears "main", "cue/" and a cue's id, or "source/" and the id of one of its sources
     */
    record SwitchControlRoom(
            Optional<String> hears,
            Optional<SpeakerSet> speakers,
            Optional<Boolean> dimmed,
            Optional<Boolean> mono,
            Optional<Boolean> muted,
            Optional<Boolean> swapped,
            Optional<ControlRoomState.Flipped> flipped,
            Optional<Boolean> listening)
            implements OfTheControlRoom {

        ControlRoomState appliedTo(ControlRoomState now) {
            return new ControlRoomState(
                    hears.orElse(now.hears()),
                    speakers.orElse(now.speakers()),
                    dimmed.orElse(now.dimmed()),
                    mono.orElse(now.mono()),
                    muted.orElse(now.muted()),
                    swapped.orElse(now.swapped()),
                    flipped.orElse(now.flipped()),
                    listening.orElse(now.listening()),
                    now.signal());
        }
    }

    /**
     * Plays a tone, noise or counted tones by some outputs, in the place of what was played so.
     *
     * @param connection the page's with which it ends; without one it goes on until it is stopped
     */
    record PlaySignal(TestSignal signal, Optional<String> connection) implements OfASignal {}

    /** Ends it. */
    record StopSignal() implements OfASignal {}

    /** Lets "all", "none" or one of the stand-in players play. */
    record Players(String who) implements OfStandIns {}

    /** Sends a page what leaves an output: "main" for what the speakers play, a cue's id, or "" for nothing. */
    record Listen(String connection, String to) implements OfAPage {}

    /** Forgets the clips that were counted. */
    record ClearClips() implements OfAPage {}

    /** Gives the engine and the devices up: nothing sounds, and other programs can have them. */
    record ReleaseRig() implements OfTheRig {}

    /** What happens to the stand-in's interface. */
    public enum Fate {
        THERE(""),
        PULLED("The interface does not answer: its cable is out, or it is switched off."),
        BUSY("The interface is in use by another program.");

        private final String reason;

        Fate(String reason) {
            this.reason = reason;
        }

        String reason() {
            return reason;
        }
    }

    /** Pulls the stand-in's interface, lets another program have it, or brings it back. */
    record InterfaceFate(Fate fate) implements OfStandIns {}

    /** Plugs a cable from an output of the stand-in's interface into an input, in the place of what is there. */
    record PlugCable(PortId output, PortId input) implements OfStandIns {}

    /** Pulls out every cable that was plugged so. */
    record PullCables() implements OfStandIns {}

    /**
     * Lets another program take the computer's time, as a share of each block's from 0 to 1.5, and blocks begin late by chance, up
     * to 50 ms.
     */
    record StrainComputer(double load, double jitterMs) implements OfStandIns {}

    /** Turns a preamp of the stand-in that only a hand can reach. */
    record Turn(PortId port, double gainDb, boolean phantom) implements OfStandIns {}

    /** Turns an outlet of the stand-in's headphone amps down by 0 to 80 dB, and switches it on or off. */
    record TurnOutlet(PortId port, double turnedDownDb, boolean on) implements OfStandIns {}
}
