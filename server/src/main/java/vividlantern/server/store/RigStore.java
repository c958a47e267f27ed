package vividlantern.server.store;

import jakarta.persistence.EntityManager;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import vividlantern.ears.OutletNote;
import vividlantern.format.Documents;
import vividlantern.history.History;
import vividlantern.history.StoredLog;
import vividlantern.preamp.Turned;
import vividlantern.rig.Device;
import vividlantern.rig.Mic;
import vividlantern.rig.Port;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.RigPart;
import vividlantern.rig.RigPartKey;
import vividlantern.rig.RigParts;
import vividlantern.rig.RigSettings;
import vividlantern.rig.StereoPair;
import vividlantern.rig.Tie;
import vividlantern.rig.WideGroup;
import vividlantern.rig.edit.RigEdit;
import vividlantern.server.folder.Reached;
import vividlantern.timing.MeasuredLatency;

/** Reads and writes rigs, their logs and the kept copies of them. Each method is one transaction. */
@Repository
@Transactional
public class RigStore {

    /** What a list of rigs tells of each. */
    public record StoredRig(String id, String name, long devices) {}

    /** A kept copy, without its document. */
    public record Kept(long number, String name, OffsetDateTime madeAt) {}

    private static final int KEPT_COPIES = 20;
    /** How the names of copies begin that nobody asked for. */
    public static final String KEPT_BY_ITSELF = "Before: ";

    private final EntityManager entities;
    private final Reached reached;
    private final PlatformTransactionManager transactions;
    private final Changes changes;

    public RigStore(EntityManager entities, Reached reached, PlatformTransactionManager transactions, Changes changes) {
        this.entities = entities;
        this.reached = reached;
        this.transactions = transactions;
        this.changes = changes;
    }

    @Transactional(readOnly = true)
    public List<StoredRig> rigs() {
        return entities.createQuery("""
                        select new vividlantern.server.store.RigStore$StoredRig(r.id, r.name,
                          (select count(d) from DeviceRow d where d.key.rig = r.id and d.retired = false))
                        from RigRow r where r.removedAt is null order by r.name, r.id""", StoredRig.class).getResultList();
    }

    /** Whether there is a rig of this id, readable or not. */
    @Transactional(readOnly = true)
    public boolean has(RigId id) {
        return entities.createQuery("select count(r) from RigRow r where r.id = :id", Long.class)
                        .setParameter("id", id.value())
                        .getSingleResult()
                > 0;
    }

    /** @throws Unreadable if what is stored of it cannot be understood */
    @Transactional(readOnly = true)
    public Optional<Rig> rig(RigId id) {
        return Unreadable.guard("rig", id.value(), () -> read(id));
    }

    private Optional<Rig> read(RigId id) {
        RigRow row = entities.find(RigRow.class, id.value());
        if (row == null || row.removedAt != null) {
            return Optional.empty();
        }
        SortedMap<RigPartKey, RigPart> parts = new TreeMap<>();
        parts.put(RigPartKey.SETTINGS, row.settings());
        rows(DeviceRow.class, id).map(DeviceRow::part).forEach(part -> parts.put(RigPartKey.of(part), part));
        rows(PortRow.class, id).map(PortRow::part).forEach(part -> parts.put(RigPartKey.of(part), part));
        rows(TieRow.class, id).map(TieRow::part).forEach(part -> parts.put(RigPartKey.of(part), part));
        rows(PairRow.class, id).map(PairRow::part).forEach(part -> parts.put(RigPartKey.of(part), part));
        rows(GroupRow.class, id).map(GroupRow::part).forEach(part -> parts.put(RigPartKey.of(part), part));
        rows(MicRow.class, id).map(MicRow::part).forEach(part -> parts.put(RigPartKey.of(part), part));
        return Optional.of(RigParts.assemble(id, row.revision, parts));
    }

    /** The stored log of a rig. */
    public StoredLog<RigPartKey, RigPart> log(RigId id) {
        return lines(id);
    }

    private StoredLines<RigLogRow, RigPartKey, RigPart> lines(RigId id) {
        return new StoredLines<>(entities, transactions, RigLogRow.class, "rig", id.value());
    }

    public void add(Rig rig) {
        RigRow row = new RigRow();
        row.id = rig.id().value();
        row.revision = rig.revision();
        SortedMap<RigPartKey, RigPart> parts = RigParts.OF_RIG.parts(rig);
        row.take((RigSettings) parts.get(RigPartKey.SETTINGS));
        entities.persist(row);
        parts.values().forEach(part -> write(row, part));
        changes.more();
        reached.addOnceStored(rig.revision() + 1);
    }

    /** Stores what an edit, an undo or a redo led to: the changed parts and the lines of the log, nothing else. */
    public void save(Rig before, History.Outcome<Rig, RigPartKey, RigPart> outcome, List<RigEdit> edits) {
        Rig after = outcome.whole();
        RigRow row = entities.find(RigRow.class, after.id().value());
        row.revision = after.revision();
        SortedMap<RigPartKey, Optional<RigPart>> changed = outcome.changed();
        Map<RigPartKey, RigPart> old = RigParts.OF_RIG.parts(before);
        SortedMap<RigPartKey, Optional<RigPart>> backwards = new TreeMap<>(Collections.reverseOrder());
        backwards.putAll(changed);
        backwards.forEach((key, part) -> {
            boolean tieMoves = key.kind() == RigPartKey.Kind.TIE && old.containsKey(key);
            if (part.isEmpty() || tieMoves) {
                remove(row, key);
            }
        });
        entities.flush();
        changed.forEach((key, part) -> part.ifPresent(present -> write(row, present)));
        lines(after.id()).save(outcome, Documents.writeRigEdits(edits), number -> RigLogRow.of(row.id, number));
        changes.more();
        reached.addOnceStored(after.revision() - before.revision());
    }

