package vividlantern.server.store;

import jakarta.persistence.EntityManager;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JacksonException;
import vividlantern.format.Documents;
import vividlantern.history.History;
import vividlantern.history.LogEntry;
import vividlantern.history.StoredLog;
import vividlantern.rig.RigId;
import vividlantern.server.folder.Reached;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.PartKind;
import vividlantern.session.Parts;
import vividlantern.session.Performer;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.Settings;
import vividlantern.session.cue.Cue;
import vividlantern.session.edit.Edit;
import vividlantern.session.song.Media;
import vividlantern.session.song.MediaId;
import vividlantern.session.song.SongEntry;
import vividlantern.template.NextSong;

/** Reads and writes sessions and their logs. Each method is one transaction: it is stored whole or not at all. */
@Repository
@Transactional
public class Store {

    /** What a list of sessions tells of each. */
    public record StoredSession(
            String id,
            String name,
            String song,
            String rig,
            OffsetDateTime usedAt,
            long inputs,
            long tracks,
            long cues) {}

    /** The kinds of parts that others refer to, or that refer to others, have rows of their own; all others are documents. */
    private static final Map<PartKind, Class<? extends PartRow>> OWN_ROWS = new EnumMap<>(Map.of(
            PartKind.PERFORMER, PerformerRow.class,
            PartKind.INPUT, InputRow.class,
            PartKind.TRACK, TrackRow.class,
            PartKind.CUE, CueRow.class));

    /** From so many changed parts of a kind on, all of it is read at once. */
    private static final int MANY = 50;

    private static final int WHOLE_LOG = 1_000_000;
    private static final Logger LOG = LoggerFactory.getLogger(Store.class);

    private final EntityManager entities;
    private final Reached reached;
    private final PlatformTransactionManager transactions;
    private final Changes changes;

    public Store(EntityManager entities, Reached reached, PlatformTransactionManager transactions, Changes changes) {
        this.entities = entities;
        this.reached = reached;
        this.transactions = transactions;
        this.changes = changes;
    }

    /** All sessions, the one used last first. */
    @Transactional(readOnly = true)
    public List<StoredSession> sessions(int page, int size) {
        return sessions("", page, size);
    }

    /** The sessions in whose name, song or performers a text stands, the one used last first. */
    @Transactional(readOnly = true)
    public List<StoredSession> sessions(String text, int page, int size) {
        return entities.createQuery("""
                        select new vividlantern.server.store.Store$StoredSession(s.id, s.name, s.song, s.rig, s.usedAt,
                          (select count(i) from InputRow i where i.key.session = s.id),
                          (select count(t) from TrackRow t where t.key.session = s.id),
                          (select count(c) from CueRow c where c.key.session = s.id))
                        from SessionRow s
                        where s.removedAt is null and (lower(s.name) like :text escape '!'
                          or lower(s.song) like :text escape '!'
                          or exists (select 1 from PerformerRow p
                            where p.key.session = s.id and lower(p.name) like :text escape '!'))
                        order by s.usedAt desc nulls last, s.name, s.id""", StoredSession.class)
                .setParameter("text", StoredLines.containing(text))
                .setFirstResult(page * size)
                .setMaxResults(size)
                .getResultList();
    }

    /** Who plays in some sessions. */
    @Transactional(readOnly = true)
    public Map<String, List<Performer>> performers(List<String> sessions) {
        return entities.createQuery(
                        "from PerformerRow p where p.key.session in :sessions order by p.position", PerformerRow.class)
                .setParameter("sessions", sessions)
                .getResultStream()
                .collect(Collectors.groupingBy(
                        row -> row.key.session(), Collectors.mapping(PerformerRow::part, Collectors.toList())));
    }

    /** What the song lists say of all sessions of a production; the session with which it began says nothing at first. */
    @Transactional(readOnly = true)
    public List<NextSong.Listed> production(SessionId production) {
        Map<String, SongEntry> entries = entities.createQuery(
                        "from DocumentRow d where d.key.kind = :kind and d.key.session in"
                                + " (select s.id from SessionRow s where s.removedAt is null)",
                        DocumentRow.class)
                .setParameter("kind", PartKind.SONG.word())
                .getResultStream()
                .flatMap(Store::readable)
                .collect(Collectors.toMap(row -> row.key.session(), row -> (SongEntry) row.part()));
        if (has(production)) {
            entries.putIfAbsent(production.value(), SongEntry.alone(production));
        }
        return NextSong.inOrder(entries.entrySet().stream()
                .filter(each -> each.getValue().production().equals(production))
                .map(each -> new NextSong.Listed(new SessionId(each.getKey()), each.getValue()))
                .toList());
    }

    private static Stream<DocumentRow> readable(DocumentRow row) {
        try {
            row.part();
            return Stream.of(row);
        } catch (JacksonException damaged) {
            LOG.warn("The {} of {} cannot be read.", row.key.kind(), row.key.session(), damaged);
            return Stream.empty();
        }
    }

