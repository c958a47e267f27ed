package vividlantern.server.api;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.stream.IntStream;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.basics.Refused;
import vividlantern.format.SessionDocument;
import vividlantern.mix.CompressorCurve;
import vividlantern.mix.CueCurve;
import vividlantern.patch.InputTracks;
import vividlantern.patch.Ports;
import vividlantern.rig.Driver;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.server.desk.BinDesk;
import vividlantern.server.desk.Desk;
import vividlantern.server.desk.NotFound;
import vividlantern.server.desk.ReadThrough;
import vividlantern.server.live.LiveRig;
import vividlantern.server.store.RawRows;
import vividlantern.server.store.Store;
import vividlantern.session.Input;
import vividlantern.session.PartKind;
import vividlantern.session.Parts;
import vividlantern.session.Performer;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.edit.Edit;

/** Sessions and the changes made to them. A person is a browser, by the random id it keeps and sends along. */
@RestController
@RequestMapping("/api/sessions")
class SessionsController {

    static final String PERSON = "Lantern-Person";
    private static final int MOST_EDITS = 5000;

    /**
     * What a list of sessions tells of each.
     *
     * @param usedAt when somebody last changed it
     * @param unreadable whether it is known that it cannot be opened
     */
    record ListedSession(
            SessionId id,
            String name,
            String song,
            RigId rig,
            Optional<OffsetDateTime> usedAt,
            long inputs,
            long tracks,
            long cues,
            List<Performer> performers,
            boolean atTheRig,
            boolean unreadable) {}

    record NewSession(String name, Optional<String> song, RigId rigId) {}

    /**
     * Edits to be made, all or none.
     *
     * @param basedOn the revision they were made on
     * @param gesture the drag they belong to
     * @param alone whether the groups of what they change do not act
     */
    record WantedEdits(List<Edit> edits, Optional<Long> basedOn, Optional<String> gesture, Optional<Boolean> alone) {}

    /** Where a change led: the session's revision. */
    record Changed(long revision) {

        static Changed of(Session session) {
            return new Changed(session.revision());
        }
    }

    /**
     * What is on offer.
     *
     * @param places where cables can go: single ports, and as many side by side as there are inputs with so many channels
     * @param pairs the output pairs for cues
     * @param waysOut the outputs by which tracks can be sent out
     * @param driver the rates and buffers
     */
    record Offers(
            List<Ports.OfferedPlace> places,
            List<Ports.OfferedPair> pairs,
            List<Ports.OfferedWayOut> waysOut,
            List<InputTracks.TrackPlace> tracks,
            Driver driver) {}

    private final Desk desk;
    private final BinDesk bin;
    private final LiveRig live;
    private final ReadThrough readThrough;
    private final RawRows raw;

    SessionsController(Desk desk, BinDesk bin, LiveRig live, ReadThrough readThrough, RawRows raw) {
        this.desk = desk;
        this.bin = bin;
        this.live = live;
        this.readThrough = readThrough;
        this.raw = raw;
    }

