package vividlantern.history;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.TreeMap;

/**
 * The log of a whole and the undo it gives each person. Everybody takes back their own last change, refused if somebody
 * touched the same parts since; the engineer may take back any line. Edits of one drag are one line.
 *
 * <p>Asking gives an {@link Outcome} and changes nothing; once it is stored, {@link #accept} makes it part of the log.
 */
public final class History<W, K extends Comparable<K>, P> {

    /**
     * What a request leads to.
     *
     * @param lines new log lines and older ones whose state changed; none if nothing changed
     */
    public record Outcome<W, K, P>(W whole, List<LogEntry<K, P>> lines) {

        public boolean changesNothing() {
            return lines.isEmpty();
        }
    }

    private final Anatomy<W, K, P> anatomy;
    private final NavigableMap<Long, LogEntry<K, P>> log = new TreeMap<>();
    private final Map<String, NavigableMap<Long, LogEntry<K, P>>> byPerson = new HashMap<>();
    /** Each person's changes that are taken back and can be made again. */
    private final Map<String, NavigableMap<Long, LogEntry<K, P>>> undone = new HashMap<>();

    public History(Anatomy<W, K, P> anatomy, List<LogEntry<K, P>> stored) {
        this.anatomy = anatomy;
        stored.forEach(this::put);
    }

    public List<LogEntry<K, P>> lines() {
        return List.copyOf(log.values());
    }

    /**
     * The line that would stand for all but the newest lines, under the number of the last of those.
     *
     * @param keep how many of the newest stay as they are
     * @return nothing if there are not more
     */
    public Optional<LogEntry<K, P>> folded(int keep) {
        if (log.size() <= keep) {
            return Optional.empty();
        }
        List<LogEntry<K, P>> lines = lines();
        LogEntry<K, P> last = lines.get(lines.size() - keep - 1);
        return Optional.of(new LogEntry<>(
                last.number(),
                last.revision(),
                "",
                "",
                "Lines 1 to " + last.number() + ", folded into one",
                Map.of(),
                Map.of(),
                OptionalLong.empty(),
                LogEntry.State.FOLDED));
    }

    public void accept(Outcome<W, K, P> outcome) {
        outcome.lines().forEach(this::put);
    }

    private void put(LogEntry<K, P> line) {
        log.put(line.number(), line);
        byPerson.computeIfAbsent(line.person(), person -> new TreeMap<>()).put(line.number(), line);
        NavigableMap<Long, LogEntry<K, P>> open = undone.computeIfAbsent(line.person(), person -> new TreeMap<>());
        if (line.state() == LogEntry.State.UNDONE) {
            open.put(line.number(), line);
        } else {
            open.remove(line.number());
        }
    }

    private NavigableMap<Long, LogEntry<K, P>> linesOf(String person) {
        return byPerson.getOrDefault(person, Collections.emptyNavigableMap());
    }

    /**
     * Writes down a change that was made.
     *
     * @param basedOn the revision it was made on; refused if somebody else changed one of the same parts since
     */
    public Outcome<W, K, P> change(
            W was, W changed, String summary, String person, String gesture, OptionalLong basedOn) {
        Map<K, Optional<P>> after = anatomy.changed(was, changed);
        if (after.isEmpty()) {
            return new Outcome<>(was, List.of());
        }
        basedOn.ifPresent(revision -> requireUntouched(after, revision, person));
        Map<K, Optional<P>> before = asIn(was, after);
        long revision = anatomy.revision(was) + 1;
        List<LogEntry<K, P>> lines = new ArrayList<>();
        undone.getOrDefault(person, Collections.emptyNavigableMap())
                .values()
                .forEach(line -> lines.add(line.in(LogEntry.State.FORGONE)));
        lines.add(continuedDrag(person, gesture)
                .map(held -> merged(held, revision, summary, before, after))
                .orElseGet(() -> new LogEntry<>(
                        nextNumber(),
                        revision,
                        person,
                        gesture,
                        summary,
                        before,
                        after,
                        OptionalLong.empty(),
                        LogEntry.State.STANDS)));
        return new Outcome<>(anatomy.atRevision(changed, revision), lines);
    }

    /** Takes back a person's last change that stands. */
    public Outcome<W, K, P> undo(W whole, String person) {
        LogEntry<K, P> last =
                lastOf(person).orElseThrow(() -> new Refused("There is nothing of yours to take back.", ""));
        return undo(whole, person, last);
    }

    /** Takes back any line of the log. */
    public Outcome<W, K, P> undo(W whole, String person, long number) {
        LogEntry<K, P> line = Optional.ofNullable(log.get(number))
                .filter(found -> found.isChange() && found.state() == LogEntry.State.STANDS)
                .orElseThrow(() -> new Refused("Line " + number + " of the log cannot be taken back.", "line"));
        return undo(whole, person, line);
    }

