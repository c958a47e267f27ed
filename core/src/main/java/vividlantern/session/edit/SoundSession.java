package vividlantern.session.edit;

import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import vividlantern.history.Ids;
import vividlantern.history.Refused;
import vividlantern.history.Texts;
import vividlantern.rig.Driver;
import vividlantern.rig.Rig;
import vividlantern.session.Acknowledgement;
import vividlantern.session.BringLine;
import vividlantern.session.ControlRoom;
import vividlantern.session.ControlRoomSource;
import vividlantern.session.Cue;
import vividlantern.session.CueId;
import vividlantern.session.DirectLevel;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Marker;
import vividlantern.session.Monitoring;
import vividlantern.session.Performer;
import vividlantern.session.Send;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.Track;
import vividlantern.session.TrackGroup;
import vividlantern.session.TrackId;
import vividlantern.session.TrackView;
import vividlantern.session.edit.AcknowledgementEdit.Acknowledge;
import vividlantern.session.edit.BackingEdit.SetBacking;
import vividlantern.session.edit.BringEdit.WriteBringLine;
import vividlantern.session.edit.ControlRoomEdit.SetDim;
import vividlantern.session.edit.ControlRoomEdit.SetSpeakerLevel;
import vividlantern.session.edit.ControlRoomEdit.SetSpeakerMark;
import vividlantern.session.edit.ControlRoomEdit.SetSpeakerRoom;
import vividlantern.session.edit.CueEdit.RenameCue;
import vividlantern.session.edit.CueEdit.SetCueHighPass;
import vividlantern.session.edit.CueEdit.SetCueLevel;
import vividlantern.session.edit.CueEdit.SetCueListeners;
import vividlantern.session.edit.CueEdit.SetCueLowPass;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.InputEdit.SetInputCable;
import vividlantern.session.edit.InputEdit.SetInputGain;
import vividlantern.session.edit.InputEdit.SetInputLevel;
import vividlantern.session.edit.InputEdit.SetInputMic;
import vividlantern.session.edit.InputEdit.SetInputNotes;
import vividlantern.session.edit.InputEdit.SetInputPerformer;
import vividlantern.session.edit.InputEdit.SetInputPlace;
import vividlantern.session.edit.InputEdit.SetInputSource;
import vividlantern.session.edit.InputEdit.SetInputStand;
import vividlantern.session.edit.MarkerEdit.SetMarker;
import vividlantern.session.edit.MonitoringEdit.SetTolerance;
import vividlantern.session.edit.PerformerEdit.RenamePerformer;
import vividlantern.session.edit.PerformerEdit.SetEarDistance;
import vividlantern.session.edit.SongEdit.DescribeSong;
import vividlantern.session.edit.SongEdit.PlaceSong;
import vividlantern.session.edit.SongEdit.SetClick;
import vividlantern.session.edit.SongEdit.SetTempoMap;
import vividlantern.session.edit.TrackEdit.ArmTrack;
import vividlantern.session.edit.TrackEdit.RenameTrack;
import vividlantern.session.edit.TrackEdit.SetFader;
import vividlantern.session.edit.TrackEdit.SetShift;
import vividlantern.session.edit.TrackEdit.SetTrackFolder;
import vividlantern.session.edit.TrackEdit.SetTrim;
import vividlantern.units.PlainNumber;

/**
 * Whether a session that comes as a whole, from a document, is one that edits could have made. Ports and pairs may be strange to
 * the rig; the session then says what is lost.
 */
public final class SoundSession {

    private static final double FURTHEST = 1e9;
    private static final int LONGEST_BADGE = 10;
    private static final List<Integer> BIT_DEPTHS = List.of(16, 24, 32);

    private final Session session;
    private final Rig rig;

    private SoundSession(Session session, Rig rig) {
        this.session = session;
        this.rig = rig;
    }

