package vividlantern.session;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.units.Decibels;
import vividlantern.units.PlainNumber;

/**
 * How the control room is set up: its speakers, what happens to them near an open mic, the mic by which it listens into the
 * room, the one by which it talks to performers, and what else it can listen to. What it listens to just now, and whom it talks to,
 * is live and no part of it.
 *
 * @param dimDb by how much dim lowers the speakers
 */
public record ControlRoom(
        double dimDb,
        Speakers main,
        Speakers second,
        Optional<ListenMic> listenMic,
        Optional<TalkbackMic> talkback,
        List<ControlRoomSource> sources)
        implements Part {

    /** Where speakers stand of which nobody has said it. */
    public static final String OWN_ROOM = "control room";

    private static final Speakers AS_THEY_BEGIN =
            new Speakers(Decibels.ZERO, Decibels.ZERO, OWN_ROOM, NearOpenMics.WARN);

    /** As it begins: the main mix leaves as it is. */
    static final ControlRoom BEGINNING =
            new ControlRoom(20, AS_THEY_BEGIN, AS_THEY_BEGIN, Optional.empty(), Optional.empty(), List.of());

    /** One of the two pairs of speakers that an engineer listens by. */
    public enum SpeakerSet {
        MAIN("main speakers"),
        SECOND("second speakers");

        private final String words;

        SpeakerSet(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** What happens to speakers while a mic is open in the room they stand in. */
    public enum NearOpenMics {
        NOTHING("nothing"),
        WARN("readiness warns"),
        DIM("they are dimmed"),
        MUTE("they are muted");

        private final String words;

        NearOpenMics(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * A pair of speakers.
     *
     * @param level off to 0 dB
     * @param mark the level to come back to
     * @param room where they stand, in the words in which places of performers are told
     */
    public record Speakers(Decibels level, Decibels mark, String room, NearOpenMics nearOpenMics) {

        public Speakers at(Decibels newLevel) {
            return new Speakers(newLevel, mark, room, nearOpenMics);
        }

        public Speakers marked(Decibels newMark) {
            return new Speakers(level, newMark, room, nearOpenMics);
        }

        public Speakers in(String newRoom) {
            return new Speakers(level, mark, newRoom, nearOpenMics);
        }

        public Speakers nearOpenMics(NearOpenMics then) {
            return new Speakers(level, mark, room, then);
        }
    }

    /**
     * A mic by which the control room hears what is said in the room.
     *
     * @param byItself whether it opens by itself while the song stands, so that performers can answer
     */
    public record ListenMic(PortId port, Decibels level, boolean byItself) {}

    /**
     * A mic by which the control room talks to performers.
     *
     * @param dimDb by how much their music is lowered meanwhile
     */
    public record TalkbackMic(PortId port, Decibels level, double dimDb) {

        /** By how much music is lowered as long as nobody has said otherwise. */
        public static final double USUAL_DIM_DB = 12;
    }

    public ControlRoom {
        sources = List.copyOf(sources);
    }

    /** What comes into it by ports of its own, by its name: its sources and the talkback mic. */
    public Map<String, List<PortId>> comesInBy(Rig rig) {
        Map<String, List<PortId>> ports = new LinkedHashMap<>();
        sources.forEach(source -> ports.put("the control room's " + source.name(), source.ports(rig)));
        talkback.ifPresent(mic -> ports.put("the talkback mic", List.of(mic.port())));
        return ports;
    }

    public Speakers speakers(SpeakerSet which) {
        return which == SpeakerSet.MAIN ? main : second;
    }

    public Optional<ControlRoomSource> source(SourceId id) {
        return sources.stream().filter(source -> source.id().equals(id)).findFirst();
    }

    public ControlRoom with(SpeakerSet which, Speakers speakers) {
        return which == SpeakerSet.MAIN
                ? new ControlRoom(dimDb, speakers, second, listenMic, talkback, sources)
                : new ControlRoom(dimDb, main, speakers, listenMic, talkback, sources);
    }

    public ControlRoom dimmingBy(double newDimDb) {
        return new ControlRoom(newDimDb, main, second, listenMic, talkback, sources);
    }

    public ControlRoom listeningBy(Optional<ListenMic> newMic) {
        return new ControlRoom(dimDb, main, second, newMic, talkback, sources);
    }

    public ControlRoom talkingBy(Optional<TalkbackMic> newMic) {
        return new ControlRoom(dimDb, main, second, listenMic, newMic, sources);
    }

    /** With a source in the place of the one that has its id; at the end if none has. */
    public ControlRoom with(ControlRoomSource changed) {
        boolean known = source(changed.id()).isPresent();
        Stream<ControlRoomSource> replaced =
                sources.stream().map(source -> source.id().equals(changed.id()) ? changed : source);
        return with((known ? replaced : Stream.concat(sources.stream(), Stream.of(changed))).toList());
    }

    public ControlRoom without(SourceId id) {
        return with(sources.stream().filter(source -> !source.id().equals(id)).toList());
    }

    private ControlRoom with(List<ControlRoomSource> all) {
        return new ControlRoom(dimDb, main, second, listenMic, talkback, all);
    }

    @Override
    public String title(PartNames names, PartKey key) {
        return "Control room";
    }

    @Override
    public Map<String, String> traits(PartNames names) {
        Map<String, String> traits = new LinkedHashMap<>();
        traits.put("dim", PlainNumber.of(dimDb) + " dB");
        for (SpeakerSet which : SpeakerSet.values()) {
            Speakers speakers = speakers(which);
            traits.put(which.words(), speakers.level() + ", mark " + speakers.mark());
            traits.put(which.words() + " stand in", speakers.room());
            traits.put(
                    which.words() + " near an open mic", speakers.nearOpenMics().words());
        }
        traits.put(
                "listen mic",
                listenMic
                        .map(mic -> names.port(mic.port()) + ", " + mic.level()
                                + (mic.byItself() ? ", by itself while the song stands" : ""))
                        .orElse("none"));
        traits.put(
                "talkback mic",
                talkback.map(mic -> names.port(mic.port()) + ", " + mic.level() + ", music "
                                + PlainNumber.of(mic.dimDb()) + " dB down")
                        .orElse("none"));
        sources.forEach(source -> traits.put(
                "source " + source.name(),
                Channels.width(source.width()) + " from " + names.port(source.first()) + ", " + source.level()));
        return traits;
    }
}