    /** The sessions that are laid out for a rig. */
    @Transactional(readOnly = true)
    public List<SessionId> ofRig(RigId rig) {
        return entities
                .createQuery(
                        "select s.id from SessionRow s where s.rig = :rig and s.removedAt is null order by s.name, s.id",
                        String.class)
                .setParameter("rig", rig.value())
                .getResultList()
                .stream()
                .map(SessionId::new)
                .toList();
    }

    /** Whether there is a session of this id, readable or not, in the bin or not. */
    @Transactional(readOnly = true)
    public boolean has(SessionId id) {
        return entities.createQuery("select count(s) from SessionRow s where s.id = :id", Long.class)
                        .setParameter("id", id.value())
                        .getSingleResult()
                > 0;
    }

    /**
     * A session that is not in the bin.
     *
     * @throws Unreadable if what is stored of it cannot be understood
     */
    @Transactional(readOnly = true)
    public Optional<Session> session(SessionId id) {
        return Unreadable.guard("session", id.value(), () -> read(id));
    }

    /** The sessions that are laid out for a rig, those in the bin among them. */
    @Transactional(readOnly = true)
    public List<String> allOfRig(RigId rig) {
        return entities.createQuery("select s.id from SessionRow s where s.rig = :rig", String.class)
                .setParameter("rig", rig.value())
                .getResultList();
    }

    /** All sessions, those in the bin among them. */
    @Transactional(readOnly = true)
    public List<SessionId> allIds() {
        return entities.createQuery("select s.id from SessionRow s order by s.id", String.class)
                .getResultStream()
                .map(SessionId::new)
                .toList();
    }

    /**
     * The sounds of which a session speaks, now or in its snapshots or its log, so that undo and a way back find them; of one
     * in the bin too.
     */
    @Transactional(readOnly = true)
    public Set<MediaId> sounds(SessionId id) {
        Stream<Part> parts =
                rows(DocumentRow.class, id).stream().flatMap(Store::readable).map(DocumentRow::part);
        Stream<Part> logged = PartKind.withSounds().stream()
                .flatMap(kind -> lines(id).page("", "", kind.word(), 0, WHOLE_LOG).stream())
                .flatMap(row ->
                        Stream.concat(row.line().before().values().stream(), row.line().after().values().stream()))
                .flatMap(Optional::stream);
        Stream<Media> kept = entities.createQuery(
                        "from SnapshotRow s where s.key.session = :session", SnapshotRow.class)
                .setParameter("session", id.value())
                .getResultStream()
                .flatMap(row -> Documents.read(row.document, Session.class).sounds());
        return Stream.concat(Stream.concat(parts, logged).flatMap(Part::sounds), kept)
                .map(Media::id)
                .collect(Collectors.toSet());
    }

    /** The sounds that sessions play as they stand, those in the bin included. */
    @Transactional(readOnly = true)
    public Set<MediaId> soundsNow() {
        return entities.createQuery("from DocumentRow d where d.key.kind in (:kinds)", DocumentRow.class)
                .setParameter(
                        "kinds",
                        PartKind.withSounds().stream().map(PartKind::word).toList())
                .getResultStream()
                .map(DocumentRow::part)
                .flatMap(Part::sounds)
                .map(Media::id)
                .collect(Collectors.toSet());
    }

    private Optional<Session> read(SessionId id) {
        SessionRow row = entities.find(SessionRow.class, id.value());
        if (row == null || row.removedAt != null) {
            return Optional.empty();
        }
        SortedMap<PartKey, Part> parts = new TreeMap<>();
        parts.put(PartKey.SETTINGS, row.settings());
        Stream.concat(OWN_ROWS.values().stream(), Stream.of(DocumentRow.class))
                .flatMap(type -> rows(type, id).stream())
                .forEach(each -> {
                    parts.put(each.partKey(), each.part());
                    if (each instanceof CueRow cue) {
                        parts.putAll(cue.sends());
                    }
                });
        return Optional.of(Parts.assemble(id, row.revision, parts));
    }

    /** The stored log of a session. */
    public StoredLog<PartKey, Part> log(SessionId id) {
        return lines(id);
    }

    /** A line of the log, and when it was written. */
    public record LoggedLine(LogEntry<PartKey, Part> entry, OffsetDateTime at) {}

    /**
     * A page of the log's lines, newest first.
     *
     * @param word stands in what they say; "" for any
     * @param person who made them; "" for anybody
     * @param part how the key of a part begins that they touch, as in "track/fiddle"; "" for any
     */
    public List<LoggedLine> log(SessionId id, String word, String person, String part, int page, int size) {
        StoredLines<LogRow, PartKey, Part> lines = lines(id);
        List<LogRow> found =
                part.isEmpty() ? lines.page(word, person, page, size) : lines.page(word, person, part, page, size);
        return found.stream().map(row -> new LoggedLine(row.line(), row.madeAt)).toList();
    }