    /** Refuses a session with anything in it that no edit would have let in. */
    public static void require(Session session, Rig rig) {
        Sizes.require(Session.blank(new SessionId("none"), "none", "", session.rigId(), Optional.empty()), session);
        if (session.inputs().size() > Sizes.INPUTS) {
            throw new Refused("A session holds at most " + Sizes.INPUTS + " inputs.", "inputs");
        }
        Texts.name(session.name(), "A session", "name");
        Texts.optional(session.song(), "song");
        Ids.require(session.rigId().value(), "rigId");
        within(session.sampleRate(), Driver.LOWEST_RATE, Driver.HIGHEST_RATE, "A sample rate in Hz", "sampleRate");
        buffer(session.bufferFrames(), "bufferFrames");
        if (!BIT_DEPTHS.contains(session.bitDepth())) {
            throw new Refused("A bit depth is 16, 24 or 32; " + session.bitDepth() + " is not.", "bitDepth");
        }
        Rules.fader(session.main().level(), "The main level");
        SoundSession sound = new SoundSession(session, rig);
        requireOneOfEach("performers", session.performers(), each -> each.id().value());
        requireOneOfEach("inputs", session.inputs(), each -> each.id().value());
        requireOneOfEach("tracks", session.tracks(), each -> each.id().value());
        requireOneOfEach("cues", session.cues(), each -> each.id().value());
        requireOneOfEach("markers", session.markers(), each -> each.id().value());
        requireOneOfEach("views", session.views(), each -> each.id().value());
        requireOneOfEach("groups", session.groups(), each -> each.id().value());
        requireOneOfEach("bringing", session.bringing(), each -> each.id().value());
        session.performers().forEach(sound::performer);
        session.inputs().forEach(sound::input);
        session.tracks().forEach(sound::track);
        session.cues().forEach(sound::cue);
        session.markers().forEach(sound::marker);
        session.views().forEach(SoundSession::hiddenTracks);
        requireOneOfEach("backing", session.backing(), each -> each.track().value());
        session.backing().forEach(each -> new SetBacking(each).applyTo(session, rig));
        session.groups().forEach(sound::group);
        session.bringing().forEach(sound::bring);
        new SetClick(session.click()).applyTo(session, rig);
        new SetTempoMap(session.tempoMap()).applyTo(session, rig);
        session.songEntry().ifPresent(entry -> {
            new PlaceSong(entry.production(), entry.place()).applyTo(session, rig);
            new DescribeSong(entry.key(), entry.notes()).applyTo(session, rig);
        });
        Set<Object> ways = new HashSet<>();
        session.direct().forEach(each -> sound.direct(each, ways));
        session.monitoring().ifPresent(sound::monitoring);
        session.controlRoom().ifPresent(room -> controlRoom(room, session, rig));
        session.acknowledgements().forEach(each -> new Acknowledge(each.key(), each.reason()).applyTo(session, rig));
        requireDifferent(session.acknowledgements(), Acknowledgement::key, "findings have the same key");
        requireDifferent(session.markers(), Marker::bar, "markers begin at the same bar");
        requireDifferent(
                session.markers(), marker -> marker.name().toLowerCase(Locale.ROOT), "markers have the same name");
        requireDifferent(session.inputs(), Input::number, "inputs have the same number");
    }

    private static <T> void requireDifferent(List<T> parts, Function<T, Object> what, String fault) {
        if (parts.stream().map(what).distinct().count() < parts.size()) {
            throw new Refused("Two " + fault + ".", "");
        }
    }

    private static <T> void requireOneOfEach(String field, List<T> parts, Function<T, String> id) {
        Set<String> seen = new HashSet<>();
        for (T part : parts) {
            Ids.require(id.apply(part), field);
            if (!seen.add(id.apply(part))) {
                throw new Refused("Two of the " + field + " have the id '" + id.apply(part) + "'.", field);
            }
        }
    }

    private static void place(double position, String field) {
        within(position, -FURTHEST, FURTHEST, "A place in a list", field);
    }

