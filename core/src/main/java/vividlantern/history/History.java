package vividlantern.history;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import vividlantern.basics.Refused;

/**
 * The log of a whole and the undo it gives each person. Everybody takes back their own last change, refused if somebody
 * touched the same parts since; the engineer may take back any line. Edits of one drag are one line, as long as nobody else
 * touches what is dragged. Of the stored log only what undo needs is read.
 *
 * <p>Asking gives an {@link Outcome} and changes nothing; once it is stored, {@link #accept} makes it part of the log.
 */
public final class History<W, K extends Comparable<K>, P> {

    /**
     * What a request leads to.
     *
     * @param changed the parts that differ, each as it is afterwards; empty where it is gone
     * @param line the line in which this stands; empty if nothing changed
     * @param goesOn whether that line was there already, and a drag goes on in it
     * @param restated older lines whose state has become another
     */
    public record Outcome<W, K, P>(
            W whole,
            SortedMap<K, Optional<P>> changed,
            Optional<LogEntry<K, P>> line,
            boolean goesOn,
            List<LogEntry<K, P>> restated) {

        public boolean changesNothing() {
            return line.isEmpty();
        }
    }

    /** So many changes are tried for one that can be taken back. */
    private static final int LOOKED_AT = 20;

    private final Anatomy<W, K, P> anatomy;
    private final RecentLines<K, P> lines;

    /** @param revision of the whole as it stands */
    public History(Anatomy<W, K, P> anatomy, StoredLog<K, P> stored, long revision) {
        this.anatomy = anatomy;
        lines = new RecentLines<>(stored, revision);
    }

    public void accept(Outcome<W, K, P> outcome) {
        outcome.restated().forEach(lines::put);
        outcome.line().ifPresent(lines::put);
    }

    /**
     * Writes down a change that was made.
     *
     * @param basedOn the revision it was made on; refused if somebody else changed one of the same parts since
     */
    public Outcome<W, K, P> change(
            W was, W changed, String summary, String person, String gesture, OptionalLong basedOn) {
        SortedMap<K, Optional<P>> after = anatomy.changed(was, changed);
        if (after.isEmpty()) {
            return new Outcome<>(was, after, Optional.empty(), false, List.of());
        }
        basedOn.ifPresent(revision -> requireUntouched(after.keySet(), revision, person));
        Map<K, Optional<P>> before = new HashMap<>();
        after.keySet().forEach(key -> before.put(key, anatomy.part(was, key)));
        long revision = anatomy.revision(was) + 1;
        Optional<LogEntry<K, P>> held = continuedDrag(person, gesture, after.keySet());
        LogEntry<K, P> line = held.map(drag -> merged(drag, revision, summary, before, after))
                .orElseGet(() -> new LogEntry<>(
                        lines.lastNumber() + 1,
                        revision,
                        person,
                        gesture,
                        summary,
                        before,
                        after,
                        OptionalLong.empty(),
                        LogEntry.State.STANDS));
        return new Outcome<>(
                anatomy.atRevision(changed, revision),
                after,
                Optional.of(line),
                held.isPresent(),
                takenBackBy(person).stream()
                        .map(each -> each.in(LogEntry.State.FORGONE))
                        .toList());
    }

    /** Takes back a person's last change that stands. */
    public Outcome<W, K, P> undo(W whole, String person) {
        LogEntry<K, P> last = lastOf(person).orElseThrow(() -> new Refused("There is nothing of yours to undo.", ""));
        try {
            return undo(whole, person, last);
        } catch (Refused refused) {
            throw before(last, whole, person)
                    .map(line -> refused.offering(new Refused.Instead(line.number(), line.summary())))
                    .orElse(refused);
        }
    }

    /** The person's newest change before one that cannot be taken back which can be; looked for among the next few. */
    private Optional<LogEntry<K, P>> before(LogEntry<K, P> stuck, W whole, String person) {
        int looked = 0;
        for (LogEntry<K, P> line : lines.of(person)) {
            boolean older = line.number() < stuck.number();
            if (older && line.isChange() && line.state() == LogEntry.State.STANDS) {
                try {
                    undo(whole, person, line);
                    return Optional.of(line);
                } catch (Refused stuckToo) {
                    if (++looked == LOOKED_AT) {
                        break;
                    }
                }
            }
        }
        return Optional.empty();
    }

    /** Takes back any line of the log. */
    public Outcome<W, K, P> undo(W whole, String person, long number) {
        LogEntry<K, P> line = lines.line(number)
                .filter(found -> found.isChange() && found.state() == LogEntry.State.STANDS)
                .orElseThrow(() -> new Refused("Line " + number + " of the log cannot be undone.", "line"));
        return undo(whole, person, line);
    }

