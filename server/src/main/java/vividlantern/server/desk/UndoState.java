package vividlantern.server.desk;

import vividlantern.history.History;
import vividlantern.history.LogEntry;

/** What a person can take back and make again, in words; "" for nothing. */
public record UndoState(String undo, String redo) {

    static UndoState of(History<?, ?, ?> history, String person) {
        return new UndoState(
                history.lastOf(person).map(LogEntry::summary).orElse(""),
                history.nextRedo(person).map(LogEntry::summary).orElse(""));
    }
}
