package vividlantern.session.edit;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import vividlantern.history.Ids;
import vividlantern.history.Refused;
import vividlantern.history.Texts;
import vividlantern.rig.Rig;
import vividlantern.session.BringLine;
import vividlantern.session.ControlRoom;
import vividlantern.session.ControlRoomSource;
import vividlantern.session.Cue;
import vividlantern.session.DirectLevel;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.Marker;
import vividlantern.session.Monitoring;
import vividlantern.session.Performer;
import vividlantern.session.Send;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.Track;
import vividlantern.session.TrackGroup;
import vividlantern.session.edit.BackingEdit.SetBacking;
import vividlantern.session.edit.ControlRoomEdit.SetDim;
import vividlantern.session.edit.ControlRoomEdit.SetSpeakerLevel;
import vividlantern.session.edit.ControlRoomEdit.SetSpeakerMark;
import vividlantern.session.edit.ControlRoomEdit.SetSpeakerRoom;
import vividlantern.session.edit.SongEdit.SetClick;
import vividlantern.session.edit.SongEdit.SetTempoMap;

/**
 * Whether a session that comes as a whole, from a document, is one that edits could have made. Ports and pairs may be strange to
 * the rig; the session then says what is lost.
 */
public final class SoundSession {

    private static final int HIGHEST_RATE = 768_000;
    private static final int LARGEST_BUFFER = 1 << 16;

    private final Session session;

