package vividlantern.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Stream;
import vividlantern.history.Anatomy;
import vividlantern.history.Ids;

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
        List<Part> found = new ArrayList<>(1);
        key.kind().walk(session, (id, part) -> {
            if (id.equals(key.id())) {
                found.add(part);
            }
        });
        return found.stream().findFirst();
    }

    @Override
    public SortedMap<PartKey, Optional<Part>> changed(Session before, Session after) {
        SortedMap<PartKey, Optional<Part>> changed = new TreeMap<>();
        for (PartKind kind : PartKind.values()) {
            if (!kind.isUntouched(before, after)) {
                changed.putAll(Anatomy.difference(of(kind, before), of(kind, after)));
            }
        }
        return changed;
    }

    private static SortedMap<PartKey, Part> of(PartKind kind, Session session) {
        SortedMap<PartKey, Part> parts = new TreeMap<>();
        kind.walk(session, (id, part) -> parts.put(new PartKey(kind, id), part));
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
        boolean inputsGone =
                after.tracks().stream().flatMap(track -> track.feeds().stream()).anyMatch(feed -> isGone(after, feed));
        boolean tracksGone = after.cues().stream()
                .flatMap(cue -> cue.sends().stream())
                .anyMatch(send -> after.find(send.trackId()).isEmpty());
        boolean performersGone = Stream.concat(
                        after.inputs().stream().flatMap(input -> input.performer().stream()),
                        after.cues().stream().flatMap(cue -> cue.listeners().stream()))
                .anyMatch(id -> after.find(id).isEmpty());
        boolean cuesGone = replaced.entrySet().stream()
                .filter(entry -> entry.getKey().kind() == PartKind.SEND
                        && entry.getValue().isPresent())
                .anyMatch(entry -> after.find(entry.getKey().cue()).isEmpty());
        boolean sendsLost = replaced.entrySet().stream()
                .filter(entry -> entry.getKey().kind() == PartKind.CUE
                        && entry.getValue().isEmpty())
                .anyMatch(entry ->
                        hasOtherSends(before, replaced, new CueId(entry.getKey().id())));
        boolean groupedGone = after.groups().stream()
                .flatMap(group -> group.tracks().stream())
                .anyMatch(id -> after.find(id).isEmpty());
        boolean directGone = after.direct().stream()
                .anyMatch(each -> after.find(each.cue()).isEmpty()
                        || after.find(each.input()).isEmpty());
        boolean partsGone = after.click().parts().anyMatch(part -> !after.has(part));
        boolean backingGone = after.backing().stream()
                .anyMatch(each ->
                        after.find(each.track()).filter(Track::isBacking).isEmpty());
        boolean numberShared =
                after.inputs().stream().map(Input::number).distinct().count()
                        < after.inputs().size();
        return !(inputsGone
                || tracksGone
                || performersGone
                || cuesGone
                || sendsLost
                || groupedGone
                || directGone
                || partsGone
                || backingGone
                || numberShared);
    }

    /** Whether a feed speaks of an input, a track or a channel of one that is not there. */
    private static boolean isGone(Session session, Feed feed) {
        boolean inputGone = feed.input().isPresent()
                && feed.input()
                        .flatMap(session::find)
                        .filter(input -> feed.channel() < input.width())
                        .isEmpty();
        boolean trackGone =
                feed.track().filter(id -> session.find(id).isEmpty()).isPresent();
        return inputGone || trackGone;
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
        Map<CueId, List<Send>> sends = new TreeMap<>((a, b) -> a.value().compareTo(b.value()));
        slice(parts, PartKind.SEND)
                .forEach((key, part) -> sends.computeIfAbsent(key.cue(), cue -> new ArrayList<>())
                        .add((Send) part));
        List<Cue> cues = Parts.<Cue>all(parts, PartKind.CUE).stream()
                .map(cue -> cue.withSends(sends.getOrDefault(cue.id(), List.of())))
                .toList();
        Settings settings = (Settings) parts.get(PartKey.SETTINGS);
        return new Session(
                id,
                revision,
                settings.name(),
                settings.song(),
                settings.sampleRate(),
                settings.bitDepth(),
                settings.bufferFrames(),
                settings.rigId(),
                settings.main(),
                all(parts, PartKind.PERFORMER),
                all(parts, PartKind.INPUT),
                all(parts, PartKind.TRACK),
                cues,
                (ClickPattern) parts.get(PartKey.CLICK),
                (TempoMap) parts.get(PartKey.TEMPO_MAP),
                all(parts, PartKind.MARKER),
                all(parts, PartKind.ACKNOWLEDGEMENT),
                all(parts, PartKind.VIEW),
                all(parts, PartKind.GROUP),
                all(parts, PartKind.BRING),
                Parts.<SongEntry>all(parts, PartKind.SONG).stream().findFirst(),
                all(parts, PartKind.DIRECT),
                Parts.<Monitoring>all(parts, PartKind.MONITORING).stream().findFirst(),
                Parts.<ControlRoom>all(parts, PartKind.CONTROL_ROOM).stream().findFirst(),
                all(parts, PartKind.BACKING));
    }

    @SuppressWarnings("unchecked")
    private static <T extends Part> List<T> all(SortedMap<PartKey, Part> parts, PartKind kind) {
        return slice(parts, kind).values().stream().map(part -> (T) part).toList();
    }

    /** The parts of one kind; they stand together. */
    private static SortedMap<PartKey, Part> slice(SortedMap<PartKey, Part> parts, PartKind kind) {
        SortedMap<PartKey, Part> from = parts.tailMap(new PartKey(kind, ""));
        PartKind[] kinds = PartKind.values();
        return kind.ordinal() + 1 == kinds.length ? from : from.headMap(new PartKey(kinds[kind.ordinal() + 1], ""));
    }
}
