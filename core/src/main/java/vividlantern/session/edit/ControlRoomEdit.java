package vividlantern.session.edit;

import java.util.Optional;
import java.util.function.UnaryOperator;
import vividlantern.basics.Ids;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.ControlRoom;
import vividlantern.session.ControlRoom.NearOpenMics;
import vividlantern.session.ControlRoom.SpeakerSet;
import vividlantern.session.ControlRoom.TalkbackMic;
import vividlantern.session.ControlRoomSource;
import vividlantern.session.OpenMics;
import vividlantern.session.Session;
import vividlantern.session.SourceId;
import vividlantern.units.Decibels;

/** Changes of how the control room is set up. */
public sealed interface ControlRoomEdit extends Edit {

    private static Session with(Session session, ControlRoom changed) {
        return session.withControlRoom(Optional.of(changed));
    }

    private static Session with(Session session, SpeakerSet which, UnaryOperator<ControlRoom.Speakers> change) {
        ControlRoom room = session.inControlRoom();
        return with(session, room.with(which, change.apply(room.speakers(which))));
    }

    private static Session with(Session session, ControlRoom.ListenMic mic) {
        return with(session, session.inControlRoom().listeningBy(Optional.of(mic)));
    }

    private static Session with(Session session, TalkbackMic mic) {
        return with(session, session.inControlRoom().talkingBy(Optional.of(mic)));
    }

    private static ControlRoom.ListenMic listenMic(Session session) {
        return session.inControlRoom()
                .listenMic()
                .orElseThrow(() -> new Refused("There is no listen mic yet. Choose its port first.", ""));
    }

    private static TalkbackMic talkbackMic(Session session) {
        return session.inControlRoom()
                .talkback()
                .orElseThrow(() -> new Refused("There is no talkback mic yet. Choose its port first.", ""));
    }

    private static Decibels upToZero(Decibels level) {
        Decibels set = Rules.fader(level, "A level of speakers");
        if (set.value() > 0) {
            throw new Refused(
                    "Speakers are off or get up to 0.0 dB; " + level + " is more. Louder is set at the speakers.",
                    "level");
        }
        return set;
    }

    private static String name(Session session, SourceId source) {
        return session.inControlRoom()
                .source(source)
                .map(ControlRoomSource::name)
                .orElse(source.value());
    }

    private static String named(SpeakerSet speakers) {
        return "Control room: " + speakers.words();
    }

