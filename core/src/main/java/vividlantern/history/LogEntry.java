package vividlantern.history;

import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;

/**
 * A line of a log: who changed what, with the touched parts before and after.
 *
 * @param number its place in the log, from 1
 * @param revision the revision of the whole after it
 * @param gesture the drag it belongs to, or "" for none
 * @param of the line that this one takes back or makes again; empty for a change
 * @param state whether a change stands, is taken back, is taken back for good, or stands for many
 */
public record LogEntry<K, P>(
        long number,
        long revision,
        String person,
        String gesture,
        String summary,
        Map<K, Optional<P>> before,
        Map<K, Optional<P>> after,
        OptionalLong of,
        State state) {

    public enum State {
        STANDS,
        UNDONE,
        /** Undone, and its person has changed something else since: no redo reaches it. */
        FORGONE,
        /** It stands for many old lines, which are gone; nothing of them can be taken back. */
        FOLDED
    }

    public LogEntry {
        before = Map.copyOf(before);
        after = Map.copyOf(after);
    }

    /** The line that stands for all up to the one of this number. */
    public static <K, P> LogEntry<K, P> folded(long number, long revision) {
        return new LogEntry<>(
                number,
                revision,
                "",
                "",
                "Lines 1 to " + number + ", folded into one",
                Map.of(),
                Map.of(),
                OptionalLong.empty(),
                State.FOLDED);
    }

    public boolean isChange() {
        return of.isEmpty();
    }

    LogEntry<K, P> in(State newState) {
        return new LogEntry<>(number, revision, person, gesture, summary, before, after, of, newState);
    }
}