    /** Makes the change again that a person took back last. */
    public Outcome<W, K, P> redo(W whole, String person) {
        LogEntry<K, P> line = nextRedo(person).orElseThrow(() -> new Refused("There is nothing of yours to redo.", ""));
        return restore(whole, person, line, line.before(), line.after(), LogEntry.State.STANDS);
    }

    /**
     * The whole as it was right after a line of the log: everything that changed since is as it was.
     *
     * @param number of the line; 0 for before the first one
     */
    public W asAfter(W whole, long number) {
        long since = number == 0
                ? 0
                : lines.line(number)
                        .filter(line -> line.state() != LogEntry.State.FOLDED)
                        .orElseThrow(() -> new Refused("The log has no line " + number + " to go back to.", "line"))
                        .revision();
        Map<K, Optional<P>> restored = new HashMap<>();
        for (LogEntry<K, P> line : lines.since(since)) {
            if (line.state() == LogEntry.State.FOLDED) {
                throw new Refused("What was before line " + (line.number() + 1) + " is not known any more.", "line");
            }
            line.before().forEach(restored::putIfAbsent);
        }
        return anatomy.replace(whole, restored);
    }

    /** What an undo of this person would take back. */
    public Optional<LogEntry<K, P>> lastOf(String person) {
        for (LogEntry<K, P> line : lines.of(person)) {
            if (line.isChange() && line.state() == LogEntry.State.STANDS) {
                return Optional.of(line);
            }
        }
        return Optional.empty();
    }

    /** What a redo of this person would make again. */
    public Optional<LogEntry<K, P>> nextRedo(String person) {
        return takenBackBy(person).stream().findFirst();
    }

    /** The changes that a person took back since their own last one, the last taken back first. */
    private List<LogEntry<K, P>> takenBackBy(String person) {
        List<LogEntry<K, P>> found = new ArrayList<>();
        for (LogEntry<K, P> line : lines.of(person)) {
            if (line.of().isEmpty()) {
                if (line.state() == LogEntry.State.STANDS) {
                    break;
                }
            } else {
                lines.line(line.of().getAsLong())
                        .filter(each -> each.state() == LogEntry.State.UNDONE && !found.contains(each))
                        .ifPresent(found::add);
            }
        }
        return found;
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
        boolean undone = state == LogEntry.State.UNDONE;
        W changed = putBack(
                whole,
                expected,
                restored,
                "\"" + line.summary() + "\" cannot be " + (undone ? "undone: " : "redone: "));
        long revision = anatomy.revision(whole) + 1;
        LogEntry<K, P> written = new LogEntry<>(
                lines.lastNumber() + 1,
                revision,
                person,
                "",
                (undone ? "Undone: " : "Redone: ") + line.summary(),
                expected,
                restored,
                OptionalLong.of(line.number()),
                LogEntry.State.STANDS);
        return new Outcome<>(
                anatomy.atRevision(changed, revision),
                new TreeMap<>(restored),
                Optional.of(written),
                false,
                List.of(line.in(state)));
    }

    /** Puts parts back as they were; refused if somebody changed one of them since, or something depends on them by now. */
    private W putBack(W whole, Map<K, Optional<P>> expected, Map<K, Optional<P>> restored, String refusal) {
        expected.forEach((key, part) -> {
            if (!anatomy.part(whole, key).equals(part)) {
                throw new Refused(refusal + "somebody changed the same thing since.", "");
            }
        });
        W after = anatomy.replace(whole, restored);
        if (!anatomy.holds(whole, after, restored)) {
            throw new Refused(refusal + "something that came since depends on it.", "");
        }
        return after;
    }

    private void requireUntouched(Set<K> touched, long basedOn, String person) {
        touchedByOthers(touched, basedOn, person).ifPresent(line -> {
            throw new Refused("Somebody changed the same thing meanwhile: " + line.summary() + ".", "basedOn");
        });
    }

    private Optional<LogEntry<K, P>> touchedByOthers(Set<K> parts, long since, String person) {
        return lines.since(since).stream()
                .filter(line -> !line.person().equals(person))
                .filter(line -> line.after().keySet().stream().anyMatch(parts::contains))
                .findFirst();
    }

    /** The line to which another edit of the same drag belongs: the person's last, if nobody else touched its parts since. */
    private Optional<LogEntry<K, P>> continuedDrag(String person, String gesture, Set<K> touched) {
        if (gesture.isEmpty()) {
            return Optional.empty();
        }
        for (LogEntry<K, P> last : lines.of(person)) {
            boolean sameDrag =
                    last.gesture().equals(gesture) && last.isChange() && last.state() == LogEntry.State.STANDS;
            return sameDrag
                            && touchedByOthers(last.after().keySet(), last.revision(), person)
                                    .isEmpty()
                            && touchedByOthers(touched, last.revision(), person).isEmpty()
                    ? Optional.of(last)
                    : Optional.empty();
        }
        return Optional.empty();
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
}
