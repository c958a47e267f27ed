package vividlantern.session.edit;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.TreeMap;
import vividlantern.rig.Rig;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.Parts;
import vividlantern.session.Session;

/**
 * A session's log and the undo it gives each person. Everybody takes back their own last change, refused if somebody
 * touched the same parts since; the engineer may take back any line. Edits of one drag are one line.
 *
 * <p>Asking gives an {@link Outcome} and changes nothing; once it is stored, {@link #accept} makes it part of the log.
 */
public final class History {

    /**
     * What a request leads to.
     *
     * @param lines new log lines and older ones whose state changed; none if nothing changed
     */
    public record Outcome(Session session, List<LogEntry> lines) {

        public boolean changesNothing() {
            return lines.isEmpty();
        }
    }

    private final NavigableMap<Long, LogEntry> log = new TreeMap<>();
    private final Map<String, NavigableMap<Long, LogEntry>> byPerson = new HashMap<>();
    /** Each person's changes that are taken back and can be made again. */
    private final Map<String, NavigableMap<Long, LogEntry>> undone = new HashMap<>();

    public History(List<LogEntry> stored) {
        stored.forEach(this::put);
    }

    public List<LogEntry> lines() {
        return List.copyOf(log.values());
    }

    public void accept(Outcome outcome) {
        outcome.lines().forEach(this::put);
    }

    private void put(LogEntry line) {
        log.put(line.number(), line);
        byPerson.computeIfAbsent(line.person(), person -> new TreeMap<>()).put(line.number(), line);
        NavigableMap<Long, LogEntry> open = undone.computeIfAbsent(line.person(), person -> new TreeMap<>());
        if (line.state() == LogEntry.State.UNDONE) {
            open.put(line.number(), line);
        } else {
            open.remove(line.number());
        }
    }

    private NavigableMap<Long, LogEntry> linesOf(String person) {
        return byPerson.getOrDefault(person, Collections.emptyNavigableMap());
    }

    /**
     * Makes edits, all or none.
     *
     * @param basedOn the revision they were made on; refused if somebody else changed one of the same parts since
     */
    public Outcome change(
            Session session, Rig rig, String person, String gesture, List<Edit> edits, OptionalLong basedOn) {
        if (edits.isEmpty()) {
            return new Outcome(session, List.of());
        }
        Session changed = Edit.applyAll(edits, session, rig);
        Map<PartKey, Optional<Part>> after = Parts.changed(session, changed);
        if (after.isEmpty()) {
            return new Outcome(session, List.of());
        }
        basedOn.ifPresent(revision -> requireUntouched(after, revision, person));
        Map<PartKey, Optional<Part>> before = asIn(session, after);
        long revision = session.revision() + 1;
        String summary = Edit.summarise(edits, session, rig);
        List<LogEntry> lines = new ArrayList<>();
        undone.getOrDefault(person, Collections.emptyNavigableMap())
                .values()
                .forEach(line -> lines.add(line.in(LogEntry.State.FORGONE)));
        lines.add(continuedDrag(person, gesture)
                .map(held -> merged(held, revision, summary, before, after))
                .orElseGet(() -> new LogEntry(
                        nextNumber(),
                        revision,
                        person,
                        gesture,
                        summary,
                        before,
                        after,
                        OptionalLong.empty(),
                        LogEntry.State.STANDS)));
        return new Outcome(changed.atRevision(revision), lines);
    }

    /** Takes back a person's last change that stands. */
    public Outcome undo(Session session, Rig rig, String person) {
        LogEntry last = lastOf(person).orElseThrow(() -> new Refused("There is nothing of yours to take back.", ""));
        return undo(session, rig, person, last);
    }

    /** Takes back any line of the log. */
    public Outcome undo(Session session, Rig rig, String person, long number) {
        LogEntry line = Optional.ofNullable(log.get(number))
                .filter(found -> found.isChange() && found.state() == LogEntry.State.STANDS)
                .orElseThrow(() -> new Refused("Line " + number + " of the log cannot be taken back.", "line"));
        return undo(session, rig, person, line);
    }

