package vividlantern.server.api;

import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.server.desk.Desk;
import vividlantern.server.live.LiveRig;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.edit.SongEdit.PlaceSong;
import vividlantern.session.song.SongEntry;
import vividlantern.session.song.TempoMap;
import vividlantern.template.NextSong;

/** The songs of one production: their list, and the next one. */
@RestController
@RequestMapping("/api/sessions/{session}/songs")
class SongsController {

    /**
     * A song of the list.
     *
     * @param beatsPerMinute the tempo with which it begins
     * @param here whether it is the session that was asked
     */
    record ListedSong(
            SessionId session,
            String name,
            String song,
            double beatsPerMinute,
            String key,
            String notes,
            boolean here,
            boolean atTheRig) {}

    /**
     * The next song.
     *
     * @param beatsPerMinute its tempo, in the note value of the last song's; none if it has the same tempos
     */
    record WantedSong(String song, Optional<Double> beatsPerMinute) {}

    /** Where a song goes in the list: in front of another, or at the end. */
    record WantedPlace(Optional<SessionId> before) {}

    private final Desk desk;
    private final LiveRig live;

    SongsController(Desk desk, LiveRig live) {
        this.desk = desk;
        this.live = live;
    }

    /** The songs of the production to which the session belongs, in their order. */
    @GetMapping
    List<ListedSong> songs(@PathVariable String session) {
        SessionId asked = new SessionId(session);
        return desk.production(asked).stream().map(each -> song(each, asked)).toList();
    }

    private ListedSong song(Session session, SessionId asked) {
        SongEntry entry = session.songListed();
        TempoMap.Tempo tempo = session.tempoMap().tempos().get(0);
        return new ListedSong(
                session.id(),
                session.name(),
                session.song(),
                tempo.beatsPerMinute(),
                entry.key(),
                entry.notes(),
                session.id().equals(asked),
                live.isAtTheRig(session.id()));
    }

    /** Begins the next song: the state goes on under another name. It takes the rig where the last song has it. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    Session next(@PathVariable String session, @RequestBody WantedSong wanted) {
        SessionId last = new SessionId(session);
        Session made = desk.beginNextSong(last, wanted.song(), wanted.beatsPerMinute());
        if (live.isAtTheRig(last)) {
            live.take(made.id());
        } else {
            live.takeIfFree(made.id());
        }
        return made;
    }

    /** Moves the session's song within the list. */
    @PostMapping("/move")
    SessionsController.Changed move(
            @PathVariable String session,
            @RequestHeader(name = SessionsController.PERSON, defaultValue = "") String person,
            @RequestBody WantedPlace wanted) {
        SessionId id = new SessionId(session);
        SessionId production = desk.session(id).songListed().production();
        double place = NextSong.place(id, wanted.before(), desk.songs(id));
        return SessionsController.Changed.of(desk.change(
                id, Requests.shortId(person), "", List.of(new PlaceSong(production, place)), OptionalLong.empty()));
    }
}