    /** The copies without what is in them, newest first. */
    @Transactional(readOnly = true)
    public List<Kept> copies(RigId id) {
        return entities.createQuery("""
                        select new vividlantern.server.store.RigStore$Kept(c.key.number, c.name, c.madeAt)
                        from RigCopyRow c where c.key.rig = :rig order by c.key.number desc""", Kept.class)
                .setParameter("rig", id.value())
                .getResultList();
    }

    @Transactional(readOnly = true)
    public Optional<String> copy(RigId id, long number) {
        return Optional.ofNullable(entities.find(RigCopyRow.class, new RigCopyRow.Id(id.value(), number)))
                .map(row -> row.document);
    }

    /** Keeps a copy under a name; gives its number. */
    public long keep(RigId id, String name, String document) {
        RigCopyRow row = new RigCopyRow();
        List<Kept> before = copies(id);
        long number = before.isEmpty() ? 1 : before.get(0).number() + 1;
        row.key = new RigCopyRow.Id(id.value(), number);
        row.name = name;
        row.madeAt = OffsetDateTime.now(ZoneOffset.UTC);
        row.document = document;
        entities.persist(row);
        prune(id, before);
        changes.more();
        return number;
    }

    /** Of the copies that the program keeps by itself the newest stay; those that somebody named all do. */
    private void prune(RigId id, List<Kept> newestFirst) {
        newestFirst.stream()
                .filter(each -> each.name().startsWith(KEPT_BY_ITSELF))
                .skip(KEPT_COPIES - 1)
                .forEach(old -> entities.createQuery(
                                "delete from RigCopyRow where key.rig = :rig and key.number = :number")
                        .setParameter("rig", id.value())
                        .setParameter("number", old.number())
                        .executeUpdate());
    }

    /** What was noted of the preamps that only a hand can turn. */
    @Transactional(readOnly = true)
    public List<Turned> turned(RigId id) {
        return entities.createQuery("from TurnedRow where key.rig = :rig order by key.id", TurnedRow.class)
                .setParameter("rig", id.value())
                .getResultStream()
                .map(TurnedRow::note)
                .toList();
    }

    public void note(RigId id, Turned turned) {
        RigPartId key = new RigPartId(id.value(), turned.port().value());
        TurnedRow known = entities.find(TurnedRow.class, key);
        TurnedRow row = known == null ? new TurnedRow() : known;
        row.key = key;
        row.gainDb = turned.gainDb();
        row.phantom = turned.phantom();
        row.notedAt = OffsetDateTime.now(ZoneOffset.UTC);
        entities.persist(row);
        changes.more();
    }

    /** What was found at outlets of headphone amps. */
    @Transactional(readOnly = true)
    public List<OutletNote> outlets(RigId id) {
        return rows(OutletRow.class, id)
                .map(row -> Documents.read(row.document, OutletNote.class))
                .toList();
    }

    public void note(RigId id, OutletNote found) {
        RigPartId key = new RigPartId(id.value(), found.outlet().value());
        OutletRow known = entities.find(OutletRow.class, key);
        OutletRow row = known == null ? new OutletRow() : known;
        row.key = key;
        row.notedAt = OffsetDateTime.now(ZoneOffset.UTC);
        row.document = Documents.write(found);
        entities.persist(row);
        changes.more();
    }

    /** What was measured of a rig's interfaces, by device and rate. */
    @Transactional(readOnly = true)
    public List<MeasuredLatency> measured(RigId id) {
        return rows(LoopbackRow.class, id)
                .map(row -> Documents.read(row.document, MeasuredLatency.class))
                .sorted(Comparator.comparing(MeasuredLatency::device).thenComparing(MeasuredLatency::sampleRate))
                .toList();
    }

    public void keep(RigId id, MeasuredLatency measured) {
        RigPartId key = new RigPartId(id.value(), measured.device() + "@" + measured.sampleRate());
        LoopbackRow known = entities.find(LoopbackRow.class, key);
        LoopbackRow row = known == null ? new LoopbackRow() : known;
        row.key = key;
        row.measuredAt = OffsetDateTime.now(ZoneOffset.UTC);
        row.document = Documents.write(measured);
        entities.persist(row);
        changes.more();
    }

    private void write(RigRow row, RigPart part) {
        if (part instanceof RigSettings settings) {
            row.take(settings);
        } else if (part instanceof Device device) {
            entities.merge(DeviceRow.of(row.id, device));
        } else if (part instanceof Port port) {
            entities.merge(PortRow.of(row.id, port));
        } else if (part instanceof Tie tie) {
            entities.merge(TieRow.of(row.id, tie));
        } else if (part instanceof StereoPair pair) {
            entities.merge(PairRow.of(row.id, pair));
        } else if (part instanceof WideGroup group) {
            entities.merge(GroupRow.of(row.id, group));
        } else if (part instanceof Mic mic) {
            entities.merge(MicRow.of(row.id, mic));
        }
    }

    private void remove(RigRow row, RigPartKey key) {
        Class<?> type = switch (key.kind()) {
            case DEVICE -> DeviceRow.class;
            case PORT -> PortRow.class;
            case TIE -> TieRow.class;
            case PAIR -> PairRow.class;
            case GROUP -> GroupRow.class;
            case MIC -> MicRow.class;
            case SETTINGS -> throw new IllegalStateException("Every rig has settings.");
        };
        entities.remove(entities.find(type, new RigPartId(row.id, key.id())));
    }

    private <T> Stream<T> rows(Class<T> type, RigId id) {
        return entities.createQuery("from " + type.getSimpleName() + " where key.rig = :rig", type)
                .setParameter("rig", id.value())
                .getResultStream();
    }
}