    private static void buffer(int frames, String field) {
        within(frames, Driver.LEAST_BUFFER, Driver.MOST_BUFFER, "A buffer in frames", field);
    }

    private static void within(double value, double least, double most, String what, String field) {
        if (!(value >= least && value <= most)) {
            throw new Refused(
                    what + " lies between " + PlainNumber.of(least) + " and " + PlainNumber.of(most) + "; "
                            + PlainNumber.of(value) + " does not.",
                    field);
        }
    }

    /** An edit that sets what is there already is one that could have been made. */
    private void couldBeMade(Edit... edits) {
        for (Edit edit : edits) {
            edit.applyTo(session, rig);
        }
    }

    private void performer(Performer performer) {
        couldBeMade(
                new RenamePerformer(performer.id(), performer.name()),
                new SetEarDistance(performer.id(), performer.metres()));
        Texts.optional(performer.place(), "performers");
        place(performer.position(), "performers");
        if (performer.badge().length() > LONGEST_BADGE) {
            throw new Refused(
                    "The badge of " + performer.name() + " is longer than " + LONGEST_BADGE + " letters.",
                    "performers");
        }
    }

    private void input(Input input) {
        InputId id = input.id();
        couldBeMade(
                new SetInputSource(id, input.source()),
                new SetInputMic(id, input.mic()),
                new SetInputStand(id, input.stand()),
                new SetInputCable(id, input.cableMetres()),
                new SetInputPlace(id, input.place()),
                new SetInputNotes(id, input.notes()),
                new SetInputLevel(id, input.level()),
                new SetInputGain(id, input.gainDb()),
                new SetInputPerformer(id, input.performer()));
        if (input.number() < 1 || input.number() > Sizes.INPUTS) {
            throw new Refused("Inputs are numbered from 1 to " + Sizes.INPUTS + ".", "inputs");
        }
        if (input.width() < 1
                || input.width() > Input.MAX_WIDTH
                || input.ports().size() > input.width()) {
            throw new Refused("\"" + input.source() + "\" has 1 to 8 channels and at most a port for each.", "inputs");
        }
        PatchInput.requireDifferent(input.ports());
    }

    private void track(Track track) {
        TrackId id = track.id();
        couldBeMade(
                new RenameTrack(id, track.name()),
                new SetTrackFolder(id, track.look().folder()),
                new SetFader(id, track.fader()),
                new SetTrim(id, track.trim()));
        place(track.position(), "tracks");
        if (track.width() < 1 || track.width() > Track.MAX_WIDTH) {
            throw new Refused(track.name() + " has 1 to 8 channels.", "tracks");
        }
        int feeds = track.isPlayed() ? 0 : track.width();
        if (track.feeds().size() != feeds) {
            throw new Refused(
                    track.name() + " has " + track.width() + " channels and is fed for "
                            + track.feeds().size() + " of them; each has a feed, or one that is nothing.",
                    "tracks");
        }
        if (track.isClick() != track.voice().isPresent()) {
            throw new Refused(track.name() + " is a click without a voice, or the other way round.", "tracks");
        }
        if (track.armed()) {
            couldBeMade(new ArmTrack(id, true));
        }
        if (track.shiftFrames() != 0) {
            couldBeMade(new SetShift(id, track.shiftFrames()));
        }
        track.feeds().forEach(feed -> feed(track, feed));
    }

    private void feed(Track track, Feed feed) {
        boolean split = track.role() == Track.Role.SPLIT;
        if (feed.track().isPresent() != split
                || feed.input().isPresent() && track.role() != Track.Role.INPUT
                || split && !feed.track().equals(track.splitFrom())) {
            throw new Refused(track.name() + " is fed by what feeds no track of its kind.", "tracks");
        }
        feed.input().ifPresent(id -> {
            if (feed.channel() < 0 || feed.channel() >= Rules.known(session, id).width()) {
                throw new Refused(track.name() + " is fed by a channel that its input has not.", "tracks");
            }
        });
        feed.track().ifPresent(id -> {
            Track wide = Rules.known(session, id);
            if (wide.role() == Track.Role.SPLIT
                    || wide.isPlayed()
                    || track.width() > 2
                    || wide.width() < 3
                    || feed.channel() < 0
                    || feed.channel() >= wide.width()) {
                throw new Refused(track.name() + " is split from a channel that is not there.", "tracks");
            }
        });
    }

