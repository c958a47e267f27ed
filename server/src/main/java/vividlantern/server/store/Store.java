package vividlantern.server.store;

import jakarta.persistence.EntityManager;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import vividlantern.format.Documents;
import vividlantern.history.History;
import vividlantern.history.LogEntry;
import vividlantern.rig.RigId;
import vividlantern.server.folder.Reached;
import vividlantern.session.Acknowledgement;
import vividlantern.session.ClickPattern;
import vividlantern.session.Cue;
import vividlantern.session.Input;
import vividlantern.session.Marker;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.Parts;
import vividlantern.session.Performer;
import vividlantern.session.Send;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.Settings;
import vividlantern.session.TempoMap;
import vividlantern.session.Track;
import vividlantern.session.TrackView;
import vividlantern.session.edit.Edit;

/** Reads and writes sessions and their logs. Each method is one transaction: it is stored whole or not at all. */
@Repository
@Transactional
public class Store {

    /** What a list of sessions tells of each. */
    public record StoredSession(String id, String name, String song, long inputs, long tracks, long cues) {}

    private static final Logger LOG = LoggerFactory.getLogger(Store.class);

    private final EntityManager entities;
    private final Reached reached;
    private final AtomicLong changes = new AtomicLong();

    public Store(EntityManager entities, Reached reached) {
        this.entities = entities;
        this.reached = reached;
    }

    /** Grows with everything that is written. */
    public long changes() {
        return changes.get();
    }

    @Transactional(readOnly = true)
    public List<StoredSession> sessions(int page, int size) {
        return entities.createQuery("""
                        select new vividlantern.server.store.Store$StoredSession(s.id, s.name, s.song,
                          (select count(i) from InputRow i where i.key.session = s.id),
                          (select count(t) from TrackRow t where t.key.session = s.id),
                          (select count(c) from CueRow c where c.key.session = s.id))
                        from SessionRow s order by s.name, s.id""", StoredSession.class)
                .setFirstResult(page * size)
                .setMaxResults(size)
                .getResultList();
    }

    /** The sessions that are laid out for a rig. */
    @Transactional(readOnly = true)
    public List<SessionId> ofRig(RigId rig) {
        return entities
                .createQuery("select s.id from SessionRow s where s.rig = :rig order by s.name, s.id", String.class)
                .setParameter("rig", rig.value())
                .getResultList()
                .stream()
                .map(SessionId::new)
                .toList();
    }

    /** Whether there is a session of this id, readable or not. */
    @Transactional(readOnly = true)
    public boolean has(SessionId id) {
        return entities.createQuery("select count(s) from SessionRow s where s.id = :id", Long.class)
                        .setParameter("id", id.value())
                        .getSingleResult()
                > 0;
    }

    /** @throws Unreadable if what is stored of it cannot be understood */
    @Transactional(readOnly = true)
    public Optional<Session> session(SessionId id) {
        return Unreadable.guard("session", id.value(), () -> read(id));
    }

    private Optional<Session> read(SessionId id) {
        SessionRow row = entities.find(SessionRow.class, id.value());
        if (row == null) {
            return Optional.empty();
        }
        SortedMap<PartKey, Part> parts = new TreeMap<>();
        parts.put(PartKey.SETTINGS, row.settings());
        parts.put(PartKey.CLICK, row.clickPattern());
        parts.put(PartKey.TEMPO_MAP, row.tempoMap());
        for (PerformerRow each : rows(PerformerRow.class, id)) {
            parts.put(PartKey.of(each.part().id()), each.part());
        }
        for (MarkerRow each : rows(MarkerRow.class, id)) {
            parts.put(PartKey.of(each.part().id()), each.part());
        }
        for (AcknowledgementRow each : rows(AcknowledgementRow.class, id)) {
            parts.put(PartKey.of(each.part()), each.part());
        }
        for (ViewRow each : rows(ViewRow.class, id)) {
            parts.put(PartKey.of(each.part().id()), each.part());
        }
        for (InputRow each : rows(InputRow.class, id)) {
            parts.put(PartKey.of(each.part().id()), each.part());
        }
        for (TrackRow each : rows(TrackRow.class, id)) {
            parts.put(PartKey.of(each.part().id()), each.part());
        }
        for (CueRow each : rows(CueRow.class, id)) {
            parts.put(PartKey.of(each.part().id()), each.part());
        }
        for (SendRow each : rows(SendRow.class, id)) {
            parts.put(new PartKey(PartKey.Kind.SEND, each.key.cue() + "/" + each.key.track()), each.part());
        }
        return Optional.of(Parts.assemble(id, row.revision, parts));
    }

