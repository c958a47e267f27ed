package vividlantern.server.store;

import jakarta.persistence.EntityManager;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import vividlantern.server.folder.Reached;

/**
 * What was removed and can still be taken back. It is marked in its own rows and found by nothing else, until it is deleted
 * for good. Each method is one transaction.
 */
@Repository
@Transactional
public class Bin {

    /** What can be removed. */
    public enum Kind {
        SESSION("session", "id = :id"),
        RIG("rig", "id = :id"),
        TEMPLATE("kept", "kind = 'template' and id = :id");

        private final String table;
        private final String rows;

        Kind(String table, String rows) {
            this.table = table;
            this.rows = rows;
        }
    }

    /** Something that was removed, and since when. */
    public record Removed(Kind kind, String id, String name, OffsetDateTime at) {}

    /** In this order, so that what refers to others goes before them. */
    private static final List<String> OF_SESSION = List.of(
            "cue_listener",
            "cue_further_output",
            "cue",
            "track_feed",
            "track",
            "input",
            "performer",
            "part",
            "snapshot",
            "log_line");

    private static final List<String> OF_RIG = List.of(
            "tie",
            "stereo_pair",
            "wide_group",
            "mic",
            "port",
            "device",
            "rig_log_line",
            "rig_copy",
            "turned_by_hand",
            "outlet_note",
            "loopback");

    private final EntityManager entities;
    private final Reached reached;
    private final Changes changes;

    public Bin(EntityManager entities, Reached reached, Changes changes) {
        this.entities = entities;
        this.reached = reached;
        this.changes = changes;
    }

    /** All that is in it, what was removed last first. */
    @Transactional(readOnly = true)
    public List<Removed> all() {
        List<Removed> all = new ArrayList<>();
        entities.createQuery("from SessionRow s where s.removedAt is not null", SessionRow.class)
                .getResultStream()
                .forEach(row -> all.add(new Removed(Kind.SESSION, row.id, row.name, row.removedAt)));
        entities.createQuery("from RigRow r where r.removedAt is not null", RigRow.class)
                .getResultStream()
                .forEach(row -> all.add(new Removed(Kind.RIG, row.id, row.name, row.removedAt)));
        entities.createQuery("""
                        from KeptRow k where k.removedAt is not null and k.key.version =
                          (select max(o.key.version) from KeptRow o where o.key.kind = k.key.kind and o.key.id = k.key.id)
                        """, KeptRow.class)
                .getResultStream()
                .forEach(row -> all.add(new Removed(Kind.TEMPLATE, row.key.id(), row.title(), row.removedAt)));
        all.sort((a, b) -> b.at().compareTo(a.at()));
        return all;
    }

    /** Puts something in; whether it was there, and not in it yet. */
    public boolean put(Kind kind, String id) {
        return mark(kind, id, "current_timestamp", "is null");
    }

    /** Takes something back; whether it was in it. */
    public boolean takeBack(Kind kind, String id) {
        return mark(kind, id, "null", "is not null");
    }

    private boolean mark(Kind kind, String id, String at, String before) {
        changes.more();
        entities.flush();
        int marked = entities.createNativeQuery("update " + kind.table + " set removed_at = " + at + " where "
                        + kind.rows + " and removed_at " + before)
                .setParameter("id", id)
                .executeUpdate();
        entities.clear();
        return marked > 0;
    }

    /** Deletes something for good that is in it; whether it was. */
    public boolean delete(Kind kind, String id) {
        if (all().stream().noneMatch(each -> each.kind() == kind && each.id().equals(id))) {
            return false;
        }
        switch (kind) {
            case SESSION -> deleteRows(OF_SESSION, "session_id", "session", id);
            case RIG -> deleteRows(OF_RIG, "rig_id", "rig", id);
            case TEMPLATE -> delete("kept where " + kind.rows, id);
        }
        changes.more();
        return true;
    }

    private void deleteRows(List<String> tables, String column, String owner, String id) {
        Number revisions = (Number) entities.createNativeQuery("select revision + 1 from " + owner + " where id = :id")
                .setParameter("id", id)
                .getSingleResult();
        reached.takeBeforeStored(revisions.longValue());
        tables.forEach(table -> delete(table + " where " + column + " = :id", id));
        delete(owner + " where id = :id", id);
    }

    private void delete(String rows, String id) {
        entities.createNativeQuery("delete from " + rows).setParameter("id", id).executeUpdate();
    }
}
