package vividlantern.server.api;

import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.Nulls;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
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
import vividlantern.format.RigDocument;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Readiness;
import vividlantern.rig.Mic;
import vividlantern.rig.PairId;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigComparison;
import vividlantern.rig.RigId;
import vividlantern.rig.RigPartKey;
import vividlantern.rig.RigParts;
import vividlantern.rig.edit.DescribeAlike;
import vividlantern.rig.edit.DeviceEdit.AddDevice;
import vividlantern.rig.edit.Labels;
import vividlantern.rig.edit.Neighbours;
import vividlantern.rig.edit.RigEdit;
import vividlantern.rig.edit.Shelf;
import vividlantern.rig.edit.StudioEdit.ReplaceRig;
import vividlantern.rig.edit.TieInOrder;
import vividlantern.rig.edit.Wiring;
import vividlantern.server.desk.BinDesk;
import vividlantern.server.desk.Desk;
import vividlantern.server.desk.ReadThrough;
import vividlantern.server.desk.RigDesk;
import vividlantern.server.desk.UndoState;
import vividlantern.server.store.RawRows;
import vividlantern.server.store.RigStore;
import vividlantern.session.SessionId;

/** Rigs, the changes made to them, and the copies kept of them. */
@RestController
@RequestMapping("/api/rigs")
class RigsController {

    private static final int MOST_EDITS = 2000;

    /**
     * What a list of rigs tells of each.
     *
     * @param unreadable whether it is known that it cannot be opened
     */
    record ListedRig(RigId id, String name, long devices, boolean unreadable) {}

    /** A kind of mic in words, and what +48 V is to it. */
    record MicKind(Mic.Kind kind, String words, String phantom) {}

    /** A new rig: empty, or as a document says. */
    record NewRig(String name, Optional<RigDocument> document) {}

    /** Edits to be made, all or none. */
    record WantedRigEdits(List<RigEdit> edits, Optional<Long> basedOn) {}

    /** Edits that would do what was asked for, to be sent back. */
    record ProposedRigEdits(List<RigEdit> edits) {}

    /** Ports that shall be named together, and how. */
    record WantedLabels(
            List<PortId> ports,
            By by,
            @JsonSetter(nulls = Nulls.AS_EMPTY) String text,
            int from) {

        enum By {
            PATTERN,
            COLUMN,
            TIES
        }
    }

    /** The ports of a device that shall be paired with their neighbours. */
    record WantedPairs(String device, Port.Direction direction) {}

    /** Ports that belong together: two are a pair, more a group. */
    record WantedTogether(List<PortId> ports) {}

    /** Ports to be tied in order, the first of them to a port. */
    record WantedTies(List<PortId> from, PortId first) {}

    /** Ports, and what all of them can do alike. */
    record WantedAbilities(List<PortId> ports, DescribeAlike alike) {}

    record CopyName(String name) {}

    /**
     * What a session lost when the rig changed.
     *
     * @param losses a sentence each
     */
    record Loss(SessionId session, String name, String song, List<String> losses) {}

    /** A kept copy. */
    record KeptCopy(long number, String name, String madeAt) {}

    /** What a document or a copy would change, in words, and the edits that would do it. */
    record Difference(List<String> changes, List<RigEdit> edits) {}

    private final RigDesk desk;
    private final BinDesk bin;
    private final Desk sessions;
    private final ReadThrough readThrough;
    private final RawRows raw;

    RigsController(RigDesk desk, BinDesk bin, Desk sessions, ReadThrough readThrough, RawRows raw) {
        this.desk = desk;
        this.bin = bin;
        this.sessions = sessions;
        this.readThrough = readThrough;
        this.raw = raw;
    }

