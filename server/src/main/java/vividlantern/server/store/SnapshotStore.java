package vividlantern.server.store;

import jakarta.persistence.EntityManager;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import vividlantern.format.Documents;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.template.Snapshot;
import vividlantern.template.SnapshotId;

/** Reads and writes the snapshots of sessions. Each method is one transaction. */
@Repository
@Transactional
public class SnapshotStore {

    /** Of the snapshots that the program took by itself so many stay, the newest; those that somebody took all do. */
    static final int KEPT_BY_ITSELF = 20;

    /** A snapshot without what is in it. */
    public record ListedSnapshot(SnapshotId id, String name, boolean byItself, OffsetDateTime madeAt) {}

    private final EntityManager entities;
    private final Changes changes;

    public SnapshotStore(EntityManager entities, Changes changes) {
        this.entities = entities;
        this.changes = changes;
    }

    /** The snapshots of a session, the newest first. */
    @Transactional(readOnly = true)
    public List<ListedSnapshot> of(SessionId session) {
        return entities.createQuery(
                        "from SnapshotRow s where s.key.session = :session order by s.madeAt desc, s.key.id desc",
                        SnapshotRow.class)
                .setParameter("session", session.value())
                .getResultStream()
                .map(row -> new ListedSnapshot(new SnapshotId(row.key.id()), row.name, row.byItself, row.madeAt))
                .toList();
    }

    /** @throws Unreadable if what is stored of it cannot be understood */
    @Transactional(readOnly = true)
    public Optional<Snapshot> snapshot(SessionId session, SnapshotId id) {
        return Unreadable.guard(
                "snapshot",
                id.value(),
                () -> Optional.ofNullable(
                                entities.find(SnapshotRow.class, new SnapshotRow.Id(session.value(), id.value())))
                        .map(row ->
                                new Snapshot(id, row.name, row.byItself, Documents.read(row.document, Session.class))));
    }

    /** Keeps a snapshot; the oldest that the program took by itself go. */
    public ListedSnapshot add(Snapshot snapshot) {
        SnapshotRow row = new SnapshotRow();
        row.key = new SnapshotRow.Id(
                snapshot.session().id().value(), snapshot.id().value());
        row.name = snapshot.name();
        row.byItself = snapshot.byItself();
        row.madeAt = OffsetDateTime.now(ZoneOffset.UTC);
        row.document = Documents.write(snapshot.session());
        entities.persist(row);
        of(snapshot.session().id()).stream()
                .filter(ListedSnapshot::byItself)
                .skip(KEPT_BY_ITSELF)
                .forEach(old -> remove(snapshot.session().id(), old.id()));
        changes.more();
        return new ListedSnapshot(snapshot.id(), row.name, row.byItself, row.madeAt);
    }

    /** Removes a snapshot; whether there was one. */
    public boolean remove(SessionId session, SnapshotId id) {
        changes.more();
        return entities.createQuery("delete from SnapshotRow s where s.key.session = :session and s.key.id = :id")
                        .setParameter("session", session.value())
                        .setParameter("id", id.value())
                        .executeUpdate()
                > 0;
    }
}
