package vividlantern.server.desk;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import vividlantern.basics.Ids;
import vividlantern.basics.Texts;
import vividlantern.server.store.SnapshotStore;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.cue.CueId;
import vividlantern.template.Comparison;
import vividlantern.template.Snapshot;
import vividlantern.template.SnapshotId;

/** The snapshots of sessions: taken, compared with now, and restored. */
@Component
public class SnapshotDesk {

    private final SnapshotStore store;
    private final Desk desk;

    public SnapshotDesk(SnapshotStore store, Desk desk) {
        this.store = store;
        this.desk = desk;
    }

    /** The snapshots of a session, the newest first. */
    public List<SnapshotStore.ListedSnapshot> of(SessionId session) {
        return store.of(desk.session(session).id());
    }

    /** Takes a snapshot. One at a time, so that two of one name get ids of their own. */
    public synchronized SnapshotStore.ListedSnapshot take(SessionId session, String name) {
        String called = Texts.name(name, "A snapshot", "name");
        Session now = desk.session(session);
        List<SnapshotStore.ListedSnapshot> there = store.of(session);
        String id = Ids.fresh(
                called,
                taken -> there.stream().anyMatch(each -> each.id().value().equals(taken)));
        return store.add(new Snapshot(new SnapshotId(id), called, false, now));
    }

    public void remove(SessionId session, SnapshotId id) {
        if (!store.remove(session, id)) {
            throw unknown(id);
        }
    }

    /** How the session differs from the snapshot, in what would be brought back. */
    public List<Comparison.Compared> differences(
            SessionId session, SnapshotId id, Snapshot.Scope scope, Optional<CueId> cue) {
        Snapshot snapshot = snapshot(session, id);
        Session now = desk.session(session);
        return Comparison.of(
                snapshot.restoredIn(now, scope, cue), now, desk.rigOf(session), snapshot.speaksOf(scope, cue));
    }

    /** Brings back what the snapshot holds, as one change. */
    public Session restore(SessionId session, String person, SnapshotId id, Snapshot.Scope scope, Optional<CueId> cue) {
        Snapshot snapshot = snapshot(session, id);
        return desk.become(session, person, now -> snapshot.restoredIn(now, scope, cue), snapshot.words(scope, cue));
    }

    /** A snapshot with all it holds. */
    public Snapshot snapshot(SessionId session, SnapshotId id) {
        return store.snapshot(desk.session(session).id(), id).orElseThrow(() -> unknown(id));
    }

    private static NotFound unknown(SnapshotId id) {
        return new NotFound("There is no snapshot '" + id + "' of this session.");
    }
}