    @GetMapping
    List<ListedRig> rigs() {
        Set<String> unreadable = readThrough.unreadableRigs();
        return desk.rigs().stream()
                .map(rig ->
                        new ListedRig(new RigId(rig.id()), rig.name(), rig.devices(), unreadable.contains(rig.id())))
                .toList();
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    Rig create(@RequestBody NewRig wanted) {
        return desk.create(
                wanted.name(),
                empty -> wanted.document()
                        .map(document -> new ReplaceRig(named(document.checked(), empty)).applyTo(empty))
                        .orElse(empty));
    }

    /** Begins a rig that is a copy of this one. */
    @PostMapping("/{rig}/duplicate")
    @ResponseStatus(HttpStatus.CREATED)
    Rig duplicate(@PathVariable String rig) {
        return desk.duplicate(new RigId(rig));
    }

    /** Puts a rig into the bin, from which it can be taken back: one that no session is laid out for, and not the last. */
    @DeleteMapping("/{rig}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable String rig) {
        bin.remove(new RigId(rig));
    }

    private static Rig named(Rig rig, Rig created) {
        return new Rig(
                created.id(),
                0,
                created.name(),
                rig.celsius(),
                rig.devices(),
                rig.ports(),
                rig.ties(),
                rig.pairs(),
                rig.groups(),
                rig.mics());
    }

    /** Generic devices to add, each as the edit that adds it. */
    @GetMapping("/shelf")
    List<AddDevice> shelf() {
        return Shelf.devices();
    }

    /** The kinds of mics and DI boxes. */
    @GetMapping("/mic-kinds")
    List<MicKind> micKinds() {
        return Stream.of(Mic.Kind.values())
                .map(kind -> new MicKind(kind, kind.words(), kind.phantom().words()))
                .toList();
    }

    /** The JSON schema of a rig's document. */
    @GetMapping("/schema.json")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "application/schema+json"))
    Map<String, Object> schema() {
        return RigDocument.schema();
    }

    @GetMapping("/{rig}")
    Rig rig(@PathVariable String rig) {
        return desk.rig(new RigId(rig));
    }

    /** An id for a part that is to be added: from its name, with a number behind it if that is taken. */
    @GetMapping("/{rig}/fresh-id")
    SessionsController.FreshId freshId(@PathVariable String rig, @RequestParam String kind, @RequestParam String name) {
        RigPartKey.Kind of = Requests.word(RigPartKey.Kind.class, kind, "kind");
        return new SessionsController.FreshId(RigParts.freshId(rig(rig), of, name));
    }

    /** Where there can be cables, and what a signal passes. */
    @GetMapping("/{rig}/wiring")
    Wiring.Picture wiring(@PathVariable String rig) {
        return Wiring.of(rig(rig));
    }

    /** What the other end of a cable at a port could be, each with the edits that tie it. */
    @GetMapping("/{rig}/ports/{port}/far-ends")
    List<Wiring.FarEnd> farEnds(@PathVariable String rig, @PathVariable String port, @RequestParam String end) {
        return Wiring.farEnds(rig(rig), new PortId(port), Requests.word(Wiring.End.class, end, "end"));
    }

    /** To what both outputs of a pair could be tied, each with the edits that do it. */
    @GetMapping("/{rig}/pairs/{pair}/far-ends")
    List<Wiring.FarEnd> farEndsOfPair(@PathVariable String rig, @PathVariable String pair) {
        return Wiring.farEndsOfPair(rig(rig), new PairId(pair));
    }

    /** What is stored of a rig, row by row, for one that cannot be read. */
    @GetMapping(path = "/{rig}/stored.txt", produces = MediaType.TEXT_PLAIN_VALUE)
    String stored(@PathVariable String rig) {
        return raw.ofRig(rig);
    }

    @PostMapping("/{rig}/edits")
    SessionsController.Changed edit(
            @PathVariable String rig,
            @RequestHeader(name = SessionsController.PERSON, defaultValue = "") String person,
            @RequestBody WantedRigEdits wanted) {
        if (wanted.edits().size() > MOST_EDITS) {
            throw new Refused("At most " + MOST_EDITS + " edits go together.", "edits");
        }
        OptionalLong basedOn = wanted.basedOn().map(OptionalLong::of).orElse(OptionalLong.empty());
        return changed(desk.change(new RigId(rig), Requests.shortId(person), wanted.edits(), basedOn));
    }

    @GetMapping("/{rig}/undo")
    UndoState undoState(
            @PathVariable String rig,
            @RequestHeader(name = SessionsController.PERSON, defaultValue = "") String person) {
        return desk.undoState(new RigId(rig), Requests.shortId(person));
    }

    @PostMapping("/{rig}/undo")
    SessionsController.Changed undo(
            @PathVariable String rig,
            @RequestHeader(name = SessionsController.PERSON, defaultValue = "") String person,
            @RequestParam Optional<Long> line) {
        OptionalLong number = line.map(OptionalLong::of).orElse(OptionalLong.empty());
        return changed(desk.undo(new RigId(rig), Requests.shortId(person), number));
    }

    @PostMapping("/{rig}/redo")
    SessionsController.Changed redo(
            @PathVariable String rig,
            @RequestHeader(name = SessionsController.PERSON, defaultValue = "") String person) {
        return changed(desk.redo(new RigId(rig), Requests.shortId(person)));
    }

    /** The edits that add a device as it is used: an interface with its outputs in pairs. */
    @PostMapping("/{rig}/devices")
    ProposedRigEdits devices(@PathVariable String rig, @RequestBody AddDevice wanted) {
        return new ProposedRigEdits(Shelf.ready(desk.rig(new RigId(rig)), wanted));
    }

    /** The edits that name many ports at once. */
    @PostMapping("/{rig}/labels")
    ProposedRigEdits labels(@PathVariable String rig, @RequestBody WantedLabels wanted) {
        Rig open = desk.rig(new RigId(rig));
        return new ProposedRigEdits(
                switch (wanted.by()) {
                    case PATTERN -> Labels.byPattern(open, wanted.ports(), wanted.text(), wanted.from());
                    case COLUMN -> Labels.byColumn(open, wanted.ports(), wanted.text());
                    case TIES -> Labels.byTies(open, wanted.ports());
                });
    }

    /** The edits that pair a device's neighbouring ports. */
    @PostMapping("/{rig}/pairs")
    ProposedRigEdits pairs(@PathVariable String rig, @RequestBody WantedPairs wanted) {
        return new ProposedRigEdits(Neighbours.pair(desk.rig(new RigId(rig)), wanted.device(), wanted.direction()));
    }

    /** The edit that makes a pair or a group of chosen ports. */
    @PostMapping("/{rig}/together")
    ProposedRigEdits together(@PathVariable String rig, @RequestBody WantedTogether wanted) {
        return new ProposedRigEdits(Neighbours.together(desk.rig(new RigId(rig)), wanted.ports()));
    }

    /** The edits that tie many ports to as many that follow each other. */
    @PostMapping("/{rig}/ties")
    ProposedRigEdits ties(@PathVariable String rig, @RequestBody WantedTies wanted) {
        return new ProposedRigEdits(TieInOrder.edits(desk.rig(new RigId(rig)), wanted.from(), wanted.first()));
    }

    /** The edits that say of many ports what they can do. */
    @PostMapping("/{rig}/abilities")
    ProposedRigEdits abilities(@PathVariable String rig, @RequestBody WantedAbilities wanted) {
        return new ProposedRigEdits(wanted.alike().edits(desk.rig(new RigId(rig)), wanted.ports()));
    }

    /** The sessions that lost ports or outputs, each with what it lost. */
    @GetMapping("/{rig}/losses")
    List<Loss> losses(@PathVariable String rig) {
        Rig now = desk.rig(new RigId(rig));
        return sessions.ofRig(now.id()).stream()
                .map(session -> new Loss(
                        session.id(),
                        session.name(),
                        session.song(),
                        Readiness.losses(session, now).stream()
                                .map(Finding::sentence)
                                .toList()))
                .filter(loss -> !loss.losses().isEmpty())
                .toList();
    }

    @GetMapping("/{rig}/copies")
    List<KeptCopy> copies(@PathVariable String rig) {
        return desk.copies(new RigId(rig)).stream().map(RigsController::kept).toList();
    }

    @PostMapping("/{rig}/copies")
    @ResponseStatus(HttpStatus.CREATED)
    KeptCopy keep(@PathVariable String rig, @RequestBody CopyName wanted) {
        return kept(desk.keep(new RigId(rig), wanted.name()));
    }

    /** What going back to a copy would change. */
    @GetMapping("/{rig}/copies/{number}/difference")
    Difference compare(@PathVariable String rig, @PathVariable long number) {
        RigId id = new RigId(rig);
        return new Difference(desk.compare(id, number), List.of(new ReplaceRig(desk.copy(id, number))));
    }

    @GetMapping("/{rig}/document.json")
    ResponseEntity<RigDocument> document(@PathVariable String rig) {
        Rig open = desk.rig(new RigId(rig));
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, Downloads.named(open.name(), "rig", "json"))
                .body(RigDocument.of(open));
    }

    /** What taking in a document would change. */
    @PostMapping("/{rig}/document/preview")
    Difference preview(@PathVariable String rig, @RequestBody RigDocument document) {
        Rig now = desk.rig(new RigId(rig));
        ReplaceRig edit = new ReplaceRig(document.checked());
        return new Difference(RigComparison.words(now, edit.applyTo(now)), List.of(edit));
    }

    private static KeptCopy kept(RigStore.Kept copy) {
        return new KeptCopy(copy.number(), copy.name(), copy.madeAt().toString());
    }

    private static SessionsController.Changed changed(Rig rig) {
        return new SessionsController.Changed(rig.revision());
    }
}