    /** Sets how loud speakers are: off, or up to 0 dB, at which they get what they play as it is. */
    record SetSpeakerLevel(SpeakerSet speakers, Decibels level) implements ControlRoomEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            return with(session, speakers, was -> was.at(upToZero(level)));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return named(speakers) + " " + level;
        }
    }

    /** Puts the mark of speakers: the level to come back to. */
    record SetSpeakerMark(SpeakerSet speakers, Decibels level) implements ControlRoomEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            return with(session, speakers, was -> was.marked(upToZero(level)));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return named(speakers) + " marked at " + level;
        }
    }

    /** Says in which room speakers stand, in the words in which performers' places are told. */
    record SetSpeakerRoom(SpeakerSet speakers, String room) implements ControlRoomEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            String said = OpenMics.roomIn(Texts.required(room, "Speakers stand in some room.", "room"));
            return with(session, speakers, was -> was.in(said));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return named(speakers) + " stand in the " + OpenMics.roomIn(room);
        }
    }

    /** Says what happens to speakers while a mic is open in their room. */
    record SetNearOpenMics(SpeakerSet speakers, NearOpenMics then) implements ControlRoomEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            return with(session, speakers, was -> was.nearOpenMics(then));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return named(speakers) + ", near an open mic " + then.words();
        }
    }

    /** Sets by how much dim lowers the speakers: 3 to 60 dB, in steps of 1. */
    record SetDim(double db) implements ControlRoomEdit {

        public static final double LEAST_DB = 3;
        public static final double MOST_DB = 60;

        @Override
        public Session applyTo(Session session, Rig rig) {
            if (!(db >= LEAST_DB && db <= MOST_DB)) {
                throw new Refused("Dim lowers the speakers by 3 to 60 dB; " + db + " is not.", "db");
            }
            return with(session, session.inControlRoom().dimmingBy(Math.rint(db)));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Control room: dim by " + Math.round(db) + " dB";
        }
    }

    /** Chooses the mic by which the control room listens into the room, by its port; none takes it away. */
    record SetListenMic(Optional<PortId> port) implements ControlRoomEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            port.ifPresent(id -> Rules.reachesEngine(rig, id));
            ControlRoom room = session.inControlRoom();
            Decibels level = room.listenMic().map(ControlRoom.ListenMic::level).orElse(Decibels.ZERO);
            boolean byItself =
                    room.listenMic().map(ControlRoom.ListenMic::byItself).orElse(false);
            return with(session, room.listeningBy(port.map(id -> new ControlRoom.ListenMic(id, level, byItself))));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Control room: listen mic " + port.map(rig::label).orElse("none");
        }
    }

    /** Sets how loud the listen mic is. */
    record SetListenLevel(Decibels level) implements ControlRoomEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            ControlRoom.ListenMic mic = listenMic(session);
            Decibels set = Rules.fader(level, "The listen mic's level");
            return with(session, new ControlRoom.ListenMic(mic.port(), set, mic.byItself()));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Control room: listen mic " + level;
        }
    }

    /** Says whether the listen mic opens by itself while the song stands. */
    record SetListenByItself(boolean byItself) implements ControlRoomEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            ControlRoom.ListenMic mic = listenMic(session);
            return with(session, new ControlRoom.ListenMic(mic.port(), mic.level(), byItself));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Control room: listen mic " + (byItself ? "by itself while the song stands" : "by hand");
        }
    }

    /** Chooses the mic by which the control room talks to performers, by its port; none takes it away. */
    record SetTalkbackMic(Optional<PortId> port) implements ControlRoomEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            ControlRoom room = session.inControlRoom();
            Session others = with(session, room.talkingBy(Optional.empty()));
            port.ifPresent(id -> Rules.freePort(others, rig, id));
            Optional<TalkbackMic> was = room.talkback();
            return with(
                    session,
                    room.talkingBy(port.map(id -> new TalkbackMic(
                            id,
                            was.map(TalkbackMic::level).orElse(Decibels.ZERO),
                            was.map(TalkbackMic::dimDb).orElse(TalkbackMic.USUAL_DIM_DB)))));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Control room: talkback mic " + port.map(rig::label).orElse("none");
        }
    }

    /** Sets how loud the talkback mic is in front of its guard. */
    record SetTalkbackLevel(Decibels level) implements ControlRoomEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            TalkbackMic mic = talkbackMic(session);
            return with(
                    session, new TalkbackMic(mic.port(), Rules.fader(level, "The talkback mic's level"), mic.dimDb()));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Control room: talkback mic " + level;
        }
    }

    /** Sets by how much talking lowers performers' music: 0 to 60 dB, in steps of 1. */
    record SetTalkbackDim(double db) implements ControlRoomEdit {

        public static final double MOST_DB = 60;

        @Override
        public Session applyTo(Session session, Rig rig) {
            if (!(db >= 0 && db <= MOST_DB)) {
                throw new Refused("Talking lowers the music by 0 to 60 dB; " + db + " is not.", "db");
            }
            TalkbackMic mic = talkbackMic(session);
            return with(session, new TalkbackMic(mic.port(), mic.level(), Math.rint(db)));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Control room: talking lowers the music by " + Math.round(db) + " dB";
        }
    }

    /** Adds a source: 1 to 8 channels, the first at a port, the others at the following ones. */
    record AddSource(String name, int width, PortId port) implements ControlRoomEdit {

        private static final int MOST = 32;

        @Override
        public Session applyTo(Session session, Rig rig) {
            ControlRoom room = session.inControlRoom();
            if (room.sources().size() >= MOST) {
                throw new Refused("The control room has at most " + MOST + " sources.", "");
            }
            String called = Texts.name(name, "A source", "name");
            SourceId id = new SourceId(
                    Ids.fresh(called, taken -> room.source(new SourceId(taken)).isPresent()));
            return with(
                    session,
                    room.with(Rules.freeSource(
                            session, rig, new ControlRoomSource(id, called, width, port, Decibels.ZERO))));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Control room: source " + name + " from " + rig.label(port);
        }
    }

    /** Gives a source another name, another width or other ports. */
    record SetSource(SourceId source, String name, int width, PortId port) implements ControlRoomEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            ControlRoomSource was = Rules.known(session, source);
            String called = Texts.name(name, "A source", "name");
            return with(
                    session,
                    session.inControlRoom()
                            .with(Rules.freeSource(
                                    session, rig, new ControlRoomSource(source, called, width, port, was.level()))));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Control room: source " + name + " from " + rig.label(port);
        }
    }

    /** Sets how loud a source is beside the main mix. */
    record SetSourceLevel(SourceId source, Decibels level) implements ControlRoomEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            ControlRoomSource was = Rules.known(session, source);
            return with(session, session.inControlRoom().with(was.at(Rules.fader(level, "A source's level"))));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Control room: " + ControlRoomEdit.name(session, source) + " " + level;
        }
    }

    /** Removes a source. */
    record RemoveSource(SourceId source) implements ControlRoomEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, source);
            return with(session, session.inControlRoom().without(source));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Control room: remove source " + ControlRoomEdit.name(session, source);
        }
    }

    /** Refuses one that no edit would have let in. */
    static void check(ControlRoom room, Session session, Rig rig) {
        new SetDim(room.dimDb()).applyTo(session, rig);
        for (SpeakerSet which : SpeakerSet.values()) {
            new SetSpeakerLevel(which, room.speakers(which).level()).applyTo(session, rig);
            new SetSpeakerMark(which, room.speakers(which).mark()).applyTo(session, rig);
            new SetSpeakerRoom(which, room.speakers(which).room()).applyTo(session, rig);
        }
        room.listenMic().ifPresent(mic -> Rules.fader(mic.level(), "The listen mic's level"));
        if (room.talkback().isPresent()) {
            TalkbackMic mic = room.talkback().get();
            new SetTalkbackLevel(mic.level()).applyTo(with(session, room), rig);
            new SetTalkbackDim(mic.dimDb()).applyTo(with(session, room), rig);
        }
        Rules.requireDifferent(room.sources(), ControlRoomSource::id, "of the sources have the same id");
        for (ControlRoomSource source : room.sources()) {
            Ids.require(source.id().value(), "sources");
            Texts.name(source.name(), "A source", "controlRoom");
            Rules.fader(source.level(), "A source's level");
            Rules.sourceWidth(source);
        }
    }
}
