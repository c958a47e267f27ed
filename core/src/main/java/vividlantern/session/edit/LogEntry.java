package vividlantern.session.edit;

import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import vividlantern.session.Part;
import vividlantern.session.PartKey;

/**
 * A line of a session's log: who changed what, with the touched parts before and after.
 *
 * @param number its place in the log, from 1
 * @param revision the session's revision after it
 * @param gesture the drag it belongs to, or "" for none
 * @param of the line that this one takes back or makes again; empty for a change
 * @param state whether a change stands, is taken back, or is taken back for good
 */
public record LogEntry(
        long number,
        long revision,
        String person,
        String gesture,
        String summary,
        Map<PartKey, Optional<Part>> before,
        Map<PartKey, Optional<Part>> after,
        OptionalLong of,
        State state) {

    public enum State {
        STANDS,
        UNDONE,
        /** Undone, and its person has changed something else since: no redo reaches it. */
        FORGONE
    }

    public LogEntry {
        before = Map.copyOf(before);
        after = Map.copyOf(after);
    }

    public boolean isChange() {
        return of.isEmpty();
    }

    LogEntry in(State newState) {
        return new LogEntry(number, revision, person, gesture, summary, before, after, of, newState);
    }
}
