package vividlantern.server.store;

import jakarta.persistence.EntityManager;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import vividlantern.format.Documents;
import vividlantern.template.Kit;
import vividlantern.template.Setting;
import vividlantern.template.Template;

/** Reads and writes what is kept to be used again, all versions of it. Each method is one transaction. */
@Repository
@Transactional
public class KeptStore {

    /** What is kept. */
    public enum Kind {
        TEMPLATE("template", Template.class),
        KIT("kit", Kit.class),
        SETTING("setting", Setting.class),
        /** That a template which ships was put in, so that it stays away once it is removed. */
        SHIPPED("shipped", String.class);

        private final String word;
        private final Class<?> type;

        Kind(String word, Class<?> type) {
            this.word = word;
            this.type = type;
        }
    }

    /** A version of something that is kept. */
    public record KeptVersion(long version, OffsetDateTime keptAt) {}

    private final EntityManager entities;
    private final Changes changes;

    public KeptStore(EntityManager entities, Changes changes) {
        this.entities = entities;
        this.changes = changes;
    }

    /** The ids of all of a kind, what was kept last first. */
    @Transactional(readOnly = true)
    public List<String> ids(Kind kind) {
        return entities.createQuery(
                        "select k.key.id from KeptRow k where k.key.kind = :kind and k.removedAt is null group by k.key.id"
                                + " order by max(k.keptAt) desc, k.key.id",
                        String.class)
                .setParameter("kind", kind.word)
                .getResultList();
    }

    /** Whether there is one of this id, in the bin or not. */
    @Transactional(readOnly = true)
    public boolean has(Kind kind, String id) {
        return entities.createQuery(
                                "select count(k) from KeptRow k where k.key.kind = :kind and k.key.id = :id",
                                Long.class)
                        .setParameter("kind", kind.word)
                        .setParameter("id", id)
                        .getSingleResult()
                > 0;
    }

    /** Whether a document that is kept, in the bin or not, holds a text. */
    @Transactional(readOnly = true)
    public boolean anyHolds(String text) {
        return entities.createQuery("select count(k) from KeptRow k where k.document like :text", Long.class)
                        .setParameter("text", "%" + text + "%")
                        .getSingleResult()
                > 0;
    }

    /** The versions of one, the newest first; none if it is not there. */
    @Transactional(readOnly = true)
    public List<KeptVersion> versions(Kind kind, String id) {
        return entities.createQuery(
                        "from KeptRow k where k.key.kind = :kind and k.key.id = :id and k.removedAt is null"
                                + " order by k.key.version desc",
                        KeptRow.class)
                .setParameter("kind", kind.word)
                .setParameter("id", id)
                .getResultStream()
                .map(row -> new KeptVersion(row.key.version(), row.keptAt))
                .toList();
    }

    /**
     * One version.
     *
     * @throws Unreadable if what is stored of it cannot be understood
     */
    @Transactional(readOnly = true)
    public <T> Optional<T> version(Kind kind, Class<T> type, String id, long version) {
        return Unreadable.guard(
                kind.word,
                id,
                () -> Optional.ofNullable(entities.find(KeptRow.class, new KeptRow.Id(kind.word, id, version)))
                        .map(row -> type.cast(Documents.read(row.document, kind.type))));
    }

    /** The newest version. */
    @Transactional(readOnly = true)
    public <T> Optional<T> newest(Kind kind, Class<T> type, String id) {
        return versions(kind, id).stream().findFirst().flatMap(found -> version(kind, type, id, found.version()));
    }

    /** Keeps something; if it is there already, as its next version. */
    public void add(Kind kind, String id, Object kept) {
        KeptRow row = new KeptRow();
        long version = versions(kind, id).stream()
                        .findFirst()
                        .map(KeptVersion::version)
                        .orElse(0L)
                + 1;
        row.key = new KeptRow.Id(kind.word, id, version);
        row.keptAt = OffsetDateTime.now(ZoneOffset.UTC);
        row.document = Documents.write(kept);
        entities.persist(row);
        changes.more();
    }

    /** Removes all versions of something; whether there was one. */
    public boolean remove(Kind kind, String id) {
        changes.more();
        return entities.createQuery("delete from KeptRow k where k.key.kind = :kind and k.key.id = :id")
                        .setParameter("kind", kind.word)
                        .setParameter("id", id)
                        .executeUpdate()
                > 0;
    }
}
