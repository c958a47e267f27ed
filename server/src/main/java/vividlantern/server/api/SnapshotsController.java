package vividlantern.server.api;

import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
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
import vividlantern.server.desk.SnapshotDesk;
import vividlantern.server.store.SnapshotStore;
import vividlantern.session.SessionId;
import vividlantern.session.cue.CueId;
import vividlantern.template.Comparison;
import vividlantern.template.Snapshot;
import vividlantern.template.SnapshotId;

/** Named states of a session, to go back to whole or in parts. */
@RestController
@RequestMapping("/api/sessions/{session}/snapshots")
class SnapshotsController {

    record SnapshotName(String name) {}

    /** A cue that a snapshot holds. */
    record SnapshotCue(CueId id, String name) {}

    /**
     * What shall be brought back.
     *
     * @param cue which cue, if it is one
     */
    record WantedRestore(Snapshot.Scope scope, Optional<CueId> cue) {}

    private final SnapshotDesk desk;

    SnapshotsController(SnapshotDesk desk) {
        this.desk = desk;
    }

    /** The snapshots of a session, the newest first. */
    @GetMapping
    List<SnapshotStore.ListedSnapshot> snapshots(@PathVariable String session) {
        return desk.of(new SessionId(session));
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    SnapshotStore.ListedSnapshot take(@PathVariable String session, @RequestBody SnapshotName wanted) {
        return desk.take(new SessionId(session), wanted.name());
    }

    @DeleteMapping("/{snapshot}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable String session, @PathVariable String snapshot) {
        desk.remove(new SessionId(session), new SnapshotId(snapshot));
    }

    /** The cues of a snapshot. */
    @GetMapping("/{snapshot}/cues")
    List<SnapshotCue> cues(@PathVariable String session, @PathVariable String snapshot) {
        return desk.snapshot(new SessionId(session), new SnapshotId(snapshot)).session().cues().stream()
                .map(cue -> new SnapshotCue(cue.id(), cue.name()))
                .toList();
    }

    /** How the session differs from what would be brought back: the snapshot first, now second. */
    @GetMapping("/{snapshot}/differences")
    List<Comparison.Compared> differences(
            @PathVariable String session,
            @PathVariable String snapshot,
            @RequestParam(defaultValue = "all") String scope,
            @RequestParam Optional<String> cue) {
        return desk.differences(
                new SessionId(session),
                new SnapshotId(snapshot),
                Requests.word(Snapshot.Scope.class, scope, "scope"),
                cue.map(CueId::new));
    }

    /** Brings a snapshot back, whole or in parts, as one change. */
    @PostMapping("/{snapshot}/restore")
    SessionsController.Changed restore(
            @PathVariable String session,
            @PathVariable String snapshot,
            @RequestHeader(name = SessionsController.PERSON, defaultValue = "") String person,
            @RequestBody WantedRestore wanted) {
        return SessionsController.Changed.of(desk.restore(
                new SessionId(session),
                Requests.shortId(person),
                new SnapshotId(snapshot),
                wanted.scope(),
                wanted.cue()));
    }
}