    private void cue(Cue cue) {
        CueId id = cue.id();
        place(cue.position(), "cues");
        couldBeMade(
                new RenameCue(id, cue.name()),
                new SetCueLevel(id, cue.level()),
                new SetCueHighPass(id, cue.highPass().on(), cue.highPass().hz()),
                new SetCueLowPass(id, cue.lowPass().on(), cue.lowPass().hz()),
                new SetCueListeners(id, cue.listeners()));
        requireDifferent(cue.listeners(), each -> each, "listeners of " + cue.name() + " are the same performer");
        Set<Object> tracks = new HashSet<>();
        for (Send send : cue.sends()) {
            Rules.known(session, send.trackId());
            Rules.fader(send.level(), "A send");
            if (!tracks.add(send.trackId())) {
                throw new Refused("Cue " + cue.name() + " has two sends of one track.", "cues");
            }
        }
    }

    private void marker(Marker marker) {
        Texts.name(marker.name(), "A marker", "markers");
        SetMarker.requireBar(marker.bar());
    }

    private static void hiddenTracks(TrackView view) {
        Texts.name(view.name(), "A view", "views");
        view.hidden().forEach(track -> Ids.require(track.value(), "views"));
    }

    private void group(TrackGroup group) {
        Texts.name(group.name(), "A group", "groups");
        group.tracks().forEach(id -> Rules.known(session, id));
        if (group.tracks().size() < 2 || group.links().isEmpty()) {
            throw new Refused("Group " + group.name() + " has two tracks at least, and shares something.", "groups");
        }
    }

    private void direct(DirectLevel direct, Set<Object> ways) {
        Rules.known(session, direct.cue());
        Rules.known(session, direct.input());
        if (!ways.add(List.of(direct.cue(), direct.input()))) {
            throw new Refused("One input is heard direct in one cue twice.", "direct");
        }
        Rules.fader(direct.level(), "A direct level");
    }

    private static void controlRoom(ControlRoom room, Session session, Rig rig) {
        new SetDim(room.dimDb()).applyTo(session, rig);
        for (ControlRoom.SpeakerSet which : ControlRoom.SpeakerSet.values()) {
            new SetSpeakerLevel(which, room.speakers(which).level()).applyTo(session, rig);
            new SetSpeakerMark(which, room.speakers(which).mark()).applyTo(session, rig);
            new SetSpeakerRoom(which, room.speakers(which).room()).applyTo(session, rig);
        }
        room.listenMic().ifPresent(mic -> Rules.fader(mic.level(), "The listen mic's level"));
        requireOneOfEach("sources", room.sources(), each -> each.id().value());
        for (ControlRoomSource source : room.sources()) {
            Texts.name(source.name(), "A source", "controlRoom");
            Rules.fader(source.level(), "A source's level");
            Rules.sourceWidth(source);
        }
    }

    private void monitoring(Monitoring monitoring) {
        monitoring.tolerances().forEach(each -> couldBeMade(new SetTolerance(each.kind(), each.ms())));
        requireDifferent(monitoring.tolerances(), Monitoring.Tolerance::kind, "tolerances are of one kind of source");
        buffer(monitoring.recordBuffer(), "monitoring");
        buffer(monitoring.mixBuffer(), "monitoring");
    }

    private void bring(BringLine line) {
        couldBeMade(new WriteBringLine(line.id(), line.what(), line.count()));
        place(line.position(), "bringing");
    }
}