    private StoredLines<LogRow, PartKey, Part> lines(SessionId id) {
        return new StoredLines<>(entities, transactions, LogRow.class, "session", id.value());
    }

    /** Puts one line in the place of all but the newest. */
    public void fold(SessionId id, int keep) {
        lines(id).fold(keep, number -> LogRow.of(id.value(), number));
        changes.more();
    }

    public void add(Session session) {
        SessionRow row = new SessionRow();
        row.id = session.id().value();
        row.revision = session.revision();
        row.take(session.settings());
        row.usedAt = OffsetDateTime.now(ZoneOffset.UTC);
        entities.persist(row);
        Parts.OF_SESSION.parts(session).forEach((key, part) -> {
            if (key.kind() != PartKind.SETTINGS && key.kind() != PartKind.SEND) {
                entities.persist(fresh(row.id, key, part));
            }
        });
        session.cues().forEach(cue -> hear(row.id, cue));
        stored(session.revision() + 1);
    }

    /** Stores what an edit, an undo or a redo led to: the changed parts and the lines of the log, nothing else. */
    public void save(History.Outcome<Session, PartKey, Part> outcome, List<Edit> edits) {
        Session after = outcome.whole();
        String id = after.id().value();
        SortedMap<PartKey, Optional<Part>> inRows = new TreeMap<>(outcome.changed());
        inRows.keySet().removeIf(key -> key.kind() == PartKind.SEND);
        readManyAtOnce(after.id(), inRows.keySet());
        inRows.forEach((key, part) -> part.ifPresent(present -> write(id, key, present)));
        outcome.changed().keySet().stream()
                .filter(key -> key.kind() == PartKind.SEND)
                .map(PartKey::cue)
                .distinct()
                .flatMap(cue -> after.find(cue).stream())
                .forEach(cue -> hear(id, cue));
        SortedMap<PartKey, Optional<Part>> backwards = new TreeMap<>(Collections.reverseOrder());
        backwards.putAll(inRows);
        backwards.forEach((key, part) -> {
            if (part.isEmpty()) {
                entities.remove(entities.find(type(key), id(id, key)));
            }
        });
        entities.createQuery("update SessionRow set revision = :revision, usedAt = :now where id = :id")
                .setParameter("now", OffsetDateTime.now(ZoneOffset.UTC))
                .setParameter("revision", after.revision())
                .setParameter("id", id)
                .executeUpdate();
        lines(after.id()).save(outcome, Documents.writeEdits(edits), number -> LogRow.of(id, number));
        stored(1);
    }

    private void stored(long more) {
        changes.more();
        reached.addOnceStored(more);
    }

    /** Rows that are written one by one are read together where there are many, which spares asking for each. */
    private void readManyAtOnce(SessionId id, Set<PartKey> keys) {
        keys.stream()
                .collect(Collectors.groupingBy(PartKey::kind, Collectors.counting()))
                .forEach((kind, count) -> {
                    if (count >= MANY && OWN_ROWS.containsKey(kind)) {
                        rows(OWN_ROWS.get(kind), id);
                    }
                });
    }

    private void write(String session, PartKey key, Part part) {
        if (part instanceof Settings settings) {
            entities.find(SessionRow.class, session).take(settings);
            return;
        }
        PartRow known = entities.find(type(key), id(session, key));
        if (known == null) {
            entities.persist(fresh(session, key, part));
        } else {
            known.take(part);
        }
    }

    /** Stores what a cue hears of each track. */
    private void hear(String session, Cue cue) {
        entities.find(CueRow.class, new PartRowId(session, cue.id().value())).hear(cue.sends());
    }

    private static PartRow fresh(String session, PartKey key, Part part) {
        PartRow row = switch (key.kind()) {
            case PERFORMER -> new PerformerRow(new PartRowId(session, key.id()));
            case INPUT -> new InputRow(new PartRowId(session, key.id()));
            case TRACK -> new TrackRow(new PartRowId(session, key.id()));
            case CUE -> new CueRow(new PartRowId(session, key.id()));
            default -> new DocumentRow(new DocumentRow.Id(session, key.kind().word(), key.id()));
        };
        row.take(part);
        return row;
    }

    private static Class<? extends PartRow> type(PartKey key) {
        return OWN_ROWS.getOrDefault(key.kind(), DocumentRow.class);
    }

    private static Object id(String session, PartKey key) {
        return OWN_ROWS.containsKey(key.kind())
                ? new PartRowId(session, key.id())
                : new DocumentRow.Id(session, key.kind().word(), key.id());
    }

    private <T> List<T> rows(Class<T> type, SessionId id) {
        return entities.createQuery("from " + type.getSimpleName() + " where key.session = :session", type)
                .setParameter("session", id.value())
                .getResultList();
    }
}
