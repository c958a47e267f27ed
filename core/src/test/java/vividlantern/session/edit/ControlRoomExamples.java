package vividlantern.session.edit;

import static vividlantern.session.edit.HarpAndFlute.PHONE;
import static vividlantern.session.edit.HarpAndFlute.row;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import vividlantern.rig.PortId;
import vividlantern.session.ControlRoom;
import vividlantern.session.ControlRoom.ListenMic;
import vividlantern.session.ControlRoom.NearOpenMics;
import vividlantern.session.ControlRoom.SpeakerSet;
import vividlantern.session.ControlRoom.TalkbackMic;
import vividlantern.session.ControlRoomSource;
import vividlantern.session.Session;
import vividlantern.session.SourceId;
import vividlantern.session.edit.ControlRoomEdit.AddSource;
import vividlantern.session.edit.ControlRoomEdit.RemoveSource;
import vividlantern.session.edit.ControlRoomEdit.SetDim;
import vividlantern.session.edit.ControlRoomEdit.SetListenByItself;
import vividlantern.session.edit.ControlRoomEdit.SetListenLevel;
import vividlantern.session.edit.ControlRoomEdit.SetListenMic;
import vividlantern.session.edit.ControlRoomEdit.SetNearOpenMics;
import vividlantern.session.edit.ControlRoomEdit.SetSource;
import vividlantern.session.edit.ControlRoomEdit.SetSourceLevel;
import vividlantern.session.edit.ControlRoomEdit.SetSpeakerLevel;
import vividlantern.session.edit.ControlRoomEdit.SetSpeakerMark;
import vividlantern.session.edit.ControlRoomEdit.SetSpeakerRoom;
import vividlantern.session.edit.ControlRoomEdit.SetTalkbackDim;
import vividlantern.session.edit.ControlRoomEdit.SetTalkbackLevel;
import vividlantern.session.edit.ControlRoomEdit.SetTalkbackMic;
import vividlantern.units.Decibels;

/** An example of every edit of how the control room is set up. */
final class ControlRoomExamples {

    private ControlRoomExamples() {}

    static Object[][] edits() {
        return new Object[][] {
            ofRoom(
                    new SetSpeakerLevel(SpeakerSet.MAIN, Decibels.of(-12.04)),
                    "main speakers −12.0 dB",
                    room -> room.main().level(),
                    Decibels.of(-12)),
            ofRoom(
                    new SetSpeakerMark(SpeakerSet.SECOND, Decibels.of(-18)),
                    "second speakers marked at −18.0 dB",
                    room -> room.second().mark(),
                    Decibels.of(-18)),
            ofRoom(
                    new SetSpeakerRoom(SpeakerSet.SECOND, " Live Room "),
                    "second speakers stand in the live room",
                    room -> room.second().room(),
                    "live room"),
            ofRoom(
                    new SetNearOpenMics(SpeakerSet.MAIN, NearOpenMics.MUTE),
                    "main speakers, near an open mic they are muted",
                    room -> room.main().nearOpenMics(),
                    NearOpenMics.MUTE),
            ofRoom(new SetDim(14.6), "dim by 15 dB", ControlRoom::dimDb, 15.0),
            ofRoom(
                    new SetListenMic(Optional.of(new PortId("in-10"))),
                    "listen mic House in-10",
                    ControlRoom::listenMic,
                    Optional.of(new ListenMic(new PortId("in-10"), Decibels.ZERO, false))),
            ofRoom(
                    new SetListenLevel(Decibels.of(6)),
                    "listen mic +6.0 dB",
                    ControlRoom::listenMic,
                    Optional.of(new ListenMic(new PortId("in-9"), Decibels.of(6), false))),
            ofRoom(
                    new SetListenByItself(true),
                    "listen mic by itself while the song stands",
                    ControlRoom::listenMic,
                    Optional.of(new ListenMic(new PortId("in-9"), Decibels.ZERO, true))),
            ofRoom(
                    new SetTalkbackMic(Optional.of(new PortId("in-14"))),
                    "talkback mic House in-14",
                    ControlRoom::talkback,
                    Optional.of(new TalkbackMic(new PortId("in-14"), Decibels.ZERO, 12))),
            ofRoom(
                    new SetTalkbackLevel(Decibels.of(-3)),
                    "talkback mic −3.0 dB",
                    ControlRoom::talkback,
                    Optional.of(new TalkbackMic(new PortId("in-13"), Decibels.of(-3), 12))),
            ofRoom(
                    new SetTalkbackDim(19.6),
                    "talking lowers the music by 20 dB",
                    ControlRoom::talkback,
                    Optional.of(new TalkbackMic(new PortId("in-13"), Decibels.ZERO, 20))),
            ofRoom(
                    new AddSource("Player", 6, new PortId("in-3")),
                    "source Player from House in-3",
                    room -> room.source(new SourceId("player")),
                    Optional.of(new ControlRoomSource(
                            new SourceId("player"), "Player", 6, new PortId("in-3"), Decibels.ZERO))),
            ofRoom(
                    new SetSource(PHONE, "Anna's phone", 1, new PortId("in-16")),
                    "source Anna's phone from House in-16",
                    room -> room.source(PHONE),
                    Optional.of(new ControlRoomSource(PHONE, "Anna's phone", 1, new PortId("in-16"), Decibels.ZERO))),
            ofRoom(
                    new SetSourceLevel(PHONE, Decibels.of(3)),
                    "Phone +3.0 dB",
                    room -> room.source(PHONE).map(ControlRoomSource::level),
                    Optional.of(Decibels.of(3))),
            ofRoom(new RemoveSource(PHONE), "remove source Phone", ControlRoom::sources, List.of()),
        };
    }

    private static Object[] ofRoom(Edit edit, String summary, Function<ControlRoom, Object> seen, Object expected) {
        Function<Session, Object> inSession = session -> seen.apply(session.inControlRoom());
        return row(edit, "Control room: " + summary, inSession, expected);
    }
}
