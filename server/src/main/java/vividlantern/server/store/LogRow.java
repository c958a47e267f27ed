package vividlantern.server.store;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.OptionalLong;
import vividlantern.format.Documents;
import vividlantern.history.LogEntry;

/** A line of a session's log, with the edits as they came and the touched parts before and after. */
@Entity
@Table(name = "log_line")
class LogRow {

    /** A log line's key: its session and its number. */
    @Embeddable
    record Id(
            @Column(name = "session_id") String session,
            @Column(name = "number") long number) implements Serializable {}

    @EmbeddedId
    Id key;

    long revision;
    OffsetDateTime madeAt;
    String person;
    String gesture;
    String summary;

    @Lob
    String edits;

    @Lob
    String partsBefore;

    @Lob
    String partsAfter;

    @Column(name = "of_number")
    Long of;

    @Enumerated(EnumType.STRING)
    LogEntry.State state;

    /** A row that is not stored yet. */
    static LogRow begun(Id key) {
        LogRow row = new LogRow();
        row.key = key;
        row.madeAt = OffsetDateTime.now(ZoneOffset.UTC);
        row.edits = "[]";
        return row;
    }

    void take(LogEntry line) {
        revision = line.revision();
        person = line.person();
        gesture = line.gesture();
        summary = line.summary().substring(0, Math.min(1000, line.summary().length()));
        partsBefore = Documents.writeParts(line.before());
        partsAfter = Documents.writeParts(line.after());
        of = line.of().isPresent() ? line.of().getAsLong() : null;
        state = line.state();
    }

    LogEntry line() {
        return new LogEntry(
                key.number(),
                revision,
                person,
                gesture,
                summary,
                Documents.readParts(partsBefore),
                Documents.readParts(partsAfter),
                of == null ? OptionalLong.empty() : OptionalLong.of(of),
                state);
    }
}