    private SoundSession(Session session) {
        this.session = session;
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
        if (session.sampleRate() < 1 || session.sampleRate() > HIGHEST_RATE) {
            throw new Refused("A sample rate of " + session.sampleRate() + " Hz is not possible.", "sampleRate");
        }
        if (session.bufferFrames() < 1 || session.bufferFrames() > LARGEST_BUFFER) {
            throw new Refused("A buffer of " + session.bufferFrames() + " frames is not possible.", "bufferFrames");
        }
        Rules.fader(session.main().level(), "The main level");
        SoundSession sound = new SoundSession(session);
        requireOneOfEach("performers", session.performers(), each -> each.id().value());
        requireOneOfEach("inputs", session.inputs(), each -> each.id().value());
        requireOneOfEach("tracks", session.tracks(), each -> each.id().value());
        requireOneOfEach("cues", session.cues(), each -> each.id().value());
        requireOneOfEach("markers", session.markers(), each -> each.id().value());
        requireOneOfEach("views", session.views(), each -> each.id().value());
        requireOneOfEach("groups", session.groups(), each -> each.id().value());
        requireOneOfEach("bringing", session.bringing(), each -> each.id().value());
        session.performers().forEach(SoundSession::performer);
        session.inputs().forEach(sound::input);
        session.tracks().forEach(sound::track);
        session.cues().forEach(sound::cue);
        session.markers().forEach(SoundSession::marker);
        requireOneOfEach("backing", session.backing(), each -> each.track().value());
        session.backing().forEach(each -> new SetBacking(each).applyTo(session, rig));
        session.groups().forEach(sound::group);
        session.bringing().forEach(SoundSession::bring);
        new SetClick(session.click()).applyTo(session, rig);
        new SetTempoMap(session.tempoMap()).applyTo(session, rig);
        session.songEntry().ifPresent(entry -> {
            Ids.require(entry.production().value(), "songEntry");
            place(entry.place(), "songEntry");
            Texts.optional(entry.key(), "songEntry");
            Texts.optional(entry.notes(), "songEntry");
        });
        session.direct().forEach(sound::direct);
        session.monitoring().ifPresent(SoundSession::monitoring);
        session.controlRoom().ifPresent(room -> controlRoom(room, session, rig));
        long numbers = session.inputs().stream().map(Input::number).distinct().count();
        if (numbers < session.inputs().size()) {
            throw new Refused("Two inputs have the same number.", "inputs");
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
        if (!Double.isFinite(position)) {
            throw new Refused("A place in a list is a number.", field);
        }
    }

    private static void performer(Performer performer) {
        Texts.name(performer.name(), "A performer", "performers");
        Texts.optional(performer.place(), "performers");
        place(performer.position(), "performers");
        place(performer.metres(), "performers");
    }

    private void input(Input input) {
        Texts.required(input.source(), "An input needs a source.", "inputs");
        List.of(input.mic(), input.stand(), input.place(), input.notes())
                .forEach(text -> Texts.optional(text, "inputs"));
        if (input.number() < 1 || input.number() > Sizes.INPUTS) {
            throw new Refused("Inputs are numbered from 1 to " + Sizes.INPUTS + ".", "inputs");
        }
        if (input.width() < 1
                || input.width() > Input.MAX_WIDTH
                || input.ports().size() > input.width()) {
            throw new Refused("\"" + input.source() + "\" has 1 to 8 channels and at most a port for each.", "inputs");
        }
        if (!Double.isFinite(input.gainDb()) || !Double.isFinite(input.cableMetres())) {
            throw new Refused("\"" + input.source() + "\" has a gain or a cable that is no number.", "inputs");
        }
        input.performer().ifPresent(id -> Rules.known(session, id));
    }

    private void track(Track track) {
        Texts.name(track.name(), "A track", "tracks");
        Texts.optional(track.look().folder(), "tracks");
        place(track.position(), "tracks");
        Rules.fader(track.fader(), "A fader");
        Rules.fader(track.trim(), "A trim");
        if (track.width() < 1
                || track.width() > Track.MAX_WIDTH
                || track.feeds().size() > track.width()) {
            throw new Refused(track.name() + " has 1 to 8 channels and at most a feed for each.", "tracks");
        }
        if (track.isClick() != track.voice().isPresent()) {
            throw new Refused(track.name() + " is a click without a voice, or the other way round.", "tracks");
        }
        track.feeds().forEach(feed -> feed(track, feed));
    }

    private void feed(Track track, Feed feed) {
        feed.input().ifPresent(id -> {
            if (feed.channel() < 0 || feed.channel() >= Rules.known(session, id).width()) {
                throw new Refused(track.name() + " is fed by a channel that its input has not.", "tracks");
            }
        });
        feed.track().ifPresent(id -> {
            Track wide = Rules.known(session, id);
            if (wide.role() == Track.Role.SPLIT
                    || wide.isPlayed()
                    || feed.channel() < 0
                    || feed.channel() >= wide.width()) {
                throw new Refused(track.name() + " is split from a channel that is not there.", "tracks");
            }
        });
    }

    private void cue(Cue cue) {
        Texts.name(cue.name(), "A cue", "cues");
        place(cue.position(), "cues");
        Rules.fader(cue.level(), "A level for all");
        Rules.corner("The high-pass", cue.highPass().on(), cue.highPass().hz(), 1, 24_000);
        Rules.corner("The low-pass", cue.lowPass().on(), cue.lowPass().hz(), 1, 24_000);
        cue.listeners().forEach(id -> Rules.known(session, id));
        Set<Object> tracks = new HashSet<>();
        for (Send send : cue.sends()) {
            Rules.known(session, send.trackId());
            Rules.fader(send.level(), "A send");
            if (!tracks.add(send.trackId())) {
                throw new Refused("Cue " + cue.name() + " has two sends of one track.", "cues");
            }
        }
    }

    private static void marker(Marker marker) {
        Texts.name(marker.name(), "A marker", "markers");
    }

    private void group(TrackGroup group) {
        Texts.name(group.name(), "A group", "groups");
        group.tracks().forEach(id -> Rules.known(session, id));
        if (group.tracks().size() < 2 || group.links().isEmpty()) {
            throw new Refused("Group " + group.name() + " has two tracks at least, and shares something.", "groups");
        }
    }

    private void direct(DirectLevel direct) {
        Rules.known(session, direct.cue());
        Rules.known(session, direct.input());
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

    private static void monitoring(Monitoring monitoring) {
        monitoring.tolerances().forEach(each -> place(each.ms(), "monitoring"));
        if (monitoring.recordBuffer() < 1
                || monitoring.recordBuffer() > LARGEST_BUFFER
                || monitoring.mixBuffer() < 1
                || monitoring.mixBuffer() > LARGEST_BUFFER) {
            throw new Refused("A buffer that is remembered is not possible.", "monitoring");
        }
    }

    private static void bring(BringLine line) {
        Texts.required(line.what(), "Say what to bring.", "bringing");
        place(line.position(), "bringing");
    }
}
