package vividlantern.session;

import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import vividlantern.basics.Ids;
import vividlantern.history.Anatomy;
import vividlantern.session.cue.CueId;

/** A session taken apart and put together again: how two states differ, and how a difference is applied. */
public final class Parts implements Anatomy<Session, PartKey, Part> {

    public static final Parts OF_SESSION = new Parts();

    private Parts() {}

    @Override
    public long revision(Session session) {
        return session.revision();
    }

    @Override
    public Session atRevision(Session session, long revision) {
        return session.atRevision(revision);
    }

    @Override
    public SortedMap<PartKey, Part> parts(Session session) {
        SortedMap<PartKey, Part> parts = new TreeMap<>();
        for (PartKind kind : PartKind.values()) {
            kind.walk(session, (id, part) -> parts.put(new PartKey(kind, id), part));
        }
        return parts;
    }

    @Override
    public Optional<Part> part(Session session, PartKey key) {
        return key.kind().find(session, key);
    }

    @Override
    public SortedMap<PartKey, Optional<Part>> changed(Session before, Session after) {
        SortedMap<PartKey, Optional<Part>> changed = new TreeMap<>();
        for (PartKind kind : PartKind.values()) {
            if (!kind.isUntouched(before, after)) {
                changed.putAll(Anatomy.difference(unlike(kind, before, after), unlike(kind, after, before)));
            }
        }
        return changed;
    }

    private static SortedMap<PartKey, Part> of(PartKind kind, Session session) {
        SortedMap<PartKey, Part> parts = new TreeMap<>();
        kind.walk(session, (id, part) -> parts.put(new PartKey(kind, id), part));
        return parts;
    }

    private static SortedMap<PartKey, Part> unlike(PartKind kind, Session session, Session other) {
        SortedMap<PartKey, Part> parts = new TreeMap<>();
        kind.walkUnlike(session, other, (id, part) -> parts.put(new PartKey(kind, id), part));
        return parts;
    }

    @Override
    public Session replace(Session session, Map<PartKey, Optional<Part>> parts) {
        SortedMap<PartKey, Part> all = parts(session);
        parts.forEach((key, part) -> part.ifPresentOrElse(present -> all.put(key, present), () -> all.remove(key)));
        return assemble(session.id(), session.revision(), all);
    }

    /** What is put back or taken away may be spoken of elsewhere by now. */
    @Override
    public boolean holds(Session before, Session after, Map<PartKey, Optional<Part>> replaced) {
        boolean allStand = Arrays.stream(PartKind.values())
                .flatMap(kind -> kind.all(after))
                .allMatch(part -> part.standsIn(after));
        boolean cuesGone = replaced.entrySet().stream()
                .filter(entry -> entry.getKey().kind() == PartKind.SEND
                        && entry.getValue().isPresent())
                .anyMatch(entry -> after.find(entry.getKey().cue()).isEmpty());
        boolean sendsLost = replaced.entrySet().stream()
                .filter(entry -> entry.getKey().kind() == PartKind.CUE
                        && entry.getValue().isEmpty())
                .anyMatch(entry ->
                        hasOtherSends(before, replaced, new CueId(entry.getKey().id())));
        boolean numberShared =
                after.inputs().stream().map(Input::number).distinct().count()
                        < after.inputs().size();
        return allStand && !cuesGone && !sendsLost && !numberShared;
    }

    private static boolean hasOtherSends(Session session, Map<PartKey, Optional<Part>> replaced, CueId id) {
        return session.find(id).stream()
                .flatMap(cue -> cue.sends().stream())
                .anyMatch(send -> !replaced.containsKey(PartKey.of(id, send.trackId())));
    }

    /** An id for a part of a kind that is to come, from its name. */
    public static String freshId(Session session, PartKind kind, String name) {
        return Ids.fresh(
                name, of(kind, session).keySet().stream().map(PartKey::id).toList()::contains);
    }

    /** A session from its parts; the revision is not one of them. */
    public static Session assemble(SessionId id, long revision, SortedMap<PartKey, Part> parts) {
        SessionDraft draft = SessionDraft.empty(id, revision);
        for (PartKind kind : PartKind.values()) {
            kind.put(slice(parts, kind), draft);
        }
        return draft.make();
    }

    /** As much of a session as comes along somewhere. */
    public static Session coming(Session session, PartKind.Goes where, SessionId as) {
        SortedMap<PartKey, Part> parts = OF_SESSION.parts(session);
        parts.keySet().removeIf(key -> !key.kind().goes(where));
        return assemble(as, 0, parts).withoutLostParts();
    }

    /** The parts of one kind; they stand together. */
    private static SortedMap<PartKey, Part> slice(SortedMap<PartKey, Part> parts, PartKind kind) {
        SortedMap<PartKey, Part> from = parts.tailMap(new PartKey(kind, ""));
        PartKind[] kinds = PartKind.values();
        return kind.ordinal() + 1 == kinds.length ? from : from.headMap(new PartKey(kinds[kind.ordinal() + 1], ""));
    }
}