    /** Sessions, the one used last first; with a text to search for those in whose name, song or performers it stands. */
    @GetMapping
    List<ListedSession> sessions(
            @RequestParam(defaultValue = "0") int page,
            @RequestParam(defaultValue = "50") int size,
            @RequestParam(defaultValue = "") String search) {
        Set<String> unreadable = readThrough.unreadableSessions();
        List<Store.StoredSession> found = desk.sessions(search.strip(), Paging.page(page), Paging.size(size));
        Map<String, List<Performer>> performers =
                desk.performers(found.stream().map(Store.StoredSession::id).toList());
        return found.stream()
                .map(each -> new ListedSession(
                        new SessionId(each.id()),
                        each.name(),
                        each.song(),
                        new RigId(each.rig()),
                        Optional.ofNullable(each.usedAt()),
                        each.inputs(),
                        each.tracks(),
                        each.cues(),
                        performers.getOrDefault(each.id(), List.of()),
                        live.isAtTheRig(new SessionId(each.id())) || live.isComing(new SessionId(each.id())),
                        unreadable.contains(each.id())))
                .toList();
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    Session create(@RequestBody NewSession wanted) {
        Session made = desk.create(wanted.name(), wanted.song().orElse(""), wanted.rigId());
        live.takeIfFree(made.id());
        return made;
    }

    /** The JSON schema of a session's document. */
    @GetMapping("/schema.json")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "application/schema+json"))
    Map<String, Object> schema() {
        return SessionDocument.schema();
    }

    @GetMapping("/{session}")
    Session session(@PathVariable String session) {
        return desk.session(new SessionId(session));
    }

    /** Begins a session that is a copy of this one, with an empty log. */
    @PostMapping("/{session}/duplicate")
    @ResponseStatus(HttpStatus.CREATED)
    Session duplicate(@PathVariable String session) {
        return desk.duplicate(new SessionId(session));
    }

    /** Puts a session into the bin, from which it can be taken back; not one that is at the rig. */
    @DeleteMapping("/{session}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable String session) {
        SessionId id = new SessionId(session);
        live.whileAway(id, () -> bin.remove(id));
    }

    /** An id of our own for a part that is to be added: from its name, with a number behind it if that is taken. */
    record FreshId(String id) {}

    @GetMapping("/{session}/fresh-id")
    FreshId freshId(@PathVariable String session, @RequestParam String kind, @RequestParam String name) {
        PartKind of = Requests.word(PartKind.class, kind, "kind");
        return new FreshId(Parts.freshId(desk.session(new SessionId(session)), of, name));
    }

    /** What is stored of a session, row by row, for one that cannot be read. */
    @GetMapping(path = "/{session}/stored.txt", produces = MediaType.TEXT_PLAIN_VALUE)
    String stored(@PathVariable String session) {
        return raw.ofSession(session);
    }

    @PostMapping("/{session}/edits")
    Changed edit(
            @PathVariable String session,
            @RequestHeader(name = PERSON, defaultValue = "") String person,
            @RequestBody WantedEdits wanted) {
        if (wanted.edits().size() > MOST_EDITS) {
            throw new Refused("At most " + MOST_EDITS + " edits go together.", "edits");
        }
        OptionalLong basedOn = wanted.basedOn().map(OptionalLong::of).orElse(OptionalLong.empty());
        SessionId id = new SessionId(session);
        String who = Requests.shortId(person);
        String gesture = Requests.shortId(wanted.gesture().orElse(""));
        return Changed.of(
                wanted.alone().orElse(false)
                        ? desk.change(id, who, gesture, wanted.edits(), basedOn)
                        : desk.changeGrouped(id, who, gesture, wanted.edits(), basedOn));
    }

    @GetMapping("/{session}/offers")
    Offers offers(@PathVariable String session) {
        Session open = desk.session(new SessionId(session));
        Rig rig = desk.rigOf(open.id());
        List<Ports.OfferedPlace> places = IntStream.concat(
                        IntStream.of(1), open.inputs().stream().mapToInt(Input::width))
                .distinct()
                .sorted()
                .boxed()
                .flatMap(width -> Ports.forInputs(open, rig, width).stream())
                .toList();
        return new Offers(
                places, Ports.forCues(open, rig), Ports.waysOut(open, rig), InputTracks.places(open), rig.driver());
    }

    /** What a cue's high-pass and low-pass leave of each frequency, from 20 Hz to 20 kHz. */
    @GetMapping("/{session}/cues/{cue}/curve")
    List<CueCurve.CurvePoint> curve(@PathVariable String session, @PathVariable String cue) {
        Session open = desk.session(new SessionId(session));
        return CueCurve.of(cueOf(open, cue), open.sampleRate());
    }

    /** What a cue's compressor makes of each level. */
    @GetMapping("/{session}/cues/{cue}/compressor")
    List<CompressorCurve.LevelPoint> compressor(@PathVariable String session, @PathVariable String cue) {
        return CompressorCurve.of(
                cueOf(desk.session(new SessionId(session)), cue).compressor());
    }

    private static Cue cueOf(Session session, String cue) {
        return session.find(new CueId(cue)).orElseThrow(() -> new NotFound("There is no cue '" + cue + "'."));
    }
}