    /** Makes a person's last undone change again. */
    public Outcome<W, K, P> redo(W whole, String person) {
        LogEntry<K, P> line =
                nextRedo(person).orElseThrow(() -> new Refused("There is nothing of yours to make again.", ""));
        return restore(whole, person, line, line.before(), line.after(), LogEntry.State.STANDS);
    }

    /** What an undo of this person would take back. */
    public Optional<LogEntry<K, P>> lastOf(String person) {
        return linesOf(person).descendingMap().values().stream()
                .filter(line -> line.isChange() && line.state() == LogEntry.State.STANDS)
                .findFirst();
    }

    /** What a redo of this person would make again: the line they took back last. */
    public Optional<LogEntry<K, P>> nextRedo(String person) {
        if (undone.getOrDefault(person, Collections.emptyNavigableMap()).isEmpty()) {
            return Optional.empty();
        }
        return linesOf(person).descendingMap().values().stream()
                .filter(line -> line.of().isPresent())
                .map(line -> log.get(line.of().getAsLong()))
                .filter(line -> line != null && line.state() == LogEntry.State.UNDONE)
                .findFirst();
    }

    private Outcome<W, K, P> undo(W whole, String person, LogEntry<K, P> line) {
        return restore(whole, person, line, line.after(), line.before(), LogEntry.State.UNDONE);
    }

    private Outcome<W, K, P> restore(
            W whole,
            String person,
            LogEntry<K, P> line,
            Map<K, Optional<P>> expected,
            Map<K, Optional<P>> restored,
            LogEntry.State state) {
        W changed = putBack(whole, expected, restored, line.summary());
        long revision = anatomy.revision(whole) + 1;
        String word = state == LogEntry.State.UNDONE ? "Undone: " : "Redone: ";
        LogEntry<K, P> written = new LogEntry<>(
                nextNumber(),
                revision,
                person,
                "",
                word + line.summary(),
                expected,
                restored,
                OptionalLong.of(line.number()),
                LogEntry.State.STANDS);
        return new Outcome<>(anatomy.atRevision(changed, revision), List.of(line.in(state), written));
    }

    /** Puts parts back as they were; refused if somebody changed one of them since, or something depends on them by now. */
    private W putBack(W whole, Map<K, Optional<P>> expected, Map<K, Optional<P>> restored, String what) {
        Map<K, P> now = anatomy.parts(whole);
        expected.forEach((key, part) -> {
            if (!Optional.ofNullable(now.get(key)).equals(part)) {
                throw new Refused("\"" + what + "\" cannot be taken back: somebody changed the same thing since.", "");
            }
        });
        W after = anatomy.replace(whole, restored);
        if (!anatomy.holds(whole, after, restored)) {
            throw new Refused("\"" + what + "\" cannot be taken back: something that came since depends on it.", "");
        }
        return after;
    }

    private long nextNumber() {
        return log.isEmpty() ? 1 : log.lastKey() + 1;
    }

    private void requireUntouched(Map<K, Optional<P>> touched, long basedOn, String person) {
        for (LogEntry<K, P> line : log.descendingMap().values()) {
            if (line.revision() <= basedOn) {
                return;
            }
            if (!line.person().equals(person) && line.after().keySet().stream().anyMatch(touched::containsKey)) {
                throw new Refused("Somebody changed the same thing meanwhile: " + line.summary() + ".", "basedOn");
            }
        }
    }

    /** The line to which another edit of the same drag belongs: the person's last, if it is of that drag. */
    private Optional<LogEntry<K, P>> continuedDrag(String person, String gesture) {
        return Optional.ofNullable(linesOf(person).lastEntry())
                .map(Map.Entry::getValue)
                .filter(line ->
                        !gesture.isEmpty() && line.gesture().equals(gesture) && line.state() == LogEntry.State.STANDS);
    }

    private LogEntry<K, P> merged(
            LogEntry<K, P> held, long revision, String summary, Map<K, Optional<P>> before, Map<K, Optional<P>> after) {
        Map<K, Optional<P>> first = new HashMap<>(before);
        first.putAll(held.before());
        Map<K, Optional<P>> last = new HashMap<>(held.after());
        last.putAll(after);
        return new LogEntry<>(
                held.number(), revision, held.person(), held.gesture(), summary, first, last, held.of(), held.state());
    }

    private Map<K, Optional<P>> asIn(W whole, Map<K, Optional<P>> touched) {
        Map<K, P> parts = anatomy.parts(whole);
        Map<K, Optional<P>> before = new HashMap<>();
        touched.keySet().forEach(key -> before.put(key, Optional.ofNullable(parts.get(key))));
        return before;
    }
}