    /** The log's lines; one that cannot be understood is left out, and said in the program's log. */
    @Transactional(readOnly = true)
    public List<LogEntry<PartKey, Part>> log(SessionId id) {
        return rows(LogRow.class, id).stream()
                .flatMap(row -> {
                    try {
                        return Stream.of(row.line());
                    } catch (RuntimeException damaged) {
                        LOG.warn("Line {} of the log of {} cannot be read.", row.key.number(), id, damaged);
                        return Stream.empty();
                    }
                })
                .toList();
    }

    /** Puts one line in the place of all up to its number. */
    public void fold(SessionId id, LogEntry<PartKey, Part> line) {
        entities.createQuery("delete from LogRow where key.session = :session and key.number <= :number")
                .setParameter("session", id.value())
                .setParameter("number", line.number())
                .executeUpdate();
        write(id.value(), line, List.of());
        changes.incrementAndGet();
    }

    public void add(Session session) {
        SessionRow row = new SessionRow();
        row.id = session.id().value();
        row.revision = session.revision();
        row.take(session.settings());
        row.take(session.click());
        row.take(session.tempoMap());
        entities.persist(row);
        Parts.OF_SESSION.parts(session).forEach((key, part) -> write(row, key, part));
        stored(session.revision() + 1);
    }

    /** Stores what an edit, an undo or a redo led to: the changed parts and the lines of the log, nothing else. */
    public void save(Session before, History.Outcome<Session, PartKey, Part> outcome, List<Edit> edits) {
        Session after = outcome.whole();
        SessionRow row = entities.find(SessionRow.class, after.id().value());
        row.revision = after.revision();
        SortedMap<PartKey, Optional<Part>> changed = Parts.OF_SESSION.changed(before, after);
        changed.forEach((key, part) -> part.ifPresent(present -> write(row, key, present)));
        SortedMap<PartKey, Optional<Part>> backwards = new TreeMap<>(Collections.reverseOrder());
        backwards.putAll(changed);
        backwards.forEach((key, part) -> {
            if (part.isEmpty()) {
                remove(row, key);
            }
        });
        outcome.lines().forEach(line -> write(row.id, line, edits));
        stored(after.revision() - before.revision());
    }

    private void stored(long more) {
        changes.incrementAndGet();
        reached.addOnceStored(more);
    }

    private void write(String session, LogEntry<PartKey, Part> line, List<Edit> edits) {
        LogRow.Id key = new LogRow.Id(session, line.number());
        LogRow known = entities.find(LogRow.class, key);
        LogRow row = known == null ? new LogRow() : known;
        row.key = key;
        boolean came = line.state() == LogEntry.State.STANDS && line.isChange() && !edits.isEmpty();
        row.take(line, came ? Optional.of(Documents.writeEdits(edits)) : Optional.empty());
        if (known == null) {
            entities.persist(row);
        }
    }

    private void write(SessionRow row, PartKey key, Part part) {
        if (part instanceof Settings settings) {
            row.take(settings);
        } else if (part instanceof ClickPattern click) {
            row.take(click);
        } else if (part instanceof TempoMap map) {
            row.take(map);
        } else if (part instanceof Performer performer) {
            entities.merge(PerformerRow.of(row.id, performer));
        } else if (part instanceof Marker marker) {
            entities.merge(MarkerRow.of(row.id, marker));
        } else if (part instanceof Input input) {
            entities.merge(InputRow.of(row.id, input));
        } else if (part instanceof Track track) {
            entities.merge(TrackRow.of(row.id, track));
        } else if (part instanceof Cue cue) {
            entities.merge(CueRow.of(row.id, cue));
        } else if (part instanceof Acknowledgement acknowledgement) {
            entities.merge(AcknowledgementRow.of(row.id, acknowledgement));
        } else if (part instanceof TrackView view) {
            entities.merge(ViewRow.of(row.id, view));
        } else if (part instanceof Send send) {
            entities.merge(SendRow.of(SendRow.Id.of(row.id, key), send));
        }
    }

    private void remove(SessionRow row, PartKey key) {
        PartRowId id = new PartRowId(row.id, key.id());
        Object found = switch (key.kind()) {
            case PERFORMER -> entities.find(PerformerRow.class, id);
            case MARKER -> entities.find(MarkerRow.class, id);
            case INPUT -> entities.find(InputRow.class, id);
            case TRACK -> entities.find(TrackRow.class, id);
            case CUE -> entities.find(CueRow.class, id);
            case SEND -> entities.find(SendRow.class, SendRow.Id.of(row.id, key));
            case VIEW -> entities.find(ViewRow.class, id);
            case ACKNOWLEDGEMENT -> entities.find(AcknowledgementRow.class, id);
            case SETTINGS, CLICK, TEMPO_MAP -> throw new IllegalStateException(key + " is part of every session.");
        };
        entities.remove(found);
    }

    private <T> List<T> rows(Class<T> type, SessionId id) {
        return entities.createQuery("from " + type.getSimpleName() + " where key.session = :session", type)
                .setParameter("session", id.value())
                .getResultList();
    }
}