    /** Makes a person's last undone change again. */
    public Outcome redo(Session session, Rig rig, String person) {
        LogEntry line = nextRedo(person).orElseThrow(() -> new Refused("There is nothing of yours to make again.", ""));
        return restore(session, rig, person, line, line.before(), line.after(), LogEntry.State.STANDS);
    }

    /** What an undo of this person would take back. */
    public Optional<LogEntry> lastOf(String person) {
        return linesOf(person).descendingMap().values().stream()
                .filter(line -> line.isChange() && line.state() == LogEntry.State.STANDS)
                .findFirst();
    }

    /** What a redo of this person would make again: the line they took back last. */
    public Optional<LogEntry> nextRedo(String person) {
        if (undone.getOrDefault(person, Collections.emptyNavigableMap()).isEmpty()) {
            return Optional.empty();
        }
        return linesOf(person).descendingMap().values().stream()
                .filter(line -> line.of().isPresent())
                .map(line -> log.get(line.of().getAsLong()))
                .filter(line -> line.state() == LogEntry.State.UNDONE)
                .findFirst();
    }

    private Outcome undo(Session session, Rig rig, String person, LogEntry line) {
        return restore(session, rig, person, line, line.after(), line.before(), LogEntry.State.UNDONE);
    }

    private Outcome restore(
            Session session,
            Rig rig,
            String person,
            LogEntry line,
            Map<PartKey, Optional<Part>> expected,
            Map<PartKey, Optional<Part>> restored,
            LogEntry.State state) {
        Session changed = new RestoreParts(expected, restored, line.summary()).applyTo(session, rig);
        long revision = session.revision() + 1;
        String word = state == LogEntry.State.UNDONE ? "Undone: " : "Redone: ";
        LogEntry written = new LogEntry(
                nextNumber(),
                revision,
                person,
                "",
                word + line.summary(),
                expected,
                restored,
                OptionalLong.of(line.number()),
                LogEntry.State.STANDS);
        return new Outcome(changed.atRevision(revision), List.of(line.in(state), written));
    }

    private long nextNumber() {
        return log.isEmpty() ? 1 : log.lastKey() + 1;
    }

    private void requireUntouched(Map<PartKey, Optional<Part>> touched, long basedOn, String person) {
        for (LogEntry line : log.descendingMap().values()) {
            if (line.revision() <= basedOn) {
                return;
            }
            if (!line.person().equals(person) && line.after().keySet().stream().anyMatch(touched::containsKey)) {
                throw new Refused("Somebody changed the same thing meanwhile: " + line.summary() + ".", "basedOn");
            }
        }
    }

    /** The line to which another edit of the same drag belongs: the person's last, if it is of that drag. */
    private Optional<LogEntry> continuedDrag(String person, String gesture) {
        return Optional.ofNullable(linesOf(person).lastEntry())
                .map(Map.Entry::getValue)
                .filter(line ->
                        !gesture.isEmpty() && line.gesture().equals(gesture) && line.state() == LogEntry.State.STANDS);
    }

    private static LogEntry merged(
            LogEntry held,
            long revision,
            String summary,
            Map<PartKey, Optional<Part>> before,
            Map<PartKey, Optional<Part>> after) {
        Map<PartKey, Optional<Part>> first = new HashMap<>(before);
        first.putAll(held.before());
        Map<PartKey, Optional<Part>> last = new HashMap<>(held.after());
        last.putAll(after);
        return new LogEntry(
                held.number(), revision, held.person(), held.gesture(), summary, first, last, held.of(), held.state());
    }

    private static Map<PartKey, Optional<Part>> asIn(Session session, Map<PartKey, Optional<Part>> touched) {
        Map<PartKey, Part> parts = Parts.of(session);
        Map<PartKey, Optional<Part>> before = new HashMap<>();
        touched.keySet().forEach(key -> before.put(key, Optional.ofNullable(parts.get(key))));
        return before;
    }
}
